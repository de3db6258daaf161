<script setup lang="ts">
import { onMounted, ref } from 'vue';
import { api } from '@/api/client';
import type { Charge } from '@/api/types';
import { salesTabs } from '@/sales/tabs';
import { usePulse } from '@/stores/pulse';
import { useToasts } from '@/stores/toasts';
import { dateTime } from '@/ui/format';
import ScreenTabs from '@/ui/ScreenTabs.vue';

interface Ledger {
    cards: { number: string; does: string }[];
    charges: Charge[];
}

const toasts = useToasts();
const ledger = ref<Ledger | null>(null);

async function run(work: () => Promise<Ledger>): Promise<void> {
    try {
        ledger.value = await work();
    } catch (error) {
        toasts.trouble(error);
    }
}
const load = () => run(() => api.get<Ledger>('sales/ledger'));
onMounted(load);
usePulse(load);
const dispute = (charge: Charge) => run(() => api.post<Ledger>(`sales/ledger/${charge.key}/dispute`, { begins: !charge.disputed }));
const STATES: Record<string, string> = { paid: 'Charged', failed: 'Refused', bank: 'Waits at the bank', pending: 'Told later' };
</script>

<template>
    <div class="mx-auto max-w-6xl px-8 py-6">
        <h1 class="text-3xl">Sales</h1>
        <ScreenTabs class="mt-3" :tabs="salesTabs" />
        <p class="mt-4 max-w-3xl text-soft">
            Practice payments stand in for a payment provider: no money moves. This is what the provider has on its books, beside what your
            orders say.
        </p>
        <div v-if="ledger" class="mt-4 grid gap-10 lg:grid-cols-[1.7fr_1fr]">
            <section class="min-w-0">
                <h2 class="text-xl">The ledger</h2>
                <p v-if="ledger.charges.length === 0" class="mt-2 text-soft">Nothing has been charged yet.</p>
                <table v-else class="mt-2 w-full table-fixed">
                    <thead>
                        <tr class="caption">
                            <th class="w-40 py-1.5 text-left font-medium">When</th>
                            <th class="py-1.5 text-left font-medium">Order</th>
                            <th class="w-24 py-1.5 text-right font-medium">Amount</th>
                            <th class="w-36 py-1.5 pl-4 text-left font-medium">There</th>
                            <th class="w-24 py-1.5 text-left font-medium">Here</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="charge in ledger.charges" :key="charge.key" class="border-t border-line align-top">
                            <td class="py-2 pr-2 text-sm">{{ dateTime(charge.at) }}</td>
                            <td class="truncate py-2 pr-2">
                                <RouterLink class="font-medium hover:underline" :to="`/sales/orders/${charge.order}`"
                                    >{{ charge.number ?? 'not paid' }} · {{ charge.email }}</RouterLink
                                >
                                <span class="block truncate caption">card {{ charge.card }}</span>
                            </td>
                            <td class="py-2 text-right">
                                {{ charge.amount }}<span v-if="charge.refunded" class="block caption">−{{ charge.refunded }}</span>
                            </td>
                            <td class="py-2 pl-4">
                                <span :class="{ 'font-medium text-clay-deep': charge.disputed || charge.state === 'failed' }">{{
                                    charge.disputed ? 'Disputed' : STATES[charge.state]
                                }}</span>
                                <button
                                    v-if="charge.state === 'paid'"
                                    type="button"
                                    class="-ml-2.5 btn-quiet block"
                                    @click="dispute(charge)"
                                >
                                    {{ charge.disputed ? 'End the dispute' : 'Dispute it' }}
                                </button>
                            </td>
                            <td class="py-2">{{ charge.ours }}</td>
                        </tr>
                    </tbody>
                </table>
            </section>
            <section class="min-w-0">
                <h2 class="text-xl">Practice cards</h2>
                <p class="mt-1 caption">Any month to come, and any three digits.</p>
                <ul class="mt-2">
                    <li v-for="card in ledger.cards" :key="card.number" class="border-b border-line py-1.5">
                        <span class="font-medium">{{ card.number }}</span> <span class="block caption">{{ card.does }}</span>
                    </li>
                </ul>
            </section>
        </div>
    </div>
</template>
