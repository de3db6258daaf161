import { computed } from 'vue';
import { useSaveQueue } from '@/ui/saveQueue';

/**
 * Saves what is edited of one thing alone, soon after.
 *
 * @param put sends the newest values of what has changed; what it throws decides what happens next
 */
export function useAutosave<T extends object>(put: (values: Partial<T>) => Promise<void>) {
    let newest: Partial<T> = {};
    const queue = useSaveQueue((_, fields) => put(Object.fromEntries(fields.map((f) => [f, newest[f as keyof T]])) as Partial<T>));
    /** Of one thing alone, what somebody else was faster with is refused like anything else. */
    const status = computed(() => {
        const now = queue.status.value;
        return now === 'waiting' ? 'saving' : now === 'conflict' ? 'refused' : now;
    });

    function edit(values: Partial<T>): void {
        newest = { ...newest, ...values };
        queue.changed('', Object.keys(values));
    }

    function drop(): void {
        newest = {};
        queue.drop();
    }

    const words = computed(
        () =>
            ({ saved: 'Everything is saved', saving: 'Saving …', offline: queue.trouble.value, refused: queue.trouble.value })[
                status.value
            ],
    );

    return { status, trouble: queue.trouble, words, edit, flush: queue.flush, drop };
}
