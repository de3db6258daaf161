import { computed, type ComputedRef } from 'vue';
import { useRouter } from 'vue-router';
import type { Coupon, Offer, Product } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { useSteps } from '@/funnel/steps';
import { useToasts } from '@/stores/toasts';

interface SellingParts {
    product: Product;
    offer: Offer;
    coupon: Coupon;
}

/** What the desks of products, offers and coupons share: the part itself, a change to it, and taking it out of the funnel. */
export function useSellingPart<K extends keyof SellingParts>(kind: K, id: () => string) {
    const store = useFunnel();
    const steps = useSteps();
    const router = useRouter();
    const toasts = useToasts();
    const part = computed(() => store[kind](id())) as ComputedRef<SellingParts[K]>;

    function edit(values: Record<string, unknown>, label: string, now = false): void {
        store.edit(kind, id(), values, label, now);
    }
    async function takeOut(): Promise<void> {
        try {
            await steps.remove(part.value);
            await router.push(`/funnels/${store.funnel?.id}/offers`);
        } catch (error) {
            toasts.trouble(error);
        }
    }
    return { part, edit, takeOut };
}
