import { defineStore } from 'pinia';
import { ref } from 'vue';
import { api } from '@/api/client';
import type { PeopleKit } from '@/api/types';

/** What rules about people can speak of. Loaded when it is first needed, and again when something was added. */
export const usePeopleKit = defineStore('people-kit', () => {
    const kit = ref<PeopleKit>({
        fields: [],
        tags: [],
        funnels: [],
        pages: [],
        emails: [],
        deadlines: [],
        webinars: [],
        guides: [],
        guidePages: [],
        broadcasts: [],
        sequences: [],
        forms: [],
        offers: [],
        products: [],
        segments: [],
        rules: [],
        examples: [],
    });

    async function load(): Promise<void> {
        kit.value = await api.get<PeopleKit>('people/kit');
    }

    return { kit, load };
});
