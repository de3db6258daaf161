import { watchDebounced } from '@vueuse/core';
import { ref, type Ref } from 'vue';
import { api, ApiError } from '@/api/client';
import type { Finding, PageDocument } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { useToasts } from '@/stores/toasts';

/** What the page check finds, as the page and the look stand on the desk: it runs along with the work. */
export function usePageCheck(id: () => string, document: () => PageDocument): Ref<Finding[]> {
    const store = useFunnel();
    const toasts = useToasts();
    const findings = ref<Finding[]>([]);
    watchDebounced(
        () =>
            JSON.stringify([
                id(),
                document(),
                store.funnel?.sharedSections,
                store.funnel?.look,
                store.funnel?.changes,
                store.funnel?.forms,
                store.funnel?.ways,
            ]),
        async () => {
            try {
                const body = {
                    document: document(),
                    shared: Object.fromEntries((store.funnel?.sharedSections ?? []).map((s) => [s.id, s.section])),
                    look: store.funnel?.look,
                    changes: store.funnel?.changes,
                };
                findings.value = (await api.post<{ findings: Finding[] }>(`pages/${id()}/check`, body)).findings;
            } catch (error) {
                if (!(error instanceof ApiError && error.offline)) {
                    toasts.trouble(error);
                }
            }
        },
        { debounce: 300, immediate: true },
    );
    return findings;
}
