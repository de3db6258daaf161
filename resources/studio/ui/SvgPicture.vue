<script setup lang="ts">
import { computed } from 'vue';

/** A drawing that came as SVG, as a picture: nothing in it can act. */
const props = defineProps<{ svg: string }>();
const source = computed(() => `data:image/svg+xml,${encodeURIComponent(props.svg)}`);
</script>

<template>
    <img :src="source" alt="" draggable="false" />
</template>
