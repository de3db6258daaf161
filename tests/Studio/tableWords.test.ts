import { describe, expect, it } from 'vitest';
import type { AxisCount, Cohort, PopupRow, Rate, StepCount } from '@/api/types';
import { lengthOf, periodWords } from '@/results/period';
import { axisSentence, cohortsSentence, popupsSentence, stepsSentence } from '@/results/tableWords';

/** Wilson's interval, as the core has it. */
function rate(successes: number, trials: number): Rate {
    if (trials === 0) {
        return { successes, trials, rate: null, low: null, high: null };
    }
    const [z, p] = [1.96, successes / trials];
    const middle = (p + z ** 2 / (2 * trials)) / (1 + z ** 2 / trials);
    const half = (z * Math.sqrt((p * (1 - p)) / trials + z ** 2 / (4 * trials ** 2))) / (1 + z ** 2 / trials);
    return { successes, trials, rate: p, low: middle - half, high: middle + half };
}
const step = (name: string, visitors: number, wentOn: number, end = false) =>
    ({ name, visitors, left: visitors - wentOn, goingOn: rate(wentOn, visitors), end }) as StepCount;
const source = (value: string, visitors: number, signups: number) =>
    ({ value, visitors, signups, signupRate: rate(signups, visitors) }) as AxisCount;
const axis = (rows: AxisCount[]) =>
    axisSentence(
        rows,
        (r) => r.value,
        (r) => r.signupRate,
        'signups',
    );

describe('what a table says', () => {
    it.each<[string, StepCount[], string]>([
        ['nothing', [], 'Nobody came in this time.'],
        ['nobody', [step('Opt-in page', 0, 0)], 'Nobody came in this time.'],
        ['the end alone', [step('Thank-you page', 40, 0, true)], 'Nobody came in this time.'],
        ['all go on', [step('Opt-in page', 5, 5)], 'Whoever came went on.'],
        [
            'the page at which most are lost, not the one with the lowest share',
            [step('Sales page', 400, 100), step('Checkout', 100, 10), step('Thanks', 10, 0, true)],
            'Most are lost at “Sales page”: 300 left there, and 25 of a hundred went on (between 21 and 30 of a hundred).',
        ],
    ])('of pages: %s', (_, steps, words) => expect(stepsSentence(steps)).toBe(words));

    it.each<[string, AxisCount[], string]>([
        ['nobody', [], 'Nobody came in this time.'],
        ['one alone', [source('podcast', 10, 9)], '10 of 10 were “podcast”.'],
        [
            'two that may be the same',
            [source('podcast', 10, 4), source('newsletter', 30, 5)],
            '30 of 40 were “newsletter”. That any of them does better than all others cannot be said yet.',
        ],
        [
            'one that is truly better',
            [source('podcast', 100, 60), source('newsletter', 300, 50)],
            '300 of 400 were “newsletter”. Of “podcast” more joined than of all others: 60 of a hundred, between 50 and 70 of a hundred.',
        ],
        [
            'a lucky handful is not better',
            [source('podcast', 3, 3), source('newsletter', 300, 150)],
            '300 of 303 were “newsletter”. That any of them does better than all others cannot be said yet.',
        ],
    ])('of sources: %s', (_, rows, words) => expect(axis(rows)).toBe(words));

    const after = (buyers: number, left: number) => ({ buyers, left, revenue: '' });
    it.each<[string, Cohort[], string]>([
        ['none', [], 'What came of them is told once a week is over for all who joined in it.'],
        [
            'the oldest age of which something is known',
            [
                { week: '2026-01-05', people: 20, after: [after(1, 0), after(2, 1), after(3, 1), null] },
                { week: '2026-01-12', people: 30, after: [after(1, 0), after(2, 1), null, null] },
            ],
            'Of the 20 people of whom it is known, 3 had bought within four weeks, and 1 had unsubscribed.',
        ],
    ])('of cohorts: %s', (_, cohorts, words) => expect(cohortsSentence(cohorts)).toBe(words));

    const popup = (name: string, shown: number, joined: number) =>
        ({ name, numbers: { shown, joined, rate: rate(joined, shown) } }) as PopupRow;
    it.each<[string, PopupRow[], string]>([
        ['none', [], 'None was shown yet.'],
        ['nobody joined', [popup('Before they leave', 20, 0)], 'Nobody has joined in one yet.'],
        [
            'the one that brought most',
            [popup('Slip', 10, 2), popup('Before they leave', 200, 8)],
            '“Before they leave” brought most: 8 of 200 who saw it joined, between 2 and 8 of a hundred.',
        ],
    ])('of pop-ups: %s', (_, popups, words) => expect(popupsSentence(popups)).toBe(words));

    it('a time has so many days, across a change of the clocks too', () => {
        expect([
            lengthOf({ days: 28 }),
            lengthOf({ from: '2026-03-28', to: '2026-03-30' }),
            lengthOf({ from: '2026-03-28', to: '2026-03-28' }),
        ]).toEqual([28, 3, 1]);
        expect(periodWords({ days: 365 })).toBe('Last year');
        expect(periodWords({ days: 90 })).toBe('Last 90 days');
    });
});
