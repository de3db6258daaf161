<script setup lang="ts">
import {
    ChevronDownIcon,
    ChevronUpIcon,
    ClockIcon,
    EnvelopeIcon,
    PauseIcon,
    PlusIcon,
    QueueListIcon,
    TagIcon,
    WindowIcon,
} from '@heroicons/vue/20/solid';
import { computed, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useFunnel } from '@/funnel/funnelStore';
import { useSteps } from '@/funnel/steps';
import { partEntry, partPath, PARTS, partsOf, type PartKind } from '@/funnel/parts';
import { arcsOf, columnWidth, lanesOf, popupBarsOf, stationsOf, totalWidth } from '@/funnel/timelineLayout';
import { spanOf } from '@/funnel/timeScale';
import type { Deadline, Email, Page, Popup } from '@/api/types';
import AddPage from '@/funnel/AddPage.vue';
import AddPopup from '@/funnel/desk/popup/AddPopup.vue';
import WebinarLane from '@/funnel/WebinarLane.vue';
import WayButton from '@/funnel/WayButton.vue';
import { useToasts } from '@/stores/toasts';
import { useSession } from '@/stores/session';
import { count, counted } from '@/ui/format';

const folded = defineModel<boolean>('folded', { required: true });
const store = useFunnel();
const steps = useSteps();
const session = useSession();
const toasts = useToasts();
const router = useRouter();
const route = useRoute();

const colours = computed(() => {
    const look = session.looks.find((l) => l.id === store.funnel?.look);
    return {
        paper: store.funnel?.changes.paper ?? look?.colours.paper ?? '#fff',
        ink: look?.colours.ink ?? '#000',
        accent: store.funnel?.changes.accent ?? look?.colours.accent ?? '#000',
    };
});

const stations = computed(() => (store.funnel ? stationsOf(store.funnel) : []));
const lanes = computed(() => (store.funnel ? lanesOf(store.funnel, stations.value, new Date()) : []));
const pops = computed(() => (store.funnel ? popupBarsOf(store.funnel, stations.value, session.kit.popups.quietRoles) : []));
const arcs = computed(() => (store.funnel ? arcsOf(store.funnel, stations.value) : []));

function laneNote(deadline: Deadline): string {
    if (!deadline.duration) {
        return deadline.words;
    }
    return spanOf(deadline)
        ? `${deadline.lasts}, from ${deadline.startWords}`
        : `${deadline.lasts}, ${deadline.startWords || 'when you start it for somebody'}`;
}
function popupNote(popup: Popup): string {
    const numbers = store.funnel?.popupNumbers[popup.id];
    const found = numbers && numbers.shown > 0 ? `${count(numbers.shown)} shown, ${count(numbers.joined)} joined` : '';
    const sites = popup.targeting.sites ?? [];
    return [popup.on ? '' : 'off', sites.length > 0 ? `on ${counted(sites.length, 'site')}` : '', found].filter(Boolean).join(' · ');
}
const guards = (page: Page) => store.funnel?.deadlines.filter((d) => d.pages.some((g) => g.page === page.id)) ?? [];

const TONES: Record<string, string> = { declined: '#5b6a64', 'time-ran-out': '#a33e28', missed: '#5b6a64' };
const adding = ref(false);
const popping = ref(false);

/** What is sold on a page: the price of its offer, and how often it was bought there. */
function priceOn(page: Page): string {
    const ids = page.document.sections.flatMap((s) => s.blocks.flatMap((b) => (typeof b.offer === 'string' ? [b.offer] : [])));
    const offer = store.funnel?.offers.find((o) => ids.includes(o.id));
    const sales = store.funnel?.pageNumbers[page.id]?.sales ?? 0;
    return offer ? `${sales > 0 ? `${count(sales)} at ` : ''}${offer.open ? 'no price' : offer.priceWords}` : '';
}

const isOpen = (kind: string, id: string) => route.params.open === kind && route.params.part === id;
const go = (kind: PartKind, id: string) => router.push(partPath(store.funnel!, kind, id));
/** What stands in the strip beside pages and emails. */
const beside: PartKind[] = ['sequence', 'deadline', 'webinar', 'popup'];

/** What became of an email, in as few words as fit beside it. */
function sent(email: Email): string {
    const numbers = store.funnel?.emailNumbers[email.id] ?? {};
    const waiting = (numbers.waiting ?? 0) + (numbers.sending ?? 0);
    return `${count(numbers.sent ?? 0)} sent${waiting > 0 ? ` · ${count(waiting)} due` : ''}`;
}
function read(email: Email): string {
    const { sent: all, opened, clicked, lost } = store.funnel?.emailNumbers[email.id] ?? {};
    const share = (n: number | undefined) => `${Math.round(((n ?? 0) / (all ?? 1)) * 100)} %`;
    // Without a link there is nothing to click.
    const clicks = email.body.includes('<a ') ? `, ${share(clicked)} clicked` : '';
    return all ? `${share(opened)} opened*${clicks}, ${count(lost ?? 0)} lost` : '';
}
const many = computed(() => (store.funnel?.sequences.length ?? 0) > 1);
const sequenceOf = (email: Email) => store.funnel?.sequences.find((q) => q.id === email.sequence);

