import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { useLibrary } from '@/stores/library';
import { server, type Reply } from './server';

const picture = { id: 'p1', name: 'large.jpg', src: '', width: 6000, height: 4000, bytes: 1, waiting: true, trouble: null };
const file = () => new File(['x'], 'large.jpg');

describe('a picture that is brought in', () => {
    beforeEach(() => {
        setActivePinia(createPinia());
        vi.useFakeTimers();
        return () => vi.useRealTimers();
    });

    it('is asked for until it is drawn, and is in the library from then on', async () => {
        const replies: Reply[] = [
            [202, picture],
            [200, picture],
            [200, { ...picture, src: '/media/p1/960.jpg', waiting: false }],
        ];
        const calls = server(() => replies.shift()!);
        const library = useLibrary();
        const brought = library.bring('pictures', file());
        await vi.advanceTimersByTimeAsync(1000);
        expect(library.pictures).toEqual([]);
        await vi.advanceTimersByTimeAsync(1000);

        expect((await brought).src).toBe('/media/p1/960.jpg');
        expect(library.pictures.map((p) => p.id)).toEqual(['p1']);
        expect(calls.map((c) => `${c.method} ${c.path}`)).toEqual([
            'POST uploads/pictures',
            'GET uploads/pictures/p1',
            'GET uploads/pictures/p1',
        ]);
    });

    it('says why it could not be drawn, and is in no library', async () => {
        const replies: Reply[] = [
            [202, picture],
            [200, { ...picture, trouble: 'This picture is damaged.' }],
        ];
        server(() => replies.shift()!);
        const library = useLibrary();
        const brought = expect(library.bring('pictures', file())).rejects.toThrow('This picture is damaged.');
        await vi.advanceTimersByTimeAsync(1000);

        await brought;
        expect(library.pictures).toEqual([]);
    });
});
