<script setup lang="ts">
import { GiftIcon, PlusIcon, TagIcon, TicketIcon } from '@heroicons/vue/24/outline';
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '@/api/client';
import CouponFields from '@/funnel/desk/offers/CouponFields.vue';
import OfferFields from '@/funnel/desk/offers/OfferFields.vue';
import ProductFields from '@/funnel/desk/offers/ProductFields.vue';
import { useFunnel } from '@/funnel/funnelStore';
import { useSteps } from '@/funnel/steps';
import { useToasts } from '@/stores/toasts';
import CurrencyField from '@/ui/CurrencyField.vue';

/** What the funnel sells: products, how each is sold, and coupons; one of them open beside the list. */
const props = defineProps<{ open: string; id: string }>();

const store = useFunnel();
const steps = useSteps();
const router = useRouter();
const toasts = useToasts();
const funnel = computed(() => store.funnel);
const base = computed(() => `/funnels/${funnel.value?.id}`);
/** Without a choice the first offer is open: a price is what is asked for most. */
const chosen = computed(() => {
    if (props.open !== 'offers') {
        return { kind: props.open, id: props.id };
    }
    const first = funnel.value?.offers.find((o) => o.open) ?? funnel.value?.offers[0];
    return first ? { kind: 'offer', id: first.id } : { kind: '', id: '' };
});
const isOpen = (kind: string, id: string) => chosen.value.kind === kind && chosen.value.id === id;

async function add(kind: 'product' | 'offer' | 'coupon', given: object = {}): Promise<void> {
    try {
        const made = await steps.add(kind, given);
        await router.push(`${base.value}/${kind}/${made.id}`);
    } catch (error) {
        toasts.trouble(error);
    }
}

async function setCurrency(currency: string): Promise<void> {
    try {
        await store.flush();
        await api.put(`funnels/${funnel.value?.id}`, { currency });
        await store.load(String(funnel.value?.id));
        toasts.say(`This funnel sells in ${currency}. Look at your prices once more: their figures are as they were.`);
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <div v-if="funnel" class="grid h-full min-h-0 grid-cols-[20rem_1fr]">
        <nav class="min-h-0 overflow-auto border-r border-line px-5 py-5" aria-label="What this funnel sells">
            <h2 class="text-xl">Offers</h2>
            <p v-if="funnel.products.length === 0" class="mt-2 text-soft">
                Nothing is sold here yet. Begin with a product: what a buyer gets, and the name they read.
            </p>
            <ul class="mt-2 space-y-3">
                <li v-for="product in funnel.products" :key="product.id">
                    <RouterLink
                        :to="`${base}/product/${product.id}`"
                        class="flex items-center gap-2 rounded px-2 py-1 font-medium hover:bg-raised"
                        :class="{ 'bg-lamp-pale': isOpen('product', product.id) }"
                        ><GiftIcon class="size-5 shrink-0 text-pine" aria-hidden="true" /><span class="truncate">{{
                            product.name
                        }}</span></RouterLink
                    >
                    <RouterLink
                        v-for="offer in funnel.offers.filter((o) => o.product === product.id)"
                        :key="offer.id"
                        :to="`${base}/offer/${offer.id}`"
                        class="ml-5 flex items-center gap-2 rounded px-2 py-1 hover:bg-raised"
                        :class="{ 'bg-lamp-pale': isOpen('offer', offer.id) }"
                        ><TagIcon class="size-4.5 shrink-0 text-pine" aria-hidden="true" /><span class="min-w-0 flex-1 truncate">{{
                            offer.name
                        }}</span
                        ><span v-if="offer.open" class="text-sm font-medium text-clay-deep">no price</span
                        ><span v-else class="caption">{{ offer.priceWords }}</span></RouterLink
                    >
                    <button type="button" class="ml-5 btn-quiet" @click="add('offer', { product: product.id })">
                        <PlusIcon class="size-4" aria-hidden="true" />Another price
                    </button>
                </li>
            </ul>
            <button type="button" class="mt-2 btn" @click="add('product')">
                <PlusIcon class="size-4.5" aria-hidden="true" />Add a product
            </button>
            <h3 class="mt-6 text-lg">Coupons</h3>
            <ul class="mt-1">
                <li v-for="coupon in funnel.coupons" :key="coupon.id">
                    <RouterLink
                        :to="`${base}/coupon/${coupon.id}`"
                        class="flex items-center gap-2 rounded px-2 py-1 hover:bg-raised"
                        :class="{ 'bg-lamp-pale': isOpen('coupon', coupon.id) }"
                        ><TicketIcon class="size-5 shrink-0 text-pine" aria-hidden="true" /><span class="min-w-0 flex-1 truncate">{{
                            coupon.name
                        }}</span
                        ><span class="caption">{{ coupon.words }}</span></RouterLink
                    >
                </li>
            </ul>
            <button type="button" class="mt-1 btn-quiet" @click="add('coupon')">
                <PlusIcon class="size-4" aria-hidden="true" />Add a coupon
            </button>
            <CurrencyField class="mt-6" :model-value="funnel.currency" @update:model-value="setCurrency" />
        </nav>
        <div class="min-h-0 overflow-auto px-7 py-5">
            <OfferFields v-if="chosen.kind === 'offer' && store.offer(chosen.id)" :id="chosen.id" :key="chosen.id" />
            <ProductFields v-else-if="chosen.kind === 'product' && store.product(chosen.id)" :id="chosen.id" :key="chosen.id" />
            <CouponFields v-else-if="chosen.kind === 'coupon' && store.coupon(chosen.id)" :id="chosen.id" :key="chosen.id" />
            <p v-else class="text-soft">Choose an offer at the left, or add one.</p>
        </div>
    </div>
</template>
