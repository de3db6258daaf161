<script setup lang="ts">
import { watchDebounced } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { api, ApiError, query } from '@/api/client';
import type { BackwardPlan, Planned, Range } from '@/api/types';
import GoalProgress from '@/results/GoalProgress.vue';
import { GOALS } from '@/results/sentence';
import { betweenWords, ofHundred } from '@/results/plain';
import { useToasts } from '@/stores/toasts';
import { calendarDay, count, counted, percent } from '@/ui/format';
import DateField from '@/ui/DateField.vue';
import NumberField from '@/ui/NumberField.vue';
import UiListbox from '@/ui/UiListbox.vue';

/** From a goal backward to the visitors it takes: what changes if one rate changes, and how far what was written down has come. */
const props = defineProps<{ funnel: string }>();

const toasts = useToasts();
const plan = ref<BackwardPlan | null>(null);
const what = ref<Planned['what']>('sales');
const wanted = ref(20);
const until = ref('');
const rates = ref<Record<string, number>>({});
const error = ref('');
const asked = () => ({
    what: what.value,
    wanted: wanted.value,
    until: until.value || undefined,
    ...(Object.keys(rates.value).length > 0
        ? Object.fromEntries(Object.entries(rates.value).map(([k, v]) => [`rates[${k}]`, v]))
        : { 'rates[none]': 1 }),
});

async function load(first = false): Promise<void> {
    try {
        plan.value = await api.get<BackwardPlan>(`funnels/${props.funnel}/plan${first ? '' : `?${query(asked())}`}`);
        error.value = '';
        if (first) {
            what.value = plan.value.what;
            wanted.value = plan.value.wanted;
            until.value = plan.value.until ?? inWeeks(12);
            rates.value = Object.fromEntries(plan.value.steps.filter((s) => s.changed !== null).map((s) => [s.key, s.changed!]));
        }
    } catch (e) {
        error.value = e instanceof ApiError && e.status === 422 ? e.message : '';
        if (!error.value) {
            toasts.trouble(e);
        }
    }
}
function inWeeks(weeks: number): string {
    return new Date(Date.now() + weeks * 7 * 86_400_000).toISOString().slice(0, 10);
}
watch(
    () => props.funnel,
    () => load(true),
    { immediate: true },
);
watchDebounced(
    () => JSON.stringify(asked()),
    () => load(),
    { debounce: 150 },
);
watch(what, () => (rates.value = {}));

const changed = computed(() => Object.keys(rates.value).length > 0);
const one = computed(() => ({ signups: 'sign-up', registrations: 'registration', sales: 'sale' })[what.value]);
function rangeWords(range: Range): string {
    return range[2] === null
        ? `about ${count(range[1])}, at least ${count(range[0])}`
        : `about ${count(range[1])}, between ${count(range[0])} and ${count(range[2])}`;
}

async function keep(): Promise<void> {
    try {
        const { goal } = await api.put<{ goal: Planned }>(`funnels/${props.funnel}/plan`, {
            what: what.value,
            wanted: wanted.value,
            until: until.value,
            rates: rates.value,
        });
        plan.value!.goal = goal;
        toasts.say('It is written down. Its progress is on the list of funnels.');
        await load();
    } catch (e) {
        toasts.trouble(e);
    }
}
async function forget(): Promise<void> {
    try {
        await api.delete(`funnels/${props.funnel}/plan`);
        plan.value!.goal = null;
        await load();
    } catch (e) {
        toasts.trouble(e);
    }
}
</script>

<template>
    <div v-if="plan" class="mt-5">
        <section v-if="plan.goal" class="mb-6 max-w-2xl rounded-md border border-line bg-raised p-4" data-test="goal">
            <GoalProgress :goal="plan.goal" />
            <button type="button" class="mt-2 btn-quiet" @click="forget">Forget this goal</button>
        </section>
        <form class="flex flex-wrap items-end gap-4" @submit.prevent="keep">
            <NumberField v-model="wanted" class="w-28" :least="1" :most="1000000" label="I want" />
            <UiListbox v-model="what" class="w-64" label="Of what" :options="GOALS" />
            <DateField v-model="until" label="Until" required />
            <button type="submit" class="btn-main">Write it down as a goal</button>
        </form>
        <p v-if="error" class="mt-2 text-clay-deep" role="alert">{{ error }}</p>
        <p class="mt-5 max-w-3xl text-lg" data-test="needs">
            <template v-if="plan.visitors && plan.perWeek && plan.until">
                {{ counted(Math.max(0, plan.wanted - plan.reached), one) }} by
                {{ calendarDay(plan.until, { day: 'numeric', month: 'long' }) }}
                {{ plan.reached > 0 ? `(${count(plan.reached)} of ${count(plan.wanted)} are there)` : '' }} take
                <strong>{{ rangeWords(plan.perWeek) }} visitors a week</strong>, which are {{ rangeWords(plan.visitors) }} in all.
            </template>
            <template v-else-if="plan.visitors">{{ counted(plan.wanted, one) }} take {{ rangeWords(plan.visitors) }} visitors.</template>
            <template v-else-if="plan.wanted <= plan.reached">That is reached already.</template>
            <template v-else
                >Nobody has reached it in the last {{ plan.days }} days, so what it takes is not known. Move a slider to see what it
                would.</template
            >
        </p>
        <p v-if="changed && plan.todayPerWeek" class="text-soft" data-test="today">
            By the rates of today it would be {{ rangeWords(plan.todayPerWeek) }} visitors a week.
        </p>
        <section class="mt-6 max-w-2xl" aria-labelledby="rates">
            <h2 id="rates" class="text-xl">The way, and what changes if one rate changes</h2>
            <div v-for="s in plan.steps" :key="s.key" class="mt-4" data-test="rate">
                <div class="flex items-baseline justify-between gap-4">
                    <label :for="`rate-${s.key}`"
                        ><strong>{{ percent(rates[s.key] ?? s.rate.rate, 1) }}</strong> {{ s.label }}</label
                    >
                    <button v-if="rates[s.key] !== undefined" type="button" class="btn-quiet" @click="delete rates[s.key]">
                        As today: {{ percent(s.rate.rate, 1) }}
                    </button>
                </div>
                <input
                    :id="`rate-${s.key}`"
                    type="range"
                    class="w-full accent-pine"
                    min="0.001"
                    max="1"
                    step="0.001"
                    :value="rates[s.key] ?? s.rate.rate ?? 0.001"
                    @input="rates[s.key] = Number(($event.target as HTMLInputElement).value)"
                />
                <p class="caption">
                    {{
                        s.rate.rate === null
                            ? 'Nobody has come as far yet.'
                            : `Today ${ofHundred(s.rate)}, truly ${betweenWords(s.rate)}: ${count(s.rate.successes)} of ${count(s.rate.trials)} in ${plan.days} days.`
                    }}
                </p>
            </div>
        </section>
    </div>
</template>
