import { beforeEach, describe, expect, it, vi } from 'vitest';
import { ApiError } from '@/api/client';
import { useAutosave } from '@/ui/autosave';

interface Letter {
    subject: string;
    body: string;
}

beforeEach(() => {
    vi.useFakeTimers();
    return () => vi.useRealTimers();
});

function letter(answer: (values: Partial<Letter>) => Promise<void> = async () => undefined) {
    const sent: Partial<Letter>[] = [];
    return {
        sent,
        ...useAutosave<Letter>((values) => {
            sent.push(values);
            return answer(values);
        }),
    };
}

describe('what is edited of one thing', () => {
    it('is saved soon after, the newest values as one', async () => {
        const { edit, sent, words } = letter();
        edit({ subject: 'H' });
        edit({ subject: 'Hi', body: 'x' });
        await vi.advanceTimersByTimeAsync(499);
        expect([sent, words.value]).toEqual([[], 'Saving …']);
        await vi.advanceTimersByTimeAsync(2);
        expect([sent, words.value]).toEqual([[{ subject: 'Hi', body: 'x' }], 'Everything is saved']);
    });

    it('is never sent twice at once, and what comes meanwhile goes next', async () => {
        let answer: () => void = () => undefined;
        const { edit, flush, sent, status } = letter(() => new Promise((done) => (answer = done)));
        edit({ subject: 'One' });
        const first = flush();
        edit({ subject: 'Two' });
        const second = flush();
        await vi.advanceTimersByTimeAsync(0);
        expect(sent).toEqual([{ subject: 'One' }]);
        answer();
        expect(await first).toBe(false);
        await vi.advanceTimersByTimeAsync(0);
        answer();
        expect([await second, sent.length, status.value]).toEqual([true, 2, 'saved']);
    });

    it('waits for the connection, and is sent by itself when it is back', async () => {
        let gone = true;
        const { edit, flush, sent, status, trouble } = letter(async () => {
            if (gone) {
                throw new ApiError(0, 'The connection is gone.');
            }
        });
        edit({ subject: 'One' });
        expect(await flush()).toBe(false);
        expect([status.value, trouble.value]).toEqual(['offline', 'The connection is gone.']);
        edit({ body: 'x' });
        gone = false;
        await vi.advanceTimersByTimeAsync(3000);
        expect([sent.at(-1), status.value, trouble.value]).toEqual([{ subject: 'One', body: 'x' }, 'saved', '']);
    });

    it('is not sent over and over when it is refused, and goes with the next change', async () => {
        const { edit, flush, sent, status, words } = letter(async (values) => {
            if (values.subject === '') {
                throw new ApiError(422, 'A subject, please.');
            }
        });
        edit({ subject: '', body: 'kept' });
        await vi.advanceTimersByTimeAsync(60_000);
        expect([sent.length, status.value, words.value]).toEqual([1, 'refused', 'A subject, please.']);
        expect(await flush(), 'nothing is called saved that is not').toBe(false);
        edit({ subject: 'News' });
        expect(await flush()).toBe(true);
        expect(sent.at(-1)).toEqual({ subject: 'News', body: 'kept' });
    });

    it('is kept even when what went wrong is our own fault', async () => {
        const { edit, flush, trouble, drop, status, sent } = letter(() => Promise.reject(new TypeError('x is undefined')));
        edit({ subject: 'One' });
        expect(await flush()).toBe(false);
        expect(trouble.value).toBe('It could not be saved. It is tried again by itself.');
        drop();
        await vi.advanceTimersByTimeAsync(60_000);
        expect([status.value, sent.length, await flush()]).toEqual(['saved', 1, true]);
    });
});
