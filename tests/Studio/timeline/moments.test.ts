import { describe, expect, it } from 'vitest';
import type { Funnel } from '../../../resources/studio/api/types';
import { lasting, Moments } from '../../../resources/studio/funnel/timeline/moments';
import { Places } from '../../../resources/studio/funnel/timeline/places';
import { timingIn } from '../../../resources/studio/funnel/timeline/timing';
import { email, funnel, page, sequence, ways, webinarFunnel } from './funnel';

const momentsOf = (f: Funnel) => new Moments(f, new Places(f));
const columns = (f: Funnel) => momentsOf(f).columns.map((c) => c.words);
const at = (f: Funnel) => {
    const moments = momentsOf(f);
    const words = new Map(moments.columns.map((c) => [c.key, c.words]));
    return Object.fromEntries(f.emails.map((e) => [e.id, words.get(moments.of(e))]));
};
const gift = (more: object = {}) =>
    funnel({
        pages: [page('in', 'opt-in'), page('thanks', 'thank-you')],
        ways: ways('in joined thanks'),
        sequences: [sequence('s', { kind: 'form', form: 'x' })],
        ...more,
    });

describe('the moments of a funnel', () => {
    it('are those of a webinar, in order', () => {
        expect(columns(webinarFunnel())).toEqual([
            'First visit',
            'Joins',
            '−7 d',
            '−1 h',
            'Session',
            '+30 min',
            'Sees the offer',
            'Chooses',
            'Buys',
            'Yes or no',
            'Day 2',
            'Day 3',
            'Day 4',
        ]);
        expect(at(webinarFunnel())).toEqual({
            welcome: 'Buys',
            hello: 'Joins',
            week: '−7 d',
            hour: '−1 h',
            now: 'Session',
            came: '+30 min',
            missed: '+30 min',
            'replay-ends': 'Day 3',
            'day-left': 'Day 2',
            'hours-left': 'Day 3',
            over: 'Day 4',
        });
    });

    it('share a column on one day, and not within the first', () => {
        const emails = [0, 30, 90, 1440, 1500, 4140, 4320].map((offset) => email(`e${offset}`, 's', { from: 'joining' }, offset));
        expect(at(gift({ emails }))).toEqual({
            e0: 'Joins',
            e30: '+30 min',
            e90: '+1 h 30 min',
            e1440: 'Day 1',
            e1500: 'Day 1',
            e4140: 'Day 3',
            e4320: 'Day 3',
        });
    });

    it('stand at their own end where that is one moment for everyone', () => {
        const told = (id: string, days: number) => email(id, 's', { from: 'deadline', deadline: 'd', edge: 'end', days });
        const f = gift({
            deadlines: [
                { id: 'd', duration: null, latest: { moment: '2027-01-01T20:00:00Z', zone: 'UTC' }, length: 0, starts: [], pages: [] },
            ],
            emails: [told('after', 1), told('before', -2), told('at', 0)],
        });
        expect(columns(f)).toEqual(['First visit', 'Joins', '−2 d', 'Ends', '+1 d']);
        expect(at(f)).toEqual({ after: '+1 d', before: '−2 d', at: 'Ends' });
        expect(momentsOf(f).stretchOf(f.deadlines[0]!)).toEqual({ from: 'page:0', to: 'end:0' });
    });

    it.each([
        ['a tag', [{ kind: 'tag', tag: 'x' }], 'At once'],
        ['nothing', [], 'At once'],
        ['a page', [{ kind: 'page', page: 'in' }], 'First visit'],
        ['a click in an email of another one', [{ kind: 'click', email: 'late' }], 'Day 3'],
        ['the start of another one', [{ kind: 'sequence', sequence: 's' }], 'Joins'],
        [
            'a tag or a form',
            [
                { kind: 'tag', tag: 'x' },
                { kind: 'form', form: 'x' },
            ],
            'Joins',
        ],
        ['the start of itself', [{ kind: 'sequence', sequence: 'other' }], 'At once'],
    ])('begin where a sequence does that is started by %s', (_, starts, words) => {
        const f = gift({
            sequences: [sequence('s', { kind: 'form', form: 'x' }), sequence('other', ...starts)],
            emails: [email('late', 's', { from: 'joining', days: 3 }, 4320), email('first', 'other', { from: 'joining' })],
        });
        expect(at(f).first).toBe(words);
    });

    it('end where two sequences start each other', () => {
        const f = gift({
            sequences: [sequence('a', { kind: 'sequence', sequence: 'b' }), sequence('b', { kind: 'sequence', sequence: 'a' })],
            emails: [email('x', 'a', { from: 'joining' }), email('y', 'b', { from: 'joining' })],
        });
        expect(at(f)).toEqual({ x: 'At once', y: 'At once' });
    });

    it('have a column for joining and for a session where no page stands for them', () => {
        const f = funnel({
            pages: [page('in', 'registration')],
            sequences: [sequence('s', { kind: 'form', form: 'x' })],
            webinars: [{ id: 'w', name: 'w', replay: null }],
            emails: [
                email('hello', 's', { from: 'joining' }),
                email('before', 's', { from: 'session', anchor: 'before-start', minutes: 60, webinar: 'w' }),
            ],
        });
        expect(columns(f)).toEqual(['First visit', 'Joins', '−1 h', 'Session']);
    });

    it('hold two webinars whose rooms stand in one column', () => {
        const room = (id: string, webinar: string) => page(id, 'room', [{ id: 'b', kind: 'room', webinar }]);
        const before = (id: string, minutes: number) => email(id, 's', { from: 'session', anchor: 'before-start', minutes, webinar: id });
        const f = funnel({
            pages: [page('in', 'registration'), room('one', 'v'), room('two', 'w')],
            ways: ways('in joined one'),
            sequences: [sequence('s')],
            webinars: [
                { id: 'v', name: 'v', replay: null },
                { id: 'w', name: 'w', replay: null },
            ],
            emails: [before('v', 60), before('w', 1440)],
        });
        expect(columns(f)).toEqual(['First visit', '−1 h', '−1 d', 'Session']);
        expect(at(f)).toEqual({ v: '−1 h', w: '−1 d' });
    });

    it('hold what names a deadline or a webinar that is gone', () => {
        const f = gift({
            emails: [
                email('a', 's', { from: 'deadline', deadline: 'gone', edge: 'end' }),
                email('b', 's', { from: 'session', anchor: 'start', webinar: 'gone' }),
                email('c', 'gone', { from: 'joining' }),
            ],
        });
        expect(at(f)).toEqual({ a: 'At once', b: 'Joins', c: 'At once' });
    });

    it.each([
        [0, '0 min'],
        [10, '10 min'],
        [60, '1 h'],
        [90, '1 h 30 min'],
        [1440, '1 d'],
        [1500, '25 h'],
        [10080, '7 d'],
    ])('last %i minutes as %s', (minutes, words) => {
        expect(lasting(minutes)).toBe(words);
    });
});

