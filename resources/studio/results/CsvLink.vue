<script setup lang="ts">
import { computed } from 'vue';
import { csvLink } from '@/results/csv';

/** A table as a file: what it is called, its columns and its rows. */
const props = defineProps<{ name: string; head: string[]; rows: (string | number | null)[][] }>();
const href = computed(() => csvLink(props.head, props.rows));
</script>

<template>
    <a class="btn-quiet" :href="href" :download="`${name}.csv`">Export as CSV</a>
</template>
