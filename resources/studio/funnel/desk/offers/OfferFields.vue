<script setup lang="ts">
import { TrashIcon } from '@heroicons/vue/24/outline';
import { computed } from 'vue';
import type { Price, PriceKind } from '@/api/types';
import WindowFields from '@/funnel/desk/offers/WindowFields.vue';
import { useSellingPart } from '@/funnel/desk/offers/sellingPart';
import { useFunnel } from '@/funnel/funnelStore';
import { useToasts } from '@/stores/toasts';
import { showMoney } from '@/ui/money';
import MoneyField from '@/ui/MoneyField.vue';
import NumberField from '@/ui/NumberField.vue';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';
import UiSwitch from '@/ui/UiSwitch.vue';

const props = defineProps<{ id: string }>();

const store = useFunnel();
const toasts = useToasts();
const { part: offer, edit, takeOut } = useSellingPart('offer', () => props.id);
const product = computed(() => store.product(offer.value.product));
const others = computed(() => (store.funnel?.offers ?? []).filter((o) => o.id !== props.id && o.price.kind !== 'named'));
const pages = computed(
    () => store.funnel?.pages.filter((p) => p.document.sections.some((s) => s.blocks.some((b) => b.offer === props.id))) ?? [],
);
const kinds: { value: PriceKind; label: string }[] = [
    { value: 'once', label: 'Paid at once' },
    { value: 'payments', label: 'In several payments' },
    { value: 'named', label: 'The buyer names the amount' },
    { value: 'free', label: 'Free' },
];

function price(values: Partial<Price>, now = false): void {
    const next = { ...offer.value.price, ...values };
    edit({ price: { ...next, payments: next.kind === 'payments' ? Math.max(2, next.payments) : 1 } }, 'a price', now);
}
function bump(other: string, on: boolean): void {
    const kept = offer.value.bumps.filter((b) => b.offer !== other);
    if (on && kept.length >= 3) {
        toasts.say('Three order bumps are the most a checkout has room for.');
        return;
    }
    edit({ bumps: on ? [...kept, { offer: other, text: '' }] : kept }, 'the order bumps', true);
}
const bumpText = (other: string, text: string) =>
    edit({ bumps: offer.value.bumps.map((b) => (b.offer === other ? { ...b, text } : b)) }, 'the words of an order bump');
</script>

<template>
    <div class="grid max-w-4xl gap-x-10 gap-y-6 lg:grid-cols-2">
        <div class="min-w-0 space-y-5">
            <TextField
                :model-value="offer.name"
                label="Private name"
                :maxlength="120"
                :hint="`Buyers read “${product?.name ?? ''}”, whichever offer of it they take.`"
                @update:model-value="(name: string) => edit({ name }, 'the name of an offer')"
            />
            <UiListbox
                :model-value="offer.price.kind"
                label="How it is paid"
                :options="kinds"
                @update:model-value="(kind: PriceKind) => price({ kind }, true)"
            />
            <template v-if="offer.price.kind !== 'free'">
                <MoneyField
                    :model-value="offer.price.amount"
                    :currency="offer.price.currency"
                    :label="{ once: 'Price', payments: 'Each payment', named: 'At least', free: '' }[offer.price.kind]"
                    @update:model-value="(amount: number) => price({ amount })"
                />
                <p v-if="offer.price.currency !== store.funnel?.currency" class="text-clay-deep">
                    Priced in {{ offer.price.currency }}.
                    <button type="button" class="link" @click="price({ currency: store.funnel?.currency }, true)">
                        Make it {{ store.funnel?.currency }}
                    </button>
                </p>
                <div v-if="offer.price.kind === 'payments'" class="grid grid-cols-2 gap-3">
                    <NumberField
                        :model-value="offer.price.payments"
                        :least="2"
                        :most="36"
                        label="Payments"
                        @update:model-value="(payments) => price({ payments })"
                    />
                    <UiListbox
                        :model-value="offer.price.every"
                        label="One every"
                        :options="[
                            { value: 'week', label: 'week' },
                            { value: 'month', label: 'month' },
                        ]"
                        @update:model-value="(every: 'week' | 'month') => price({ every }, true)"
                    />
                    <p class="col-span-2 caption">
                        {{ showMoney(offer.price.amount * offer.price.payments, offer.price.currency) }} in all. The first is paid at once.
                    </p>
                </div>
                <UiListbox
                    :model-value="offer.price.taxOnTop ? 'top' : 'in'"
                    label="Tax"
                    :options="[
                        { value: 'in', label: 'is in the price' },
                        { value: 'top', label: 'comes on top of it' },
                    ]"
                    @update:model-value="(tax: string) => price({ taxOnTop: tax === 'top' }, true)"
                />
            </template>
            <p class="caption">
                <template v-if="pages.length === 0">It stands on no page yet. Choose it in a price card or a checkout.</template>
                <template v-else
                    >Stands on
                    <template v-for="(page, i) in pages" :key="page.id"
                        ><template v-if="i > 0">, </template
                        ><RouterLink class="link" :to="`/funnels/${store.funnel?.id}/page/${page.id}`">{{
                            page.name
                        }}</RouterLink></template
                    >.</template
                >
                Sold {{ offer.sold }} {{ offer.sold === 1 ? 'time' : 'times' }}.
            </p>
        </div>
        <div class="min-w-0 space-y-5">
            <UiListbox
                :model-value="offer.product"
                label="Product"
                :options="store.funnel?.products.map((p) => ({ value: p.id, label: p.name })) ?? []"
                @update:model-value="(product: string) => edit({ product }, 'what an offer sells', true)"
            />
            <NumberField
                :model-value="offer.places"
                :least="1"
                :most="1_000_000"
                :empty="null"
                label="Places"
                hint="Empty for as many as are wanted."
                @update:model-value="(places) => edit({ places }, 'the places of an offer')"
            />
            <UiSwitch
                :model-value="offer.oncePerPerson"
                label="Once per person"
                @update:model-value="(oncePerPerson: boolean) => edit({ oncePerPerson }, 'whether it can be bought twice', true)"
            />
            <WindowFields
                label="Sold"
                :from="offer.from"
                :until="offer.until"
                @change="(window) => edit(window, 'when an offer is sold', true)"
            />
            <fieldset v-if="others.length > 0">
                <legend class="label">Order bumps: ticked beside it at the checkout</legend>
                <div v-for="other in others" :key="other.id" class="mt-1.5">
                    <label class="flex items-center gap-2.5"
                        ><input
                            type="checkbox"
                            class="size-4.5 accent-pine"
                            :checked="offer.bumps.some((b) => b.offer === other.id)"
                            @change="bump(other.id, ($event.target as HTMLInputElement).checked)"
                        /><span class="min-w-0 flex-1 truncate">{{ other.name }}</span
                        ><span class="caption">{{ other.open ? 'no price' : other.priceWords }}</span></label
                    >
                    <TextField
                        v-for="b in offer.bumps.filter((x) => x.offer === other.id)"
                        :key="b.offer"
                        class="mt-1.5 ml-7"
                        :model-value="b.text"
                        label="Text beside the checkbox"
                        :maxlength="300"
                        placeholder="Yes, add this to my order."
                        @update:model-value="(text: string) => bumpText(other.id, text)"
                    />
                </div>
            </fieldset>
            <button type="button" class="btn-quiet text-clay-deep" @click="takeOut">
                <TrashIcon class="size-4.5" aria-hidden="true" />Remove this offer
            </button>
        </div>
    </div>
</template>
