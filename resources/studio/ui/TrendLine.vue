<script setup lang="ts">
import { computed } from 'vue';

const props = defineProps<{ values: number[]; label: string }>();
const W = 120;
const H = 32;
const points = computed(() => {
    const most = Math.max(1, ...props.values);
    return props.values
        .map(
            (v, i) =>
                `${((i / Math.max(1, props.values.length - 1)) * (W - 2) + 1).toFixed(1)},${(H - 2 - (v / most) * (H - 4)).toFixed(1)}`,
        )
        .join(' ');
});
</script>

<template>
    <svg :viewBox="`0 0 ${W} ${H}`" class="h-8 w-30" role="img" :aria-label="label">
        <polyline :points="points" fill="none" stroke="var(--color-pine)" stroke-width="1.75" stroke-linejoin="round" />
    </svg>
</template>
