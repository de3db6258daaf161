import { fromDate, parseDateTime, toZoned } from '@internationalized/date';

/** What a clock on the wall shows at a moment: "2027-03-31T18:00". */
export const wallOf = (iso: string, zone: string): string => fromDate(new Date(iso), zone).toString().slice(0, 16);

/** The moment at which a clock on the wall shows this, in UTC; of a time that comes twice, the first. */
export function utcOf(wall: string, zone: string): string {
    return `${toZoned(parseDateTime(wall), zone, 'earlier').toDate().toISOString().slice(0, 19)}Z`;
}
