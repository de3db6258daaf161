<script setup lang="ts">
import { computed } from 'vue';
import type { Design } from '@/api/types';

/** A design as a sketch: where its words stand, and what stands beside them. */
const props = defineProps<{ design: Design }>();

const ground = computed(() => ({ ink: '#20302d', accent: '#1e6b5e', tint: '#e6ddcb' })[props.design.tone] ?? '#ffffff');
const line = computed(() => (['ink', 'accent'].includes(props.design.tone) ? '#faf6ee' : '#5b6a64'));
const bars = computed(() => {
    const a = props.design.arrangement;
    const styles = Object.values(props.design.styles);
    const bar = (x: number, y: number, w: number, h = 2) => ({ x, y, w, h });
    const side = { 'split-right': [4, 26], 'split-left': [34, 4], 'form-right': [4, 26], 'form-left': [34, 4], aside: [4, 24] }[a];
    if (side) {
        const [words, beside] = [side[0]!, side[0] === 4 ? 34 : 4];
        return [bar(words, 9, 20, 4), bar(words, 16, 22), bar(words, 20, 18), bar(beside, 7, 22, 18)];
    }
    if (a === 'wide') {
        const cells = styles.some((s) => ['cards', 'icons', 'grid', 'strip', 'wall', 'row'].includes(s)) ? [4, 23, 42] : [4, 32];
        const w = cells.length === 3 ? 14 : 24;
        return [bar(4, 5, 22, 3), ...cells.map((x) => bar(x, 12, w, styles.includes('row') ? 5 : 14))];
    }
    const x = a === 'left' ? 4 : 14;
    return [bar(x, 7, 32, 4), bar(x, 14, 30), bar(x, 18, 26), bar(a === 'left' ? x : 22, 23, 16, 4)];
});
</script>

<template>
    <svg viewBox="0 0 60 32" class="block w-full rounded-sm border border-line" :style="{ background: ground }" aria-hidden="true">
        <rect
            v-if="design.arrangement === 'boxed'"
            x="10"
            y="3"
            width="40"
            height="26"
            rx="2"
            fill="#fffdf8"
            stroke="#8d8672"
            stroke-width=".6"
        />
        <rect
            v-for="(b, i) in bars"
            :key="i"
            :x="b.x"
            :y="b.y"
            :width="b.w"
            :height="b.h"
            rx=".8"
            :fill="design.arrangement === 'boxed' ? '#5b6a64' : line"
            :opacity="i === 0 ? 1 : 0.55"
        />
    </svg>
</template>
