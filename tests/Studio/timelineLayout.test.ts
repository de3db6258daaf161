import { describe, expect, it } from 'vitest';
import type { Funnel } from '../../resources/studio/api/types';
import { arcsOf, columnWidth, lanesOf, popupBarsOf, stationsOf, totalWidth } from '../../resources/studio/funnel/timelineLayout';

const page = (id: string, role = 'sales', outcomes = 1) => ({
    id,
    name: id,
    role,
    outcomes: Array(outcomes).fill({ outcome: 'joined', label: 'joined' }),
});
const email = (id: string, timing: object, offset = 0) => ({ id, timing, offset });
const popup = (targeting: object, placed = false) => ({ id: 'v', targeting, placed });
const funnel = (more: object = {}) =>
    ({
        pages: [page('in', 'opt-in'), page('thanks', 'thank-you', 0)],
        ways: [{ page: 'in', outcome: 'joined', toPage: 'thanks' }],
        emails: [email('hello', { from: 'joining' }), email('later', { from: 'joining', days: 3 }, 4320)],
        deadlines: [],
        popups: [],
        times: {},
        ...more,
    }) as unknown as Funnel;

describe('the columns of the timeline', () => {
    it('are the pages in order, and then the moments after joining', () => {
        const columns = stationsOf(funnel());
        expect(columns.map((c) => [c.when, c.emails.map((e) => e.id)])).toEqual([
            ['First visit', []],
            ['On joining', ['hello']],
            ['Day 3', ['later']],
        ]);
        expect(columns.map(columnWidth)).toEqual([302, 228, 184]);
        expect(totalWidth(columns)).toBe(714);
    });

    it('have no more than a page where that is all there is', () => {
        expect(stationsOf(funnel({ pages: [], emails: [] }))).toEqual([]);
        expect(stationsOf(funnel({ pages: [page('in')], emails: [] })).map((c) => c.when)).toEqual(['First visit']);
        expect(stationsOf(funnel({ pages: [page('in')] })).map((c) => c.when)).toEqual(['First visit', 'at once', 'Day 3']);
    });
});

describe('what lies over the columns', () => {
    const deadline = (more: object = {}) => ({ id: 'd', duration: { days: 3 }, length: 4320, startsAt: 0, latest: null, ...more });
    const lanes = (f: Funnel) => lanesOf(f, stationsOf(f), new Date('2027-01-01T00:00Z'));

    it('is a deadline from what starts it to its end', () => {
        expect(lanes(funnel({ deadlines: [deadline()] }))).toMatchObject([{ left: 302 + 22, width: 228 }]);
    });

    it('is one all along, with its emails by it, where nobody knows when it starts', () => {
        const told = (id: string, days: number) => email(id, { from: 'deadline', deadline: 'd', edge: 'end', days });
        const [lane] = lanes(
            funnel({ deadlines: [deadline({ startsAt: null })], emails: [told('last', -1), told('first', -2), told('after', 1)] }),
        );
        expect(lane).toMatchObject({ left: 22, width: 530 - 40 - 22 });
        expect(lane!.emails.map((e) => e.id)).toEqual(['first', 'last', 'after']);
    });

    it('is a pop-up below the pages that it is on', () => {
        const bars = (targeting: object, placed = false) => {
            const f = funnel({ popups: [popup(targeting, placed)], pages: [page('a'), page('b'), page('c', 'checkout')] });
            return popupBarsOf(f, stationsOf(f), ['checkout']).map((b) => [b.left, b.width]);
        };
        expect(bars({})).toEqual([[0, 302 + 200]]);
        expect(bars({ pages: 'some', ids: ['b'] })).toEqual([[302, 440]]);
        expect(bars({ pages: 'except', ids: ['a'] })).toEqual([[302, 440]]);
        expect(bars({ pages: 'none' })).toEqual([[22, 440]]);
        expect(bars({}, true)).toEqual([[22, 440]]);
    });
});

describe('ways above the pages', () => {
    it('are those that do not simply lead on to the next one', () => {
        const f = funnel({
            pages: [page('a'), page('b'), page('c')],
            ways: [
                { page: 'a', outcome: 'joined', toPage: 'b' },
                { page: 'a', outcome: 'declined', toPage: 'c' },
                { page: 'c', outcome: 'joined', toPage: 'a' },
                { page: 'b', outcome: 'joined', toPage: null, toUrl: 'https://x.example' },
            ],
        });
        expect(arcsOf(f, stationsOf(f)).map((a) => [a.key, a.label])).toEqual([
            ['adeclined', ''],
            ['cjoined', 'joined'],
        ]);
    });
});
