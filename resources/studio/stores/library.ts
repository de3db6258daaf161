import { defineStore } from 'pinia';
import { ref } from 'vue';
import { api } from '@/api/client';
import type { Picture } from '@/api/types';
import { useToasts } from '@/stores/toasts';

export type MediaKind = 'pictures' | 'videos';

/** The owner's pictures and videos, loaded once and kept in step with what is brought in. */
export const useLibrary = defineStore('library', () => {
    const toasts = useToasts();
    const pictures = ref<Picture[]>([]);
    const videos = ref<Picture[]>([]);
    const loading: Record<MediaKind, Promise<void> | null> = { pictures: null, videos: null };
    const list = (kind: MediaKind) => (kind === 'pictures' ? pictures : videos);

    function load(kind: MediaKind): Promise<void> {
        return (loading[kind] ??= api
            .get<Record<MediaKind, Picture[]>>(`uploads/${kind}`)
            .then((answer) => {
                list(kind).value = answer[kind];
            })
            .catch((error: unknown) => {
                loading[kind] = null;
                toasts.trouble(error);
            }));
    }

    async function bring(kind: MediaKind, file: File): Promise<Picture> {
        const form = new FormData();
        form.set(kind === 'pictures' ? 'picture' : 'video', file);
        const made = await api.post<Picture>(`uploads/${kind}`, form);
        list(kind).value.unshift(made);
        return made;
    }

    return { pictures, videos, load, bring };
});