describe('an email moved to another moment', () => {
    const f = webinarFunnel();
    const moments = momentsOf(f);
    const moved = (id: string, key: string) =>
        timingIn(
            f,
            moments,
            f.emails.find((e) => e.id === id)!,
            key,
        );

    it.each([
        ['week', 'before:w:60', { from: 'session', anchor: 'before-start', minutes: 60, webinar: 'w' }],
        ['came', 'page:2', { from: 'session', anchor: 'start', webinar: 'w' }],
        ['hello', 'rel:4320', { from: 'joining', days: 3, hour: 9 }],
        ['hello', 'rel:30', { from: 'joining', minutes: 30 }],
        ['came', 'rel:2880', { from: 'session', anchor: 'after-end', minutes: 2880, webinar: 'w' }],
        ['came', 'rel:0', null],
        ['replay-ends', 'rel:2880', { from: 'session', anchor: 'before-replay-ends', minutes: 1500, webinar: 'w' }],
        ['replay-ends', 'rel:5760', { from: 'session', anchor: 'after-end', minutes: 5760, webinar: 'w' }],
        ['hello', 'page:1', { from: 'joining' }],
        ['over', 'rel:2880', { from: 'deadline', deadline: 'd', edge: 'end', days: -1, hour: 9 }],
        ['over', 'page:1', { from: 'joining' }],
        ['hello', 'page:4', null],
        ['hello', 'end:0', null],
    ])('%s to %s', (id, key, timing) => {
        expect(moved(id, key)).toEqual(timing);
    });
});
