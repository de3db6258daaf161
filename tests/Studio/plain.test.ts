import { csvLink } from '@/results/csv';
import { against, betweenWords, ofHundred, spanWords, trulyChanged } from '@/results/plain';
import { describe, expect, it } from 'vitest';

const rate = (r: number | null, low: number | null = null, high: number | null = null) => ({ successes: 0, trials: 0, rate: r, low, high });

describe('rates in plain words', () => {
    it.each([
        [rate(0.347, 0.31, 0.384), '35 of a hundred', 'between 31 and 39 of a hundred'],
        [rate(0.004, 0.0021, 0.0078), '4 of a thousand', 'between 2 and 8 of a thousand'],
        [rate(0, 0, 0.79), '0 of a hundred', 'between 0 and 79 of a hundred'],
        [rate(1, 0.21, 1), '100 of a hundred', 'between 21 and 100 of a hundred'],
        [rate(null), '', ''],
    ])('of %o', (r, of, between) => {
        expect(ofHundred(r)).toBe(of);
        expect(betweenWords(r)).toBe(between);
    });

    it('change only where what they may be does not overlap', () => {
        expect(trulyChanged(rate(0.4, 0.36, 0.44), rate(0.3, 0.27, 0.33))).toBe('up');
        expect(trulyChanged(rate(0.3, 0.27, 0.33), rate(0.4, 0.36, 0.44))).toBe('down');
        expect(trulyChanged(rate(0.4, 0.3, 0.5), rate(0.3, 0.2, 0.4))).toBeNull();
        expect(trulyChanged(rate(null), rate(0.3, 0.2, 0.4))).toBeNull();
    });
});

describe('numbers beside others', () => {
    it.each([
        [112, 100, '+12 %'],
        [97, 100, '−3 %'],
        [100, 100, 'as before'],
        [5, 0, ''],
        [0, 5, '−100 %'],
    ])('%i after %i', (now, before, words) => expect(against(now, before)).toBe(words));

    it.each([
        [null, '–'],
        [1, '1 second'],
        [40, '40 seconds'],
        [89, '89 seconds'],
        [150, '3 minutes'],
        [7200, '2 hours'],
        [400_000, '5 days'],
    ])('%s seconds', (seconds, words) => expect(spanWords(seconds)).toBe(words));
});

describe('a table as CSV', () => {
    it('quotes what must be, and is never a formula', () => {
        const [, text] = csvLink(
            ['page', 'visitors'],
            [
                ['Say "hello", now', 3],
                ['=1+1', 0.5],
                ['@x', null],
                ['two\nlines', -4],
            ],
        ).split(',');
        expect(decodeURIComponent(text!)).toBe('page,visitors\r\n"Say ""hello"", now",3\r\n\'=1+1,0.5\r\n\'@x,\r\n"two\nlines",-4');
    });
});
