<script setup lang="ts">
import { XMarkIcon } from '@heroicons/vue/20/solid';
import { computed, defineAsyncComponent, ref, watch } from 'vue';
import { api, query } from '@/api/client';
import type { Results, SalesResults } from '@/api/types';
import { usePulse } from '@/stores/pulse';
import { useToasts } from '@/stores/toasts';
import AxisTable from '@/results/AxisTable.vue';
import CsvLink from '@/results/CsvLink.vue';
import CohortsPart from '@/results/CohortsPart.vue';
import PopupResultsPart from '@/results/PopupResultsPart.vue';
import ShareResults from '@/results/ShareResults.vue';
import StepsTable from '@/results/StepsTable.vue';
import { GOALS, NAMES, sentenceOf } from '@/results/sentence';
import SalesResultsPart from '@/sales/SalesResults.vue';
import { calendarDay, count } from '@/ui/format';
import UiListbox from '@/ui/UiListbox.vue';
import { lengthOf, type ResultPeriod } from '@/results/period';

/** What happened in a funnel in a period. */
const props = defineProps<{ funnel: string; period: ResultPeriod }>();

const DayChart = defineAsyncComponent(() => import('@/results/DayChart.vue'));
const toasts = useToasts();
const results = ref<Results | null>(null);
const sales = ref<SalesResults | null>(null);
const table = ref(false);
const sharing = ref(false);
const touch = ref<'first' | 'last'>('first');
/** Of whom: '' for all. */
const of = ref('');
const DEVICES = { phone: 'Phones', tablet: 'Tablets', computer: 'Computers', unknown: 'Not known' };
const KNOWN = { new: 'New', known: 'Known already' };
const ofWords = computed(() => {
    const [axis, ...value] = of.value.split(':');
    const name = value.join(':');
    const words: Record<string, string> = { ...DEVICES, ...KNOWN, '': 'Direct' };
    return `${{ first: 'Came first by', last: 'Came last by', device: 'On', known: 'People who were' }[axis ?? ''] ?? ''} ${words[name] ?? name}`;
});

async function load(): Promise<void> {
    try {
        [results.value, sales.value] = await Promise.all([
            api.get<Results>(`funnels/${props.funnel}/results?${query({ ...props.period, of: of.value || undefined })}`),
            api.get<SalesResults>(`funnels/${props.funnel}/sales?${query(props.period)}`),
        ]);
    } catch (error) {
        toasts.trouble(error);
    }
}
watch(() => [props.funnel, props.period, of.value], load, { immediate: true });
usePulse(load);

async function judge(by: string): Promise<void> {
    try {
        await api.put(`funnels/${props.funnel}/goal`, { by });
        await load();
    } catch (error) {
        toasts.trouble(error);
    }
}

/** By day, what the funnel is for: of a part of its visitors only what is counted for each. */
const brought = computed(() => {
    const r = results.value!;
    return of.value === '' ? r.success.trend : r.days.map((d) => (r.success.kind === 'sales' ? d.orders : d.signups));
});
</script>

