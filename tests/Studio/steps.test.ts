import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it } from 'vitest';
import type { Email, Page } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { useSteps } from '@/funnel/steps';
import { useNotices } from '@/stores/notices';
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
        await steps.addSequence();
        expect(called(calls)).toEqual(['PUT emails/e1', 'POST funnels/f1/sequences']);
        expect(calls.at(-1)!.method, 'and then the draft is loaded').toBe('GET');
    });

    it.each([
        [
            'an email',
            (s: ReturnType<typeof useSteps>) => s.addEmail('q1'),
            ['POST funnels/f1/emails', 'DELETE emails/n1', 'POST emails/n1/restore'],
        ],
        [
            'a sequence',
            (s: ReturnType<typeof useSteps>) => s.addSequence(),
            ['POST funnels/f1/sequences', 'DELETE sequences/n1', 'POST sequences/n1/restore'],
        ],
        ['a form', (s: ReturnType<typeof useSteps>) => s.addForm(), ['POST funnels/f1/forms', 'DELETE forms/n1', 'POST forms/n1/restore']],
        [
            'a page',
            (s: ReturnType<typeof useSteps>) => s.addPage({ role: 'sales' }),
            ['POST funnels/f1/pages', 'DELETE pages/p9', 'POST pages/p9/restore'],
        ],
        [
            'a copy of a page',
            (s: ReturnType<typeof useSteps>) => s.duplicatePage({ id: 'p1', name: 'Opt-in page' } as Page),
            ['POST pages/p1/duplicate', 'DELETE pages/p9', 'POST pages/p9/restore'],
        ],
    ])('adds %s, takes it out again and brings it back as it was', async (_, add, expected) => {
        const { store, calls, steps } = await opened();
        await add(steps);
        await store.undo();
        await store.redo();
        expect(called(calls)).toEqual(expected);
        expect([store.done.length, store.undone.length]).toEqual([1, 0]);
    });

    it.each([
        ['email', (s: ReturnType<typeof useSteps>) => s.deleteEmail({ id: 'e1', name: 'Welcome' } as Email), 'emails/e1'],
        ['page', (s: ReturnType<typeof useSteps>) => s.takePageOut({ id: 'p2', name: 'Welcome' } as Page), 'pages/p2'],
        ['form', (s: ReturnType<typeof useSteps>) => s.removeForm({ id: 'o1', name: 'Welcome' } as never), 'forms/o1'],
    ])('takes out an %s, says so and brings it back', async (_, remove, path) => {
        const { store, calls, steps } = await opened();
        await remove(steps);
        expect(useNotices().notices.at(-1)!.words).toContain('“Welcome” is taken out of the draft.');
        useNotices().notices.at(-1)!.action!.run();
        await expect.poll(() => called(calls)).toEqual([`DELETE ${path}`, `POST ${path}/restore`]);
        expect(store.undone).toHaveLength(1);
    });

    it('says what became of the ways when a page comes or goes', async () => {
        const { steps } = await opened();
        await steps.addPage({ role: 'sales' });
        expect(useNotices().notices.at(-1)!.words).toBe('“Sales page” is in the draft. “Opt-in page” leads there now.');
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

    it('brings a shared section back under its new name for it, as often as one likes', async () => {
        const { store, calls, steps } = await opened();
        await steps.removeShared({ id: 's1', name: 'Footer', section: {} } as never);
        await store.undo();
        await store.redo();
        expect(called(calls)).toEqual(['DELETE shared-sections/s1', 'POST funnels/f1/shared-sections', 'DELETE shared-sections/n1']);
    });
});
