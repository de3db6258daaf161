import { useEventListener } from '@vueuse/core';
import { onBeforeRouteLeave, onBeforeRouteUpdate, useRouter, type RouteLocationNormalized } from 'vue-router';
import { useToasts } from '@/stores/toasts';

export interface Unsaved {
    /** Saves what is not saved yet. */
    flush: () => Promise<unknown>;
    saved: () => boolean;
    /** Why something could not be saved, or nothing. */
    trouble: () => string;
}

/**
 * Saves before one goes to another screen, or to another thing on the same one, and lets nobody go unseen from what
 * could not be saved.
 */
export function useLeaving({ flush, saved, trouble }: Unsaved): void {
    const router = useRouter();
    const toasts = useToasts();
    let leaves = false;

    async function may(to: RouteLocationNormalized): Promise<boolean> {
        await flush();
        if (leaves || trouble() === '') {
            leaves = false;
            return true;
        }
        toasts.say(`Some of your work is not saved yet. ${trouble()}`, {
            label: 'Leave without it',
            run: () => {
                leaves = true;
                void router.push(to.fullPath);
            },
        });
        return false;
    }

    onBeforeRouteLeave(may);
    onBeforeRouteUpdate((to, from) => to.params.id === from.params.id || may(to));
    useEventListener('beforeunload', (event: BeforeUnloadEvent) => {
        if (!saved()) {
            void flush();
            event.preventDefault();
        }
    });
}
