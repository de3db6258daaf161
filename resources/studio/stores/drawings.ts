import { defineStore } from 'pinia';
import { ref } from 'vue';
import { api } from '@/api/client';

/** Small drawings of the pages of the funnel that is open. */
export const useDrawings = defineStore('drawings', () => {
    const drawings = ref<Record<string, string>>({});

    async function load(funnel: string): Promise<void> {
        drawings.value = (await api.get<{ drawings: Record<string, string> }>(`funnels/${funnel}/drawings`)).drawings;
    }

    return { load, of: (page: string): string | undefined => drawings.value[page] };
});
