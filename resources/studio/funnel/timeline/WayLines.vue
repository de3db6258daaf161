<script setup lang="ts">
import { computed } from 'vue';
import type { Card, Timeline } from '@/funnel/timeline/layout';

/** The ways of one page that lead neither to its neighbour nor straight below, as lines. */
const props = defineProps<{ chart: Timeline; card: Card }>();

const lines = computed(() =>
    props.card.tags.flatMap((tag) => {
        const to = props.chart.cards.find((c) => c.place.page.id === tag.to?.id);
        if (!to) {
            return [];
        }
        const { width, height } = props.chart.card;
        const { card } = props;
        const onRight = to.x > card.x;
        const [x1, y1] = [card.x + (to.x === card.x ? 8 : onRight ? width : 0), card.y + height / 2];
        const [x2, y2] = [to.x + (to.x === card.x ? 8 : onRight ? 0 : width), to.y + height / 2];
        const bend = to.x === card.x ? -30 : Math.max(24, Math.abs(x2 - x1) / 3) * (onRight ? 1 : -1);
        return [
            {
                key: tag.outcome.outcome,
                path: `M${x1} ${y1}C${x1 + bend} ${y1} ${x2 - (to.x === card.x ? -bend : bend)} ${y2} ${x2} ${y2}`,
            },
        ];
    }),
);
</script>

<template>
    <svg class="pointer-events-none absolute top-0 left-0 z-10 overflow-visible" width="1" height="1" aria-hidden="true">
        <defs>
            <marker id="way-end" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="7" markerHeight="7" orient="auto">
                <path d="M0 0L8 4L0 8z" class="fill-pine" />
            </marker>
        </defs>
        <path
            v-for="line in lines"
            :key="line.key"
            :d="line.path"
            fill="none"
            class="stroke-pine"
            stroke-width="2"
            marker-end="url(#way-end)"
        />
    </svg>
</template>
