import { calendarDay } from '@/ui/format';

/** The time that is looked at: the last so many days, or from one day to another. Its fields are those of the API. */
export type ResultPeriod = { days: number } | { from: string; to: string };

export const LAST = [
    { value: 7, label: 'Last 7 days' },
    { value: 28, label: 'Last 4 weeks' },
    { value: 56, label: 'Last 8 weeks' },
    { value: 182, label: 'Last half year' },
    { value: 365, label: 'Last year' },
    { value: 730, label: 'Last two years' },
];

/** How many days it has, for what is only known by that. */
export const lengthOf = (period: ResultPeriod): number =>
    'days' in period ? period.days : Math.round((Date.parse(period.to) - Date.parse(period.from)) / 86_400_000) + 1;

/** "3 Mar 2026 to 10 Apr 2026", "Last 4 weeks" */
export const periodWords = (period: ResultPeriod): string =>
    'days' in period
        ? (LAST.find((l) => l.value === period.days)?.label ?? `Last ${period.days} days`)
        : `${calendarDay(period.from)} to ${calendarDay(period.to)}`;
