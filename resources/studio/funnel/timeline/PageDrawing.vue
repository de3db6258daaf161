<script setup lang="ts">
import { useDrawings } from '@/stores/drawings';
import SvgPicture from '@/ui/SvgPicture.vue';

/** A small drawing of a page of the funnel that is open, as the server makes it from its document. */
defineProps<{ page: string }>();

const drawings = useDrawings();
</script>

<template>
    <SvgPicture v-if="drawings.of(page)" :svg="drawings.of(page)!" class="block size-full object-cover object-top" />
</template>
