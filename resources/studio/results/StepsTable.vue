<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Results, StepCount } from '@/api/types';
import CsvLink from '@/results/CsvLink.vue';
import { stepsSentence } from '@/results/tableWords';
import ReadingDialog from '@/results/ReadingDialog.vue';
import { count, percent } from '@/ui/format';
import { against, betweenWords, spanWords, trulyChanged } from '@/results/plain';
import type { ResultPeriod } from '@/results/period';

/** Page by page: who came, who went on, who left, and what the page brought. */
const props = defineProps<{ results: Results; funnel: string; period: ResultPeriod }>();
/** The page of which it is asked how far people read. */
const reading = ref('');

const any = (of: (s: StepCount) => number) => props.results.steps.some((s) => of(s) > 0);
const columns = computed(() => ({
    signups: any((s) => s.signups),
    confirmed: any((s) => s.asked),
    downloads: any((s) => s.downloads),
    sales: any((s) => s.sales) || props.results.success.kind === 'sales',
    refunds: any((s) => s.refunds),
    clicks: any((s) => s.clicks),
}));
const most = computed(() => Math.max(1, ...props.results.steps.map((s) => s.visitors)));
/** The table as it is, with the shares as numbers and where they truly lie. */
const HEAD = [
    'page',
    'visitors',
    'went on',
    'share',
    'share at least',
    'share at most',
    'seconds',
    'clicks',
    'sign-ups',
    'asked',
    'confirmed',
    'downloads',
    'sales',
    'revenue',
    'refunded',
];
const row = (s: StepCount) => [
    s.name,
    s.visitors,
    s.wentOn,
    s.goingOn.rate,
    s.goingOn.low,
    s.goingOn.high,
    s.seconds,
    s.clicks,
    s.signups,
    s.asked,
    s.confirmed,
    s.downloads,
    s.sales,
    s.revenue,
    s.refunded,
];
const change = (s: StepCount) => trulyChanged(s.goingOn, s.before.goingOn);
</script>

<template>
    <section aria-labelledby="steps">
        <h2 id="steps" class="text-xl">Page by page</h2>
        <p class="mt-1">{{ stepsSentence(results.steps) }}</p>
        <div class="mt-2 overflow-x-auto">
            <table class="w-full text-right" data-test="steps">
                <thead>
                    <tr class="border-b border-line caption">
                        <th class="py-1.5 text-left font-medium">Page</th>
                        <th class="px-2 font-medium">Visitors</th>
                        <th class="px-2 font-medium">Went on</th>
                        <th class="px-2 font-medium">Left</th>
                        <th class="px-2 font-medium">Took</th>
                        <th v-if="columns.clicks" class="px-2 font-medium">Clicks</th>
                        <th v-if="columns.signups" class="px-2 font-medium">Sign-ups</th>
                        <th v-if="columns.confirmed" class="px-2 font-medium">Confirmed</th>
                        <th v-if="columns.downloads" class="px-2 font-medium">Downloads</th>
                        <th v-if="columns.sales" class="px-2 font-medium">Sales</th>
                        <th v-if="columns.sales" class="px-2 font-medium">Revenue</th>
                        <th v-if="columns.sales" class="px-2 font-medium">A visitor</th>
                        <th v-if="columns.refunds" class="px-2 font-medium">Refunded</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="s in results.steps" :key="s.id" class="border-b border-line align-top">
                        <td class="min-w-44 py-2 text-left">
                            <RouterLink v-if="!s.gone" class="link" :to="`/funnels/${funnel}/page/${s.id}`">{{ s.name }}</RouterLink><span
                                v-else
                                >{{ s.name }} <span class="caption">removed</span></span
                            >
                            <button v-if="!s.gone && s.views > 0" type="button" class="ml-2 caption link" @click="reading = s.id">
                                how far they read
                            </button>
                            <span class="mt-1 block h-1 rounded bg-line"
                                ><span class="block h-1 rounded bg-pine" :style="{ width: `${(100 * s.visitors) / most}%` }"></span
                            ></span>
                        </td>
                        <td class="px-2 py-2">
                            {{ count(s.visitors) }}<span class="block caption">{{ against(s.visitors, s.before.visitors) }}</span>
                        </td>
                        <td class="px-2 py-2" :title="betweenWords(s.goingOn)">
                            <template v-if="s.visitors > 0 && !s.end"
                                ><span class="font-medium">{{ percent(s.goingOn.rate, 0) }}</span
                                ><span class="block caption"
                                    >{{ percent(s.goingOn.low, 0) }} to {{ percent(s.goingOn.high, 0) }}
                                    <span v-if="change(s)" :class="change(s) === 'up' ? 'text-pine' : 'text-clay'">{{
                                        change(s) === 'up' ? 'better than before' : 'worse than before'
                                    }}</span></span
                                ></template
                            ><template v-else>–</template>
                        </td>
                        <td class="px-2 py-2">{{ s.end ? '–' : count(s.left) }}</td>
                        <td class="px-2 py-2 whitespace-nowrap">{{ spanWords(s.seconds) }}</td>
                        <td v-if="columns.clicks" class="px-2 py-2">{{ count(s.clicks) }}</td>
                        <td v-if="columns.signups" class="px-2 py-2">
                            {{ count(s.signups)
                            }}<span v-if="s.signups > 0" class="block caption" :title="betweenWords(s.signupRate)">{{
                                percent(s.signupRate.rate, 0)
                            }}</span>
                        </td>
                        <td v-if="columns.confirmed" class="px-2 py-2">
                            {{ s.asked > 0 ? count(s.confirmed) : '–'
                            }}<span v-if="s.asked > 0" class="block caption" :title="betweenWords(s.confirmRate)"
                                >of {{ count(s.asked) }}</span
                            >
                        </td>
                        <td v-if="columns.downloads" class="px-2 py-2">{{ count(s.downloads) }}</td>
                        <td v-if="columns.sales" class="px-2 py-2">
                            {{ count(s.sales)
                            }}<span v-if="s.sales > 0" class="block caption" :title="betweenWords(s.saleRate)">{{
                                percent(s.saleRate.rate)
                            }}</span>
                        </td>
                        <td v-if="columns.sales" class="px-2 py-2 whitespace-nowrap">{{ s.revenue || '–' }}</td>
                        <td v-if="columns.sales" class="px-2 py-2 whitespace-nowrap">{{ s.perVisitor || '–' }}</td>
                        <td v-if="columns.refunds" class="px-2 py-2 whitespace-nowrap">{{ s.refunded || '–' }}</td>
                    </tr>
                </tbody>
            </table>
        </div>
        <ReadingDialog v-if="reading" :page="reading" :period="period" @close="reading = ''" />
        <CsvLink name="pages" :head="HEAD" :rows="results.steps.map(row)" />
        <p class="hint">
            Below each share: where it truly lies, nineteen times out of twenty. Few visitors make it wide. Your own visits and programs are
            left out; whoever comes twice is one visitor.
        </p>
    </section>
</template>
