import { useSession } from '@/stores/session';
import type { Rate } from '@/api/types';

const numbers = new Intl.NumberFormat('en');

export const count = (n: number): string => numbers.format(n);

/** "1 visitor", "1,402 visitors" */
export const counted = (n: number, one: string, many = `${one}s`): string => `${count(n)} ${n === 1 ? one : many}`;

export const percent = (share: number | null | undefined, digits = 1): string =>
    share === null || share === undefined ? '–' : `${(share * 100).toFixed(digits)} %`;

/** "28.9–32.6 %": where the true rate lies, nineteen times out of twenty. */
export function interval(rate: Rate): string {
    return rate.low === null || rate.high === null ? '–' : `${(rate.low * 100).toFixed(1)}–${(rate.high * 100).toFixed(1)} %`;
}

function inZone(iso: string, options: Intl.DateTimeFormatOptions): string {
    return new Intl.DateTimeFormat('en-GB', { timeZone: useSession().zone, ...options }).format(new Date(iso));
}

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
