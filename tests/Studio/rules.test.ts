import { describe, expect, it, vi } from 'vitest';
import type { PeopleKit, Rule, Rules } from '@/api/types';
import ActsDialog from '@/people/ActsDialog.vue';
import BulkBar from '@/people/BulkBar.vue';
import RulesField from '@/people/RulesField.vue';
import { useToasts } from '@/stores/toasts';
import { usePeopleKit } from '@/stores/peopleKit';
import PageTurner from '@/ui/PageTurner.vue';
import TagsField from '@/ui/TagsField.vue';
import fixture from '../fixtures/rules.json';
import { mount } from './mount';
import { server } from './server';

const kit = {
    fields: [
        { name: 'first_name', label: 'First name', kind: 'short_text', own: false, options: [] },
        { name: 'age', label: 'Age', kind: 'number', own: true, options: [] },
        { name: 'since', label: 'Plays since', kind: 'date', own: true, options: [] },
    ],
    tags: [{ id: 1, name: 'VIP' }],
    funnels: [{ id: 'f1', name: 'Practice plan' }],
    pages: [],
    emails: [{ id: 'e1', name: 'Day 3', funnel: 'Practice plan' }],
    broadcasts: [],
    sequences: [{ id: 'q1', name: 'Follow-up' }],
    segments: [],
    rules: fixture.kinds,
} as unknown as PeopleKit;

async function rules(modelValue: Rules) {
    const m = mount<Rules>(RulesField, { modelValue });
    usePeopleKit().kit = kit;
    await m.show();
    return m;
}

describe('rules about people', () => {
    it('begin with one that is not kept before it is whole', async () => {
        const m = await rules({ all: true, rules: [] });
        await m.press('Only those who …');
        expect([m.emitted.modelValue, m.text().includes('Something is still missing in a rule')]).toEqual([undefined, true]);
    });

    it('are handed on as soon as nothing is missing', async () => {
        const m = await rules({ all: true, rules: [{ kind: 'field', field: 'first_name', compare: 'equal', value: 'Rob' }] });
        await m.type('input[aria-label="With what"]', 'Robin');
        expect(m.last()).toEqual({ all: true, rules: [{ kind: 'field', field: 'first_name', compare: 'equal', value: 'Robin' }] });
        await m.type('input[aria-label="With what"]', ' ');
        expect([m.emitted.modelValue!.length, m.text().includes('still missing')]).toEqual([1, true]);
    });

    it('need no value where there is nothing to compare with', async () => {
        const m = await rules({ all: true, rules: [{ kind: 'field', field: 'age', compare: 'filled' }] });
        expect([m.host.querySelector('input[aria-label="With what"]'), m.text().includes('still missing')]).toEqual([null, false]);
    });

    it('say which way they are meant where their written form leaves out what is not', async () => {
        const m = await rules({
            all: true,
            rules: [
                { kind: 'tag', tag: 'VIP' },
                { kind: 'deed', deed: 'clicked' },
            ] as never,
        });
        expect(m.text()).not.toContain('Please choose');
        m.end();
    });

    it('go together as all or any, and are removed one by one', async () => {
        const two: Rules = {
            all: true,
            rules: [
                { kind: 'tag', not: false, tag: 'VIP' },
                { kind: 'deed', deed: 'clicked', done: false, with: 'e1' },
            ],
        };
        const m = await rules(two);
        expect(m.text()).toContain('and');
        await m.press('Any of these holds');
        expect(m.last()).toEqual({ ...two, all: false });
        expect(m.host.querySelector('[aria-checked=true]')!.textContent!.trim()).toBe('Any of these holds');
        await m.press('Remove this rule');
        expect(m.last()).toEqual({ all: false, rules: [two.rules[1]] });
    });

    it('nest in groups, which begin the other way round and go four deep at most', async () => {
        let nested: Rules = { all: true, rules: [{ kind: 'subscription', not: false, subscription: 'subscribed' }] };
        for (let depth = 0; depth < 3; depth++) {
            nested = { all: true, rules: [nested] };
        }
        const m = await rules(nested);
        expect(m.buttons().filter((b) => b === 'A group of rules')).toHaveLength(3);
        const flat = await rules({ all: true, rules: [{ kind: 'tag', not: false, tag: 'VIP' }] });
        await flat.press('A group of rules');
        expect(flat.emitted.modelValue, 'two empty rules are nothing yet').toBeUndefined();
        expect(flat.host.querySelectorAll('[role=group] [role=group]')).toHaveLength(1);
        expect(flat.host.querySelector('[role=group] [role=group] [aria-checked=true]')!.textContent!.trim()).toBe('Any of these holds');
    });

    it('follow what is chosen elsewhere, but never over half a rule', async () => {
        const m = await rules({ all: true, rules: [] });
        await m.press('Only those who …');
        await m.set({ modelValue: { all: true, rules: [{ kind: 'field', field: 'age', compare: 'filled' }] } });
        expect(m.text(), 'what is being typed stays').toContain('still missing');
        const whole = await rules({ all: true, rules: [] });
        await whole.set({ modelValue: { all: true, rules: [{ kind: 'field', field: 'age', compare: 'filled' }] } });
        expect(whole.host.querySelectorAll('li')).toHaveLength(1);
    });

    it('take days back within ten years, and nothing else', async () => {
        const m = await rules({ all: true, rules: [{ kind: 'date', date: 'joined', compare: 'within', days: 30 }] });
        for (const [typed, kept] of [
            ['14', 14],
            ['-3', 14],
            ['99999', 14],
            ['soon', 14],
            ['7.6', 14],
            ['3650', 3650],
        ] as [string, number][]) {
            await m.type('input[type=number]', typed);
            expect((m.last().rules[0] as Rule).days).toBe(kept);
        }
    });
});

