import { slotsOf } from '@/funnel/timeline/slots';
import { describe, expect, it } from 'vitest';
import { email, funnel, page, sequence, ways, webinarFunnel } from './funnel';

const shown = (f: Parameters<typeof slotsOf>[0], s: string) =>
    slotsOf(f, s).map((x) => `${x.words}: ${x.emails.map((e) => e.id).join(' ')}`.trim());

/** Somebody joins, and gets an email on each of these days. */
const days = (...list: number[]) =>
    funnel({
        pages: [page('a', 'opt-in'), page('b', 'thank-you')],
        ways: ways('a joined b'),
        sequences: [sequence('s', { kind: 'form', form: 'f' }), sequence('other')],
        emails: [
            ...list.map((d) => email(`e${d}`, 's', d === 0 ? { from: 'joining' } : { from: 'joining', days: d }, d * 1440)),
            email('else', 'other', { from: 'joining', days: 2 }, 2880),
        ],
    });

describe('the moments of a sequence', () => {
    it.each([
        ['none', [], ['At once:', 'Day 1:']],
        ['one at once', [0], ['Joins: e0', 'Day 1:']],
        ['days next to each other', [0, 1, 2], ['Joins: e0', 'Day 1: e1', 'Day 2: e2', 'Day 3:']],
        ['a day between', [0, 1, 3], ['Joins: e0', 'Day 1: e1', 'Day 2:', 'Day 3: e3', 'Day 4:']],
        [
            'a week between is offered day by day',
            [1, 9],
            ['At once:', 'Day 1: e1', ...[2, 3, 4, 5, 6, 7, 8].map((d) => `Day ${d}:`), 'Day 9: e9', 'Day 10:'],
        ],
        ['more is not', [1, 30], ['At once:', 'Day 1: e1', 'Day 2:', 'Day 29:', 'Day 30: e30', 'Day 31:']],
        ['days before the first', [3], ['At once:', 'Day 1:', 'Day 2:', 'Day 3: e3', 'Day 4:']],
    ])('with %s', (_, list, expected) => {
        expect(shown(days(...list), 's')).toEqual(expected);
    });
    it('of a webinar come as they are on the timeline, with the days after it', () => {
        expect(shown(webinarFunnel(), 'reminders')).toEqual([
            'Joins: hello',
            '7 d before the session: week',
            '1 h before the session: hour',
            'Session: now',
            '30 min after the session: came missed',
            'Day 1:',
            'Day 2: day-left',
            'Day 3: replay-ends hours-left',
            'Day 4: over',
            'Day 5:',
        ]);
    });
});
