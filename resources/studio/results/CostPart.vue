<script setup lang="ts">
import { TrashIcon } from '@heroicons/vue/20/solid';
import { ref, watch } from 'vue';
import { api, ApiError, query } from '@/api/client';
import type { Costs, Spend } from '@/api/types';
import CsvLink from '@/results/CsvLink.vue';
import { useToasts } from '@/stores/toasts';
import { calendarDay, count } from '@/ui/format';
import CurrencyField from '@/ui/CurrencyField.vue';
import DateField from '@/ui/DateField.vue';
import FileDrop from '@/ui/FileDrop.vue';
import TextField from '@/ui/TextField.vue';
import type { ResultPeriod } from '@/results/period';

/** What was spent on each source, and what came back. */
const props = defineProps<{ period: ResultPeriod }>();

const toasts = useToasts();
const costs = ref<Costs | null>(null);
const today = () => new Date().toISOString().slice(0, 10);
const fresh = () => ({ source: '', from: today(), to: today(), amount: '', currency: costs.value?.currency ?? '', note: '' });
const typed = ref(fresh());
const errors = ref<Record<string, string>>({});

async function load(): Promise<void> {
    try {
        costs.value = await api.get<Costs>(`costs?${query(props.period)}`);
        typed.value.currency ||= costs.value.currency;
    } catch (error) {
        toasts.trouble(error);
    }
}
watch(() => props.period, load, { immediate: true });

async function add(): Promise<void> {
    errors.value = {};
    try {
        await api.post('costs', typed.value);
        typed.value = fresh();
        await load();
    } catch (error) {
        if (error instanceof ApiError && error.status === 422) {
            errors.value = Object.fromEntries(Object.entries(error.errors).map(([at, words]) => [at, words[0] ?? '']));
        } else {
            toasts.trouble(error);
        }
    }
}

async function remove(spend: Spend): Promise<void> {
    try {
        await api.delete(`costs/${spend.id}`);
        await load();
        toasts.say('It is removed.', {
            label: 'Undo',
            run: async () => {
                await api.post('costs', spend);
                await load();
            },
        });
    } catch (error) {
        toasts.trouble(error);
    }
}

async function take(file: File): Promise<void> {
    const body = new FormData();
    body.append('file', file);
    try {
        const { count: n } = await api.post<{ count: number }>('costs/import', body);
        toasts.say(`${n} lines are in.`);
        await load();
    } catch (error) {
        toasts.trouble(error);
    }
}
const AGES: Record<number, string> = {
    0: 'at once',
    30: 'after a month',
    90: 'after three months',
    180: 'after half a year',
    365: 'after a year',
};
</script>

