import { describe, expect, it } from 'vitest';
import type { FunnelRow, FunnelSuccess } from '../../resources/studio/api/types';
import { grouped, nextOrder, shareWords, sorted, successWords } from '../../resources/studio/funnels/homeList';

const rate = (r: number | null) => ({ successes: 1, trials: 2, rate: r, low: null, high: null });
const signups = (count: number, r: number | null = 0.334) =>
    ({ kind: 'signups', count, trend: [], rate: rate(r) }) as unknown as FunnelSuccess;
const came = (count: number, r: number | null) => ({ kind: 'registrations', count, trend: [], rate: rate(r) }) as unknown as FunnelSuccess;
const sales = (count: number, minor: number) => ({ kind: 'sales', count, trend: [], revenue: `€${minor / 100}`, minor }) as FunnelSuccess;
const row = (name: string, success: FunnelSuccess, more: Partial<FunnelRow> = {}) =>
    ({ name, state: 'live', visitors: 1, lastActivity: null, success, ...more }) as FunnelRow;

describe('what a funnel brought', () => {
    it.each([
        [signups(173), '173 sign-ups', '33.4 % of visitors'],
        [signups(1, null), '1 sign-up', ''],
        [came(34, 0.62), '34 registrations', '62 % came'],
        [came(2, null), '2 registrations', ''],
        [sales(18, 332_500), '18 sales', '€3325'],
    ])('is said in its own currency', (success, words, share) => {
        expect([successWords(success), shareWords(success)]).toEqual([words, share]);
    });
});

describe('the list of funnels', () => {
    const rows = [
        row('beta', signups(5, 0.2), { state: 'draft', visitors: 30, lastActivity: '2026-11-02' }),
        row('Alpha', sales(9, 500), { state: 'live', visitors: 10 }),
        row('gamma', came(7, 0.9), { state: 'live', visitors: 20, lastActivity: '2026-11-03' }),
        row('delta', sales(1, 9_000), { state: 'closed', visitors: 20, lastActivity: '2026-11-01' }),
    ];
    const names = (column: Parameters<typeof nextOrder>[1], down: boolean) => sorted(rows, { column, down }).map((f) => f.name);

    it('is sorted by any column, and else stays as it came', () => {
        expect(sorted(rows, null)).toBe(rows);
        expect(names('name', false)).toEqual(['Alpha', 'beta', 'delta', 'gamma']);
        expect(names('state', false)).toEqual(['Alpha', 'gamma', 'beta', 'delta']);
        expect(names('visitors', true)).toEqual(['beta', 'gamma', 'delta', 'Alpha']);
        expect(names('count', true)).toEqual(['Alpha', 'gamma', 'beta', 'delta']);
        expect(names('share', true), 'money stands by itself').toEqual(['delta', 'Alpha', 'gamma', 'beta']);
        expect(names('lastActivity', true)).toEqual(['gamma', 'beta', 'delta', 'Alpha']);
    });

    it('begins with the most of a number and the first of words, and turns round', () => {
        expect(nextOrder(null, 'visitors')).toEqual({ column: 'visitors', down: true });
        expect(nextOrder({ column: 'visitors', down: true }, 'visitors')).toEqual({ column: 'visitors', down: false });
        expect(nextOrder({ column: 'visitors', down: true }, 'name')).toEqual({ column: 'name', down: false });
    });
});

describe('the list of funnels by their labels', () => {
    const labelled = (name: string, ...labels: string[]) =>
        row(name, { kind: 'signups', count: 0, trend: [], rate: {} as never }, { labels });

    it('has each funnel under every label of its own, and those without any last', () => {
        const groups = grouped([labelled('a', 'Spring', 'Free'), labelled('b'), labelled('c', 'Free')]);
        expect(groups.map((g) => [g.label, g.funnels.map((f) => f.name)])).toEqual([
            ['Free', ['a', 'c']],
            ['Spring', ['a']],
            ['', ['b']],
        ]);
        expect(grouped([labelled('a', 'Free')]).map((g) => g.label)).toEqual(['Free']);
    });
});
