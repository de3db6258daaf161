import type { FunnelSuccess, Results } from '@/api/types';
import { calendarDay, counted, percent } from '@/ui/format';
import { betweenWords, ofHundred } from '@/results/plain';

/** What a funnel is for, as a line of a chart or the heading of a column is called. */
export const NAMES: Record<FunnelSuccess['kind'], string> = { signups: 'Sign-ups', registrations: 'Registrations', sales: 'Sales' };

/** The goals a funnel can have, as they are chosen. */
export const GOALS = [
    { value: 'signups' as const, label: 'Sign-ups' },
    { value: 'registrations' as const, label: 'Registrations and attendance' },
    { value: 'sales' as const, label: 'Sales and revenue' },
];

const ONE = { signups: 'sign-up', registrations: 'registration', sales: 'sale' };

const rateOf = (n: number, visitors: number) => ({ successes: n, trials: visitors, rate: n / visitors, low: null, high: null });

/** How it went, in what this funnel is for: "294 visitors came, and there were 49 sales: 17 of a hundred (between 13 and 21), €11,849. …" */
export function sentenceOf({ success, successBefore, days, whole, before }: Results): string {
    const visitors = whole.visitors;
    if (visitors === 0 && success.count === 0) {
        return before.visitors > 0
            ? `Nobody came in this time. In the time before ${counted(before.visitors, 'visitor')} came.`
            : 'Nobody came in this time.';
    }
    const share = (n: number) => {
        if (n > visitors) {
            return '';
        }
        const rate = success.kind === 'sales' ? whole.orderRate : success.kind === 'signups' ? whole.signupRate : rateOf(n, visitors);
        const between = betweenWords(rate);
        return `: ${ofHundred(rate)}${between ? ` (${between})` : ''}`;
    };
    const best = success.trend.indexOf(Math.max(...success.trend));
    const day = days[best]?.day;
    const peak =
        day && success.trend[best]! > 0
            ? ` The best day was ${calendarDay(day, { day: 'numeric', month: 'long' })} with ${counted(success.trend[best]!, ONE[success.kind])}.`
            : '';
    const was = successBefore.count > 0 ? ` In the time before it was ${counted(successBefore.count, ONE[success.kind])}.` : '';
    const head = `${counted(visitors, 'visitor')} came, and there ${success.count === 1 ? 'was' : 'were'} ${counted(success.count, ONE[success.kind])}${share(success.count)}`;
    switch (success.kind) {
        case 'sales':
            return `${head}${success.revenue ? `, ${success.revenue}` : ''}.${peak}${was}`;
        case 'registrations': {
            const attended = success.rate.rate === null ? '' : ` Of those whose session is over ${percent(success.rate.rate, 0)} came.`;
            return `${head}.${attended}${peak}${was}`;
        }
        default:
            return `${head}.${peak}${was}`;
    }
}
