import { describe, expect, it } from 'vitest';
import { copy, diff, joined, patched, same } from '@/ui/patches';

const pairs: [string, unknown, unknown][] = [
    ['words', 'a', 'b'],
    ['nothing', { a: 1 }, { a: 1 }],
    ['a value deep down', { a: { b: [{ c: 1 }, { c: 2 }] } }, { a: { b: [{ c: 1 }, { c: 3 }] } }],
    ['a key that comes', { a: 1 }, { a: 1, b: { c: [] } }],
    ['a key that goes', { a: 1, b: 2 }, { a: 1 }],
    ['a key that was undefined', { a: undefined }, { a: 'x' }],
    ['null and back', { a: null }, { a: [1] }],
    ['an entry put in', [1, 2, 3], [1, 9, 2, 3]],
    ['an entry removed', [1, 2, 3], [1, 3]],
    ['entries exchanged', [{ id: 'a' }, { id: 'b' }, { id: 'c' }], [{ id: 'c' }, { id: 'b' }, { id: 'a' }]],
    ['an end that grows', [], [1, 2]],
    ['all gone', [1, 1, 1], []],
    ['twins', [1, 1, 2, 1, 1], [1, 1, 1, 1]],
    ['a list that becomes an object', { a: [1] }, { a: { 0: 1 } }],
    ['numbers and words', { a: 1 }, { a: '1' }],
];

describe('what differs between two states', () => {
    it.each(pairs)('%s: there and back', (_, before, after) => {
        const [was, is] = [copy(before), copy(after)];
        const patches = diff(before, after);
        expect(patched(before, patches)).toEqual(is);
        expect(patched(after, patches, true)).toEqual(was);
        expect([same(before, was), same(after, is)], 'nothing is changed on the way').toEqual([true, true]);
    });

    it('is as small as what has changed', () => {
        const page = (words: string) => ({
            sections: Array.from({ length: 60 }, (_, i) => ({ id: `s${i}`, text: i === 7 ? words : 'x'.repeat(500) })),
        });
        const patches = diff(page('old'), page('new'));
        expect(patches).toEqual([{ path: ['sections', 7, 'text'], before: 'old', after: 'new' }]);
        expect(diff([1, 2, 3, 4], [1, 2, 9, 3, 4])).toEqual([{ path: [], at: 2, removed: [], added: [9] }]);
    });

    it('joins what is typed in one place, and keeps in order what is not', () => {
        const one = diff({ a: 'H' }, { a: 'He' });
        expect(joined(one, diff({ a: 'He' }, { a: 'Hey' }))).toEqual([{ path: ['a'], before: 'H', after: 'Hey' }]);
        const two = joined(one, diff({ a: 'He', b: [1] }, { a: 'He', b: [1, 2] }));
        expect(two).toHaveLength(2);
        expect(patched({ a: 'He', b: [1, 2] }, two, true)).toEqual({ a: 'H', b: [1] });
    });

    it('comes back from any chain of random changes', () => {
        let seed = 7;
        const dice = (n: number) => (seed = (seed * 48271) % 2147483647) % n;
        const value = (deep: number): unknown =>
            deep === 0 || dice(3) === 0
                ? [null, 'w', dice(9), true][dice(4)]
                : dice(2) === 0
                  ? Array.from({ length: dice(4) }, () => value(deep - 1))
                  : Object.fromEntries(Array.from({ length: dice(4) }, () => ['abc'[dice(3)], value(deep - 1)]));
        for (let round = 0; round < 400; round++) {
            const states = [value(4), value(4), value(4)];
            const chain = [...diff(states[0], states[1]), ...diff(states[1], states[2])];
            expect(patched(states[0], chain)).toEqual(states[2]);
            expect(patched(states[2], chain, true)).toEqual(states[0]);
        }
    });
});
