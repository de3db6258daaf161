<script setup lang="ts">
import { computed } from 'vue';
import type { Deadline, Page } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import WayField from '@/funnel/timeline/WayField.vue';
import UiListbox from '@/ui/UiListbox.vue';

/** What the deadline closes: pages, with where people are led before and after it, and offers. */
const props = defineProps<{ deadline: Deadline }>();
const emit = defineEmits<{ edit: [values: Record<string, unknown>, label: string] }>();

const store = useFunnel();
const pages = computed(() => store.funnel?.pages.filter((p) => p.role !== 'closed') ?? []);
const guarded = (page: Page) => props.deadline.pages.find((g) => g.page === page.id);
const ENDED = { outcome: 'time-ran-out', label: 'time ran out', who: 'Those whose time ran out', must: false };

function guard(page: Page, on: boolean): void {
    const rest = props.deadline.pages.filter((g) => g.page !== page.id);
    emit('edit', { pages: on ? [...rest, { page: page.id }] : rest }, 'the pages it guards');
}
function before(page: Page, to: string): void {
    emit(
        'edit',
        { pages: props.deadline.pages.map((g) => (g.page === page.id ? { page: g.page, ...(to ? { before: to } : {}) } : g)) },
        'what is shown before it starts',
    );
}
function sell(offer: string, on: boolean): void {
    const rest = props.deadline.offers.filter((o) => o !== offer);
    emit('edit', { offers: on ? [...rest, offer] : rest }, 'the offers it guards');
}
const others = (page: Page) => [
    { value: '', label: 'see it as usual' },
    ...(store.funnel?.pages.filter((p) => p.id !== page.id).map((p) => ({ value: p.id, label: `are led to “${p.name}”` })) ?? []),
];
</script>

<template>
    <section aria-labelledby="guards">
        <h3 id="guards" class="text-lg">What it guards</h3>
        <fieldset class="mt-2">
            <legend class="label">Pages: whoever comes after the end, by any link, is led on</legend>
            <ul class="divide-y divide-line border-y border-line">
                <li v-for="page in pages" :key="page.id" class="py-2">
                    <label class="flex items-center gap-2.5"
                        ><input
                            type="checkbox"
                            class="size-4.5 accent-pine"
                            :checked="guarded(page) !== undefined"
                            @change="guard(page, ($event.target as HTMLInputElement).checked)"
                        /><span class="font-medium">{{ page.name }}</span
                        ><span class="caption">{{ page.roleLabel }}</span></label
                    >
                    <div v-if="guarded(page)" class="mt-2 ml-7 grid gap-3 sm:grid-cols-2">
                        <UiListbox
                            v-if="deadline.duration"
                            :model-value="guarded(page)?.before ?? ''"
                            label="Before it starts, visitors"
                            :options="others(page)"
                            @update:model-value="(to: string) => before(page, to)"
                        />
                        <WayField :page="page" :outcome="ENDED" />
                    </div>
                </li>
            </ul>
        </fieldset>
        <fieldset v-if="(store.funnel?.offers.length ?? 0) > 0" class="mt-4">
            <legend class="label">Offers: after the end they cannot be bought, in no way</legend>
            <label v-for="offer in store.funnel?.offers" :key="offer.id" class="flex items-center gap-2.5 py-1"
                ><input
                    type="checkbox"
                    class="size-4.5 accent-pine"
                    :checked="deadline.offers.includes(offer.id)"
                    @change="sell(offer.id, ($event.target as HTMLInputElement).checked)"
                /><span class="min-w-0 truncate">{{ offer.name }}</span
                ><span class="caption">{{ offer.open ? 'no price' : offer.priceWords }}</span></label
            >
        </fieldset>
    </section>
</template>