<template>
    <div v-if="costs" class="mt-5">
        <p class="max-w-3xl text-lg" data-test="sentence">{{ costs.sentence }}</p>
        <p v-if="costs.breakEven" class="text-soft">
            What those sources brought in reached what was spent on {{ calendarDay(costs.breakEven, { day: 'numeric', month: 'long' }) }}.
        </p>
        <div class="mt-4 overflow-x-auto">
            <table class="w-full text-right" data-test="costs">
                <thead>
                    <tr class="border-b border-line caption">
                        <th class="py-1.5 text-left font-medium">Source, first</th>
                        <th class="px-2 font-medium">Spent</th>
                        <th class="px-2 font-medium">Visitors</th>
                        <th class="px-2 font-medium">each</th>
                        <th class="px-2 font-medium">Sign-ups</th>
                        <th class="px-2 font-medium">each</th>
                        <th class="px-2 font-medium">Customers</th>
                        <th class="px-2 font-medium">each</th>
                        <th class="px-2 font-medium">Revenue</th>
                        <th class="px-2 font-medium">a sign-up</th>
                        <th class="px-2 font-medium">Came back</th>
                    </tr>
                </thead>
                <tbody>
                    <tr
                        v-for="r in [
                            ...costs.sources,
                            ...(costs.sources.filter((r) => r.spent !== null).length > 1
                                ? [{ ...costs.whole, source: 'All with a known cost' }]
                                : []),
                        ]"
                        :key="r.source"
                        class="border-b border-line"
                        :class="{ 'font-medium': r.source === 'All with a known cost' }"
                    >
                        <td class="max-w-40 truncate py-1.5 text-left">{{ r.source || 'Direct' }}</td>
                        <td class="px-2 whitespace-nowrap">{{ r.spentWords || 'not known' }}</td>
                        <td class="px-2">{{ count(r.visitors) }}</td>
                        <td class="px-2 whitespace-nowrap text-soft">{{ r.perVisitor || '–' }}</td>
                        <td class="px-2">{{ count(r.leads) }}</td>
                        <td class="px-2 whitespace-nowrap text-soft">{{ r.perLead || '–' }}</td>
                        <td class="px-2">{{ count(r.customers) }}</td>
                        <td class="px-2 font-medium whitespace-nowrap">{{ r.perCustomer || '–' }}</td>
                        <td class="px-2 whitespace-nowrap">{{ r.revenue || '–' }}</td>
                        <td class="px-2 whitespace-nowrap text-soft">{{ r.revenuePerLead || '–' }}</td>
                        <td class="px-2 whitespace-nowrap">{{ r.timesBack === null ? '–' : `${r.timesBack.toFixed(1)} times` }}</td>
                    </tr>
                </tbody>
            </table>
        </div>
        <CsvLink
            name="costs"
            :head="['source', 'spent', 'visitors', 'sign-ups', 'customers', 'a customer', 'revenue', 'times back']"
            :rows="
                costs.sources.map((r) => [
                    r.source || 'Direct',
                    r.spentWords,
                    r.visitors,
                    r.leads,
                    r.customers,
                    r.perCustomer,
                    r.revenue,
                    r.timesBack,
                ])
            "
        />
        <p class="hint">
            By what first brought them to you. Where nothing is typed in, what they cost is not known, and never taken for nothing. Money of
            another currency is not held against yours.
        </p>
        <section class="mt-8" aria-labelledby="value">
            <h2 id="value" class="text-xl">What a customer is worth</h2>
            <p v-if="costs.value[0]?.customers" class="mt-1" data-test="value">
                <template v-for="(v, i) in costs.value.filter((x) => x.customers > 0)" :key="v.days"
                    >{{ i > 0 ? ', ' : 'On average ' }}{{ v.words }} {{ AGES[v.days] }}</template
                >, with all they bought later. Each is told of those who first bought as long ago.
            </p>
            <p v-else class="mt-1 text-soft">Nobody has bought yet.</p>
        </section>
        <section class="mt-8" aria-labelledby="spends">
            <h2 id="spends" class="text-xl">What you spent</h2>
            <form class="mt-2 flex flex-wrap items-start gap-3" @submit.prevent="add">
                <TextField v-model="typed.source" class="w-44" label="Source" placeholder="podcast" :error="errors.source" />
                <DateField v-model="typed.from" label="From" required />
                <DateField v-model="typed.to" label="To" required />
                <TextField v-model="typed.amount" class="w-28" label="Amount" :error="errors.amount" />
                <CurrencyField v-model="typed.currency" class="w-40" label="Currency" />
                <button type="submit" class="mt-7 btn-main">Add</button>
            </form>
            <p v-if="errors.to || errors.from" class="text-clay-deep" role="alert">{{ errors.from || errors.to }}</p>
            <table v-if="costs.spends.length > 0" class="mt-4 w-full max-w-3xl" data-test="spends">
                <tbody>
                    <tr v-for="s in costs.spends" :key="s.id" class="border-b border-line">
                        <td class="py-1.5">{{ s.source }}</td>
                        <td class="text-soft">{{ calendarDay(s.from) }} to {{ calendarDay(s.to) }}</td>
                        <td class="text-right">{{ s.words }}</td>
                        <td class="text-right">
                            <button
                                type="button"
                                class="btn-quiet px-2"
                                :aria-label="`Remove what was spent on ${s.source}`"
                                @click="remove(s)"
                            >
                                <TrashIcon class="size-4" aria-hidden="true" />
                            </button>
                        </td>
                    </tr>
                </tbody>
            </table>
            <details class="mt-4">
                <summary class="cursor-pointer">Import from a CSV</summary>
                <p class="hint">Its first line names the columns: source, from, to, amount; and currency where it is another.</p>
                <FileDrop
                    class="mt-2 max-w-md"
                    :file="null"
                    label="What was spent, as CSV"
                    hint="Days as 2026-11-30"
                    accept=".csv,text/csv"
                    @choose="take"
                />
            </details>
        </section>
    </div>
</template>
