import { defineStore } from 'pinia';
import { ref } from 'vue';
import { api, ApiError } from '@/api/client';
import type { Picture } from '@/api/types';
import { useToasts } from '@/stores/toasts';

/** How long to wait before a picture that is being drawn is asked for again; milliseconds. */
const WAIT = 700;

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
        let made = await api.post<Picture>(`uploads/${kind}`, form);
        // A large picture is drawn by a worker meanwhile.
        while (made.waiting) {
            if (made.trouble) throw new ApiError(422, made.trouble);
            await new Promise((done) => setTimeout(done, WAIT));
            made = await api.get<Picture>(`uploads/pictures/${made.id}`);
        }
        list(kind).value.unshift(made);
        return made;
    }

    return { pictures, videos, load, bring };
});
