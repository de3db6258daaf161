import { defineStore } from 'pinia';
import { ref } from 'vue';
import { ApiError } from '@/api/client';

export interface Notice {
    id: number;
    words: string;
    trouble: boolean;
    action?: { label: string; run: () => unknown };
}

/** Short messages at the foot of the window, some with a way back. */
export const useNotices = defineStore('notices', () => {
    const notices = ref<Notice[]>([]);
    let next = 1;

    function dismiss(id: number): void {
        notices.value = notices.value.filter((n) => n.id !== id);
    }

    function say(words: string, action?: Notice['action']): number {
        const id = next++;
        notices.value = [...notices.value.slice(-2), { id, words, trouble: false, action }];
        setTimeout(() => dismiss(id), action ? 12_000 : 5_000);
        return id;
    }

    function trouble(error: unknown): void {
        const words = error instanceof ApiError ? error.message : 'Something went wrong here. Please try again.';
        notices.value = [...notices.value.slice(-2), { id: next++, words, trouble: true }];
        if (!(error instanceof ApiError)) {
            console.error(error);
        }
    }

    return { notices, say, trouble, dismiss };
});