<template>
    <div v-if="results" class="mt-5">
        <div class="flex flex-wrap items-start justify-between gap-4">
            <p class="max-w-3xl text-lg" data-test="sentence">{{ sentenceOf(results) }}</p>
            <UiListbox
                class="w-64"
                label="Goal"
                :model-value="results.success.kind"
                :options="GOALS"
                data-test="goal"
                @update:model-value="judge"
            />
        </div>
        <p v-if="of" class="mt-3 flex items-center gap-2">
            <span class="caption">Page by page and day by day of some:</span>
            <button type="button" class="btn" :title="'Look at everybody again'" @click="of = ''">
                {{ ofWords }}<XMarkIcon class="size-4" aria-hidden="true" /><span class="sr-only">Look at everybody again</span>
            </button>
        </p>
        <DayChart class="mt-3" :days="results.days" :brought="brought" :what="NAMES[results.success.kind]" />
        <div class="flex gap-2">
            <button type="button" class="btn-quiet" :aria-expanded="table" @click="table = !table">
                {{ table ? 'Hide the days as a table' : 'Show the days as a table' }}
            </button>
            <CsvLink
                name="days"
                :head="['day', 'views', 'visitors', results.success.kind]"
                :rows="results.days.map((d, i) => [d.day, d.views, d.visitors, brought[i] ?? 0])"
            />
            <button type="button" class="btn-quiet" @click="sharing = true">Share by a link</button>
            <ShareResults v-if="sharing" :funnel="funnel" :days="Math.max(7, Math.min(365, lengthOf(period)))" @close="sharing = false" />
        </div>
        <div v-if="table" class="mt-2 max-h-72 overflow-auto rounded border border-line">
            <table class="w-full text-right">
                <thead class="sticky top-0 bg-raised">
                    <tr class="caption">
                        <th class="px-4 py-1.5 text-left font-medium">Day</th>
                        <th class="px-4 font-medium">Views</th>
                        <th class="px-4 font-medium">Visitors</th>
                        <th class="px-4 font-medium">{{ NAMES[results.success.kind] }}</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="d in [...results.days].reverse()" :key="d.day" class="border-t border-line">
                        <td class="px-4 py-1 text-left">{{ calendarDay(d.day) }}</td>
                        <td class="px-4">{{ count(d.views) }}</td>
                        <td class="px-4">{{ count(d.visitors) }}</td>
                        <td class="px-4">{{ count(brought[results.days.indexOf(d)] ?? 0) }}</td>
                    </tr>
                </tbody>
            </table>
        </div>
        <StepsTable class="mt-6" :results="results" :funnel="funnel" :period="period" />
        <CohortsPart class="mt-8" :funnel="funnel" />
        <div class="mt-8 grid gap-10 lg:grid-cols-2">
            <div class="space-y-8">
                <section aria-labelledby="from">
                    <div class="flex items-end justify-between gap-3">
                        <h2 id="from" class="text-xl">Where they came from</h2>
                        <div class="flex sheet p-0.5" role="group" aria-label="Which visit counts">
                            <button
                                v-for="t in ['first', 'last'] as const"
                                :key="t"
                                type="button"
                                class="btn-quiet"
                                :class="{ 'bg-line text-ink': touch === t }"
                                :aria-pressed="touch === t"
                                @click="touch = t"
                            >
                                {{ t === 'first' ? 'First' : 'Last' }}
                            </button>
                        </div>
                    </div>
                    <AxisTable
                        :rows="results.sources[touch]"
                        :axis="touch"
                        head="Source"
                        :names="{ '': 'Direct' }"
                        :results="results"
                        @look="(slice) => (of = slice)"
                    />
                    <p class="hint">
                        {{
                            touch === 'first'
                                ? 'What first brought them to you, also if they came back another way before they joined or bought.'
                                : 'What brought them last before it happened; a direct visit takes nothing away from it.'
                        }}
                        Add <code>?utm_source=newsletter</code> to a link, and its visitors show up under that name.
                    </p>
                </section>
                <PopupResultsPart :key="funnel" :funnel="funnel" />
            </div>
            <div class="space-y-8">
                <SalesResultsPart v-if="sales" :sales="sales" />
                <section aria-labelledby="who">
                    <h2 id="who" class="text-xl">Who they are</h2>
                    <AxisTable
                        :rows="results.devices"
                        axis="device"
                        head="Device"
                        :names="DEVICES"
                        :results="results"
                        @look="(slice) => (of = slice)"
                    />
                    <AxisTable
                        class="mt-4"
                        :rows="results.known"
                        axis="known"
                        head="When they came they were"
                        :names="KNOWN"
                        :results="results"
                        @look="(slice) => (of = slice)"
                    />
                </section>
            </div>
        </div>
    </div>
</template>
