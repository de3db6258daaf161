import { computed, ref } from 'vue';
import { ApiError } from '@/api/client';

const SAVE_AFTER_MS = 500;
const RETRY_AFTER_MS = 3000;

/**
 * Saves what is edited of one thing soon after: the newest values only, and never twice at once. What could not be
 * saved is kept; it is sent again when the connection is back, or with the next change where it was refused.
 *
 * @param put sends values; what it throws decides what happens next
 */
export function useAutosave<T extends object>(put: (values: Partial<T>) => Promise<void>) {
    const status = ref<'saved' | 'saving' | 'offline' | 'refused'>('saved');
    const trouble = ref('');
    let dirty: Partial<T> = {};
    let running: Promise<void> | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;

    function edit(values: Partial<T>): void {
        dirty = { ...dirty, ...values };
        status.value = 'saving';
        soon(SAVE_AFTER_MS);
    }

    function soon(ms: number): void {
        clearTimeout(timer);
        timer = setTimeout(() => void flush(), ms);
    }

    /** Is everything saved now? */
    async function flush(): Promise<boolean> {
        clearTimeout(timer);
        while (running) {
            await running;
        }
        if (Object.keys(dirty).length > 0) {
            running = send().finally(() => (running = null));
            await running;
        }
        return status.value === 'saved';
    }

    async function send(): Promise<void> {
        const values = dirty;
        dirty = {};
        try {
            await put(values);
            trouble.value = '';
            status.value = Object.keys(dirty).length > 0 ? 'saving' : 'saved';
        } catch (error) {
            dirty = { ...values, ...dirty };
            trouble.value = error instanceof ApiError ? error.message : 'It could not be saved. Please try again.';
            const offline = error instanceof ApiError && (error.offline || error.status >= 500);
            status.value = offline ? 'offline' : 'refused';
            if (offline) {
                soon(RETRY_AFTER_MS);
            }
        }
    }

    /** Gives up what is not saved. */
    function drop(): void {
        clearTimeout(timer);
        dirty = {};
        trouble.value = '';
        status.value = 'saved';
    }

    const words = computed(
        () => ({ saved: 'Everything is saved', saving: 'Saving …', offline: trouble.value, refused: trouble.value })[status.value],
    );

    return { status, trouble, words, edit, flush, drop };
}
