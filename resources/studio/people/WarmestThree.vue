<script setup lang="ts">
import { onMounted, ref } from 'vue';
import { api } from '@/api/client';
import type { WarmPerson, WarmthList } from '@/api/types';
import WarmthMark from '@/people/WarmthMark.vue';
import { useToasts } from '@/stores/toasts';

/** Today's three to write to, on the home screen. */
const toasts = useToasts();
const people = ref<WarmPerson[]>([]);
onMounted(async () => {
    try {
        people.value = (await api.get<WarmthList>('warmth?most=3')).people.filter((p) => p.band === 'warm' || p.band === 'hot');
    } catch (error) {
        toasts.trouble(error);
    }
});
</script>

<template>
    <section v-if="people.length > 0" class="mt-5 rounded-lg border border-line bg-raised px-5 py-3" aria-labelledby="warmest">
        <div class="flex items-baseline justify-between gap-4">
            <h2 id="warmest" class="font-sans text-base font-semibold">Write to these first</h2>
            <RouterLink to="/people/warmth" class="link">All of them</RouterLink>
        </div>
        <ul class="divide-y divide-line">
            <li v-for="p in people" :key="p.id" class="flex items-baseline justify-between gap-4 py-1.5">
                <span class="min-w-0 truncate"
                    ><RouterLink :to="`/people/${p.id}`" class="font-medium hover:underline">{{ p.name || p.email }}</RouterLink>
                    <span class="ml-2 text-soft">{{ p.reason }}</span></span
                >
                <WarmthMark :score="p.score" :band="p.band" :label="p.bandLabel" />
            </li>
        </ul>
    </section>
</template>
