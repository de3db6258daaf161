<script setup lang="ts">
import { ref, watch } from 'vue';
import type { ApiError } from '@/api/client';
import type { Visitor } from '@/api/types';
import DateField from '@/ui/DateField.vue';
import TagsField from '@/ui/TagsField.vue';
import TextField from '@/ui/TextField.vue';
import UiDialog from '@/ui/UiDialog.vue';
import UiListbox from '@/ui/UiListbox.vue';
import UiSwitch from '@/ui/UiSwitch.vue';
import ZoneField from '@/ui/ZoneField.vue';

/** Who goes through the funnel, and from when. */
const props = defineProps<{ open: boolean; visitor: Visitor; start: string; refused: ApiError | null }>();
const emit = defineEmits<{ close: []; take: [Visitor, string] }>();

const draft = ref<Visitor>({ ...props.visitor });
const start = ref(props.start);
const source = ref('');
watch(
    () => props.open,
    (open) => {
        if (open) {
            draft.value = { ...props.visitor };
            start.value = props.start;
            source.value = props.visitor.parameters?.utm_source ?? '';
        }
    },
);
function take(): void {
    const parameters = { ...draft.value.parameters };
    delete parameters.utm_source;
    if (source.value.trim()) {
        parameters.utm_source = source.value.trim();
    }
    emit('take', { ...draft.value, parameters, known: draft.value.known || (draft.value.tags ?? []).length > 0 }, start.value);
}
</script>

<template>
    <UiDialog :open="open" title="Who goes through the funnel?" @close="$emit('close')">
        <form class="mt-5 space-y-4" novalidate @submit.prevent="take">
            <div class="grid grid-cols-2 gap-4">
                <TextField v-model="draft.name" label="Name" autocomplete="off" :error="refused?.field('visitor.name')" />
                <TextField v-model="draft.email" label="Email address" autocomplete="off" :error="refused?.field('visitor.email')" />
                <ZoneField v-model="draft.zone" label="Where they live (time zone)" :error="refused?.field('visitor.zone')" />
                <UiListbox
                    :model-value="draft.phone ? 'phone' : 'computer'"
                    label="What they look at it on"
                    :options="[
                        { value: 'computer', label: 'A computer' },
                        { value: 'phone', label: 'A phone' },
                    ]"
                    @update:model-value="(v: string) => (draft.phone = v === 'phone')"
                />
                <DateField v-model="start" label="It begins, on their clock" time required :error="refused?.field('start')" />
                <TextField v-model="source" label="Came from (utm_source, optional)" autocomplete="off" />
            </div>
            <TagsField
                :model-value="draft.tags ?? []"
                label="Tags they have already (optional)"
                @update:model-value="(tags: string[]) => (draft.tags = tags)"
            />
            <UiSwitch
                :model-value="draft.known ?? false"
                label="They are on my list already"
                @update:model-value="(on: boolean) => (draft.known = on)"
            />
            <div class="flex gap-2 pt-2">
                <button type="submit" class="btn-main">Rehearse with them</button>
                <button type="button" class="btn-quiet" @click="$emit('close')">Cancel</button>
            </div>
        </form>
    </UiDialog>
</template>
