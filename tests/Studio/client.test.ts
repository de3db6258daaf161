import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { api, ApiError, query, whenSignedOut } from '@/api/client';
import { useSession } from '@/stores/session';
import { newest } from '@/ui/newest';
import { server, type Reply } from './server';

async function refusal(reply: Reply): Promise<ApiError> {
    server(() => reply);
    return (await api.post('people', {}).catch((e: unknown) => e)) as ApiError;
}

describe('talking to the API', () => {
    beforeEach(() => {
        document.cookie = 'XSRF-TOKEN=a%3Db';
    });

    it('sends JSON with the session’s token', async () => {
        const calls = server(() => [200, { ok: true }]);
        expect(await api.put('people/1', { name: 'Zoë' })).toEqual({ ok: true });
        expect(calls[0]).toMatchObject({
            method: 'PUT',
            path: 'people/1',
            body: { name: 'Zoë' },
            headers: { 'X-XSRF-TOKEN': 'a=b', 'Content-Type': 'application/json' },
        });
    });

    it.each<[number, boolean]>([
        [200, true],
        [401, true],
        [503, false],
    ])('signs out, also whoever is signed out already: %d', async (status, leaves) => {
        setActivePinia(createPinia());
        server(() => [status, {}]);
        const assign = vi.spyOn(location, 'assign').mockImplementation(() => {});
        await useSession()
            .signOut()
            .catch(() => undefined);
        expect(assign).toHaveBeenCalledTimes(leaves ? 1 : 0);
    });

    it('lets the browser say what a file is', async () => {
        const calls = server(() => [201, {}]);
        await api.post('imports', new FormData());
        expect(calls[0]!.headers['Content-Type']).toBeUndefined();
    });

    it.each<[string, Reply, string]>([
        ['the sentence of the server', [422, { message: 'A tag, please.', errors: { of: ['A tag, please.'] } }], 'A tag, please.'],
        [
            'nothing of the inside',
            [500, { message: 'SQLSTATE[HY000]' }],
            'Something went wrong here. Nothing was changed; please try again.',
        ],
        [
            'what to do after a night',
            [419, { message: 'CSRF token mismatch.' }],
            'You were signed out meanwhile. Please load this page again.',
        ],
        ['why a file is refused by the server itself', [413, {}], 'This file is too large for this server.'],
        ['that the connection is gone', 'gone', 'The connection is gone. What you typed is kept here and saved as soon as it is back.'],
        ['something when there are no words', [404, []], 'Something went wrong here. Nothing was changed; please try again.'],
    ])('says %s', async (_, reply, words) => {
        const error = await refusal(reply);
        expect([error instanceof ApiError, error.message, error.offline]).toEqual([true, words, reply === 'gone']);
    });

    it('names the field a sentence belongs to', async () => {
        const error = await refusal([422, { message: 'x', errors: { email: ['No address.', 'Really.'] } }]);
        expect([error.field('email'), error.field('name'), error.status]).toEqual(['No address.', undefined, 422]);
    });

    it('tells of being signed out, except where that is the question', async () => {
        const out = vi.fn();
        whenSignedOut(out);
        server(() => [401, {}]);
        await api.get('session').catch(() => undefined);
        expect(out).not.toHaveBeenCalled();
        await api.get('people').catch(() => undefined);
        expect(out).toHaveBeenCalledOnce();
    });

    it('asks only for what is set', () => {
        expect(query({ search: 'a&b', page: 2, tag: '', sort: undefined, n: 0 })).toBe('search=a%26b&page=2&n=0');
    });
});

describe('answers that overtake one another', () => {
    const held = () => {
        let let_go: (value: string) => void = () => undefined;
        let fail: (error: Error) => void = () => undefined;
        const question = new Promise<string>((yes, no) => ([let_go, fail] = [yes, no]));
        return { question, let_go: (v: string) => let_go(v), fail: (e: Error) => fail(e) };
    };

    it('gives the answer to the newest question alone, late errors included', async () => {
        const ask = newest<string>();
        const [one, two, three] = [held(), held(), held()];
        const answers = [one, two, three].map((h) => ask(h.question));
        three.let_go('three');
        two.let_go('two');
        one.fail(new Error('late'));
        expect(await Promise.all(answers)).toEqual([null, null, 'three']);
    });

    it('lets the newest fail', async () => {
        await expect(newest<string>()(Promise.reject(new Error('no')))).rejects.toThrow('no');
    });
});
