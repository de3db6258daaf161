<script setup lang="ts">
import { ChevronDownIcon, ChevronLeftIcon, ChevronRightIcon } from '@heroicons/vue/20/solid';
import { useElementSize, useEventListener } from '@vueuse/core';
import { computed, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useFunnel } from '@/funnel/funnelStore';
import { partEntry, partPath, type PartKind } from '@/funnel/parts';
import PageDrawing from '@/funnel/timeline/PageDrawing.vue';
import { layOut } from '@/funnel/timeline/layout';
import { stopsOf, type Stop } from '@/funnel/timeline/stops';
import { useSession } from '@/stores/session';

/** The timeline in small, above the desk: where one is, what comes before and after it, and everything else a click away. */
const emit = defineEmits<{ unfold: [] }>();

const store = useFunnel();
const session = useSession();
const router = useRouter();
const route = useRoute();
const frame = ref<HTMLElement | null>(null);
const { width } = useElementSize(frame);
const HEIGHT = 48;

const chart = computed(() => layOut(store.funnel!, { width: 1140, zoom: 1, quietRoles: session.kit.popups.quietRoles, now: new Date() }));
const stops = computed(() => stopsOf(store.funnel!, chart.value));
/** A page of a guide is open where its guide is. */
const guide = computed(() => route.params.open === 'guide-page' && store.funnel!.guidePages.find((p) => p.id === route.params.part)?.guide);
const isOpen = (stop: Stop) =>
    stop.kind === 'guide' && guide.value === stop.id ? true : route.params.open === stop.kind && route.params.part === stop.id;
const at = computed(() => stops.value.findIndex(isOpen));
const name = computed(() => (at.value < 0 ? '' : stops.value[at.value]!.name));
const go = (stop: Stop | undefined) => stop && router.push(partPath(store.funnel!, stop.kind as PartKind, stop.id));
const beside = computed(() => ({ before: stops.value[at.value - 1], after: at.value < 0 ? stops.value[0] : stops.value[at.value + 1] }));
const scale = computed(() => width.value / Math.max(1, chart.value.width));

/** The main way has the upper half, what else may happen and the lanes share the rest. */
const MAIN = 22;
function boxOf(stop: Stop): Record<string, string> {
    const { rows, lanes } = { rows: chart.value.rows.length - 1, lanes: chart.value.lanes.length };
    const below = HEIGHT - MAIN - 2;
    const rowsHeight = rows > 0 ? Math.min(rows * 9, below / 2) : 0;
    const [top, height] =
        stop.row === 0
            ? [1, MAIN]
            : stop.row !== null
              ? [MAIN + 2 + ((stop.row - 1) * rowsHeight) / rows, rowsHeight / rows - 1]
              : [
                    MAIN + 3 + rowsHeight + ((stop.lane ?? 0) * (below - rowsHeight)) / Math.max(1, lanes),
                    (below - rowsHeight) / Math.max(1, lanes) - 1,
                ];
    const thin = stop.kind === 'sequence';
    const size = Math.max(3, Math.min(height, stop.row === null ? 7 : height));
    return {
        left: `${stop.x * scale.value}px`,
        top: `${top + (thin ? size / 2 - 1 : 0)}px`,
        width: `${stop.kind === 'email' ? size : Math.max(5, stop.width * scale.value)}px`,
        height: `${thin ? 2 : size}px`,
    };
}

useEventListener('keydown', (event: KeyboardEvent) => {
    if (event.altKey && (event.key === 'PageUp' || event.key === 'PageDown')) {
        event.preventDefault();
        void go(event.key === 'PageUp' ? beside.value.before : beside.value.after);
    }
});
</script>

<template>
    <div class="flex h-14 items-center gap-2 px-6">
        <button
            type="button"
            class="btn-quiet px-1.5"
            :disabled="!beside.before"
            :aria-label="beside.before ? `Back to “${beside.before.name}”` : 'Nothing before this'"
            :title="beside.before ? `${beside.before.name} (Alt Page Up)` : ''"
            @click="go(beside.before)"
        >
            <ChevronLeftIcon class="size-5" aria-hidden="true" />
        </button>
        <span class="flex w-44 min-w-0 items-center gap-1.5" :title="name">
            <component
                :is="at < 0 ? undefined : partEntry(stops[at]!.kind).icon"
                v-if="at >= 0"
                class="size-4 shrink-0 text-pine"
                aria-hidden="true"
            />
            <span class="min-w-0"
                ><span class="block truncate text-sm leading-tight font-semibold">{{ name || 'The timeline' }}</span
                ><span v-if="at >= 0" class="block truncate text-xs leading-tight text-soft">{{ stops[at]!.when }}</span></span
            >
        </span>
        <button
            type="button"
            class="btn-quiet px-1.5"
            :disabled="!beside.after"
            :aria-label="beside.after ? `On to “${beside.after.name}”` : 'Nothing after this'"
            :title="beside.after ? `${beside.after.name} (Alt Page Down)` : ''"
            @click="go(beside.after)"
        >
            <ChevronRightIcon class="size-5" aria-hidden="true" />
        </button>
        <div ref="frame" class="relative h-12 min-w-0 flex-1 border-x border-line">
            <button
                v-for="stop in stops"
                :key="stop.kind + stop.id"
                type="button"
                class="stop"
                :class="[stop.kind, { open: isOpen(stop) }]"
                :style="boxOf(stop)"
                :title="`${stop.name}, ${stop.when}`"
                :aria-label="stop.name"
                :aria-current="isOpen(stop) ? 'true' : undefined"
                @click="go(stop)"
            >
                <PageDrawing v-if="stop.row === 0" :page="stop.id" />
            </button>
        </div>
        <slot />
        <button type="button" class="btn-quiet shrink-0" @click="emit('unfold')">
            Open the timeline<ChevronDownIcon class="size-4" aria-hidden="true" />
        </button>
    </div>
</template>

<style scoped>
@reference '../../style.css';
.stop {
    @apply absolute overflow-hidden rounded-[2px] border border-edge/70 bg-paper;
    /* Small marks are easier to hit than to see. */
    &::after {
        content: '';
        @apply absolute -inset-1;
    }
    &.email {
        @apply rounded-full border-transparent bg-pine;
    }
    &.sequence {
        @apply border-transparent bg-edge/40;
    }
    &.deadline {
        @apply border-clay/60 bg-clay-pale;
    }
    &.webinar {
        @apply border-pine/40 bg-pine-pale;
    }
    &.popup {
        @apply border-dashed;
    }
    &:hover,
    &.open {
        @apply z-10 border-ink bg-lamp;
    }
    &.open {
        @apply outline-2 outline-ink;
    }
}
</style>
