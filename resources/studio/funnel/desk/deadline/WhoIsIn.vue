<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { api, query } from '@/api/client';
import type { DeadlineGroup, DeadlineReport } from '@/api/types';
import SalesAroundEnd from '@/sales/SalesAroundEnd.vue';
import { usePulse } from '@/stores/pulse';
import { useToasts } from '@/stores/toasts';
import { count, counted, dateTime } from '@/ui/format';

/** Who is in the deadline, by how it stands for them, and what was sold around its end. */
const props = defineProps<{ id: string; live: boolean; everyone: boolean }>();

const toasts = useToasts();
const report = ref<DeadlineReport | null>(null);
const group = ref<DeadlineGroup>('running');
const groups: { value: DeadlineGroup; label: string }[] = [
    { value: 'running', label: 'Running' },
    { value: 'ending', label: 'Ending within a day' },
    { value: 'over', label: 'Over' },
    { value: 'bought', label: 'Bought in time' },
];
async function load(): Promise<void> {
    try {
        report.value = await api.get<DeadlineReport>(`parts/${props.id}/deadline?${query({ state: group.value })}`);
    } catch (error) {
        toasts.trouble(error);
    }
}
watch([() => props.id, group], load, { immediate: true });
usePulse(load);

const empty = computed(() =>
    !props.live
        ? 'Nobody: the funnel is not live yet.'
        : props.everyone
          ? 'Everyone: it is one moment for all.'
          : 'Nobody yet. It starts for the first person who does what starts it.',
);
const some = computed(() => Object.values(report.value?.numbers ?? {}).some((n) => n > 0));
</script>

<template>
    <section aria-labelledby="who">
        <h3 id="who" class="text-lg">Who is in it</h3>
        <p v-if="!some" class="mt-1 text-soft">{{ empty }}</p>
        <template v-else>
            <div class="mt-2 grid grid-cols-2 gap-1" role="group" aria-label="How it stands for them">
                <button
                    v-for="g in groups"
                    :key="g.value"
                    type="button"
                    class="flex items-baseline justify-between rounded border px-2.5 py-1.5 text-left"
                    :class="group === g.value ? 'border-ink bg-lamp-pale' : 'border-line hover:bg-raised'"
                    :aria-pressed="group === g.value"
                    @click="group = g.value"
                >
                    <span>{{ g.label }}</span><span class="font-semibold">{{ count(report!.numbers[g.value]) }}</span>
                </button>
            </div>
            <p v-if="report!.numbers.strangers > 0" class="mt-1 caption">
                And {{ counted(report!.numbers.strangers, 'browser') }} of strangers.
            </p>
            <ul class="mt-2 max-h-56 divide-y divide-line overflow-auto" data-test="in-deadline">
                <li v-for="p in report!.people" :key="p.id">
                    <RouterLink :to="`/people/${p.id}`" class="flex items-baseline justify-between gap-3 rounded py-1.5 hover:bg-raised">
                        <span class="min-w-0 truncate font-medium">{{ p.name || p.email }}</span>
                        <span class="shrink-0 caption">until {{ dateTime(p.endsAt) }}</span>
                    </RouterLink>
                </li>
            </ul>
        </template>
        <template v-if="report?.sales && report.sales.before + report.sales.after > 0">
            <h4 class="mt-4 label">Sold</h4>
            <SalesAroundEnd :sales="report.sales" :currency="report.currency" />
        </template>
    </section>
</template>
