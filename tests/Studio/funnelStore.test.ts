import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { useFunnel } from '@/funnel/funnelStore';
import { useToasts } from '@/stores/toasts';
import { draft, server, type Call, type Reply } from './server';

const saved = (call: Call): Reply => [200, { ...call.body, revision: Number(call.body.revision ?? 0) + 1 }];
const answering = (put: (call: Call) => Reply | Promise<Reply>) => server((call) => (call.method === 'GET' ? [200, draft()] : put(call)));
const writes = (calls: Call[]) => calls.filter((c) => c.method !== 'GET');

beforeEach(() => {
    vi.useFakeTimers();
    setActivePinia(createPinia());
    return () => vi.useRealTimers();
});

async function opened(put: (call: Call) => Reply | Promise<Reply> = saved) {
    const calls = answering(put);
    const store = useFunnel();
    await store.load('f1');
    return { store, calls };
}

describe('saving', () => {
    it('shows an edit at once, and saves what was typed within half a second as one', async () => {
        const { store, calls } = await opened();
        for (const subject of ['H', 'He', 'Hey']) {
            store.edit('email', 'e1', { subject }, 'the subject');
            await vi.advanceTimersByTimeAsync(300);
        }
        expect([store.email('e1')!.subject, store.status, writes(calls)]).toEqual(['Hey', 'waiting', []]);
        await vi.advanceTimersByTimeAsync(300);
        expect(writes(calls).map((c) => [c.method, c.path, c.body])).toEqual([['PUT', 'parts/e1', { revision: 1, subject: 'Hey' }]]);
        expect([store.status, store.email('e1')!.revision, store.funnel!.changed]).toEqual(['saved', 2, true]);
    });

    it('sends nothing for an edit that changes nothing, or of a thing that is gone', async () => {
        const { store, calls } = await opened();
        store.edit('email', 'e1', { subject: 'Hello' }, 'the subject');
        store.edit('page', 'nowhere', { name: 'x' }, 'a name');
        await vi.runAllTimersAsync();
        expect([store.status, store.done.length, writes(calls)]).toEqual(['saved', 0, []]);
    });

    it('keeps what is changed while the whole funnel is on its way, and saves the next change with its revision', async () => {
        let revision = 1;
        let subject = 'Hello';
        let hold: Promise<void> | null = null;
        const calls = server(async (call) => {
            if (call.method !== 'GET') {
                const taken = call.body.revision === revision;
                [revision, subject] = taken ? [revision + 1, String(call.body.subject)] : [revision, subject];
                return taken ? [200, { ...call.body, revision }] : [409, { message: 'Newer' }];
            }
            const now = draft();
            Object.assign(now.emails[0]!, { revision, subject });
            await hold;
            return [200, now];
        });
        const store = useFunnel();
        await store.load('f1');
        let answer: () => void = () => undefined;
        hold = new Promise((done) => (answer = done));
        const loading = store.load('f1');
        await vi.advanceTimersByTimeAsync(10);
        store.edit('email', 'e1', { subject: 'One' }, 'the subject', true);
        await vi.advanceTimersByTimeAsync(10);
        hold = null;
        answer();
        await vi.runAllTimersAsync();
        await loading;
        expect([store.email('e1')!.subject, store.email('e1')!.revision]).toEqual(['One', 2]);
        store.edit('email', 'e1', { subject: 'Two' }, 'the subject', true);
        await vi.runAllTimersAsync();
        expect([store.status, subject, writes(calls).length]).toEqual(['saved', 'Two', 2]);
    });

    it('keeps what is typed while an answer is on its way, and saves it next with the new revision', async () => {
        let answer: (reply: Reply) => void = () => undefined;
        const { store, calls } = await opened((call) =>
            call.body.subject === 'One' ? new Promise((done) => (answer = done)) : saved(call),
        );
        store.edit('email', 'e1', { subject: 'One' }, 'the subject', true);
        await vi.advanceTimersByTimeAsync(10);
        store.edit('email', 'e1', { subject: 'Two' }, 'the subject', true);
        await vi.advanceTimersByTimeAsync(10);
        expect(writes(calls)).toHaveLength(1);
        answer([200, { revision: 2, subject: 'One' }]);
        await vi.runAllTimersAsync();
        expect(writes(calls)[1]!.body).toEqual({ revision: 2, subject: 'Two' });
        expect([store.email('e1')!.subject, store.status]).toEqual(['Two', 'saved']);
    });

    it('tries again by itself when the connection is back', async () => {
        let gone = true;
        const { store, calls } = await opened((call) => (gone ? 'gone' : saved(call)));
        store.edit('form', 'o1', { name: 'Join' }, 'its name', true);
        await vi.advanceTimersByTimeAsync(100);
        expect([store.status, store.form('o1')!.name]).toEqual(['offline', 'Join']);
        gone = false;
        await vi.advanceTimersByTimeAsync(3000);
        expect([store.status, writes(calls).length]).toEqual(['saved', 2]);
    });

    it('leaves a newer draft of another window alone until its owner takes it over', async () => {
        const { store, calls } = await opened(() => [409, { message: 'newer' }]);
        store.edit('page', 'p1', { name: 'Mine' }, 'its name', true);
        await vi.runAllTimersAsync();
        store.edit('page', 'p2', { name: 'Also mine' }, 'its name', true);
        await vi.runAllTimersAsync();
        expect([store.status, writes(calls).length]).toEqual(['conflict', 1]);
        await store.takeNewer();
        expect([store.status, store.page('p1')!.name, store.done.length]).toEqual(['saved', 'Opt-in page', 0]);
    });

    it('says why something was refused, and saves all the rest meanwhile', async () => {
        const { store, calls } = await opened((call) =>
            call.body.subject === '' ? [422, { message: 'A subject, please.', errors: {} }] : saved(call),
        );
        store.edit('email', 'e1', { subject: '' }, 'the subject', true);
        await vi.runAllTimersAsync();
        expect([store.status, store.saving, store.email('e1')!.subject]).toEqual(['refused', 'A subject, please.', '']);
        store.edit('page', 'p1', { name: 'Start' }, 'its name', true);
        await vi.runAllTimersAsync();
        expect(writes(calls).at(-1)!.path).toBe('parts/p1');
        expect([store.status, store.page('p1')!.revision, store.refusedAt]).toEqual(['refused', 4, { kind: 'email', id: 'e1' }]);
        store.edit('email', 'e1', { subject: 'Hello again' }, 'the subject', true);
        await vi.runAllTimersAsync();
        expect([store.status, store.saving, store.email('e1')!.revision]).toEqual(['saved', 'Everything is saved', 2]);
    });

    it('takes over numbers and pauses, and never what is being edited', async () => {
        const { store } = await opened();
        store.edit('email', 'e1', { subject: 'Mine' }, 'the subject');
        server(() => [
            200,
            {
                ...draft(),
                state: 'closed',
                emailNumbers: { e1: { sent: 7 } },
                sequences: [{ ...draft().sequences[0], name: 'Theirs', paused: true, pausedAt: '2026-06-01T10:00:00Z' }],
            },
        ]);
        await store.refreshNumbers();
        expect([store.funnel!.state, store.email('e1')!.subject, store.sequence('q1')!.name, store.sequence('q1')!.paused]).toEqual([
            'closed',
            'Mine',
            'Follow-up',
            true,
        ]);
    });
});

