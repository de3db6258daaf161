<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { api } from '@/api/client';
import type { ForecastState, Measured } from '@/api/types';
import { didWords, inRange, measuredOf, rangeWords, weeksOf } from '@/results/forecast';
import { usePulse } from '@/stores/pulse';
import { useToasts } from '@/stores/toasts';
import { ago, calendarDay, count } from '@/ui/format';
import UiListbox from '@/ui/UiListbox.vue';

/** What the next eight weeks bring, as ranges, and how the same would have done for the last four. */
const props = defineProps<{ funnel: string }>();

const toasts = useToasts();
const state = ref<ForecastState | null>(null);
const chosen = ref<Measured | null>(null);

async function load(): Promise<void> {
    try {
        state.value = await api.get<ForecastState>(`funnels/${props.funnel}/forecast`);
    } catch (caught) {
        toasts.trouble(caught);
    }
}
async function make(): Promise<void> {
    try {
        await api.post(`funnels/${props.funnel}/forecast`);
        await load();
    } catch (caught) {
        toasts.trouble(caught);
    }
}
watch(
    () => props.funnel,
    () => {
        [state.value, chosen.value] = [null, null];
        void load();
    },
    { immediate: true },
);
usePulse(load);

const result = computed(() => state.value?.result ?? null);
const measured = computed(() => (result.value ? measuredOf(result.value) : []));
const shown = computed<Measured>(() => chosen.value ?? measured.value[0]?.key ?? 'signups');
const weeks = computed(() => (result.value ? weeksOf(result.value) : []));
const words = (key: Measured, range: [number, number, number]) => rangeWords(range, key, result.value!.currency);
/** Of the chart, the share of its height that a value takes. */
const by = ref<'weeks' | 'days'>('weeks');
const drawn = computed(() => result.value?.[by.value][shown.value] ?? []);
const most = computed(() => Math.max(1, ...drawn.value.map((r) => r[2])));
const height = (n: number) => `${(n / most.value) * 100}%`;
</script>

