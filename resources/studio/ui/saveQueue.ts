import { ref } from 'vue';
import { ApiError } from '@/api/client';

const SAVE_AFTER_MS = 500;
const RETRY_AFTER_MS = 3000;

/**
 * What has changed and is still to be saved, thing by thing: the newest values only, and no thing twice at once. What is
 * refused waits for its next change and holds up nothing else; without a connection it is tried again by itself; where
 * somebody else was faster, nothing more is sent until that is settled.
 *
 * @param send saves some fields of a thing, and takes over what is answered except for those that changed `meanwhile`
 * @param settled is told when all that could be saved is saved, with the keys of what was sent
 */
export function useSaveQueue(
    send: (key: string, fields: string[], meanwhile: () => ReadonlySet<string>) => Promise<void>,
    settled: (sent: string[]) => void = () => undefined,
) {
    const status = ref<'saved' | 'saving' | 'waiting' | 'offline' | 'conflict' | 'refused'>('saved');
    /** Why the last thing that was refused was, or why nothing can be sent. */
    const trouble = ref('');
    /** The key of that thing. */
    const refusedAt = ref('');
    const dirty = new Map<string, Set<string>>();
    const refused = new Map<string, string>();
    let timer: ReturnType<typeof setTimeout> | undefined;
    let running: Promise<void> | null = null;

    /** Something of a thing has changed. */
    function changed(key: string, fields: string[], now = false): void {
        const waiting = dirty.get(key) ?? new Set<string>();
        fields.forEach((f) => waiting.add(f));
        dirty.set(key, waiting);
        refused.delete(key);
        if (status.value !== 'conflict') {
            status.value = 'waiting';
        }
        soon(now ? 0 : SAVE_AFTER_MS);
    }

    function soon(ms: number): void {
        clearTimeout(timer);
        timer = setTimeout(() => void flush(), ms);
    }

    /** Saves all that is not saved yet. @returns is everything saved now? */
    async function flush(): Promise<boolean> {
        clearTimeout(timer);
        while (running) {
            await running;
        }
        if (dirty.size > 0 && status.value !== 'conflict') {
            running = saveAll().finally(() => {
                running = null;
            });
            await running;
        }
        return status.value === 'saved';
    }

    async function saveAll(): Promise<void> {
        status.value = 'saving';
        const sent: string[] = [];
        for (const [key, fields] of [...dirty]) {
            if (refused.has(key)) {
                continue;
            }
            dirty.delete(key);
            try {
                await send(key, [...fields], () => dirty.get(key) ?? new Set());
                sent.push(key);
            } catch (error) {
                if (!keep(key, fields, error)) {
                    return;
                }
            }
        }
        [refusedAt.value = '', trouble.value = ''] = [...refused].at(-1) ?? [];
        status.value = refused.size > 0 ? 'refused' : dirty.size > 0 ? 'waiting' : 'saved';
        settled(sent);
    }

    /** A save that failed: what was typed stays. @returns can all the rest be saved meanwhile? */
    function keep(key: string, fields: Set<string>, error: unknown): boolean {
        const newer = dirty.get(key);
        dirty.set(key, new Set([...fields, ...(newer ?? [])]));
        if (error instanceof ApiError && error.status === 422) {
            // Its next change sends it again. One has come already, perhaps.
            if (!newer) {
                refused.set(key, error.message);
            }
            return true;
        }
        trouble.value = error instanceof ApiError ? error.message : 'It could not be saved. It is tried again by itself.';
        if (error instanceof ApiError && error.status === 409) {
            status.value = 'conflict';
        } else {
            status.value = 'offline';
            soon(RETRY_AFTER_MS);
        }
        return false;
    }

    /** Gives up what is not saved. */
    function drop(): void {
        clearTimeout(timer);
        dirty.clear();
        refused.clear();
        refusedAt.value = '';
        trouble.value = '';
        status.value = 'saved';
    }

    return { status, trouble, refusedAt, changed, flush, drop };
}