describe('the way back', () => {
    it('undoes what was typed in one go as one, and does it again', async () => {
        const { store, calls } = await opened();
        store.edit('email', 'e1', { subject: 'H' }, 'the subject');
        store.edit('email', 'e1', { subject: 'Hi' }, 'the subject');
        await vi.advanceTimersByTimeAsync(2000);
        store.edit('email', 'e1', { subject: 'Hi there' }, 'the subject');
        await vi.runAllTimersAsync();
        expect(store.done).toHaveLength(2);
        await store.undo();
        expect(store.email('e1')!.subject).toBe('Hi');
        await store.undo();
        await store.undo();
        expect([store.email('e1')!.subject, writes(calls).at(-1)!.body.subject]).toEqual(['Hello', 'Hello']);
        await store.redo();
        expect([store.email('e1')!.subject, useToasts().toasts.at(-1)!.words]).toEqual(['Hi', 'Redone: the subject']);
        store.edit('email', 'e1', { subject: 'Else' }, 'the subject');
        expect(store.undone, 'a new way begins').toHaveLength(0);
    });

    it('undoes several things that were one act in one', async () => {
        const { store } = await opened();
        store.editAll(
            [
                { kind: 'page', id: 'p1', values: { name: 'A' } },
                { kind: 'page', id: 'p2', values: { name: 'B' } },
                { kind: 'funnel', id: 'f1', values: { name: 'Practice plan' } },
            ],
            'two names',
            true,
        );
        await vi.runAllTimersAsync();
        await store.undo();
        expect([store.page('p1')!.name, store.page('p2')!.name, store.done.length]).toEqual(['Opt-in page', 'Thank-you page', 0]);
    });

    it('is not changed by what happens to the values afterwards', async () => {
        const { store } = await opened();
        const document = { sections: [{ id: 's1', blocks: [{ id: 'b1', text: 'New words' }] }] };
        store.edit('page', 'p1', { document }, 'the words', true);
        document.sections[0]!.blocks[0]!.text = 'Changed behind its back';
        await vi.runAllTimersAsync();
        expect(JSON.stringify(store.page('p1')!.document)).toContain('New words');
        await store.undo();
        expect(JSON.stringify(store.page('p1')!.document)).toContain('Old words');
    });

    it('keeps of a change what is different, and forgets what is too long ago', async () => {
        const { store } = await opened();
        const document = structuredClone(draft().pages[0]!.document);
        document.sections[0]!.blocks[0]!.text = 'New words';
        store.edit('page', 'p1', { document }, 'the words');
        expect(store.done.at(-1)).toMatchObject({
            parts: [{ patches: [{ path: ['document', 'sections', 0, 'blocks', 0, 'text'], before: 'Old words', after: 'New words' }] }],
        });
        for (let i = 0; i < 250; i++) {
            store.edit('email', 'e1', { subject: `Subject ${i}` }, `step ${i}`);
        }
        expect(store.done).toHaveLength(200);
        await vi.runAllTimersAsync();
        for (let i = 0; i < 250; i++) {
            await store.undo();
        }
        expect([store.email('e1')!.subject, store.done.length]).toEqual(['Subject 49', 0]);
    });

    it('says so when a step cannot be undone', async () => {
        const { store } = await opened();
        store.remember({ label: 'a step', redo: async () => undefined, undo: () => Promise.reject(new Error('no')) });
        const error = vi.spyOn(console, 'error').mockImplementation(() => undefined);
        await store.undo();
        expect([useToasts().toasts.at(-1)!.trouble, error.mock.calls.length]).toEqual([true, 1]);
    });

    it('offers it beside a message only as long as it would take back that and nothing later', async () => {
        const { store } = await opened();
        store.remember({ label: 'removed', redo: async () => undefined, undo: async () => undefined });
        store.sayDone('“Welcome” is removed.');
        expect(useToasts().toasts).toHaveLength(1);
        store.edit('email', 'e1', { subject: 'Later' }, 'the subject');
        await vi.advanceTimersByTimeAsync(1);
        expect(useToasts().toasts).toHaveLength(0);
    });

    it('is gone with the funnel it belonged to', async () => {
        const { store } = await opened();
        store.edit('email', 'e1', { subject: 'x' }, 'the subject', true);
        await vi.runAllTimersAsync();
        server(() => [200, { ...draft(), id: 'f2' }]);
        await store.load('f2');
        expect([store.done.length, store.funnel!.id]).toEqual([0, 'f2']);
    });
});
