import { CalendarDate, CalendarDateTime, parseDate, parseDateTime, parseTime, Time, type DateValue } from '@internationalized/date';

/** What `by` reads, or undefined where the words are nothing of the kind. */
function read<T>(words: string | null | undefined, by: (words: string) => T): T | undefined {
    try {
        return words ? by(words) : undefined;
    } catch {
        return undefined;
    }
}

/** "2027-03-31" as a day; undefined where it is none. */
export const dayOf = (words: string | null | undefined): CalendarDate | undefined => read(words?.slice(0, 10), parseDate);

/** "2027-03-31T18:00", a moment on some wall's clock, whatever the zone; a day alone is its midnight. */
export const momentOf = (words: string | null | undefined): CalendarDateTime | undefined =>
    read(words?.slice(0, 16), (w) => parseDateTime(w.length === 10 ? `${w}T00:00` : w));

/** "18:00" as a time of the day. */
export const timeOf = (words: string | null | undefined): Time | undefined => read(words?.slice(0, 5), parseTime);

const two = (n: number) => String(n).padStart(2, '0');
const four = (n: number) => String(n).padStart(4, '0');

/** As it is stored: "2027-03-31", or "2027-03-31T18:00" where it has a time; '' for none. */
export function storedDay(value: DateValue | undefined): string {
    return value ? `${four(value.year)}-${two(value.month)}-${two(value.day)}` : '';
}
export function storedMoment(value: DateValue | undefined): string {
    return value ? `${storedDay(value)}T${'hour' in value ? `${two(value.hour)}:${two(value.minute)}` : '00:00'}` : '';
}
export const storedTime = (value: { hour: number; minute: number } | undefined): string =>
    value ? `${two(value.hour)}:${two(value.minute)}` : '';

/** The day it is now in a zone. */
export function todayIn(zone: string, now = new Date()): CalendarDate {
    const parts = new Intl.DateTimeFormat('en-CA', { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' }).format(now);
    return parseDate(parts);
}
