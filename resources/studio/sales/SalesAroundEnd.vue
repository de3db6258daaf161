<script setup lang="ts">
import { computed } from 'vue';
import type { DeadlineSales } from '@/api/types';
import { count, counted } from '@/ui/format';
import { showMoney } from '@/ui/money';

/** What was sold before the end of a deadline, by the hours that were left, and after it. */
const props = defineProps<{ sales: DeadlineSales; currency: string }>();

const money = (sum: number) => showMoney(sum, props.currency);
const hours = computed(() => props.sales.hours.filter((h) => h.sales > 0));
const most = computed(() => Math.max(1, ...hours.value.map((h) => h.sales)));
const between = (h: { from: number; to: number | null }) =>
    h.to === null
        ? `more than ${h.from / 24} days left`
        : h.from >= 24
          ? `${h.from / 24} to ${h.to / 24} days left`
          : `${h.from} to ${h.to} hours left`;
</script>

<template>
    <div>
        <p>
            {{ counted(sales.before, 'sale') }} before the end, {{ money(sales.beforeSum) }}; {{ counted(sales.after, 'sale') }} after it,
            {{ money(sales.afterSum) }}.
        </p>
        <ul class="mt-1">
            <li v-for="h in hours" :key="h.from" class="grid grid-cols-[9.5rem_1fr_2rem] items-center gap-2 text-sm">
                <span>{{ between(h) }}</span>
                <span class="h-2 rounded-full bg-pine" :style="{ width: `${(h.sales / most) * 100}%` }" aria-hidden="true"></span>
                <span class="text-right">{{ count(h.sales) }}</span>
            </li>
        </ul>
    </div>
</template>
