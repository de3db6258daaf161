<script setup lang="ts">
import { ref, watch } from 'vue';
import { api, query } from '@/api/client';
import type { AllResults } from '@/api/types';
import { NAMES } from '@/results/sentence';
import { against, betweenWords } from '@/results/plain';
import { usePulse } from '@/stores/pulse';
import CsvLink from '@/results/CsvLink.vue';
import { useToasts } from '@/stores/toasts';
import { count, percent } from '@/ui/format';
import TrendLine from '@/ui/TrendLine.vue';
import type { ResultPeriod } from '@/results/period';

/** All funnels beside each other, each in what it is for. */
const props = defineProps<{ period: ResultPeriod }>();

const toasts = useToasts();
const all = ref<AllResults | null>(null);

async function load(): Promise<void> {
    try {
        all.value = await api.get<AllResults>(`results?${query(props.period)}`);
    } catch (error) {
        toasts.trouble(error);
    }
}
watch(() => props.period, load, { immediate: true });
usePulse(load);
</script>

<template>
    <div v-if="all" class="mt-5">
        <p class="max-w-3xl text-lg" data-test="sentence">{{ all.sentence }}</p>
        <table v-if="all.funnels.length > 0" class="mt-4 w-full text-right" data-test="all-funnels">
            <thead>
                <tr class="border-b border-line caption">
                    <th class="py-1.5 text-left font-medium">Funnel</th>
                    <th class="px-3 font-medium">Visitors</th>
                    <th class="px-3 text-left font-medium">Goal</th>
                    <th class="px-3 font-medium">Reached</th>
                    <th class="px-3 font-medium">Of visitors</th>
                    <th class="px-3 font-medium">Revenue</th>
                    <th class="px-3 font-medium">A visitor</th>
                    <th class="font-medium">Day by day</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="f in all.funnels" :key="f.id" class="border-b border-line align-top">
                    <td class="py-2.5 text-left">
                        <RouterLink class="link" :to="`/results/${f.id}`">{{ f.name }}</RouterLink>
                    </td>
                    <td class="px-3 py-2.5">
                        {{ count(f.visitors) }}<span class="block caption">{{ against(f.visitors, f.visitorsBefore) }}</span>
                    </td>
                    <td class="px-3 py-2.5 text-left">{{ NAMES[f.kind] }}</td>
                    <td class="px-3 py-2.5">
                        {{ count(f.count) }}<span class="block caption">{{ against(f.count, f.countBefore) }}</span>
                    </td>
                    <td class="px-3 py-2.5" :title="betweenWords(f.rate)">
                        {{ percent(f.rate.rate, 1)
                        }}<span v-if="f.rate.rate !== null" class="block caption"
                            >{{ percent(f.rate.low, 1) }} to {{ percent(f.rate.high, 1) }}</span
                        >
                    </td>
                    <td class="px-3 py-2.5 whitespace-nowrap">{{ f.revenue || '–' }}</td>
                    <td class="px-3 py-2.5 whitespace-nowrap">{{ f.perVisitor || '–' }}</td>
                    <td class="py-2"><TrendLine class="ml-auto" :values="f.trend" :label="`${f.name}, day by day`" /></td>
                </tr>
            </tbody>
        </table>
        <CsvLink
            v-if="all.funnels.length > 0"
            name="funnels"
            :head="['funnel', 'visitors', 'goal', 'reached', 'share', 'share at least', 'share at most', 'revenue']"
            :rows="all.funnels.map((f) => [f.name, f.visitors, NAMES[f.kind], f.count, f.rate.rate, f.rate.low, f.rate.high, f.revenue])"
        />
        <p v-else class="mt-4 text-soft">
            There is no funnel yet. <RouterLink to="/funnels/new" class="link">Make one</RouterLink>, and its numbers appear here.
        </p>
    </div>
</template>
