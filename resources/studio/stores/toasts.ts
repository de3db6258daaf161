import { defineStore } from 'pinia';
import { ref } from 'vue';
import { ApiError } from '@/api/client';

export interface Toast {
    id: number;
    words: string;
    trouble: boolean;
    action?: { label: string; run: () => unknown };
}

/** Short messages at the foot of the window, some with a way back. */
export const useToasts = defineStore('toasts', () => {
    const toasts = ref<Toast[]>([]);
    let next = 1;

    function dismiss(id: number): void {
        toasts.value = toasts.value.filter((n) => n.id !== id);
    }

    function say(words: string, action?: Toast['action']): number {
        const id = next++;
        toasts.value = [...toasts.value.slice(-2), { id, words, trouble: false, action }];
        setTimeout(() => dismiss(id), action ? 12_000 : 5_000);
        return id;
    }

    function trouble(error: unknown): void {
        const words = error instanceof ApiError ? error.message : 'Something went wrong here. Please try again.';
        toasts.value = [...toasts.value.slice(-2), { id: next++, words, trouble: true }];
        if (!(error instanceof ApiError)) {
            console.error(error);
        }
    }

    return { toasts, say, trouble, dismiss };
});
