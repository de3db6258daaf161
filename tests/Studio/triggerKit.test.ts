import { describe, expect, it } from 'vitest';
import type { Trigger } from '@/api/types';
import { fieldsOf, fresh, isComplete, replaced, unique, wordsOf, written, type Option, type TriggerKind } from '@/funnel/triggerKit';

const kinds: TriggerKind[] = [
    { kind: 'bought', label: 'They buy', fields: {} },
    { kind: 'tag', label: 'They get a tag', fields: { tag: 'tag' } },
    { kind: 'page', label: 'They see a page', fields: { page: 'page', times: 'times' } },
    { kind: 'webinar', label: 'Their session comes to an outcome', fields: { outcome: 'outcome', webinar: 'webinar' } },
    { kind: 'payment-failed', label: 'A payment of theirs fails', fields: { offer: 'offer' } },
];
const options = (what: string): Option[] =>
    ({ page: ['a', 'b'], outcome: ['missed'], webinar: ['w'], tag: [] as string[] })[what]?.map((v) => ({ value: v, label: v })) ?? [];

describe('a list of triggers', () => {
    it('draws the fields that the server names, and says them after “when”', () => {
        expect(fieldsOf(kinds, 'webinar')).toEqual(['outcome', 'webinar']);
        expect(fieldsOf(kinds, 'unheard-of')).toEqual([]);
        expect(kinds.map(wordsOf)).toEqual([
            'they buy',
            'they get a tag',
            'they see a page',
            'their session comes to an outcome',
            'a payment of theirs fails',
        ]);
    });

    it('begins with the first that is free, and with a view once', () => {
        expect(fresh(kinds, 'bought', options, [])).toEqual({ kind: 'bought' });
        expect(fresh(kinds, 'page', options, [])).toEqual({ kind: 'page', page: 'a' });
        expect(fresh(kinds, 'webinar', options, [])).toEqual({ kind: 'webinar', outcome: 'missed', webinar: 'w' });
        expect(
            fresh(
                kinds,
                'payment-failed',
                (what) =>
                    what === 'offer'
                        ? [
                              { value: 'x', label: 'x' },
                              { value: 'y', label: 'y' },
                          ]
                        : [],
                [{ kind: 'payment-failed', offer: 'x' }],
            ),
        ).toEqual({ kind: 'payment-failed', offer: 'y' });
    });

    it('is not complete before everything is chosen or typed', () => {
        expect(isComplete(kinds, fresh(kinds, 'tag', options, []))).toBe(false);
        expect(isComplete(kinds, { kind: 'tag', tag: '  ' })).toBe(false);
        expect(isComplete(kinds, { kind: 'tag', tag: 'Cellist' })).toBe(true);
        expect(isComplete(kinds, fresh(kinds, 'page', options, []))).toBe(true);
        expect(isComplete(kinds, { kind: 'webinar', outcome: 'missed' })).toBe(false);
    });

    it('is written as the server writes it', () => {
        expect(written(kinds, { times: 3, page: 'a', kind: 'page' })).toEqual({ kind: 'page', page: 'a', times: 3 });
        expect(JSON.stringify(written(kinds, { webinar: 'w', kind: 'webinar', outcome: 'missed' }))).toBe(
            '{"kind":"webinar","outcome":"missed","webinar":"w"}',
        );
        for (const once of ['1', '0', '-4', 'x', ''] as const) {
            expect(written(kinds, { kind: 'page', page: 'a', times: once })).toEqual({ kind: 'page', page: 'a' });
        }
        expect(written(kinds, { kind: 'page', page: 'a', times: '99' })).toEqual({ kind: 'page', page: 'a', times: 20 });
        expect(written(kinds, { kind: 'tag', tag: ' Cellist ' })).toEqual({ kind: 'tag', tag: 'Cellist' });
    });

    it('holds each once', () => {
        const a: Trigger = { kind: 'tag', tag: 'a' };
        const b: Trigger = { kind: 'tag', tag: 'b' };
        expect(unique([a, b, { kind: 'tag', tag: 'a' }])).toEqual([a, b]);
        expect(replaced([a, b], b, { kind: 'bought' })).toEqual([a, { kind: 'bought' }]);
        expect(replaced([a, b], b, { kind: 'tag', tag: 'a' })).toEqual([a]);
    });
});
