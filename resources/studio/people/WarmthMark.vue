<script setup lang="ts">
import type { Band } from '@/api/types';

/** A score with its word; the fuller the bar, the warmer. */
defineProps<{ score: number; band: Band; label: string }>();

const COLOURS: Record<Band, string> = { cold: 'bg-edge', mild: 'bg-pine/60', warm: 'bg-lamp', hot: 'bg-clay' };
</script>

<template>
    <span class="inline-flex items-center gap-2 whitespace-nowrap">
        <span class="relative h-2 w-16 rounded bg-line" aria-hidden="true"
            ><span class="absolute inset-y-0 left-0 rounded" :class="COLOURS[band]" :style="{ width: `${Math.max(4, score)}%` }"></span
        ></span>
        <span class="font-medium">{{ score }}</span><span class="text-soft">{{ label.toLowerCase() }}</span>
    </span>
</template>
