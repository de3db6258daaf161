import type { ForecastRange, ForecastResult, Measured } from '@/api/types';
import { count } from '@/ui/format';
import { showMoney } from '@/ui/money';

export const MEASURED: { key: Measured; label: string }[] = [
    { key: 'signups', label: 'Sign-ups' },
    { key: 'sales', label: 'Sales' },
    { key: 'money', label: 'Money' },
    { key: 'emails', label: 'Emails' },
];

/** What of it a funnel has at all. */
export const measuredOf = (result: ForecastResult): { key: Measured; label: string }[] =>
    MEASURED.filter((m) => result.all[m.key][2] > 0 || (result.past?.came[m.key] ?? 0) > 0);

/** Money without its decimals: a forecast is no bill. */
const amount = (n: number, key: Measured, currency: string): string =>
    key === 'money' ? showMoney(Math.round(n / 100) * 100, currency) : count(n);

export function rangeWords(range: ForecastRange, key: Measured, currency: string): string {
    const [low, , high] = range;
    const [from, to] = [amount(low, key, currency), amount(high, key, currency)];
    return from === to ? from : `${from} to ${to}`;
}

export const inRange = (n: number, [low, , high]: ForecastRange): boolean => n >= low && n <= high;

/** How a forecast did: as much as it said, or how much more or less. */
export function didWords(came: number, range: ForecastRange): string {
    if (inRange(came, range)) {
        return 'within it';
    }
    const [low, , high] = range;
    return came > high ? 'more than that' : `less than that${low > 0 && came === 0 ? ': none' : ''}`;
}

/** The first day of each week of it. */
export function weeksOf(result: ForecastResult): string[] {
    return result.weeks.signups.map((_, i) =>
        new Date(Date.parse(`${result.from}T12:00:00Z`) + i * 7 * 86_400_000).toISOString().slice(0, 10),
    );
}
