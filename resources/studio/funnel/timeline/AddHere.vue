<script setup lang="ts">
import { ArrowsRightLeftIcon, BoltIcon, ClockIcon, DocumentIcon, EnvelopeIcon, WindowIcon } from '@heroicons/vue/24/outline';
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import type { Page } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { partPath } from '@/funnel/parts';
import { addsAt } from '@/funnel/timeline/adds';
import type { Column } from '@/funnel/timeline/moments';
import { useSteps } from '@/funnel/steps';
import { useToasts } from '@/stores/toasts';
import UiDialog from '@/ui/UiDialog.vue';

/** What comes at a moment of the timeline: a page, an email, a deadline that starts there, a pop-up, a rule. */
const props = defineProps<{ column: Column | null; page: Page | null }>();
const emit = defineEmits<{ close: []; page: [after: string]; popup: [on: string] }>();

const store = useFunnel();
const steps = useSteps();
const router = useRouter();
const toasts = useToasts();
const choices = computed(() => (store.funnel && props.column ? addsAt(store.funnel, props.column, props.page) : []));
const ICONS = {
    page: DocumentIcon,
    email: EnvelopeIcon,
    deadline: ClockIcon,
    popup: WindowIcon,
    sequence: BoltIcon,
    automation: ArrowsRightLeftIcon,
};

async function choose(choice: (typeof choices.value)[number]): Promise<void> {
    emit('close');
    if (choice.kind === 'page') {
        emit('page', props.page!.id);
    } else if (choice.kind === 'popup') {
        emit('popup', props.page!.id);
    } else if ('given' in choice) {
        try {
            const made = await steps.add(choice.kind, choice.given);
            store.edit(choice.kind, made.id, choice.values, choice.words, true);
            await router.push(partPath(store.funnel!, choice.kind, made.id));
        } catch (error) {
            toasts.trouble(error);
        }
    }
}
</script>

<template>
    <UiDialog :open="column !== null" :title="`Add at “${column?.inFull ?? ''}”`" @close="emit('close')">
        <ul class="mt-4 space-y-2">
            <li v-for="choice in choices" :key="choice.label">
                <button type="button" class="btn w-full justify-start" @click="choose(choice)">
                    <component :is="ICONS[choice.kind]" class="size-5 text-pine" aria-hidden="true" />{{ choice.label }}
                </button>
            </li>
        </ul>
    </UiDialog>
</template>
