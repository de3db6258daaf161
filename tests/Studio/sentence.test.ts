import type { FunnelSuccess, Results } from '@/api/types';
import { sentenceOf } from '@/results/sentence';
import { describe, expect, it } from 'vitest';

const rate = (r: number | null) => ({ rate: r, low: null, high: null });
const of = (success: object, before = 0, visitors = 294): Results =>
    ({
        days: ['2026-11-01', '2026-11-02', '2026-11-03'].map((day) => ({ day, views: 0, visitors: 0, signups: 0 })),
        whole: {
            visitors,
            signupRate: { rate: 104 / 294, low: 0.301, high: 0.41 },
            orderRate: { rate: (success as FunnelSuccess).count / 294, low: 0.129, high: 0.213 },
        },
        before: { visitors: 7 },
        success: success as FunnelSuccess,
        successBefore: { count: before },
    }) as unknown as Results;

describe('how a funnel goes, in a sentence', () => {
    it.each([
        [
            'a gift',
            of({ kind: 'signups', count: 104, trend: [1, 90, 13], rate: rate(0.35) }, 80),
            '294 visitors came, and there were 104 sign-ups: 35 of a hundred (between 30 and 41 of a hundred). The best day was 2 November with 90 sign-ups. In the time before it was 80 sign-ups.',
        ],
        [
            'sales',
            of({ kind: 'sales', count: 49, trend: [20, 9, 20], revenue: '€11,849', minor: 1 }),
            '294 visitors came, and there were 49 sales: 17 of a hundred (between 12 and 22 of a hundred), €11,849. The best day was 1 November with 20 sales.',
        ],
        [
            'one sale',
            of({ kind: 'sales', count: 1, trend: [0, 0, 1], revenue: '€290', minor: 1 }),
            '294 visitors came, and there was 1 sale: 0 of a hundred (between 12 and 22 of a hundred), €290. The best day was 3 November with 1 sale.',
        ],
        [
            'no sale',
            of({ kind: 'sales', count: 0, trend: [0, 0, 0], revenue: '', minor: 0 }),
            '294 visitors came, and there were 0 sales: 0 of a hundred (between 12 and 22 of a hundred).',
        ],
        [
            'more sales than visitors, such as by links in emails',
            of({ kind: 'sales', count: 300, trend: [300, 0, 0], revenue: '€1', minor: 1 }),
            '294 visitors came, and there were 300 sales, €1. The best day was 1 November with 300 sales.',
        ],
        [
            'a webinar',
            of({ kind: 'registrations', count: 62, trend: [60, 1, 1], rate: rate(0.615) }),
            '294 visitors came, and there were 62 registrations: 21 of a hundred. Of those whose session is over 62 % came. The best day was 1 November with 60 registrations.',
        ],
        [
            'a webinar whose session is to come',
            of({ kind: 'registrations', count: 1, trend: [0, 1, 0], rate: rate(null) }),
            '294 visitors came, and there was 1 registration: 3 of a thousand. The best day was 2 November with 1 registration.',
        ],
    ])('of %s', (_, results, sentence) => expect(sentenceOf(results)).toBe(sentence));

    it('says what there was before where nobody came', () =>
        expect(sentenceOf(of({ kind: 'sales', count: 0, trend: [0, 0, 0], revenue: '' }, 0, 0))).toBe(
            'Nobody came in this time. In the time before 7 visitors came.',
        ));
});
