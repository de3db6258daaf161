<script setup lang="ts">
import {
    ChevronDownIcon,
    ChevronUpIcon,
    MagnifyingGlassMinusIcon,
    MagnifyingGlassPlusIcon,
    PlusIcon,
    TagIcon,
} from '@heroicons/vue/20/solid';
import { useLocalStorage, watchDebounced } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import AddPopup from '@/funnel/desk/popup/AddPopup.vue';
import { useFunnel } from '@/funnel/funnelStore';
import { partPath, type PartKind } from '@/funnel/parts';
import { useSteps } from '@/funnel/steps';
import AddHere from '@/funnel/timeline/AddHere.vue';
import type { Column } from '@/funnel/timeline/moments';
import type { Page } from '@/api/types';
import AddPage from '@/funnel/timeline/AddPage.vue';
import { useTimelineNumbers, type Period } from '@/funnel/timeline/numbers';
import TimelineChart from '@/funnel/timeline/TimelineChart.vue';
import TimelineList from '@/funnel/timeline/TimelineList.vue';
import TimelineStrip from '@/funnel/timeline/TimelineStrip.vue';
import { useDrawings } from '@/stores/drawings';
import { useToasts } from '@/stores/toasts';
import UiMenu from '@/ui/UiMenu.vue';

/** A funnel from the first visit to its end: drawn, as a list, or folded to a strip while one works on the desk. */
const folded = defineModel<boolean>('folded', { required: true });
const store = useFunnel();
const steps = useSteps();
const toasts = useToasts();
const router = useRouter();
const route = useRoute();

const ZOOMS = [0.75, 1, 1.25, 1.5, 2];
const zoom = ref(1);
const zoomBy = (by: -1 | 1) => (zoom.value = ZOOMS[ZOOMS.indexOf(zoom.value) + by] ?? zoom.value);
const shown = useLocalStorage<'timeline' | 'list'>('timeline-shown', 'timeline');
const adding = ref<string | null>(null);
/** Where a pop-up is being added: '' for anywhere, else on that page. */
const popping = ref<string | null>(null);
/** The moment at which something is being added. */
const at = ref<{ column: Column; page: Page | null } | null>(null);
const sells = computed(() => (store.funnel?.offers.length ?? 0) > 0);

// Whatever was saved may have changed how a page looks.
const drawings = useDrawings();
watchDebounced(
    [() => store.funnel, () => store.status, folded],
    () => {
        if (store.funnel && store.status === 'saved') {
            drawings.load(store.funnel.id).catch(toasts.trouble);
        }
    },
    { debounce: 150, immediate: true },
);

const counted = useTimelineNumbers();
watch(
    [() => store.funnel?.id, () => store.funnel?.pageNumbers, () => store.funnel?.ways, () => counted.period, folded],
    () => {
        if (store.funnel && !folded.value) {
            counted.load(store.funnel.id).catch(toasts.trouble);
        }
    },
    { immediate: true },
);
const periods: { value: Period; label: string }[] = [
    { value: '28', label: 'Last 28 days' },
    { value: '0', label: 'All time' },
    { value: 'none', label: 'No numbers' },
];

async function add(kind: PartKind): Promise<void> {
    try {
        const made = await steps.add(kind);
        await router.push(partPath(store.funnel!, kind, made.id));
    } catch (error) {
        toasts.trouble(error);
    }
}
const adds = [
    { label: 'Add a page', run: () => (adding.value = '') },
    { label: 'Add a follow-up', run: () => add('email') },
    { label: 'Add a sequence', run: () => add('sequence') },
    { label: 'Add a deadline', run: () => add('deadline') },
    { label: 'Add a webinar', run: () => add('webinar') },
    { label: 'Add a pop-up', run: () => (popping.value = '') },
    { label: 'Add a rule', run: () => add('automation') },
];
</script>

<template>
    <section v-if="store.funnel" aria-label="Timeline" class="relative shrink-0 border-b border-line bg-raised">
        <TimelineStrip v-if="folded" @unfold="folded = false">
            <RouterLink v-if="sells" class="btn-quiet shrink-0" :to="`/funnels/${store.funnel.id}/offers`"
                ><TagIcon class="size-4 text-pine" aria-hidden="true" />Offers</RouterLink
            >
        </TimelineStrip>
        <template v-else>
            <div class="flex h-11 items-center gap-1 border-b border-line pr-4 pl-5 print:hidden">
                <UiMenu label="Add to the funnel" :items="adds" left
                    ><span class="flex items-center gap-1"><PlusIcon class="size-4" aria-hidden="true" />Add</span></UiMenu
                >
                <RouterLink v-if="sells" class="btn-quiet" :to="`/funnels/${store.funnel.id}/offers`"
                    ><TagIcon class="size-4 text-pine" aria-hidden="true" />Offers</RouterLink
                >
                <span class="flex-1"></span>
                <UiMenu
                    :label="`Numbers: ${periods.find((p) => p.value === counted.period)?.label}`"
                    :items="periods.map((p) => ({ label: p.label, run: () => (counted.period = p.value) }))"
                    ><span class="flex items-center gap-1"
                        >{{ periods.find((p) => p.value === counted.period)?.label
                        }}<ChevronDownIcon class="size-4" aria-hidden="true" /></span
                ></UiMenu>
                <template v-if="shown === 'timeline'">
                    <button type="button" class="btn-quiet px-1.5" aria-label="Smaller" :disabled="zoom === ZOOMS[0]" @click="zoomBy(-1)">
                        <MagnifyingGlassMinusIcon class="size-4.5" aria-hidden="true" />
                    </button>
                    <button type="button" class="btn-quiet px-1.5" aria-label="Larger" :disabled="zoom === ZOOMS.at(-1)" @click="zoomBy(1)">
                        <MagnifyingGlassPlusIcon class="size-4.5" aria-hidden="true" />
                    </button>
                </template>
                <div class="flex rounded-md border border-line p-0.5" role="group" aria-label="Shown as">
                    <button
                        v-for="way in ['timeline', 'list'] as const"
                        :key="way"
                        type="button"
                        class="rounded px-2.5 py-0.5 text-sm font-medium"
                        :class="shown === way ? 'bg-line text-ink' : 'text-soft hover:text-ink'"
                        :aria-pressed="shown === way"
                        @click="shown = way"
                    >
                        {{ way === 'timeline' ? 'Timeline' : 'List' }}
                    </button>
                </div>
                <button v-if="route.params.open" type="button" class="btn-quiet" @click="folded = true">
                    Fold<ChevronUpIcon class="size-4" aria-hidden="true" />
                </button>
            </div>
            <div v-if="store.funnel.pages.length === 0" class="px-6 py-10 text-center">
                <p class="text-lg">This funnel is empty. It begins with the page that visitors see first.</p>
                <button type="button" class="mt-4 btn-main" @click="adding = ''">Add the first page</button>
            </div>
            <TimelineList v-else-if="shown === 'list'" :numbers="counted.numbers" />
            <TimelineChart v-else :zoom="zoom" :numbers="counted.numbers" @add-at="(column, page) => (at = { column, page })" />
        </template>
        <AddPage :open="adding !== null" :behind="adding ?? ''" @close="adding = null" />
        <AddPopup :open="popping !== null" :on="popping ?? ''" @close="popping = null" />
        <AddHere
            :column="at?.column ?? null"
            :page="at?.page ?? null"
            @close="at = null"
            @page="(after) => (adding = after)"
            @popup="(on) => (popping = on)"
        />
    </section>
</template>
