<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { useRoute } from 'vue-router';
import { query } from '@/api/client';
import type { OrderRow } from '@/api/types';
import { salesTabs } from '@/sales/tabs';
import { usePagedList } from '@/stores/pagedList';
import { usePeopleKit } from '@/stores/peopleKit';
import { counted, dateTime } from '@/ui/format';
import PageTurner from '@/ui/PageTurner.vue';
import ScreenTabs from '@/ui/ScreenTabs.vue';
import DateField from '@/ui/DateField.vue';
import UiListbox from '@/ui/UiListbox.vue';

interface Answer {
    total: number;
    page: number;
    pages: number;
    orders: OrderRow[];
    sums: { currency: string; orders: number; total: string; paid: string; refunded: string }[];
    offers: { id: string; name: string }[];
}

const people = usePeopleKit();
const search = ref('');
const route = useRoute();
const state = ref(typeof route.query.state === 'string' ? route.query.state : '');
const funnel = ref('');
const offer = ref('');
const from = ref('');
const until = ref('');
const filters = computed(() => ({
    search: search.value,
    state: state.value,
    funnel: funnel.value,
    offer: offer.value,
    from: from.value,
    until: until.value,
}));
const states = [
    { value: '', label: 'Bought' },
    { value: 'paid', label: 'Paid' },
    { value: 'part-refunded', label: 'Part-refunded' },
    { value: 'refunded', label: 'Refunded' },
    { value: 'arrears', label: 'Plan in arrears' },
    { value: 'disputed', label: 'Disputed' },
    { value: 'waiting', label: 'Waiting for the bank' },
    { value: 'failed', label: 'Failed' },
    { value: 'all', label: 'All, paid or not' },
];

const { answer, page } = usePagedList<Answer>('orders', filters);
onMounted(people.load);
const filtered = computed(() => Object.values(filters.value).some((f) => f !== ''));
</script>

<template>
    <div class="mx-auto max-w-6xl px-8 py-6">
        <div class="flex items-end justify-between gap-4">
            <h1 class="text-3xl">Sales</h1>
            <a class="btn" :href="`/studio/api/orders/export?${query(filters)}`" download>Export as CSV</a>
        </div>
        <ScreenTabs class="mt-3" :tabs="salesTabs" />
        <div class="mt-4 grid gap-3 sm:grid-cols-3 lg:grid-cols-[1fr_1fr_1fr_11rem_11rem]">
            <input
                v-model="search"
                type="search"
                class="input sm:col-span-3 lg:col-span-5"
                placeholder="Search by name, address, number or code"
                aria-label="Search orders"
            />
            <UiListbox v-model="state" label="State" hide-label :options="states" />
            <UiListbox
                v-model="funnel"
                label="Funnel"
                hide-label
                :options="[{ value: '', label: 'Every funnel' }, ...people.kit.funnels.map((f) => ({ value: f.id, label: f.name }))]"
            />
            <UiListbox
                v-model="offer"
                label="What was bought"
                hide-label
                :options="[{ value: '', label: 'Anything bought' }, ...(answer?.offers ?? []).map((o) => ({ value: o.id, label: o.name }))]"
            />
            <DateField v-model="from" label="From this day on" hide-label />
            <DateField v-model="until" label="Until this day" hide-label />
        </div>
        <template v-if="answer">
            <p class="mt-4 flex flex-wrap gap-x-8 gap-y-1" data-test="sums">
                <span v-for="s in answer.sums" :key="s.currency"
                    >{{ counted(s.orders, 'order') }}: <strong>{{ s.paid }}</strong> paid<template v-if="s.refunded !== s.paid"
                        >, {{ s.refunded }} refunded</template
                    ></span
                >
            </p>
            <p v-if="answer.orders.length === 0" class="mt-4 border-t border-line py-10 text-soft">
                <template v-if="filtered">No order matches this.</template>
                <template v-else
                    >Nothing is sold yet. Add an offer to a funnel, put its checkout on a page, and publish: what is bought appears
                    here.</template
                >
            </p>
            <table v-else class="mt-3 w-full table-fixed border-t border-line">
                <thead>
                    <tr class="caption">
                        <th class="w-20 py-2 text-left font-medium">Order</th>
                        <th class="w-40 py-2 text-left font-medium">When</th>
                        <th class="py-2 text-left font-medium">Who</th>
                        <th class="py-2 text-left font-medium">What</th>
                        <th class="w-28 py-2 text-right font-medium">Total</th>
                        <th class="w-40 py-2 pl-5 text-left font-medium">State</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="row in answer.orders" :key="row.id" class="border-t border-line align-top">
                        <td class="py-2.5">
                            <RouterLink :to="`/sales/orders/${row.id}`" class="font-medium hover:underline">{{
                                row.number ?? '–'
                            }}</RouterLink>
                        </td>
                        <td class="py-2.5 pr-3 text-sm">{{ dateTime(row.at) }}</td>
                        <td class="truncate py-2.5 pr-3">
                            <RouterLink :to="`/sales/orders/${row.id}`" class="font-medium hover:underline">{{
                                row.name || row.email
                            }}</RouterLink>
                            <span class="block truncate caption">{{ row.owner ? 'you, trying' : row.name ? row.email : '' }}</span>
                        </td>
                        <td class="py-2.5 pr-3">
                            <span class="line-clamp-2">{{ row.items.join(', ') }}</span>
                            <span v-if="row.coupon" class="caption">code {{ row.coupon }}</span>
                        </td>
                        <td class="py-2.5 text-right">
                            {{ row.total }}<span v-if="row.refunded" class="block caption">−{{ row.refunded }}</span>
                        </td>
                        <td class="py-2.5 pl-5">
                            <span :class="{ 'font-medium text-clay-deep': ['disputed', 'failed'].includes(row.state) || row.arrears }"
                                >{{ row.stateLabel }}{{ row.arrears ? ', in arrears' : '' }}</span
                            >
                        </td>
                    </tr>
                </tbody>
            </table>
            <PageTurner :page="answer.page" :pages="answer.pages" :total="answer.total" one="order" many="orders" @turn="page = $event" />
        </template>
    </div>
</template>
