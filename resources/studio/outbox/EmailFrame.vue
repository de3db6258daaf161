<script setup lang="ts">
import { computed } from 'vue';

/** An email in a frame of its own: no script, no forms, and links that lead nowhere from here. */
const props = defineProps<{ html: string; width?: number }>();
const framed = computed(() => props.html.replace('<head>', '<head><base target="_blank"><style>a{pointer-events:none}</style>'));
</script>

<template>
    <div class="overflow-auto">
        <iframe
            :srcdoc="framed"
            sandbox=""
            title="The email"
            class="mx-auto block h-full bg-white"
            :style="{ width: width ? `${width}px` : '100%', maxWidth: '100%' }"
        ></iframe>
    </div>
</template>
