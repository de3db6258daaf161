import { defineStore } from 'pinia';
import { ref } from 'vue';
import { api } from '@/api/client';
import type { LetterPart } from '@/api/types';

/** Parts of letters that are kept once, such as a signature. */
export const useParts = defineStore('parts', () => {
    const parts = ref<LetterPart[]>([]);

    async function load(): Promise<void> {
        parts.value = (await api.get<{ parts: LetterPart[] }>('email-parts')).parts;
    }

    return { parts, load };
});
