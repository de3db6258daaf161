import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it } from 'vitest';
import type { Page } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { useSteps } from '@/funnel/steps';
import { useToasts } from '@/stores/toasts';
import { draft, server, type Call } from './server';

beforeEach(() => setActivePinia(createPinia()));

const called = (calls: Call[]) => calls.filter((c) => c.method !== 'GET').map((c) => `${c.method} ${c.path}`);

async function opened() {
    const calls = server((call) => {
        if (call.method === 'GET') {
            return [200, draft()];
        }
        if (call.path === 'funnels/f1/pages' || call.path.endsWith('/duplicate')) {
            return [201, { page: { id: 'p9', name: 'Sales page' }, sentences: ['“Opt-in page” leads there now.'] }];
        }
        return [200, { id: 'n1', name: 'New thing', sentences: ['Its visitors now come to “Opt-in page”.'] }];
    });
    const store = useFunnel();
    await store.load('f1');
    return { store, calls, steps: useSteps() };
}

describe('what the server carries out at once', () => {
    it('saves what is typed before anything is loaded anew', async () => {
        const { store, calls, steps } = await opened();
        store.edit('email', 'e1', { subject: 'Typed just now' }, 'the subject');
        await steps.add('sequence');
        expect(called(calls)).toEqual(['PUT parts/e1', 'POST funnels/f1/parts']);
        expect(calls.at(-1)!.method, 'and then the draft is loaded').toBe('GET');
    });

    it.each([
        [
            'an email',
            (s: ReturnType<typeof useSteps>) => s.add('email', { sequence: 'q1' }),
            ['POST funnels/f1/parts', 'DELETE parts/n1', 'POST parts/n1/restore'],
        ],
        [
            'a sequence',
            (s: ReturnType<typeof useSteps>) => s.add('sequence'),
            ['POST funnels/f1/parts', 'DELETE parts/n1', 'POST parts/n1/restore'],
        ],
        [
            'a form',
            (s: ReturnType<typeof useSteps>) => s.add('form'),
            ['POST funnels/f1/parts', 'DELETE parts/n1', 'POST parts/n1/restore'],
        ],
        [
            'a page',
            (s: ReturnType<typeof useSteps>) => s.addPage({ role: 'sales' }),
            ['POST funnels/f1/pages', 'DELETE parts/p9', 'POST parts/p9/restore'],
        ],
        [
            'a copy of a page',
            (s: ReturnType<typeof useSteps>) => s.duplicatePage({ id: 'p1', name: 'Opt-in page' } as Page),
            ['POST pages/p1/duplicate', 'DELETE parts/p9', 'POST parts/p9/restore'],
        ],
    ])('adds %s, takes it out again and brings it back as it was', async (_, add, expected) => {
        const { store, calls, steps } = await opened();
        await add(steps);
        await store.undo();
        await store.redo();
        expect(called(calls)).toEqual(expected);
        expect([store.done.length, store.undone.length]).toEqual([1, 0]);
    });

    it('removes a part of any kind, says what became of the rest and brings it back', async () => {
        const { store, calls, steps } = await opened();
        await steps.remove({ id: 'p2', name: 'Welcome' });
        expect(useToasts().toasts.at(-1)!.words).toContain('“Welcome” is removed from the draft.');
        useToasts().toasts.at(-1)!.action!.run();
        await expect.poll(() => called(calls)).toEqual(['DELETE parts/p2', 'POST parts/p2/restore']);
        expect(store.undone).toHaveLength(1);
        await store.redo();
        expect(called(calls).at(-1)).toBe('DELETE parts/p2');
    });

    it('says what became of the ways when a page comes or goes', async () => {
        const { steps } = await opened();
        await steps.addPage({ role: 'sales' });
        expect(useToasts().toasts.at(-1)!.words).toBe('“Sales page” is in the draft. “Opt-in page” leads there now.');
    });

    it('puts a way where it was before', async () => {
        const { store, calls, steps } = await opened();
        await steps.connect('p1', 'joined', { toUrl: 'https://ferncroft.example/' });
        await steps.connect('p1', 'bought', null);
        await store.undo();
        await store.undo();
        expect(calls.filter((c) => c.method === 'PUT').map((c) => c.body)).toEqual([
            { outcome: 'joined', toUrl: 'https://ferncroft.example/' },
            { outcome: 'bought', none: true },
            { outcome: 'bought', none: true },
            { outcome: 'joined', toPage: 'p2' },
        ]);
    });

    it('moves a page by one, and never over an end', async () => {
        const { store, calls, steps } = await opened();
        await steps.movePage(store.page('p1')!, -1);
        await steps.movePage(store.page('p2')!, 1);
        expect(called(calls)).toEqual([]);
        await steps.movePage(store.page('p2')!, -1);
        await store.undo();
        expect(calls.filter((c) => c.method === 'PUT').map((c) => c.body.pages)).toEqual([
            ['p2', 'p1'],
            ['p1', 'p2'],
        ]);
    });
});
