<script setup lang="ts">
import {
    ArrowPathIcon,
    ArrowsRightLeftIcon,
    BookOpenIcon,
    ChevronLeftIcon,
    ChevronRightIcon,
    ClockIcon,
    PauseIcon,
    PlusIcon,
    WindowIcon,
} from '@heroicons/vue/20/solid';
import { useElementSize, useScroll } from '@vueuse/core';
import { computed, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import type { Page } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { partPath, type PartKind } from '@/funnel/parts';
import EmailMark from '@/funnel/timeline/EmailMark.vue';
import { LANE, layOut, type BarLane, type Lane, type PlacedColumn, type SequenceLane } from '@/funnel/timeline/layout';
import { emailNote, shareOf, takenOf, type TimelineNumbers } from '@/funnel/timeline/numbers';
import PageCard from '@/funnel/timeline/PageCard.vue';
import type { Lead } from '@/funnel/timeline/places';
import { useEmailMoments } from '@/funnel/timeline/useEmailMoments';
import { useWayDrag } from '@/funnel/timeline/useWayDrag';
import WayDialog from '@/funnel/timeline/WayDialog.vue';
import WayLines from '@/funnel/timeline/WayLines.vue';
import { deadlineNote, guideNote, popupNote, replayNote, sequenceStarts } from '@/funnel/timeline/words';
import { useSteps } from '@/funnel/steps';
import { useSession } from '@/stores/session';
import { useToasts } from '@/stores/toasts';

/** The whole funnel: columns are the moments of one person's way, rows are what happens then. */
const props = defineProps<{ zoom: number; numbers: TimelineNumbers | null }>();
const emit = defineEmits<{ addAt: [column: PlacedColumn, page: Page | null] }>();

/** How wide the names of the rows stand at the left. */
const NAMES = 108;
/** Room at the right for what is added at the end. */
const END = 24;
const store = useFunnel();
const session = useSession();
const steps = useSteps();
const toasts = useToasts();
const router = useRouter();
const route = useRoute();
const frame = ref<HTMLElement | null>(null);
const { width } = useElementSize(frame);

const funnel = computed(() => store.funnel!);
const chart = computed(() =>
    layOut(funnel.value, {
        width: Math.max(400, width.value - NAMES - END),
        zoom: props.zoom,
        quietRoles: session.kit.popups.quietRoles,
        now: new Date(),
    }),
);
const isOpen = (kind: string, id: string) => route.params.open === kind && route.params.part === id;
const go = (kind: PartKind, id: string) => router.push(partPath(funnel.value, kind, id));

// ---- what is opened by a heading, a name, a bar
/** The page of the main way in a column. */
const mainPage = (column: PlacedColumn): Page | null =>
    chart.value.cards.find((c) => c.place.column === column.pages && c.place.row === 0)?.place.page ?? null;
function openColumn(column: PlacedColumn): void {
    const page = mainPage(column);
    const webinar = column.kind === 'session' ? moments.webinarAt(column.key) : undefined;
    const email = moments.emailsAt(column.key)[0];
    if (webinar) {
        void go('webinar', webinar.id);
    } else if (page) {
        void go('page', page.id);
    } else if (email) {
        void go('email', email.id);
    }
}
const barOf = (lane: BarLane) =>
    lane.kind === 'deadline'
        ? { kind: 'deadline' as const, part: lane.deadline, note: deadlineNote(lane.deadline), icon: ClockIcon, label: 'Deadlines' }
        : lane.kind === 'replay'
          ? { kind: 'webinar' as const, part: lane.webinar, note: replayNote(lane.webinar), icon: ArrowPathIcon, label: 'Replay' }
          : lane.kind === 'guide'
            ? { kind: 'guide' as const, part: lane.guide, note: guideNote(funnel.value, lane.guide), icon: BookOpenIcon, label: 'Guide' }
            : lane.kind === 'rule'
              ? {
                    kind: 'automation' as const,
                    part: lane.rule,
                    note: lane.rule.paused ? 'paused' : '',
                    icon: ArrowsRightLeftIcon,
                    label: 'Rules',
                }
              : { kind: 'popup' as const, part: lane.popup, note: popupNote(funnel.value, lane.popup), icon: WindowIcon, label: 'Pop-ups' };
/** Is it the first of its kind, where the kind is named? */
const isFirst = (lane: Lane) => chart.value.lanes.find((l) => l.kind === lane.kind) === lane;
const isSequence = (lane: Lane): lane is SequenceLane => lane.kind === 'sequence';

// ---- ways
const asked = ref<{ page: Page; outcome: string | null; target: Page | null } | null>(null);
const pageOf = (id: string) => funnel.value.pages.find((p) => p.id === id) ?? null;
const ask = (page: Page, outcome: string | null, target: Page | null = null) => (asked.value = { page, outcome, target });
const { drawn, begin, unlessDrawn } = useWayDrag((pageId, outcome, targetId) => {
    const page = pageOf(pageId);
    const only = outcome ?? (page?.outcomes.length === 1 ? page.outcomes[0]!.outcome : null);
    if (page && only) {
        steps.connect(page.id, only, { toPage: targetId }).catch(toasts.trouble);
    } else if (page) {
        ask(page, null, pageOf(targetId));
    }
});
/** The page whose further ways are drawn as lines. */
const looked = ref<string | null>(null);
const lines = computed(() => chart.value.cards.find((c) => c.place.page.id === looked.value) ?? null);

// ---- emails and their moments
const moments = useEmailMoments(funnel, chart);

// ---- moving about
const { x: scrolled } = useScroll(frame);
const hidden = computed(() => ({
    left: scrolled.value > 4,
    right: chart.value.width + NAMES + END - width.value - scrolled.value > 4,
}));
const scrollBy = (by: -1 | 1) => frame.value?.scrollBy({ left: by * (width.value - NAMES) * 0.7, behavior: 'smooth' });
let dragged: { x: number; left: number } | null = null;
function pan(event: PointerEvent): void {
    const isGround = event.target instanceof HTMLElement && !event.target.closest('button, a');
    dragged = isGround && event.button === 0 && frame.value ? { x: event.clientX, left: frame.value.scrollLeft } : null;
}
function panned(event: PointerEvent): void {
    if (dragged && frame.value && event.buttons === 1) {
        frame.value.scrollLeft = dragged.left + dragged.x - event.clientX;
    }
}
const share = (lead: Lead) => shareOf(props.numbers, lead.page.id, lead.outcome.outcome);
const taken = (lead: Lead) => takenOf(props.numbers, lead.page.id, lead.outcome.outcome);
</script>

<template>
    <div class="relative">
        <div ref="frame" class="overflow-x-auto" data-test="timeline" @pointerdown="pan" @pointermove="panned">
            <div class="relative flex" :style="{ width: `${NAMES + chart.width + END}px` }">
                <!-- the names of the rows stay where they are -->
                <div class="sticky left-0 z-20 shrink-0 bg-raised" :style="{ width: `${NAMES}px`, height: `${chart.height + 36}px` }">
                    <div class="h-9 border-b border-line"></div>
                    <span
                        v-for="(y, row) in chart.rows.slice(0, 2)"
                        :key="row"
                        class="absolute left-6 text-sm text-soft"
                        :style="{ top: `${36 + y + (row > 0 ? 22 : 0) + chart.card.height / 2 - 10}px` }"
                        >{{ row === 0 ? 'Main way' : 'Otherwise' }}</span
                    >
                    <template v-for="lane in chart.lanes" :key="lane.key">
                        <button
                            v-if="isSequence(lane)"
                            type="button"
                            class="name"
                            :style="{ top: `${36 + lane.y}px` }"
                            :class="{ open: isOpen('sequence', lane.sequence.id) }"
                            :title="`${lane.sequence.name}, ${sequenceStarts(funnel, lane.sequence)}`"
                            @click="go('sequence', lane.sequence.id)"
                        >
                            <PauseIcon v-if="lane.sequence.paused" class="size-3.5 shrink-0 text-clay" aria-label="paused" />
                            <span class="min-w-0 leading-tight"
                                ><span class="line-clamp-2">{{ lane.sequence.name }}</span
                                ><span v-if="lane.sequence.name.length < 14" class="block truncate text-xs text-soft">{{
                                    sequenceStarts(funnel, lane.sequence)
                                }}</span></span
                            >
                        </button>
                        <span v-else-if="isFirst(lane)" class="name text-soft" :style="{ top: `${36 + lane.y}px` }">{{
                            barOf(lane).label
                        }}</span>
                    </template>
                </div>

                <div class="relative" :style="{ width: `${chart.width}px`, height: `${chart.height + 36}px` }">
                    <!-- the moments -->
                    <div
                        v-for="column in chart.columns"
                        :key="column.key"
                        class="column group"
                        :class="{ session: column.kind === 'session' }"
                        :style="{ left: `${column.x}px`, width: `${column.width}px` }"
                    >
                        <button type="button" class="heading" :title="column.inFull" @click="openColumn(column)">{{ column.words }}</button>
                        <button
                            type="button"
                            class="add"
                            :aria-label="`Add at “${column.words}”`"
                            title="Add something here"
                            @click="emit('addAt', column, mainPage(column))"
                        >
                            <PlusIcon class="size-3.5" aria-hidden="true" />
                        </button>
                    </div>
                    <div class="absolute inset-x-0 top-9">
                        <!-- the main way and what leads on to the right -->
                        <template v-for="arrow in chart.arrows" :key="arrow.lead.page.id + arrow.lead.outcome.outcome">
                            <span
                                class="absolute h-px bg-pine"
                                :style="{ left: `${arrow.from}px`, width: `${arrow.to - arrow.from}px`, top: `${arrow.y}px` }"
                                aria-hidden="true"
                            ></span>
                        </template>
                        <WayLines v-if="lines" :chart="chart" :card="lines" />
                        <PageCard
                            v-for="card in chart.cards"
                            :key="card.place.page.id"
                            :funnel="funnel"
                            :card="card"
                            :size="chart.card"
                            :open="isOpen('page', card.place.page.id)"
                            :target="drawn?.target === card.place.page.id"
                            :numbers="numbers"
                            @open="unlessDrawn(() => go('page', card.place.page.id))()"
                            @way="(lead) => unlessDrawn(() => ask(lead.page, lead.outcome.outcome))()"
                            @ways="unlessDrawn(() => ask(card.place.page, null))()"
                            @draw="(event, outcome) => begin(event, card.place.page.id, outcome)"
                            @pointerenter="looked = card.place.page.id"
                            @pointerleave="looked = null"
                            @focusin="looked = card.place.page.id"
                            @focusout="looked = null"
                        />
                        <button
                            v-for="arrow in chart.arrows"
                            :key="arrow.lead.page.id + arrow.lead.outcome.outcome"
                            type="button"
                            class="way"
                            :style="{ left: `${(arrow.from + arrow.to) / 2}px`, top: `${arrow.y}px` }"
                            :title="`${arrow.lead.outcome.who} go to “${arrow.lead.to?.name}”${taken(arrow.lead) ? `: ${taken(arrow.lead)}` : ''}`"
                            @pointerdown="begin($event, arrow.lead.page.id, arrow.lead.outcome.outcome)"
                            @click="unlessDrawn(() => ask(arrow.lead.page, arrow.lead.outcome.outcome))()"
                        >
                            <span v-if="share(arrow.lead)" class="block">{{ share(arrow.lead) }}</span><span aria-hidden="true">→</span
                            ><span class="sr-only"
                                >{{ arrow.lead.outcome.label }}: {{ arrow.lead.page.name }} to {{ arrow.lead.to?.name }}</span
                            >
                        </button>
                        <!-- lanes -->
                        <div
                            v-for="lane in chart.lanes"
                            :key="lane.key"
                            class="absolute inset-x-0"
                            :style="{ top: `${lane.y}px`, height: `${LANE}px` }"
                        >
                            <template v-if="isSequence(lane)">
                                <span
                                    class="absolute top-1/2 h-px bg-edge/60"
                                    :style="{ left: `${lane.from}px`, width: `${Math.max(0, lane.to - lane.from)}px` }"
                                    aria-hidden="true"
                                ></span>
                                <EmailMark
                                    v-for="mark in lane.marks"
                                    :key="mark.email.id"
                                    :mark="mark"
                                    :open="isOpen('email', mark.email.id)"
                                    :note="numbers ? emailNote(numbers, mark.email) : ''"
                                    @open="go('email', mark.email.id)"
                                    @move="(by) => moments.step(mark.email, by)"
                                    @drop="(x) => moments.moveTo(mark.email, x)"
                                />
                                <button
                                    type="button"
                                    class="add-email"
                                    :style="{ left: `${lane.end}px` }"
                                    :aria-label="`Add an email to “${lane.sequence.name}”`"
                                    title="Add an email"
                                    @click="moments.add(lane.sequence)"
                                >
                                    <PlusIcon class="size-3.5" aria-hidden="true" />
                                </button>
                            </template>
                            <button
                                v-else
                                type="button"
                                class="bar"
                                :class="[
                                    lane.kind,
                                    {
                                        open: isOpen(barOf(lane).kind, barOf(lane).part.id),
                                        off: (lane.kind === 'popup' && !lane.popup.on) || (lane.kind === 'rule' && lane.rule.paused),
                                    },
                                ]"
                                :style="{
                                    left: `${lane.from}px`,
                                    width: lane.kind === 'popup' || lane.kind === 'rule' ? undefined : `${lane.to - lane.from}px`,
                                    minWidth: `${lane.to - lane.from}px`,
                                }"
                                :title="
                                    lane.kind === 'deadline'
                                        ? lane.deadline.words
                                        : lane.kind === 'popup'
                                          ? lane.popup.words
                                          : lane.kind === 'rule'
                                            ? lane.rule.words
                                            : barOf(lane).part.name
                                "
                                @click="go(barOf(lane).kind, barOf(lane).part.id)"
                            >
                                <component :is="barOf(lane).icon" class="size-4 shrink-0" aria-hidden="true" /><span class="font-medium">{{
                                    barOf(lane).part.name
                                }}</span
                                ><span class="truncate">{{ barOf(lane).note }}</span>
                            </button>
                        </div>
                    </div>
                </div>
            </div>
        </div>
        <template v-for="side in ['left', 'right'] as const" :key="side">
            <button
                v-if="hidden[side]"
                type="button"
                class="more"
                :class="side"
                :style="side === 'left' ? { left: `${NAMES}px` } : {}"
                :aria-label="side === 'left' ? 'Show what is at the left' : 'Show what is at the right'"
                @click="scrollBy(side === 'left' ? -1 : 1)"
            >
                <component :is="side === 'left' ? ChevronLeftIcon : ChevronRightIcon" class="size-5" aria-hidden="true" />
            </button>
        </template>
        <svg v-if="drawn" class="pointer-events-none fixed inset-0 z-50 size-full" aria-hidden="true">
            <line
                :x1="drawn.from.x"
                :y1="drawn.from.y"
                :x2="drawn.to.x"
                :y2="drawn.to.y"
                class="stroke-pine"
                stroke-width="2"
                stroke-dasharray="5 4"
            />
            <circle :cx="drawn.to.x" :cy="drawn.to.y" r="4" class="fill-pine" />
        </svg>
        <WayDialog :page="asked?.page ?? null" :outcome="asked?.outcome ?? null" :target="asked?.target ?? null" @close="asked = null" />
    </div>