/** Merge fields as a stranger would read them: with their fallback. */
const asRead = (words: string) => words.replace(/\{\{\s*[a-z][a-z0-9_]*\s*(?:\|([^{}|]*))?\}\}/g, (_, fallback?: string) => fallback ?? '');

async function addEmail(): Promise<void> {
    try {
        const made = await steps.add('email');
        await go('email', made.id);
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <section aria-label="Timeline" class="relative shrink-0 border-b border-line bg-raised">
        <!-- folded: a strip to move along while working on the desk -->
        <div v-if="folded" class="flex h-12 items-center gap-3 pr-5">
            <div class="flex min-w-0 flex-1 items-center gap-1 overflow-x-auto py-1 pl-5">
                <template v-for="(station, i) in stations" :key="station.key">
                    <span v-if="i > 0" class="h-px w-5 shrink-0 bg-edge/50" aria-hidden="true"></span>
                    <button
                        v-if="station.page"
                        type="button"
                        class="chip"
                        :class="{ open: isOpen('page', station.page.id) }"
                        @click="go('page', station.page.id)"
                    >
                        <component :is="PARTS.page.icon" class="size-3.5 text-pine" aria-hidden="true" />{{ station.page.name }}
                    </button>
                    <button
                        v-for="email in station.emails"
                        :key="email.id"
                        type="button"
                        class="chip"
                        :class="{ open: isOpen('email', email.id) }"
                        @click="go('email', email.id)"
                    >
                        <EnvelopeIcon class="size-3.5 text-pine" aria-hidden="true" />{{ email.name }}
                    </button>
                </template>
                <template v-for="kind in beside" :key="kind">
                    <button
                        v-for="p in partsOf(store.funnel, kind)"
                        :key="p.id"
                        type="button"
                        class="chip"
                        :class="{ open: isOpen(kind, p.id) }"
                        @click="go(kind, p.id)"
                    >
                        <component
                            :is="partEntry(kind).icon"
                            class="size-3.5"
                            :class="partEntry(kind).presses ? 'text-clay' : 'text-pine'"
                            aria-hidden="true"
                        />{{ p.name }}
                    </button>
                </template>
            </div>
            <RouterLink v-if="(store.funnel?.offers.length ?? 0) > 0" class="btn-quiet shrink-0" :to="`/funnels/${store.funnel?.id}/offers`"
                ><TagIcon class="size-4 text-pine" aria-hidden="true" />Offers</RouterLink
            >
            <button type="button" class="btn-quiet shrink-0" @click="folded = false">
                Open the timeline<ChevronDownIcon class="size-4" aria-hidden="true" />
            </button>
        </div>

        <div v-else class="overflow-x-auto px-6 pt-3 pb-4">
            <svg
                v-if="arcs.length > 0"
                :width="totalWidth(stations)"
                height="40"
                class="block"
                role="img"
                :aria-label="`${arcs.length} ways that do not simply lead on to the next page`"
            >
                <defs>
                    <marker id="arrow" viewBox="0 0 8 8" refX="6" refY="4" markerWidth="7" markerHeight="7" orient="auto-start-reverse">
                        <path d="M0 0L8 4L0 8z" fill="context-stroke" />
                    </marker>
                </defs>
                <path
                    v-for="arc in arcs"
                    :key="arc.key"
                    :d="arc.path"
                    fill="none"
                    :stroke="TONES[arc.outcome] ?? '#1e6b5e'"
                    stroke-width="1.5"
                    marker-end="url(#arrow)"
                >
                    <title>{{ arc.label }}</title>
                </path>
            </svg>
            <ol class="relative flex min-w-max items-stretch">
                <li
                    v-for="(station, i) in stations"
                    :key="station.key"
                    class="grid shrink-0 grid-rows-[128px_34px_auto]"
                    :style="{ width: `${columnWidth(station)}px` }"
                >
                    <!-- above the string: what the visitor sees -->
                    <div class="flex items-end pb-1.5">
                        <button
                            v-if="station.page"
                            type="button"
                            class="page-sheet"
                            :class="{ open: isOpen('page', station.page.id) }"
                            :style="{ background: colours.paper, color: colours.ink }"
                            @click="go('page', station.page.id)"
                        >
                            <span class="block h-1.5 w-10" :style="{ background: colours.accent }" aria-hidden="true"></span>
                            <span class="mt-1.5 line-clamp-2 font-display text-sm leading-snug font-semibold">{{
                                asRead(station.page.headline) || station.page.name
                            }}</span>
                            <span class="mt-auto flex items-center gap-1 text-sm font-medium"
                                ><ClockIcon
                                    v-if="guards(station.page).length > 0"
                                    class="size-4 shrink-0"
                                    :aria-label="`guarded by ${guards(station.page)
                                        .map((d) => d.name)
                                        .join(', ')}`"
                                /><span class="truncate">{{ station.page.name }}</span></span
                            >
                            <span class="flex justify-between gap-2 text-sm"
                                ><span>{{ counted(store.funnel?.pageNumbers[station.page.id]?.visitors ?? 0, 'visitor') }}</span
                                ><span v-if="priceOn(station.page)" class="truncate font-semibold">{{ priceOn(station.page) }}</span></span
                            >
                        </button>
                        <div
                            v-if="station.page && station.outcomes.length > 0"
                            class="flex w-25.5 flex-col justify-center gap-0.5 self-center px-1"
                        >
                            <WayButton v-for="o in station.outcomes" :key="o.outcome" :page="station.page" :outcome="o" />
                        </div>
                    </div>
                    <!-- the string, with a light at each moment -->
                    <div class="relative flex items-center">
                        <span
                            class="absolute top-1/2 right-0 left-0 h-px"
                            :class="i === stations.length - 1 ? 'bg-gradient-to-r from-edge to-transparent' : 'bg-edge'"
                            aria-hidden="true"
                        ></span>
                        <span
                            class="relative ml-4 size-3.5 rounded-full border-2 border-ink"
                            :class="store.funnel?.state === 'live' ? 'bg-lamp' : 'bg-raised'"
                            aria-hidden="true"
                        ></span>
                        <span class="relative ml-1.5 bg-raised px-1 text-sm font-medium">{{ station.when }}</span>
                    </div>
                    <!-- below the string: what comes by mail -->
                    <div class="ml-5.5 flex flex-col items-start">
                        <template v-for="email in station.emails" :key="email.id">
                            <span class="ml-3 h-2.5 w-px bg-edge" aria-hidden="true"></span>
                            <button type="button" class="mail" :class="{ open: isOpen('email', email.id) }" @click="go('email', email.id)">
                                <span class="flex items-center gap-1.5 font-medium"
                                    ><EnvelopeIcon class="size-4 shrink-0 text-pine" aria-hidden="true" /><span class="truncate">{{
                                        email.name
                                    }}</span></span
                                >
                                <span class="block truncate caption">{{ sent(email) }}</span>
                                <span v-if="read(email)" class="block caption" :title="'* a guess: mail programs open by themselves'">{{
                                    read(email)
                                }}</span>
                                <span v-if="email.only.rules.length > 0" class="mt-0.5 block text-sm font-medium">for some only</span>
                                <span v-if="many" class="block truncate caption">{{ sequenceOf(email)?.name }}</span>
                            </button>
                        </template>
                    </div>
                </li>
                <li class="pointer-events-none sticky right-0 z-10 grid w-40 shrink-0 grid-rows-[128px_34px_auto]">
                    <span></span><span></span>
                    <div class="pointer-events-auto mt-2.5 flex flex-col items-start rounded bg-raised">
                        <button
                            v-for="q in store.funnel?.sequences"
                            :key="q.id"
                            type="button"
                            class="btn-quiet max-w-full"
                            :class="{ 'bg-lamp-pale text-ink': isOpen('sequence', q.id) }"
                            @click="go('sequence', q.id)"
                        >
                            <PauseIcon v-if="q.paused" class="size-4 shrink-0 text-clay" aria-label="paused" /><QueueListIcon
                                v-else
                                class="size-4 shrink-0 text-pine"
                                aria-hidden="true"
                            /><span class="truncate">{{ q.name }}</span>
                        </button>
                        <button
                            v-if="(store.funnel?.offers.length ?? 0) > 0"
                            type="button"
                            class="btn-quiet"
                            :class="{ 'bg-lamp-pale text-ink': route.params.open === 'offers' }"
                            @click="router.push(`/funnels/${store.funnel?.id}/offers`)"
                        >
                            <TagIcon class="size-4 text-pine" aria-hidden="true" />Offers
                        </button>
                        <button type="button" class="btn-quiet" @click="addEmail">
                            <PlusIcon class="size-4" aria-hidden="true" />Add a follow-up
                        </button>
                        <button type="button" class="btn-quiet" @click="adding = true">
                            <PlusIcon class="size-4" aria-hidden="true" />Add a page
                        </button>
                        <button type="button" class="btn-quiet" @click="popping = true">
                            <PlusIcon class="size-4" aria-hidden="true" />Add a pop-up
                        </button>
                    </div>
                </li>
            </ol>
            <ul v-if="(store.funnel?.webinars.length ?? 0) > 0" class="mt-1 min-w-max" aria-label="Webinars">
                <WebinarLane v-for="w in store.funnel?.webinars" :key="w.id" :webinar="w" :is-open="isOpen" @go="go" />
            </ul>
            <ul v-if="lanes.length > 0" class="mt-1" aria-label="Deadlines">
                <li
                    v-for="lane in lanes"
                    :key="lane.deadline.id"
                    class="flex items-center gap-2 py-1"
                    :style="{ paddingLeft: `${lane.left}px` }"
                >
                    <button
                        type="button"
                        class="span shrink-0"
                        :class="{ open: isOpen('deadline', lane.deadline.id), everyone: !lane.deadline.duration }"
                        :style="{ width: `${lane.width}px` }"
                        :title="lane.deadline.words"
                        @click="go('deadline', lane.deadline.id)"
                    >
                        <ClockIcon class="size-4 shrink-0" aria-hidden="true" /><span class="shrink-0 font-medium">{{
                            lane.deadline.name
                        }}</span
                        ><span class="truncate">{{ laneNote(lane.deadline) }}</span>
                    </button>
                    <button
                        v-for="email in lane.emails"
                        :key="email.id"
                        type="button"
                        class="chip border-line"
                        :class="{ open: isOpen('email', email.id) }"
                        @click="go('email', email.id)"
                    >
                        <EnvelopeIcon class="size-3.5 text-pine" aria-hidden="true" />{{ email.name }}, {{ email.timingWords }}
                    </button>
                </li>
            </ul>
            <ul v-if="pops.length > 0" class="mt-1" aria-label="Pop-ups">
                <li v-for="pop in pops" :key="pop.popup.id" class="flex items-center py-1" :style="{ paddingLeft: `${pop.left}px` }">
                    <button
                        type="button"
                        class="pop shrink-0"
                        :class="{ open: isOpen('popup', pop.popup.id), off: !pop.popup.on }"
                        :style="{ width: `${pop.width}px` }"
                        :title="pop.popup.words"
                        @click="go('popup', pop.popup.id)"
                    >
                        <WindowIcon class="size-4 shrink-0" aria-hidden="true" /><span class="shrink-0 font-medium">{{
                            pop.popup.name
                        }}</span
                        ><span class="truncate">{{ popupNote(pop.popup) }}</span>
                    </button>
                </li>
            </ul>
            <button v-if="route.params.open" type="button" class="absolute top-2 right-4 btn-quiet" @click="folded = true">
                Fold<ChevronUpIcon class="size-4" aria-hidden="true" />
            </button>
        </div>
        <AddPage :open="adding" @close="adding = false" />
        <AddPopup :open="popping" @close="popping = false" />
    </section>
</template>

<style scoped>
@reference '../style.css';
.chip {
    @apply flex h-8 shrink-0 items-center gap-1.5 rounded-full border border-transparent px-3 text-sm font-medium;
    &:hover {
        @apply bg-lamp-pale;
    }
    &.open {
        @apply border-ink bg-lamp-pale;
    }
}
.page-sheet {
    @apply flex h-[120px] w-50 flex-col rounded-t-sm rounded-b border border-edge/60 p-3 text-left shadow-sm;
    &:hover {
        @apply shadow-md;
    }
    &.open {
        @apply outline-2 outline-offset-2 outline-ink;
    }
}
.pop {
    @apply flex h-8 items-center gap-1.5 rounded border border-pine/50 bg-raised px-3 text-left text-sm text-pine;
    &:hover {
        @apply border-pine;
    }
    &.off {
        @apply border-dashed border-edge text-soft;
    }
    &.open {
        @apply border-ink outline-2 outline-ink;
    }
}
/* A deadline lies over the pages and emails it touches, from its start to its end. */
.span {
    @apply flex h-8 items-center gap-1.5 rounded-l-full rounded-r border border-clay/50 bg-clay-pale px-3 text-left text-sm text-clay-deep;
    &:hover {
        @apply border-clay;
    }
    &.open {
        @apply border-ink outline-2 outline-ink;
    }
    &.everyone {
        @apply rounded-full;
    }
}
.mail {
    @apply block w-40 rounded border border-line bg-paper px-2.5 py-1.5 text-left text-sm;
    &:hover {
        @apply bg-lamp-pale;
    }
    &.open {
        @apply border-ink bg-lamp-pale;
    }
}
</style>
