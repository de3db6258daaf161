<script setup lang="ts">
import { ArrowTurnDownRightIcon, ClockIcon } from '@heroicons/vue/20/solid';
import { computed } from 'vue';
import type { Funnel } from '@/api/types';
import { leadsTo, tagHeight, tagWords, type Card, type Timeline } from '@/funnel/timeline/layout';
import type { Lead } from '@/funnel/timeline/places';
import PageDrawing from '@/funnel/timeline/PageDrawing.vue';
import { pageNote, takenOf, shareOf, type TimelineNumbers } from '@/funnel/timeline/numbers';

/** A page on the timeline: a small drawing of it, its private name, and the number that counts for it. */
const props = defineProps<{
    funnel: Funnel;
    card: Card;
    size: Timeline['card'];
    open: boolean;
    target: boolean;
    numbers: TimelineNumbers | null;
}>();
const emit = defineEmits<{ open: []; way: [lead: Lead]; ways: []; draw: [event: PointerEvent, outcome: string | null] }>();

const page = computed(() => props.card.place.page);
const note = computed(() => (props.numbers ? pageNote(props.funnel, props.numbers, page.value, props.size.width < 140) : null));
const taken = (lead: Lead) => takenOf(props.numbers, lead.page.id, lead.outcome.outcome);
const guards = computed(() => props.funnel.deadlines.filter((d) => d.pages.some((g) => g.page === page.value.id)).map((d) => d.name));
</script>

<template>
    <div class="group absolute" :style="{ left: `${card.x}px`, top: `${card.y}px`, width: `${size.width}px` }">
        <button
            v-if="card.drop"
            type="button"
            class="drop"
            :title="`${card.drop.outcome.who}, from “${card.drop.page.name}”: ${taken(card.drop)}`"
            @click="emit('way', card.drop)"
        >
            <ArrowTurnDownRightIcon class="size-3.5 shrink-0" aria-hidden="true" /><span class="truncate">{{
                card.drop.outcome.label
            }}</span
            ><span v-if="shareOf(numbers, card.drop.page.id, card.drop.outcome.outcome)" class="shrink-0">{{
                shareOf(numbers, card.drop.page.id, card.drop.outcome.outcome)
            }}</span>
        </button>
        <span v-else-if="card.note" class="drop" :title="card.note"
            ><span class="truncate">{{ card.note }}</span></span
        >
        <button
            type="button"
            class="block w-full rounded text-left"
            :data-page="page.id"
            :aria-current="open ? 'true' : undefined"
            :title="`${page.name} · ${page.roleLabel}`"
            @click="emit('open')"
        >
            <span class="picture" :class="{ open, target }" :style="{ height: `${size.height}px` }">
                <PageDrawing :page="page.id" />
                <ClockIcon
                    v-if="guards.length > 0"
                    class="absolute top-1 right-1 size-4 rounded-full bg-clay-pale text-clay-deep"
                    :aria-label="`guarded by ${guards.join(', ')}`"
                />
            </span>
            <span class="mt-1 line-clamp-2 text-sm leading-tight font-semibold">{{ page.name }}</span>
            <span v-if="note" class="block truncate text-sm leading-tight"
                ><span class="font-semibold">{{ note.number }}</span> <span class="text-soft">{{ note.words }}</span></span
            >
        </button>
        <button
            v-for="tag in card.tags"
            :key="tag.outcome.outcome"
            type="button"
            class="tag"
            :class="{ trouble: tag.as === 'nowhere' }"
            :style="{ height: `${tagHeight(tag, size.width)}px` }"
            :title="`${tag.outcome.who} go to ${leadsTo(tag)}${taken(tag) ? `: ${taken(tag)}` : ''}`"
            @pointerdown="emit('draw', $event, tag.outcome.outcome)"
            @click="emit('way', tag)"
        >
            <span class="line-clamp-2">{{ tagWords(tag) }}</span>
        </button>
        <button
            v-if="page.outcomes.length > 0"
            type="button"
            class="handle"
            :style="{ top: `${size.height / 2 - 10}px` }"
            :aria-label="`Ways from “${page.name}”`"
            title="Draw a way from here to another page, or click to choose"
            @pointerdown.prevent="emit('draw', $event, null)"
            @click="emit('ways')"
        >
            →
        </button>
    </div>
</template>

<style scoped>
@reference '../../style.css';
.picture {
    @apply relative block w-full overflow-hidden rounded border border-edge/60 bg-raised;
    &.open {
        @apply outline-2 outline-offset-2 outline-lamp;
    }
    &.target {
        @apply outline-2 outline-offset-2 outline-pine;
    }
}
.group:hover .picture:not(.open, .target) {
    @apply border-ink;
}
.drop {
    @apply absolute bottom-full left-0 mb-0.5 flex h-5 max-w-full items-center gap-1 rounded pr-1 text-xs font-medium text-clay-deep;
}
button.drop:hover {
    @apply bg-lamp-pale;
}
.tag {
    @apply mt-0.5 flex w-full touch-none items-center rounded bg-pine-pale px-1.5 text-left text-xs leading-tight text-pine;
    &:hover {
        @apply bg-lamp-pale;
    }
    &.trouble {
        @apply bg-clay-pale font-semibold text-clay-deep;
    }
}
.handle {
    @apply absolute -right-2.5 flex size-5 touch-none items-center justify-center rounded-full border border-pine bg-raised text-xs leading-none text-pine opacity-0;
}
.group:hover .handle,
.handle:focus-visible {
    @apply z-10 opacity-100;
}
</style>
