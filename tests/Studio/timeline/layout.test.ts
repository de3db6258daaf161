import { describe, expect, it } from 'vitest';
import type { Funnel } from '../../../resources/studio/api/types';
import { layOut, sharesForEveryone, type Timeline } from '../../../resources/studio/funnel/timeline/layout';
import { stopsOf } from '../../../resources/studio/funnel/timeline/stops';
import { email, funnel, page, sequence, ways, webinarFunnel } from './funnel';

const lay = (f: Funnel, width = 1140, zoom = 1) =>
    layOut(f, { width, zoom, quietRoles: ['checkout'], now: new Date('2027-01-01T00:00:00Z') });
const lane = (t: Timeline, key: string) => t.lanes.find((l) => l.key === key)!;
const overlap = (a: [number, number], b: [number, number]) => a[0] < b[1] && b[0] < a[1];

describe('the timeline', () => {
    it('fits a whole webinar into the width of a usual screen', () => {
        const t = lay(webinarFunnel());
        expect(t.width).toBeLessThanOrEqual(1140);
        expect(t.columns.at(-1)!.x + t.columns.at(-1)!.width).toBe(t.width);
        expect(t.card.width).toBeGreaterThanOrEqual(96);
    });

    it('takes more width where there is some, up to a point, and no less than it needs', () => {
        const small = lay(webinarFunnel(), 400);
        expect(small.width).toBeGreaterThan(400);
        expect(lay(webinarFunnel(), 1700).width).toBeGreaterThan(1640);
        expect(lay(webinarFunnel(), 400, 2).width).toBeGreaterThan(small.width * 1.9);
        const gift = funnel({ pages: [page('in', 'opt-in')] });
        expect(lay(gift, 5000).width).toBe(210);
    });

    it('puts no card on another and none on the lanes', () => {
        const t = lay(webinarFunnel());
        for (const a of t.cards) {
            expect(a.y + t.card.height).toBeLessThan(t.lanesAt);
            for (const b of t.cards.filter((c) => c !== a)) {
                const beside = !overlap([a.x, a.x + t.card.width], [b.x, b.x + t.card.width]);
                expect(beside || !overlap([a.y, a.y + t.card.height + 40], [b.y, b.y + t.card.height + 40])).toBe(true);
            }
        }
        t.arrows.forEach((a) => expect(a.to).toBeGreaterThan(a.from));
    });

    it('puts emails on the lane of their sequence, beside each other where they go out at once, with names where there is room', () => {
        const reminders = lane(lay(webinarFunnel()), 'sequence:reminders');
        const marks = reminders.kind === 'sequence' ? reminders.marks : [];
        expect(marks.map((m) => m.email.id)).toEqual([
            'hello',
            'week',
            'hour',
            'now',
            'came',
            'missed',
            'day-left',
            'replay-ends',
            'hours-left',
            'over',
        ]);
        marks.slice(1).forEach((m, i) => expect(m.x - marks[i]!.x).toBeGreaterThanOrEqual(22));
        expect(marks.filter((m) => m.room > 0).map((m) => m.email.id)).toContain('hello');
    });

    it('draws deadlines and replays over the moments they hold', () => {
        const t = lay(webinarFunnel());
        const column = (words: string) => t.columns.find((c) => c.words === words)!;
        const deadline = lane(t, 'deadline:d');
        expect([deadline.from - 4, deadline.to]).toEqual([column('Sees the offer').x, column('Day 3').x + column('Day 3').width / 2]);
        expect(lane(t, 'replay:w').from - 4).toBe(column('Session').x);
    });

    it('draws a replay without an end to the end', () => {
        const t = lay(webinarFunnel({ webinars: [{ id: 'w', name: 'w', words: '', replay: { delay: 0 } }] }));
        expect(lane(t, 'replay:w')).toMatchObject({ to: t.width, open: true });
    });

    it('puts a pop-up below the pages it is on', () => {
        const popup = (id: string, targeting: object, placed = false) => ({ id, name: id, words: '', placed, targeting, on: true });
        const t = lay(
            funnel({
                pages: [page('a', 'sales'), page('b', 'checkout'), page('c', 'free')],
                ways: ways('a chose b'),
                popups: [
                    popup('all', {}),
                    popup('one', { pages: 'some', ids: ['c'] }),
                    popup('but', { pages: 'except', ids: ['c'] }),
                    popup('none', { pages: 'none' }),
                    popup('placed', {}, true),
                ],
            }),
        );
        const x = Object.fromEntries(t.cards.map((c) => [c.place.page.id, c.x]));
        const bars = (id: string) => [lane(t, `popup:${id}`).from, lane(t, `popup:${id}`).to];
        expect(bars('all')).toEqual([x.a, x.c! + t.card.width]);
        expect(bars('one')).toEqual([x.c, x.c! + t.card.width]);
        expect(bars('but')).toEqual([x.a, x.a! + t.card.width]);
        expect(bars('none')).toEqual(bars('placed'));
    });

    it('is empty for an empty funnel, and has a lane for a sequence without emails', () => {
        expect(lay(funnel({}))).toMatchObject({ columns: [], cards: [], lanes: [], width: 0 });
        const t = lay(funnel({ pages: [page('in', 'opt-in')], sequences: [sequence('s')] }));
        expect(lane(t, 'sequence:s')).toMatchObject({ marks: [], from: 0, to: 0 });
    });

    it('holds forty pages and sixty emails', () => {
        const pages = Array.from({ length: 40 }, (_, i) => page(`p${i}`, 'opt-in'));
        const chain = pages.slice(1).map((p, i) => `p${i} joined ${p.id}`);
        const emails = Array.from({ length: 60 }, (_, i) => email(`e${i}`, 's', { from: 'joining' }, i * 1440));
        const t = lay(funnel({ pages, ways: ways(...chain), sequences: [sequence('s', { kind: 'form', form: 'x' })], emails }));
        expect([t.cards.length, t.arrows.length, t.columns.length]).toEqual([40, 39, 99]);
    });
});