<template>
    <div class="mt-6">
        <p v-if="state && !state.live" class="text-soft">This funnel is not public, so nobody comes to it. Publish it first.</p>
        <template v-else-if="state">
            <div class="flex flex-wrap items-center justify-between gap-3">
                <p class="max-w-2xl text-soft">
                    Ten thousand made-up visitors go through the funnel, at your own rates and as uncertain as those are. Of ten such
                    futures eight lie within each range.
                </p>
                <button type="button" class="btn" :disabled="state.making" @click="make">
                    {{ state.making ? 'It is being made …' : result ? 'Make it anew' : 'Make the forecast' }}
                </button>
            </div>
            <p v-if="state.failed" class="mt-3 text-clay-deep" role="alert">It could not be made. What was there before is shown.</p>
            <p v-if="result && result.arrived === 0" class="mt-6 border-t border-line pt-5">
                Nobody has come in the last weeks, so there is nothing to go by yet.
            </p>
            <template v-else-if="result">
                <p class="mt-2 caption">
                    Made {{ ago(state.madeAt) }}, from {{ count(result.arrived) }} who came in the weeks before. Weekdays are as they were;
                    ads, news and holidays are not in it.
                </p>
                <div class="mt-6 grid gap-x-10 gap-y-6 lg:grid-cols-[1.3fr_1fr]">
                    <table class="w-full" data-test="forecast">
                        <caption class="sr-only">
                            The next eight weeks
                        </caption>
                        <thead>
                            <tr class="border-b border-line text-left text-soft">
                                <th class="py-2 font-normal" scope="col">Week from</th>
                                <th v-for="m in measured" :key="m.key" class="py-2 text-right font-normal" scope="col">{{ m.label }}</th>
                            </tr>
                        </thead>
                        <tbody>
                            <tr v-for="(week, i) in weeks" :key="week" class="border-b border-line">
                                <th class="py-2 text-left font-normal" scope="row">{{ calendarDay(week) }}</th>
                                <td v-for="m in measured" :key="m.key" class="py-2 text-right">
                                    {{ words(m.key, result.weeks[m.key][i]!) }}
                                </td>
                            </tr>
                        </tbody>
                        <tfoot>
                            <tr class="font-semibold">
                                <th class="py-2 text-left" scope="row">All eight weeks</th>
                                <td v-for="m in measured" :key="m.key" class="py-2 text-right">{{ words(m.key, result.all[m.key]) }}</td>
                            </tr>
                        </tfoot>
                    </table>
                    <div>
                        <div class="flex gap-2">
                            <UiListbox
                                v-model="by"
                                class="w-32"
                                label="By week or by day"
                                hide-label
                                :options="[
                                    { value: 'weeks', label: 'By week' },
                                    { value: 'days', label: 'By day' },
                                ]"
                            />
                            <UiListbox
                                class="w-44"
                                :model-value="shown"
                                label="What is drawn"
                                hide-label
                                :options="measured.map((m) => ({ value: m.key, label: m.label }))"
                                @update:model-value="(m: Measured) => (chosen = m)"
                            />
                        </div>
                        <div
                            class="mt-3 flex h-56 items-stretch border-b border-edge"
                            :class="by === 'weeks' ? 'gap-2' : 'gap-px'"
                            aria-hidden="true"
                        >
                            <div v-for="(range, i) in drawn" :key="i" class="relative flex-1">
                                <span
                                    class="absolute inset-x-0 rounded bg-pine-pale"
                                    :style="{ bottom: height(range[0]), height: height(range[2] - range[0]), minHeight: '2px' }"
                                ></span>
                                <span class="absolute inset-x-0 h-0.5 bg-pine" :style="{ bottom: height(range[1]) }"></span>
                            </div>
                        </div>
                        <div class="mt-1 flex gap-2 text-center text-sm text-soft" aria-hidden="true">
                            <span v-for="week in weeks" :key="week" class="flex-1">{{ calendarDay(week) }}</span>
                        </div>
                        <p class="mt-1 caption">
                            The line is the middle of the range. The most of it: {{ words(shown, [most, most, most]) }}.
                        </p>
                    </div>
                </div>
                <section v-if="result.past" aria-labelledby="last-month" class="mt-8 max-w-2xl border-t border-line pt-5">
                    <h2 id="last-month" class="text-xl">How it would have done</h2>
                    <p class="mt-1 text-soft">
                        The same, made on {{ calendarDay(result.past.from) }} with what was known then, beside what came until
                        {{ calendarDay(result.past.to) }}.
                    </p>
                    <table class="mt-2 w-full">
                        <thead>
                            <tr class="border-b border-line text-left text-soft">
                                <th class="py-2 font-normal" scope="col"></th>
                                <th class="py-2 text-right font-normal" scope="col">It said</th>
                                <th class="py-2 text-right font-normal" scope="col">There came</th>
                                <th class="py-2 pl-6 font-normal" scope="col"></th>
                            </tr>
                        </thead>
                        <tbody>
                            <tr v-for="m in measured" :key="m.key" class="border-b border-line">
                                <th class="py-2 text-left font-normal" scope="row">{{ m.label }}</th>
                                <td class="py-2 text-right">{{ words(m.key, result.past.forecast[m.key]) }}</td>
                                <td class="py-2 text-right font-semibold">
                                    {{ words(m.key, [result.past.came[m.key], result.past.came[m.key], result.past.came[m.key]]) }}
                                </td>
                                <td
                                    class="py-2 pl-6"
                                    :class="inRange(result.past.came[m.key], result.past.forecast[m.key]) ? 'text-pine' : 'text-clay-deep'"
                                >
                                    {{ didWords(result.past.came[m.key], result.past.forecast[m.key]) }}
                                </td>
                            </tr>
                        </tbody>
                    </table>
                </section>
            </template>
        </template>
    </div>
</template>
