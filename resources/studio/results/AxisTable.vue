<script setup lang="ts">
import { computed } from 'vue';
import type { AxisCount, FunnelSuccess, Results } from '@/api/types';
import { NAMES } from '@/results/sentence';
import CsvLink from '@/results/CsvLink.vue';
import { axisSentence } from '@/results/tableWords';
import { betweenWords } from '@/results/plain';
import { count, percent } from '@/ui/format';

/** One way to tell visitors apart, and what came of each group. A row can be looked at by itself. */
const props = defineProps<{ rows: AxisCount[]; axis: string; head: string; results: Results; names?: Record<string, string> }>();
const emit = defineEmits<{ look: [string] }>();

const kind = computed<FunnelSuccess['kind']>(() => (props.results.success.kind === 'sales' ? 'sales' : 'signups'));
const name = (row: AxisCount) => props.names?.[row.value] ?? row.value;
const rate = (row: AxisCount) => (kind.value === 'sales' ? row.orderRate : row.signupRate);
</script>

<template>
    <div>
        <p class="mt-1">{{ axisSentence(rows, name, rate, kind) }}</p>
        <table class="mt-2 w-full text-right" :data-test="`axis-${axis}`">
            <thead>
                <tr class="border-b border-line caption">
                    <th class="py-1.5 text-left font-medium">{{ head }}</th>
                    <th class="px-2 font-medium">Visitors</th>
                    <th class="px-2 font-medium">{{ NAMES[kind] }}</th>
                    <th class="px-2 font-medium">Share</th>
                    <th v-if="kind === 'sales'" class="font-medium">Revenue</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="row in rows" :key="row.value" class="border-b border-line">
                    <td class="max-w-44 truncate py-1.5 text-left">
                        <button type="button" class="truncate link" @click="emit('look', `${axis}:${row.value}`)">{{ name(row) }}</button>
                    </td>
                    <td class="px-2">{{ count(row.visitors) }}</td>
                    <td class="px-2">{{ count(kind === 'sales' ? row.orders : row.signups) }}</td>
                    <td class="px-2 whitespace-nowrap" :title="betweenWords(rate(row))">
                        {{ percent(rate(row).rate, 0)
                        }}<span v-if="rate(row).rate !== null" class="block caption"
                            >{{ percent(rate(row).low, 0) }} to {{ percent(rate(row).high, 0) }}</span
                        >
                    </td>
                    <td v-if="kind === 'sales'" class="whitespace-nowrap">{{ row.revenue || '–' }}</td>
                </tr>
                <tr v-if="rows.length === 0">
                    <td colspan="5" class="py-2 text-left text-soft">Nobody came in this time.</td>
                </tr>
            </tbody>
        </table>
        <CsvLink
            v-if="rows.length > 0"
            :name="axis"
            :head="[head, 'visitors', 'sign-ups', 'orders', 'share', 'share at least', 'share at most', 'revenue']"
            :rows="rows.map((r) => [name(r), r.visitors, r.signups, r.orders, rate(r).rate, rate(r).low, rate(r).high, r.revenue])"
        />
    </div>
</template>