describe('going through the timeline', () => {
    it('goes by what happens first, and ends with what lies over it', () => {
        const f = webinarFunnel();
        const stops = stopsOf(f, lay(f));
        expect(stops.map((s) => s.id).slice(0, 8)).toEqual(['register', 'closed', 'confirm', 'hello', 'week', 'hour', 'room', 'replay']);
        expect(stops.slice(-4).map((s) => s.kind)).toEqual(['sequence', 'sequence', 'deadline', 'webinar']);
        expect(new Set(stops.map((s) => s.kind + s.id)).size).toBe(stops.length);
    });

    it('comes by a webinar that has no replay as well', () => {
        const f = webinarFunnel({ webinars: [{ id: 'w', name: 'w', words: '', replay: null }] });
        expect(stopsOf(f, lay(f)).filter((s) => s.kind === 'webinar')).toHaveLength(1);
    });
});

describe('deadlines for everyone beside each other', () => {
    const everyone = (id: string, moment: string) => ({ id, duration: null, latest: { moment, zone: 'UTC' } });
    const shares = (more: object) => Object.fromEntries(sharesForEveryone(funnel(more), new Date('2027-01-01T00:00:00Z')));

    it('are as long as they last from now, or from the opening', () => {
        const deadlines = [
            everyone('a', '2027-01-03T00:00:00Z'),
            everyone('b', '2027-01-05T00:00:00Z'),
            everyone('c', '2026-12-01T00:00:00Z'),
        ];
        expect(shares({ deadlines })).toEqual({ a: 0.5, b: 1, c: 0 });
        expect(shares({ deadlines, times: { opens: { moment: '2027-01-02T00:00:00Z', zone: 'UTC' } } }).a).toBeCloseTo(1 / 3);
        expect(shares({ deadlines: [{ id: 'd', duration: { days: 1 }, latest: null }] })).toEqual({});
    });
});
