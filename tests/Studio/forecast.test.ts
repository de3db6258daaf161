import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it } from 'vitest';
import type { ForecastRange, ForecastResult } from '@/api/types';
import { didWords, inRange, measuredOf, rangeWords, weeksOf } from '@/results/forecast';

const none: ForecastRange = [0, 0, 0];
const result = (over: Partial<ForecastResult> = {}): ForecastResult => ({
    from: '2026-12-24',
    weeks: { signups: [none, none], sales: [none, none], money: [none, none], emails: [none, none] },
    days: { signups: [], sales: [], money: [], emails: [] },
    all: { signups: [1, 2, 3], sales: none, money: none, emails: [4, 5, 6] },
    lives: 10000,
    arrived: 1,
    currency: 'EUR',
    past: null,
    ...over,
});

describe('a forecast in words', () => {
    beforeEach(() => setActivePinia(createPinia()));
    it.each<[ForecastRange, string, string]>([
        [[6, 9, 21], 'signups', '6 to 21'],
        [[3, 3, 3], 'sales', '3'],
        [[123456, 200000, 298765], 'money', '€1,235 to €2,988'],
    ])('%s of %s', (range, key, words) => expect(rangeWords(range, key as 'signups', 'EUR')).toBe(words));
    it.each<[number, ForecastRange, string]>([
        [5, [3, 4, 5], 'within it'],
        [6, [3, 4, 5], 'more than that'],
        [2, [3, 4, 5], 'less than that'],
        [0, [3, 4, 5], 'less than that: none'],
    ])('%s of %s', (came, range, words) => {
        expect(didWords(came, range)).toBe(words);
        expect(inRange(came, range)).toBe(words === 'within it');
    });
    it('names the weeks over the turn of the year, and what the funnel has', () => {
        expect(weeksOf(result())).toEqual(['2026-12-24', '2026-12-31']);
        expect(measuredOf(result()).map((m) => m.key)).toEqual(['signups', 'emails']);
        const past = { from: '', to: '', forecast: result().all, came: { signups: 0, sales: 1, money: 0, emails: 0 } };
        expect(measuredOf(result({ past })).map((m) => m.key)).toEqual(['signups', 'sales', 'emails']);
    });
});
