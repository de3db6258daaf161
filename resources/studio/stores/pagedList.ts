import { watchDebounced } from '@vueuse/core';
import { onMounted, ref, watch, type Ref } from 'vue';
import { api, query } from '@/api/client';
import { usePulse } from '@/stores/pulse';
import { useToasts } from '@/stores/toasts';
import { newest } from '@/ui/newest';

/**
 * A list of the API, page by page, that follows its filters and what happens meanwhile. Another filter begins at the first page.
 *
 * @param path of the list, below the API
 */
export function usePagedList<Answer>(path: string, filters: Readonly<Ref<Record<string, string>>>) {
    const toasts = useToasts();
    const answer = ref(null) as Ref<Answer | null>;
    const page = ref(1);
    const ask = newest<Answer>();

    async function load(): Promise<void> {
        try {
            answer.value = (await ask(api.get<Answer>(`${path}?${query({ ...filters.value, page: page.value })}`))) ?? answer.value;
        } catch (error) {
            toasts.trouble(error);
        }
    }
    onMounted(load);
    usePulse(load);
    watch(page, load);
    watchDebounced(
        filters,
        () => {
            page.value = 1;
            void load();
        },
        { debounce: 150 },
    );
    return { answer, page, load };
}
