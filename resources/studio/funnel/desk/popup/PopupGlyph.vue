<script setup lang="ts">
import { computed } from 'vue';
import type { Design } from '@/api/types';

/** A small drawing of a screen with a pop-up on it: where it stands, how its words are arranged, on what. */
const props = defineProps<{ design: Design; stand: string; size: string }>();

/** x, y, width and height on a screen of 60 by 40. */
const box = computed<[number, number, number, number]>(() => {
    const wide = props.size === 'large' ? 44 : props.size === 'small' ? 22 : 30;
    const boxes: Record<string, [number, number, number, number]> = {
        middle: [30 - wide / 2, 9, wide, 22],
        full: [0, 0, 60, 40],
        'side-right': [36, 0, 24, 40],
        'side-left': [0, 0, 24, 40],
        top: [0, 0, 60, 11],
        bottom: [0, 29, 60, 11],
        'corner-right': [35, 17, 22, 20],
        'corner-left': [3, 17, 22, 20],
        placed: [6, 15, 48, 15],
    };
    return boxes[props.stand] ?? boxes.middle!;
});
const fill = computed(() => ({ ink: '#20302d', accent: '#1e6b5e', tint: '#f3e7cd' })[props.design.tone] ?? '#fffdf8');
const ink = computed(() => (['ink', 'accent'].includes(props.design.tone) ? '#fffdf8' : '#20302d'));
const two = computed(() => ['split-left', 'split-right', 'form-right', 'form-left', 'aside'].includes(props.design.arrangement));
const line = computed(() => box.value[3] < 13);
const left = computed(() => (props.design.arrangement === 'split-left' ? 0.5 : 0.06));
const beside = computed(() => (props.design.arrangement === 'split-left' ? 0.06 : 0.54));
const picture = computed(() => props.design.arrangement.startsWith('split'));
</script>

<template>
    <svg viewBox="0 0 60 40" class="block w-full rounded-sm border border-line bg-white" aria-hidden="true">
        <g v-if="stand === 'placed'" fill="#c9c1ae">
            <rect v-for="y in [4, 8, 33, 36.5]" :key="y" x="6" :y="y" :width="y === 36.5 ? 30 : 48" height="1.6" />
        </g>
        <rect v-else-if="stand !== 'full'" width="60" height="40" fill="#e6ddcb" />
        <rect :x="box[0]" :y="box[1]" :width="box[2]" :height="box[3]" :fill="fill" stroke="#8d8672" stroke-width=".6" rx="1" />
        <g v-if="line" :fill="ink">
            <rect :x="box[0] + 4" :y="box[1] + box[3] / 2 - 1.4" :width="box[2] * 0.34" height="2.8" />
            <rect :x="box[0] + box[2] * 0.5" :y="box[1] + box[3] / 2 - 2" :width="box[2] * 0.22" height="4" opacity=".45" />
            <rect :x="box[0] + box[2] * 0.74" :y="box[1] + box[3] / 2 - 2" :width="box[2] * 0.16" height="4" fill="#f0a830" />
        </g>
        <g v-else :fill="ink" :transform="`translate(${box[0]} ${box[1]})`">
            <rect :x="box[2] * left" :y="box[3] * 0.16" :width="box[2] * (two ? 0.4 : 0.7)" height="2.6" />
            <rect :x="box[2] * left" :y="box[3] * 0.36" :width="box[2] * (two ? 0.36 : 0.6)" height="1.4" opacity=".5" />
            <rect v-if="picture" :x="box[2] * beside" :y="box[3] * 0.12" :width="box[2] * 0.38" :height="box[3] * 0.76" opacity=".3" />
            <template v-if="!two || picture">
                <rect :x="box[2] * left" :y="box[3] * 0.54" :width="box[2] * (two ? 0.4 : 0.84)" height="3" opacity=".25" />
                <rect :x="box[2] * left" :y="box[3] * 0.72" :width="box[2] * (two ? 0.4 : 0.84)" height="3.2" fill="#f0a830" />
            </template>
            <template v-else>
                <rect :x="box[2] * 0.54" :y="box[3] * 0.2" :width="box[2] * 0.4" height="3" opacity=".25" />
                <rect :x="box[2] * 0.54" :y="box[3] * 0.5" :width="box[2] * 0.4" height="3.2" fill="#f0a830" />
            </template>
        </g>
    </svg>
</template>