describe('small parts of lists', () => {
    it('tags are words with commas between, and typing is not disturbed', async () => {
        const m = mount<string[]>(TagsField, { modelValue: ['VIP'], label: 'Tags' });
        await m.show();
        await m.type('input', 'VIP, , Choir ,');
        expect([m.last(), m.host.querySelector('input')!.value]).toEqual([['VIP', 'Choir'], 'VIP, , Choir ,']);
        await m.set({ modelValue: ['Other'] });
        expect(m.host.querySelector('input')!.value).toBe('Other');
    });

    it('pages are turned within their ends', async () => {
        const m = mount(PageTurner, { page: 1, pages: 3, total: 60, one: 'person', many: 'people' });
        await m.show();
        await m.press('Newer');
        await m.press('Older');
        expect([m.emitted.turn, m.text()]).toEqual([[2], '60 peopleNewer1 of 3Older']);
        await m.set({ pages: 1 });
        expect(m.buttons()).toEqual([]);
    });
});

describe('what is done to many', () => {
    const acts = [
        { id: 'a1', kind: 'tag', of: 'VIP', people: 240, at: '2026-06-01T10:00:00Z', undone: false },
        { id: 'a2', kind: 'unsubscribe', of: '', people: 1, at: '2026-06-01T09:00:00Z', undone: true },
        { id: 'a3', kind: 'start', of: 'Follow-up', people: 2, at: '2026-06-01T08:00:00Z', undone: false },
    ];

    it('is listed in words, and taken back there', async () => {
        const calls = server((call) => [200, call.method === 'GET' ? { acts } : {}]);
        const m = mount(ActsDialog, { open: false });
        await m.show();
        expect(calls).toHaveLength(0);
        await m.set({ open: true });
        await vi.waitFor(() => expect(m.text()).toContain('Added the tag “VIP” to 240 people'));
        expect(m.text()).toContain('Unsubscribed 1 person');
        expect(m.text()).toContain('Started “Follow-up” for 2 people');
        expect(m.buttons().filter((b) => b.startsWith('Undo: '))).toHaveLength(2);
        await m.press('Undo: Added the tag “VIP” to 240');
        await vi.waitFor(() => expect(m.emitted.undone).toHaveLength(1));
        expect(calls.at(-1)!.path).toBe('people/acts/a1/undo');
        expect(m.buttons().filter((b) => b.startsWith('Undo: '))).toHaveLength(1);
        m.end();
    });

    it('says why it cannot be taken back, and stays on the list', async () => {
        server((call) => (call.method === 'GET' ? [200, { acts }] : [422, { message: 'It is gone.' }]));
        const m = mount(ActsDialog, { open: false });
        await m.show();
        await m.set({ open: true });
        await vi.waitFor(() => expect(m.text()).toContain('to 240 people'));
        await m.press('Undo: Added the tag “VIP” to 240');
        await vi.waitFor(() => expect(useToasts().toasts.at(-1)?.words).toBe('It is gone.'));
        expect([m.emitted.undone, m.buttons().filter((b) => b.startsWith('Undo: ')).length]).toEqual([undefined, 2]);
        m.end();
    });

    it('is about those who are chosen, and offers the way back', async () => {
        const calls = server(() => [201, { id: 'a9', people: 2 }]);
        const m = mount(BulkBar, { chosen: ['p1', 'p2'], total: 40, everybody: false, filters: { search: 'ash', funnel: '' } });
        await m.show();
        expect(m.text()).toContain('2 people selected');
        await m.press('Unsubscribe');
        await m.press('Yes, 2 people');
        await vi.waitFor(() => expect(m.emitted.done).toHaveLength(1));
        expect(calls[0]!.body).toMatchObject({ kind: 'unsubscribe', ids: ['p1', 'p2'] });
        expect(useToasts().toasts.at(-1)!.words).toBe('2 people get no more emails.');
        useToasts().toasts.at(-1)!.action!.run();
        await vi.waitFor(() => expect(calls.at(-1)!.path).toBe('people/acts/a9/undo'));
        m.end();
    });

    it('is about all that the list shows when everybody is chosen', async () => {
        const calls = server(() => [201, { id: 'a9', people: 40 }]);
        const m = mount(BulkBar, { chosen: ['p1'], total: 40, everybody: true, filters: { search: 'ash', funnel: 'f1' } });
        await m.show();
        await m.press('Unsubscribe');
        await m.press('Yes, 40 people');
        await vi.waitFor(() => expect(calls).toHaveLength(1));
        expect(calls[0]!.body).toMatchObject({ everybody: true, search: 'ash', funnel: 'f1' });
        expect(calls[0]!.body.ids).toBeUndefined();
        m.end();
    });
});
