<script setup lang="ts">
import PageDesk from '@/funnel/desk/PageDesk.vue';

/** A variant of a page, worked on as its page is. */
defineProps<{ id: string }>();
</script>

<template>
    <PageDesk :id="id" :key="id" variant />
</template>
