<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { api, ApiError } from '@/api/client';
import type { Choice, Life, Promised, Visitor } from '@/api/types';
import { useToasts } from '@/stores/toasts';
import TextField from '@/ui/TextField.vue';
import UiDialog from '@/ui/UiDialog.vue';

/** A way is kept as a promise, with what of it must hold. */
const props = defineProps<{
    open: boolean;
    funnel: string;
    life: Life | null;
    body: { start: string; choices: Choice[]; visitor?: Visitor };
}>();
const emit = defineEmits<{ close: []; kept: [Promised] }>();

const ASPECTS = [
    { value: 'pages', label: 'The pages they see' },
    { value: 'emails', label: 'The emails they get' },
    { value: 'times', label: 'When the emails come' },
    { value: 'deadlines', label: 'When deadlines begin and end' },
    { value: 'money', label: 'What they buy and pay' },
    { value: 'tags', label: 'The tags they get' },
];
const toasts = useToasts();
const name = ref('');
const about = ref<string[]>([]);
const busy = ref(false);
const refused = ref<ApiError | null>(null);
/** A first proposal of how to say it. */
const proposed = computed(() => {
    const life = props.life;
    if (!life) {
        return '';
    }
    const emails = life.mails.filter((m) => m.kind === 'sequence').length;
    const mails = emails === 0 ? 'no email' : emails === 1 ? 'one email' : `${emails} emails`;
    const does = life.paid > 0 ? 'buys so' : 'does not buy';
    return `Whoever ${does} gets ${mails}${life.page ? ` and comes to “${life.page.name}”` : ''}`;
});
watch(
    () => props.open,
    (open) => {
        if (open) {
            name.value = proposed.value;
            about.value = ASPECTS.filter((a) => a.value !== 'tags').map((a) => a.value);
            refused.value = null;
        }
    },
);
async function keep(): Promise<void> {
    busy.value = true;
    try {
        const kept = await api.post<Promised>(`funnels/${props.funnel}/promises`, { ...props.body, name: name.value, about: about.value });
        emit('kept', kept);
    } catch (error) {
        refused.value = error instanceof ApiError ? error : null;
        if (!refused.value || Object.keys(refused.value.errors).length === 0) {
            toasts.trouble(error);
        }
    } finally {
        busy.value = false;
    }
}
</script>

<template>
    <UiDialog :open="open" title="Save this way as a promise" @close="$emit('close')">
        <form class="mt-4 space-y-4" novalidate @submit.prevent="keep">
            <p>
                It is played again each time you publish. If something you chose below comes out differently, you see what, before anything
                goes live.
            </p>
            <TextField
                v-model="name"
                label="What you promise, in your own words"
                :maxlength="160"
                :lines="2"
                :error="refused?.field('name') ?? refused?.field('choices') ?? refused?.field('person')"
            />
            <fieldset>
                <legend class="label">What must stay as it is</legend>
                <label v-for="one in ASPECTS" :key="one.value" class="flex items-center gap-2 py-0.5">
                    <input v-model="about" type="checkbox" :value="one.value" class="size-4 accent-pine" />{{ one.label }}
                </label>
                <p v-if="refused?.field('about')" role="alert" class="font-medium text-clay-deep">{{ refused.field('about') }}</p>
            </fieldset>
            <div class="flex gap-2">
                <button type="submit" class="btn-main" :disabled="busy">Save the promise</button>
                <button type="button" class="btn-quiet" @click="$emit('close')">Cancel</button>
            </div>
        </form>
    </UiDialog>
</template>
