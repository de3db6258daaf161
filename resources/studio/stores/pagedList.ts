import { watchDebounced } from '@vueuse/core';
import { onMounted, ref, toValue, watch, type MaybeRefOrGetter, type Ref } from 'vue';
import { ApiError, api, query } from '@/api/client';
import { usePulse } from '@/stores/pulse';
import { useToasts } from '@/stores/toasts';
import { newest } from '@/ui/newest';

type Filters = Record<string, string | number | undefined>;

/**
 * A list of the API, page by page, that follows its filters and what happens meanwhile. Another filter begins at the first page.
 *
 * @param path of the list, below the API
 * @param more what else happens: when another filter is chosen, when a page has come, when what is asked for makes no sense
 */
export function usePagedList<Answer>(
    path: MaybeRefOrGetter<string>,
    filters: MaybeRefOrGetter<Filters> = {},
    more: { filtered?: () => void; loaded?: (answer: Answer) => Promise<void>; refused?: (error: ApiError) => void } = {},
) {
    const toasts = useToasts();
    const answer = ref(null) as Ref<Answer | null>;
    const page = ref(1);
    const ask = newest<Answer>();

    async function load(): Promise<void> {
        try {
            const fresh = await ask(api.get<Answer>(`${toValue(path)}?${query({ ...toValue(filters), page: page.value })}`));
            answer.value = fresh ?? answer.value;
            if (fresh) {
                await more.loaded?.(fresh);
            }
        } catch (error) {
            if (more.refused && error instanceof ApiError && error.status === 422) {
                more.refused(error);
            } else {
                toasts.trouble(error);
            }
        }
    }

    onMounted(load);
    usePulse(load);
    watch(page, load);
    watchDebounced(
        // Not the values themselves: what was only made anew has the same ones as before.
        () => JSON.stringify([toValue(path), toValue(filters)]),
        () => {
            page.value = 1;
            more.filtered?.();
            void load();
        },
        { debounce: 150 },
    );
    return { answer, page, load };
}