</template>

<style scoped>
@reference '../../style.css';
.column {
    @apply absolute inset-y-0 border-l border-dashed border-line;
    &.session {
        @apply bg-lamp-pale/45;
    }
}
.heading {
    @apply block h-9 w-full truncate border-b border-line text-center text-sm text-soft;
    &:hover {
        @apply bg-lamp-pale text-ink;
    }
    .session > & {
        @apply font-semibold text-ink;
    }
}
.add {
    @apply absolute top-2 -right-2.5 z-10 flex size-5 items-center justify-center rounded-full border border-edge bg-raised text-soft opacity-0;
    .group:hover &,
    &:focus-visible {
        @apply opacity-100;
    }
    &:hover {
        @apply border-pine text-pine;
    }
}
.name {
    @apply absolute right-1 left-6 flex h-9 items-center gap-1 rounded text-left text-sm;
}
button.name:hover,
.name.open {
    @apply bg-lamp-pale;
}
.way {
    @apply absolute flex -translate-x-1/2 -translate-y-1/2 touch-none flex-col items-center rounded-full bg-raised px-1.5 text-xs leading-tight font-semibold text-pine;
    &:hover {
        @apply bg-lamp-pale;
    }
}
.add-email {
    @apply absolute top-2 flex size-5 items-center justify-center rounded-full text-soft;
    &:hover {
        @apply bg-lamp-pale text-ink;
    }
}
.bar {
    @apply absolute top-1.5 flex h-6 items-center gap-1.5 rounded border px-2 text-left text-sm whitespace-nowrap;
    &.deadline {
        @apply border-clay/50 bg-clay-pale text-clay-deep;
    }
    &.replay {
        @apply border-pine/40 bg-pine-pale text-pine;
    }
    &.guide {
        @apply border-line bg-paper text-ink;
    }
    &.popup {
        @apply border-pine/50 bg-raised text-pine;
    }
    &.rule {
        @apply border-edge bg-raised text-ink;
    }
    &.off {
        @apply border-dashed border-edge text-soft;
    }
    &:hover {
        @apply border-current;
    }
    &.open {
        @apply outline-2 outline-offset-1 outline-lamp;
    }
}
.more {
    @apply absolute inset-y-0 z-20 flex w-9 items-center text-ink;
    &.left {
        @apply justify-start bg-linear-to-r from-raised to-transparent;
    }
    &.right {
        @apply right-0 justify-end bg-linear-to-l from-raised to-transparent;
    }
}
</style>
