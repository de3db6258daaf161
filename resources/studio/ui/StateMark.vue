<script setup lang="ts">
import type { FunnelState } from '@/api/types';

defineProps<{ state: FunnelState }>();
const words = { draft: 'Draft', live: 'Live', closed: 'Closed' };
</script>

<template>
    <span class="inline-flex items-center gap-1.5 text-sm font-medium">
        <span
            class="size-2.5 rounded-full border"
            :class="{
                'border-lamp bg-lamp shadow-[0_0_0_4px_#f0a83040]': state === 'live',
                'border-edge': state === 'draft',
                'border-soft bg-soft': state === 'closed',
            }"
            aria-hidden="true"
        ></span>
        {{ words[state] }}
    </span>
</template>
