<script setup lang="ts">
import { ref, watch } from 'vue';
import { api } from '@/api/client';
import type { Cohort } from '@/api/types';
import CsvLink from '@/results/CsvLink.vue';
import { cohortsSentence } from '@/results/tableWords';
import { useToasts } from '@/stores/toasts';
import { calendarDay, count } from '@/ui/format';

/** What came of those who joined, by the week in which they did. */
const props = defineProps<{ funnel: string }>();

const toasts = useToasts();
const cohorts = ref<Cohort[]>([]);
const what = ref<'buyers' | 'revenue' | 'left'>('buyers');
const AGES = ['1 week', '2 weeks', '4 weeks', '8 weeks'];
const WHAT = { buyers: 'Bought', revenue: 'Revenue', left: 'Unsubscribed' } as const;
watch(
    () => props.funnel,
    async (funnel) => {
        try {
            cohorts.value = (await api.get<{ cohorts: Cohort[] }>(`funnels/${funnel}/cohorts`)).cohorts;
        } catch (error) {
            toasts.trouble(error);
        }
    },
    { immediate: true },
);
function cell(after: Cohort['after'][number], people: number): string {
    if (after === null) {
        return '';
    }
    const value = after[what.value];
    return typeof value === 'string' ? value || '–' : value === 0 ? '0' : `${count(value)} (${Math.round((100 * value) / people)} %)`;
}
</script>

<template>
    <section v-if="cohorts.length > 0" aria-labelledby="cohorts">
        <div class="flex items-end justify-between gap-3">
            <h2 id="cohorts" class="text-xl">What came of those who joined</h2>
            <div class="flex sheet p-0.5" role="group" aria-label="What is shown">
                <button
                    v-for="(label, w) in WHAT"
                    :key="w"
                    type="button"
                    class="btn-quiet"
                    :class="{ 'bg-line text-ink': what === w }"
                    :aria-pressed="what === w"
                    @click="what = w"
                >
                    {{ label }}
                </button>
            </div>
        </div>
        <p class="mt-1">{{ cohortsSentence(cohorts) }}</p>
        <table class="mt-2 w-full text-right" data-test="cohorts">
            <thead>
                <tr class="border-b border-line caption">
                    <th class="py-1.5 text-left font-medium">Joined in the week of</th>
                    <th class="px-2 font-medium">People</th>
                    <th v-for="a in AGES" :key="a" class="px-2 font-medium">After {{ a }}</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="c in cohorts" :key="c.week" class="border-b border-line">
                    <td class="py-1 text-left">{{ calendarDay(c.week) }}</td>
                    <td class="px-2">{{ count(c.people) }}</td>
                    <td v-for="(after, i) in c.after" :key="i" class="px-2 whitespace-nowrap">{{ cell(after, c.people) }}</td>
                </tr>
            </tbody>
        </table>
        <CsvLink
            name="cohorts"
            :head="['week', 'people', ...AGES.flatMap((a) => [`bought after ${a}`, `revenue after ${a}`, `unsubscribed after ${a}`])]"
            :rows="
                cohorts.map((c) => [c.week, c.people, ...c.after.flatMap((a) => [a?.buyers ?? null, a?.revenue ?? null, a?.left ?? null])])
            "
        />
        <p class="hint">
            Counted from the moment each of them joined, with whatever of yours they bought. Empty is still to come: it is told once that
            time is over for all of the week.
        </p>
    </section>
</template>
