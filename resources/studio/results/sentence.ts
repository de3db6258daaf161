import type { FunnelSuccess, Results } from '@/api/types';
import { calendarDay, counted, percent } from '@/ui/format';

/** What a funnel is for, as a line of a chart or the heading of a column is called. */
export const NAMES: Record<FunnelSuccess['kind'], string> = { signups: 'Sign-ups', registrations: 'Registrations', sales: 'Sales' };

const ONE = { signups: 'sign-up', registrations: 'registration', sales: 'sale' };

/** How it went, in the currency in which this funnel counts: "294 visitors came, 49 of them bought: 16.7 %, €11,849. The best day was …" */
export function sentenceOf(visitors: number, { success, days, pages }: Results): string {
    const came = `${counted(visitors, 'visitor')} came`;
    const share = (n: number) => (n <= visitors ? `: ${percent(n / visitors)}` : '');
    const best = success.trend.indexOf(Math.max(...success.trend));
    const day = days[best]?.day;
    const peak =
        day && success.trend[best]! > 0
            ? ` The best day was ${calendarDay(day, { day: 'numeric', month: 'long' })} with ${counted(success.trend[best]!, ONE[success.kind])}.`
            : '';
    switch (success.kind) {
        case 'sales':
            return `${came}, and there ${success.count === 1 ? 'was' : 'were'} ${counted(success.count, 'sale')}${share(success.count)}${success.revenue ? `, ${success.revenue}` : ''}.${peak}`;
        case 'registrations': {
            const attended = success.rate.rate === null ? '' : ` Of those whose session is over ${percent(success.rate.rate, 0)} came.`;
            return `${came}, and there ${success.count === 1 ? 'was' : 'were'} ${counted(success.count, 'registration')}${share(success.count)}.${attended}${peak}`;
        }
        default: {
            const page = pages[0]!;
            return `${came}, ${counted(page.signups, 'of them joined', 'of them joined')}: ${percent(page.rate.rate)}.${peak}`;
        }
    }
}
