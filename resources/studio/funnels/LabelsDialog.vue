<script setup lang="ts">
import { ref, watch } from 'vue';
import { api, ApiError } from '@/api/client';
import type { FunnelRow } from '@/api/types';
import { useToasts } from '@/stores/toasts';
import TagsField from '@/ui/TagsField.vue';
import UiDialog from '@/ui/UiDialog.vue';

/** The words by which a funnel is found in the list. */
const props = defineProps<{ funnel: FunnelRow | null; known: string[] }>();
const emit = defineEmits<{ close: []; saved: [] }>();

const toasts = useToasts();
const labels = ref<string[]>([]);
const error = ref('');
watch(
    () => props.funnel,
    (funnel) => {
        labels.value = [...(funnel?.labels ?? [])];
        error.value = '';
    },
);

async function put(funnel: FunnelRow, now: string[]): Promise<void> {
    await api.put(`funnels/${funnel.id}`, { labels: now });
    emit('saved');
}

async function save(): Promise<void> {
    const funnel = props.funnel!;
    const before = funnel.labels;
    try {
        await put(funnel, labels.value);
        emit('close');
        toasts.say(`The labels of “${funnel.name}” are saved.`, { label: 'Undo', run: () => put(funnel, before) });
    } catch (caught) {
        if (caught instanceof ApiError && caught.status === 422) {
            error.value = caught.message;
        } else {
            toasts.trouble(caught);
        }
    }
}
const toggle = (label: string) =>
    (labels.value = labels.value.includes(label) ? labels.value.filter((l) => l !== label) : [...labels.value, label]);
</script>

<template>
    <UiDialog :open="funnel !== null" :title="`Labels of “${funnel?.name}”`" @close="emit('close')">
        <form class="mt-4" @submit.prevent="save">
            <TagsField v-model="labels" label="Labels" hint="Only you see them. Several with commas between." />
            <p v-if="error" role="alert" class="mt-1 font-medium text-clay-deep">{{ error }}</p>
            <div v-if="known.length > 0" class="mt-3 flex flex-wrap gap-1.5" role="group" aria-label="Labels there are">
                <button
                    v-for="label in known"
                    :key="label"
                    type="button"
                    class="rounded-full border px-2.5 py-0.5 text-sm font-medium"
                    :class="labels.includes(label) ? 'border-ink bg-lamp-pale' : 'border-line text-soft hover:text-ink'"
                    :aria-pressed="labels.includes(label)"
                    @click="toggle(label)"
                >
                    {{ label }}
                </button>
            </div>
            <button type="submit" class="mt-5 btn-main">Save the labels</button>
        </form>
    </UiDialog>
</template>
