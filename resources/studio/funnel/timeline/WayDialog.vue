<script setup lang="ts">
import { computed } from 'vue';
import type { Page } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { useSteps } from '@/funnel/steps';
import WayField from '@/funnel/timeline/WayField.vue';
import { useToasts } from '@/stores/toasts';
import UiDialog from '@/ui/UiDialog.vue';

/** Where the ways of a page lead. With a target, one question alone: which of those who were on the page go there. */
const props = defineProps<{ page: Page | null; outcome: string | null; target: Page | null }>();
const emit = defineEmits<{ close: [] }>();

const store = useFunnel();
const steps = useSteps();
const toasts = useToasts();
const shown = computed(() => props.page?.outcomes.filter((o) => props.outcome === null || o.outcome === props.outcome) ?? []);
const leads = (outcome: string) => {
    const way = store.funnel?.ways.find((w) => w.page === props.page?.id && w.outcome === outcome);
    return way?.toUrl ? 'an outside address' : (store.funnel?.pages.find((p) => p.id === way?.toPage)?.name ?? 'nowhere');
};

async function connect(outcome: string): Promise<void> {
    try {
        await steps.connect(props.page!.id, outcome, { toPage: props.target!.id });
        emit('close');
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <UiDialog :open="page !== null" :title="target ? `Who goes on to “${target.name}”?` : `From “${page?.name}”`" @close="emit('close')">
        <ul v-if="target" class="mt-4 space-y-2">
            <li v-for="o in shown" :key="o.outcome">
                <button type="button" class="btn w-full justify-between" @click="connect(o.outcome)">
                    {{ o.who }}<span class="font-normal text-soft">now: {{ leads(o.outcome) }}</span>
                </button>
            </li>
        </ul>
        <template v-else-if="page">
            <div class="mt-4 min-h-72 space-y-4">
                <WayField v-for="o in shown" :key="o.outcome" :page="page" :outcome="o" />
            </div>
            <button type="button" class="btn-main" @click="emit('close')">Done</button>
        </template>
    </UiDialog>
</template>
