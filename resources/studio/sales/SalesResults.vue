<script setup lang="ts">
import type { SalesResults } from '@/api/types';
import SalesAroundEnd from '@/sales/SalesAroundEnd.vue';
import { count, counted, interval, percent } from '@/ui/format';

defineProps<{ sales: SalesResults }>();
</script>

<template>
    <section aria-labelledby="sales">
        <h2 id="sales" class="text-xl">Sales</h2>
        <p v-if="sales.sums.length === 0" class="mt-2 text-soft">Nothing was sold in this time.</p>
        <table v-for="s in sales.sums" :key="s.currency" class="mt-2 w-full">
            <tbody>
                <tr class="border-b border-line">
                    <td class="py-1.5">Sales</td>
                    <td class="text-right font-medium">{{ count(s.orders) }}</td>
                </tr>
                <tr class="border-b border-line">
                    <td class="py-1.5">
                        Revenue <span class="caption">{{ s.paid }} paid, {{ s.refunded }} refunded</span>
                    </td>
                    <td class="text-right font-medium" data-test="revenue">{{ s.revenue }}</td>
                </tr>
                <tr class="border-b border-line">
                    <td class="py-1.5">Average order</td>
                    <td class="text-right">{{ s.average }}</td>
                </tr>
                <tr class="border-b border-line">
                    <td class="py-1.5">
                        Revenue per visitor <span class="caption">{{ counted(s.visitors, 'visitor') }}</span>
                    </td>
                    <td class="text-right">{{ s.perVisitor }}</td>
                </tr>
            </tbody>
        </table>
        <template v-for="d in sales.deadlines ?? []" :key="d.id">
            <h3 class="mt-4 text-lg">Around the end of “{{ d.name }}”</h3>
            <SalesAroundEnd class="mt-1" :sales="d" :currency="sales.currency ?? 'EUR'" data-test="around-end" />
        </template>
        <template v-if="sales.extras.length > 0">
            <h3 class="mt-4 text-lg">Extra offers</h3>
            <table class="mt-1 w-full">
                <tbody>
                    <tr v-for="e in sales.extras" :key="e.kind + e.name" class="border-b border-line">
                        <td class="py-1.5">
                            {{ e.name }} <span class="caption">{{ e.kind }}</span>
                        </td>
                        <td class="text-right" :title="interval(e.rate)">
                            {{ count(e.taken) }} of {{ count(e.could) }}, {{ percent(e.rate.rate) }}
                        </td>
                    </tr>
                </tbody>
            </table>
        </template>
    </section>
</template>
