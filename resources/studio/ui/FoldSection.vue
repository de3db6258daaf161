<script setup lang="ts">
import { ChevronDownIcon } from '@heroicons/vue/20/solid';
import { useRoute } from 'vue-router';

/** A part of long settings: folded, it says in a line what holds; an address that ends in its name opens it. */
const props = defineProps<{ name: string; title: string; summary: string; /** Something in it needs a look. */ trouble?: boolean }>();

const open = useRoute().hash === `#${props.name}`;
</script>

<template>
    <details :id="name" class="group border-t border-line" :open="open || trouble">
        <summary class="flex cursor-pointer list-none items-baseline gap-4 py-4 [&::-webkit-details-marker]:hidden">
            <h2 class="text-xl">{{ title }}</h2>
            <span class="min-w-0 flex-1 truncate text-right text-soft group-open:invisible">{{ summary }}</span>
            <ChevronDownIcon class="size-5 shrink-0 self-center text-soft group-open:rotate-180" aria-hidden="true" />
        </summary>
        <div class="pb-8"><slot /></div>
    </details>
</template>
