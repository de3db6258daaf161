import { useSession } from '@/stores/session';
import type { Rate } from '@/api/types';

/** The owner's way to write dates and numbers, with days of our calendar and digits that can be typed. */
const written = (locale: string) => `${locale}-u-ca-gregory-nu-latn`;
const made = new Map<string, Intl.NumberFormat>();
function numbers(options: Intl.NumberFormatOptions = {}, locale = useSession().locale): Intl.NumberFormat {
    const key = `${locale} ${JSON.stringify(options)}`;
    const format = made.get(key) ?? new Intl.NumberFormat(written(locale), options);
    made.set(key, format);
    return format;
}

export const count = (n: number): string => numbers().format(n);

/** An amount of money, as ICU writes it: "€290", "1.290,50 €". */
export const money = (amount: number, currency: string, decimals: number): string =>
    numbers({ style: 'currency', currency, minimumFractionDigits: decimals, maximumFractionDigits: decimals }).format(amount);

/** "1 visitor", "1,402 visitors" */
export const counted = (n: number, one: string, many = `${one}s`): string => `${count(n)} ${n === 1 ? one : many}`;

export const percent = (share: number | null | undefined, digits = 1): string =>
    share === null || share === undefined ? '–' : `${fixed(share * 100, digits)} %`;
const fixed = (n: number, digits: number) => numbers({ minimumFractionDigits: digits, maximumFractionDigits: digits }).format(n);

/** "28.9–32.6 %": where the true rate lies, nineteen times out of twenty. */
export function interval(rate: Rate): string {
    return rate.low === null || rate.high === null ? '–' : `${fixed(rate.low * 100, 1)}–${fixed(rate.high * 100, 1)} %`;
}

const dates = (locale: string, options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat(written(locale), options);

/** A day of the calendar, whatever the zone: "2027-03-31" as "31 Mar". */
export function calendarDay(words: string, options: Intl.DateTimeFormatOptions = { day: 'numeric', month: 'short' }): string {
    return dates(useSession().locale, { ...options, timeZone: 'UTC' }).format(new Date(`${words}T12:00:00Z`));
}

/** "31 Dec 2026, 18:00 · 1,234.50": what a way to write dates and numbers looks like. */
export function sampleOf(locale: string): string {
    const moment = dates(locale, { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit', timeZone: 'UTC' });
    return `${moment.format(new Date('2026-12-31T18:00:00Z'))} · ${numbers({ minimumFractionDigits: 2 }, locale).format(1234.5)}`;
}

function inZone(iso: string, options: Intl.DateTimeFormatOptions): string {
    return dates(useSession().locale, { timeZone: useSession().zone, ...options }).format(new Date(iso));
}

const CLOCK: Intl.DateTimeFormatOptions = { hour: '2-digit', minute: '2-digit' };

/** A moment by the clock of somebody elsewhere: "18:00"; "Fri 17 Apr, 18:00"; "Friday, 17 April 2027 at 18:00". */
export const timeAt = (iso: string, timeZone: string): string => inZone(iso, { timeZone, ...CLOCK });
export const shortAt = (iso: string, timeZone: string): string =>
    inZone(iso, { timeZone, weekday: 'short', day: 'numeric', month: 'short', ...CLOCK });
export const longAt = (iso: string, timeZone: string): string =>
    inZone(iso, { timeZone, weekday: 'long', day: 'numeric', month: 'long', year: 'numeric', ...CLOCK });

export const dateTime = (iso: string | null | undefined): string =>
    iso ? inZone(iso, { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' }) : '–';

export const day = (iso: string): string => inZone(iso, { day: 'numeric', month: 'short', year: 'numeric' });

/** "just now", "5 minutes ago", "in 3 days"; beyond a week the date. */
export function ago(iso: string | null | undefined): string {
    if (!iso) {
        return 'never';
    }
    const minutes = Math.round((new Date(iso).getTime() - Date.now()) / 60_000);
    const words = new Intl.RelativeTimeFormat('en', { numeric: 'auto' });
    const far = Math.abs(minutes);
    if (far < 1) {
        return 'just now';
    }
    if (far < 60) {
        return words.format(minutes, 'minute');
    }
    if (far < 60 * 24) {
        return words.format(Math.round(minutes / 60), 'hour');
    }
    return far < 60 * 24 * 7 ? words.format(Math.round(minutes / 1440), 'day') : day(iso);
}
