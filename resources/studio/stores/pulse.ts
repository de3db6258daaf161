import { useDocumentVisibility, useIntervalFn } from '@vueuse/core';
import { watch } from 'vue';
import { api } from '@/api/client';

/** How often an open screen asks whether there is news. */
const EVERY_MS = 3000;

/** Calls back when something happened: a visit, a sign-up, a message. Rests while the window is out of sight. */
export function usePulse(onNews: () => unknown): void {
    const visibility = useDocumentVisibility();
    let last = '';
    const { pause, resume } = useIntervalFn(
        async () => {
            try {
                const now = JSON.stringify(await api.get('pulse'));
                if (last !== '' && now !== last) {
                    await onNews();
                }
                last = now;
            } catch {
                // No answer now; the next beat asks again, and whatever the owner does themselves says so.
            }
        },
        EVERY_MS,
        { immediateCallback: true },
    );
    watch(visibility, (state) => (state === 'visible' ? resume() : pause()));
}
