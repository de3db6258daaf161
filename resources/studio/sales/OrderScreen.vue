<script setup lang="ts">
import { ChevronLeftIcon } from '@heroicons/vue/20/solid';
import { computed, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { api, ApiError } from '@/api/client';
import type { Order } from '@/api/types';
import RefundDialog from '@/sales/RefundDialog.vue';
import { usePulse } from '@/stores/pulse';
import { useToasts } from '@/stores/toasts';
import { counted, dateTime, day } from '@/ui/format';
import NotHere from '@/ui/NotHere.vue';

const route = useRoute();
const toasts = useToasts();
const id = computed(() => String(route.params.id));
const order = ref<Order | null>(null);
const missing = ref(false);
const refunding = ref(false);
const note = ref('');

async function load(): Promise<void> {
    try {
        order.value = await api.get<Order>(`orders/${id.value}`);
    } catch (error) {
        missing.value = error instanceof ApiError && error.status === 404;
        if (!missing.value) {
            toasts.trouble(error);
        }
    }
}
watch(id, load, { immediate: true });
usePulse(load);

async function run(work: () => Promise<Order>, words: string): Promise<void> {
    try {
        order.value = await work();
        toasts.say(words);
    } catch (error) {
        toasts.trouble(error);
    }
}
const resend = (receipt: string) => run(() => api.post<Order>(`orders/${id.value}/receipts/${receipt}`), 'The receipt goes out again.');
const end = (access: string) => run(() => api.delete<Order>(`orders/${id.value}/access/${access}`), 'Access is ended.');
const give = (product: string) => run(() => api.post<Order>(`orders/${id.value}/access`, { product }), 'Access is given again.');
const cancel = () => run(() => api.post<Order>(`orders/${id.value}/cancel-plan`), 'The remaining payments are cancelled.');
async function addNote(): Promise<void> {
    await run(() => api.post<Order>(`orders/${id.value}/notes`, { text: note.value }), 'Noted.');
    note.value = '';
}
const due = computed(() => order.value?.payments.filter((p) => p.state === 'due') ?? []);
</script>

<template>
    <NotHere v-if="missing" />
    <div v-else-if="order" class="mx-auto max-w-6xl px-8 py-6">
        <RouterLink to="/sales/orders" class="-ml-2 btn-quiet"><ChevronLeftIcon class="size-4" aria-hidden="true" />All orders</RouterLink>
        <div class="mt-1 flex flex-wrap items-end justify-between gap-4">
            <div>
                <h1 class="text-3xl">{{ order.number === null ? 'Order, not paid' : `Order ${order.number}` }}</h1>
                <p class="text-soft">
                    <RouterLink class="link" :to="`/people/${order.person}`">{{ order.name || order.email }}</RouterLink>
                    · {{ order.email }} · {{ dateTime(order.placedAt) }} ·
                    <RouterLink class="link" :to="`/funnels/${order.funnelId}`">{{ order.funnel }}</RouterLink>
                </p>
            </div>
            <div class="flex gap-2">
                <button v-if="order.refundable > 0" type="button" class="btn" @click="refunding = true">Refund</button>
            </div>
        </div>
        <p class="mt-4 text-lg" data-test="sentence">
            <strong>{{ order.stateLabel }}{{ order.arrears ? ', a payment of the plan is owed' : '' }}.</strong>
            {{ order.paid }} paid of {{ order.total }}<template v-if="order.refunded">, {{ order.refunded }} refunded</template>.
            <template v-if="order.owner">You placed it yourself while trying; it counts nowhere.</template>
        </p>
        <div class="mt-5 grid gap-10 lg:grid-cols-[1.25fr_1fr]">
            <div class="min-w-0 space-y-7">
                <section>
                    <h2 class="text-xl">What was bought</h2>
                    <table class="mt-1 w-full">
                        <tbody>
                            <tr v-for="line in order.lines" :key="line.number" class="border-b border-line align-top">
                                <td class="py-2 pr-3">
                                    <span class="font-medium" :class="{ 'line-through': line.state === 'failed' }">{{ line.name }}</span>
                                    <span class="block caption"
                                        >{{ line.kind }} · {{ line.offerName }}{{ line.payments > 1 ? ` · ${line.payments} payments` : ''
                                        }}{{ line.discount ? ` · ${line.discount} off` : ''
                                        }}{{ line.tax ? ` · ${line.tax} tax` : '' }}</span
                                    >
                                </td>
                                <td class="py-2 text-right">
                                    {{ line.total }}
                                    <span v-if="line.state !== 'bought'" class="block caption">{{
                                        { held: 'being paid', failed: 'not paid', returned: 'returned' }[line.state]
                                    }}</span>
                                </td>
                            </tr>
                        </tbody>
                    </table>
                    <p v-if="order.coupon" class="mt-1 caption">With code {{ order.coupon }}.</p>
                </section>
                <section>
                    <h2 class="text-xl">Payments</h2>
                    <table class="mt-1 w-full">
                        <tbody>
                            <tr v-for="p in order.payments" :key="p.key" class="border-b border-line align-top">
                                <td class="py-2 pr-3">
                                    <span :class="{ 'font-medium text-clay-deep': ['failed', 'disputed'].includes(p.state) }">{{
                                        p.stateLabel
                                    }}</span>
                                    <span class="block caption"
                                        >{{ p.state === 'due' ? day(p.due) : dateTime(p.settled ?? p.due)
                                        }}{{ p.number > 1 ? ` · payment ${p.number}` : '' }}{{ p.try > 1 ? ` · try ${p.try}` : ''
                                        }}{{ p.trouble ? ` · ${p.trouble}` : '' }}</span
                                    >
                                </td>
                                <td class="py-2 text-right">{{ p.amount }}</td>
                            </tr>
                            <tr v-for="(r, i) in order.refunds" :key="`r${i}`" class="border-b border-line align-top">
                                <td class="py-2 pr-3">
                                    {{ { asked: 'Refund asked for', done: 'Refunded', failed: 'Refund failed' }[r.state] }}
                                    <span class="block caption">{{ dateTime(r.at) }}{{ r.why ? ` · ${r.why}` : '' }}</span>
                                </td>
                                <td class="py-2 text-right">−{{ r.amount }}</td>
                            </tr>
                        </tbody>
                    </table>
                    <p class="mt-1 caption first-letter:uppercase">{{ order.method }}</p>
                    <button v-if="due.length > 0" type="button" class="mt-2 btn-quiet text-clay-deep" @click="cancel">
                        Cancel the remaining payments
                    </button>
                </section>
                <section class="grid gap-7 sm:grid-cols-2">
                    <div>
                        <h2 class="text-xl">Access</h2>
                        <p v-if="order.access.length === 0" class="mt-1 text-soft">Nothing was opened by this order.</p>
                        <div
                            v-for="a in order.access"
                            :key="a.id"
                            class="flex items-center justify-between gap-2 border-b border-line py-2"
                        >
                            <span class="min-w-0"
                                >{{ a.name }}
                                <span class="block caption"
                                    >{{ a.stateLabel }}, {{ a.opened ? `opened ${counted(a.opened, 'time')}` : 'not opened yet' }}</span
                                ></span
                            >
                            <button v-if="a.state !== 'ended'" type="button" class="btn-quiet" @click="end(a.id)">End access</button>
                            <button v-else type="button" class="btn-quiet" @click="give(a.product)">Give access again</button>
                        </div>
                        <p v-if="!order.joined" class="mt-2 text-soft">
                            This address was known, and nobody has shown yet that it is the buyer’s. Tags and emails of the purchase follow
                            once they open the link in their receipt.
                        </p>
                        <a class="mt-2 inline-block link" :href="order.purchases" target="_blank" rel="noopener">What the buyer sees</a>
                    </div>
                    <div>
                        <h2 class="text-xl">Receipts</h2>
                        <p v-if="order.receipts.length === 0" class="mt-1 text-soft">
                            None yet: it goes out when the buyer is through with the extra offers.
                        </p>
                        <div
                            v-for="r in order.receipts"
                            :key="r.id"
                            class="flex items-center justify-between gap-2 border-b border-line py-2"
                        >
                            <a class="link" :href="r.url" target="_blank" rel="noopener">{{ r.label }} {{ r.number }}</a>
                            <button type="button" class="btn-quiet" @click="resend(r.id)">Send again</button>
                        </div>
                    </div>
                </section>
            </div>
            <section class="min-w-0">
                <h2 class="text-xl">What happened</h2>
                <form class="mt-2 flex gap-2" @submit.prevent="addNote">
                    <input v-model="note" class="input" maxlength="2000" placeholder="A note, for you alone" aria-label="A note" />
                    <button type="submit" class="btn" :disabled="note.trim() === ''">Note</button>
                </form>
                <ol class="mt-3">
                    <li
                        v-for="(f, i) in [...order.facts].reverse()"
                        :key="i"
                        class="grid grid-cols-[9.5rem_1fr_auto] gap-3 border-b border-line py-1.5"
                    >
                        <span class="caption">{{ dateTime(f.at) }}</span>
                        <span class="min-w-0 break-words"
                            >{{ f.label }}<span v-if="f.words" class="block caption">{{ f.words }}</span></span
                        >
                        <span>{{ f.amount }}</span>
                    </li>
                </ol>
            </section>
        </div>
        <RefundDialog :open="refunding" :order="order" @close="refunding = false" @done="order = $event" />
    </div>
</template>
