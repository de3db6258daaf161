<script setup lang="ts">
import { computed } from 'vue';
import { useRoute } from 'vue-router';

/** Parts of a screen; the one whose address fits best is open. */
const props = defineProps<{ tabs: { label: string; to: string }[] }>();
const route = useRoute();
const open = computed(() => [...props.tabs].sort((a, b) => b.to.length - a.to.length).find((t) => route.path.startsWith(t.to))?.to);
</script>

<template>
    <nav class="flex gap-1 border-b border-line" aria-label="Parts of this screen">
        <RouterLink
            v-for="tab in tabs"
            :key="tab.to"
            :to="tab.to"
            class="-mb-px border-b-2 px-3 py-2 font-medium"
            :class="open === tab.to ? 'border-lamp text-ink' : 'border-transparent text-soft hover:text-ink'"
            :aria-current="open === tab.to ? 'page' : undefined"
            >{{ tab.label }}</RouterLink
        >
    </nav>
</template>
