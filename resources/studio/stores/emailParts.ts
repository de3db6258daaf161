import { defineStore } from 'pinia';
import { ref } from 'vue';
import { api } from '@/api/client';
import type { EmailPart } from '@/api/types';

/** Parts of emails that are kept once, such as a signature. */
export const useEmailParts = defineStore('parts', () => {
    const parts = ref<EmailPart[]>([]);

    async function load(): Promise<void> {
        parts.value = (await api.get<{ parts: EmailPart[] }>('email-parts')).parts;
    }

    return { parts, load };
});
