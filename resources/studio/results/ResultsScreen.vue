<script setup lang="ts">
import { computed, defineAsyncComponent, onMounted, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, query } from '@/api/client';
import type { FunnelRow, Results, SalesResults } from '@/api/types';
import { useToasts } from '@/stores/toasts';
import { usePulse } from '@/stores/pulse';
import { calendarDay, count, interval, percent } from '@/ui/format';
import { NAMES, sentenceOf } from '@/results/sentence';
import PopupResultsPart from '@/results/PopupResultsPart.vue';
import SalesResultsPart from '@/sales/SalesResults.vue';
import UiListbox from '@/ui/UiListbox.vue';

const DayChart = defineAsyncComponent(() => import('@/results/DayChart.vue'));
const route = useRoute();
const router = useRouter();
const toasts = useToasts();
const funnels = ref<FunnelRow[] | null>(null);
const results = ref<Results | null>(null);
const sales = ref<SalesResults | null>(null);
const days = ref(28);
const table = ref(false);
const id = computed(() => String(route.params.id ?? ''));

onMounted(async () => {
    try {
        funnels.value = (await api.get<{ funnels: FunnelRow[] }>(`funnels?${query({ perPage: 100 })}`)).funnels;
        const first = [...funnels.value].sort((a, b) => b.visitors - a.visitors)[0];
        if (!id.value && first) {
            await router.replace(`/results/${first.id}`);
        }
    } catch (error) {
        toasts.trouble(error);
    }
});

async function load(): Promise<void> {
    if (!id.value) {
        return;
    }
    try {
        [results.value, sales.value] = await Promise.all([
            api.get<Results>(`funnels/${id.value}/results?${query({ days: days.value })}`),
            api.get<SalesResults>(`funnels/${id.value}/sales?${query({ days: days.value })}`),
        ]);
    } catch (error) {
        toasts.trouble(error);
    }
}

watch([id, days], load, { immediate: true });
usePulse(load);

const entry = computed(() => results.value?.pages[0]);
const sentence = computed(() => {
    const page = entry.value;
    if (!page || page.visitors === 0) {
        return 'Nobody came in this time.';
    }
    return sentenceOf(page.visitors, results.value!);
});
</script>

<template>
    <div class="mx-auto max-w-6xl px-8 py-8">
        <div class="flex flex-wrap items-end justify-between gap-4">
            <h1 class="text-3xl">Results</h1>
            <div class="flex gap-3">
                <UiListbox
                    class="w-64"
                    :model-value="id"
                    label="Funnel"
                    hide-label
                    :options="funnels?.map((f) => ({ value: f.id, label: f.name })) ?? []"
                    @update:model-value="(f: string) => router.push(`/results/${f}`)"
                />
                <UiListbox
                    v-model="days"
                    class="w-44"
                    label="Time"
                    hide-label
                    :options="[
                        { value: 7, label: 'Last 7 days' },
                        { value: 28, label: 'Last 4 weeks' },
                        { value: 56, label: 'Last 8 weeks' },
                        { value: 182, label: 'Last half year' },
                    ]"
                />
            </div>
        </div>
        <p v-if="funnels?.length === 0" class="mt-8 text-soft">
            There is no funnel yet. <RouterLink to="/funnels/new" class="link">Make one</RouterLink>, and its numbers appear here.
        </p>
        <template v-if="results">
            <p class="mt-5 text-lg" data-test="sentence">{{ sentence }}</p>
            <DayChart class="mt-3" :days="results.days" :brought="results.success.trend" :what="NAMES[results.success.kind]" />
            <button type="button" class="btn-quiet" :aria-expanded="table" @click="table = !table">
                {{ table ? 'Hide the days as a table' : 'Show the days as a table' }}
            </button>
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
                            <td class="px-4">{{ d.views }}</td>
                            <td class="px-4">{{ d.visitors }}</td>
                            <td class="px-4">{{ results.success.trend[results.days.indexOf(d)] }}</td>
                        </tr>
                    </tbody>
                </table>
            </div>
            <div class="mt-6 grid gap-10 lg:grid-cols-[1.5fr_1fr]">
                <section>
                    <h2 class="text-xl">Page by page</h2>
                    <table class="mt-2 w-full text-right">
                        <thead>
                            <tr class="border-b border-line caption">
                                <th class="py-1.5 text-left font-medium">Page</th>
                                <th class="font-medium">Views</th>
                                <th class="font-medium">Visitors</th>
                                <th class="font-medium">Sign-ups</th>
                                <th class="font-medium">Downloads</th>
                                <th class="font-medium">Sales</th>
                                <th class="font-medium">Rate</th>
                            </tr>
                        </thead>
                        <tbody>
                            <tr v-for="page in results.pages" :key="page.id" class="border-b border-line">
                                <td class="py-2 text-left">
                                    <RouterLink class="link" :to="`/funnels/${id}/page/${page.id}`">{{ page.name }}</RouterLink>
                                </td>
                                <td>{{ count(page.views) }}</td>
                                <td>{{ count(page.visitors) }}</td>
                                <td>{{ count(page.signups) }}</td>
                                <td>{{ count(page.downloads) }}</td>
                                <td>{{ count(page.sales) }}</td>
                                <td>
                                    <template v-if="page.signups"
                                        ><span class="font-medium">{{ percent(page.rate.rate) }}</span
                                        ><span class="block caption">{{ interval(page.rate) }}</span></template
                                    ><template v-else>–</template>
                                </td>
                            </tr>
                        </tbody>
                    </table>
                    <p class="hint">
                        Below each rate: where it truly lies, with 95 % certainty. Few visitors make it wide. Your own visits and bots are
                        left out.
                    </p>
                </section>
                <section class="lg:row-span-2">
                    <SalesResultsPart v-if="sales" class="mb-8" :sales="sales" />
                    <h2 class="text-xl">Where they came from</h2>
                    <table class="mt-2 w-full text-right">
                        <thead>
                            <tr class="border-b border-line caption">
                                <th class="py-1.5 text-left font-medium">Source</th>
                                <th class="font-medium">Visitors</th>
                                <th class="font-medium">Sign-ups</th>
                                <th class="font-medium">Rate</th>
                            </tr>
                        </thead>
                        <tbody>
                            <tr v-for="s in results.sources" :key="s.source" class="border-b border-line">
                                <td class="max-w-40 truncate py-2 text-left">{{ s.source || 'Direct' }}</td>
                                <td>{{ count(s.visitors) }}</td>
                                <td>{{ count(s.signups) }}</td>
                                <td>{{ percent(s.rate.rate) }}</td>
                            </tr>
                            <tr v-if="results.sources.length === 0">
                                <td colspan="4" class="py-2 text-left text-soft">Nobody came in this time.</td>
                            </tr>
                        </tbody>
                    </table>
                    <p class="hint">Add <code>?utm_source=newsletter</code> to a link, and its visitors show up here under that name.</p>
                </section>
                <PopupResultsPart :key="id" :funnel="id" />
            </div>
        </template>
    </div>
</template>
