import { describe, expect, it } from 'vitest';
import type { Funnel, PeopleKit } from '../../../resources/studio/api/types';
import { layOut } from '../../../resources/studio/funnel/timeline/layout';
import { audienceWords, listingOf } from '../../../resources/studio/funnel/timeline/listing';
import { emailNote, pageNote, shareOf, type TimelineNumbers } from '../../../resources/studio/funnel/timeline/numbers';
import rules from '../../fixtures/rules.json';
import { email, funnel, page, sequence, ways, webinarFunnel } from './funnel';

const none = { fields: [], funnels: [], pages: [], emails: [], deadlines: [], webinars: [], guides: [], guidePages: [], broadcasts: [] };
const kit = { ...none, rules: rules.kinds } as unknown as PeopleKit;
const numbers: TimelineNumbers = {
    pages: {
        confirm: {
            views: 0,
            visitors: 0,
            signups: 0,
            downloads: 0,
            sales: 0,
            rate: { rate: null, low: null, high: null, trials: 0 } as never,
        },
    },
    visitors: { register: 80, confirm: 40, room: 25 },
    emails: { hello: { sent: 40, opened: 10, waiting: 2, lost: 1 } },
    ways: {
        register: { joined: { taken: 40, of: 80 } },
        room: { attended: { taken: 30, of: 25 } },
        confirm: { attended: { taken: 0, of: 0 } },
    },
};
const list = (f: Funnel, n: TimelineNumbers | null = null) =>
    listingOf(f, layOut(f, { width: 1140, zoom: 1, quietRoles: [], now: new Date('2027-01-01') }), n, kit);

describe('the timeline in words', () => {
    it('names every page, email and what lasts once, in the order in which they come', () => {
        const moments = list(webinarFunnel());
        const names = moments.flatMap((m) => m.entries.map((e) => `${e.kind}:${e.id}`));
        expect(names).toHaveLength(12 + 11 + 2 + 1 + 1);
        expect(new Set(names).size).toBe(names.length);
        expect(moments.map((m) => m.words)).toEqual([
            'First visit',
            'Joins',
            '7 d before the session',
            '1 h before the session',
            'Session',
            '30 min after the session',
            'Sees the offer',
            'Chooses',
            'Buys',
            'Yes or no',
            'Day 2',
            'Day 3',
            'Day 4',
            'All along',
        ]);
    });

    it('says where each way leads, and how many went there', () => {
        const [first, joins] = list(webinarFunnel(), numbers);
        expect(first!.entries[0]!.lines).toEqual(['80 visitors', 'joined* go to “confirm” (50 %, 40 of 80)']);
        expect(first!.entries[1]!.what).toBe('while closed');
        expect(joins!.entries[0]!.lines).toEqual(['40 visitors', 'attended go to “room”', 'missed go to “replay”']);
        expect(joins!.entries[1]).toMatchObject({
            what: 'email of “reminders”',
            lines: ['hello', '40 sent · 2 waiting · 25 % opened* · 1 left'],
        });
    });

    it('says what leads nowhere yet, and outside', () => {
        const f = funnel({ pages: [page('in', 'opt-in'), page('up', 'upsell')], ways: ways('up bought https://x.example') });
        expect(list(f).flatMap((m) => m.entries.flatMap((e) => e.lines))).toEqual([
            'joined* go to nowhere yet',
            'bought* go to outside',
            'declined* go to nowhere yet',
        ]);
    });

    it('says to whom an email goes that is not for all', () => {
        const only = {
            all: true,
            rules: [
                { kind: 'tag', tag: 'Cellist' },
                {
                    all: false,
                    rules: [
                        { kind: 'tag', tag: 'a' },
                        { kind: 'tag', tag: 'b' },
                    ],
                },
            ],
        };
        const words = audienceWords(only as never, kit);
        expect(words).toMatch(/Cellist.* and \(.*a.* or .*b.*\)$/);
        const f = funnel({ sequences: [sequence('s')], emails: [{ ...email('e', 's', { from: 'joining' }), only }] });
        expect(list(f)[0]!.entries[0]!.lines).toEqual([`e, to those for whom: ${words}`]);
    });
});

describe('numbers on the timeline', () => {
    const shop = funnel({
        pages: [
            page('sell', 'sales', [{ offer: 'o' }]),
            page('pay', 'checkout', [{ offer: 'o' }]),
            page('free', 'free', [{ offer: 'gone' }]),
        ],
        offers: [{ id: 'o', open: false, priceWords: '€290' }],
    });
    const of = (id: string, sales: number, isNarrow = false) => {
        const { number, words } = pageNote(
            shop,
            { ...numbers, visitors: { [id]: 1 }, pages: { [id]: { sales } as never } },
            shop.pages.find((p) => p.id === id)!,
            isNarrow,
        );
        return `${number} ${words}`;
    };

    it('are visitors, and where something is paid what was sold', () => {
        expect([of('sell', 0), of('sell', 0, true), of('sell', 3), of('pay', 0), of('free', 0)]).toEqual([
            '1 visitor · €290',
            '1 · €290',
            '3 sold · €290',
            '0 sold · €290',
            '1 visitor',
        ]);
    });

    it('say no share where nobody could go, and never more than all', () => {
        expect(shareOf(numbers, 'register', 'joined')).toBe('50 %');
        expect(shareOf(numbers, 'room', 'attended')).toBe('100 %');
        expect([shareOf(numbers, 'confirm', 'attended'), shareOf(numbers, 'x', 'y'), shareOf(null, 'register', 'joined')]).toEqual([
            '',
            '',
            '',
        ]);
    });

    it('say nothing of opens where nothing was sent', () => {
        expect(emailNote(numbers, email('other', 's', {}))).toBe('0 sent');
    });
});
