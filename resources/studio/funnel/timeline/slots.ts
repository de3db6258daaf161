import type { Email, Funnel } from '@/api/types';
import { Moments } from '@/funnel/timeline/moments';
import { Places } from '@/funnel/timeline/places';

/** A moment of a sequence with the emails that go out then; without any it is one to which an email can be moved. */
export interface Slot {
    key: string;
    words: string;
    emails: Email[];
}

const DAY = 1440;
/** A longer time without an email offers its first and its last day only. */
const EACH_DAY = 7;

const dayOf = (key: string): number | null => {
    const minutes = key.startsWith('rel:') ? Number(key.slice(4)) : Number.NaN;
    return minutes >= DAY ? minutes / DAY : null;
};

/** The moments of a sequence in order, and the moments between and after them at which nothing goes out yet: its start, and days. */
export function slotsOf(funnel: Funnel, sequence: string): Slot[] {
    const moments = new Moments(funnel, new Places(funnel));
    const emails = funnel.emails.filter((e) => e.sequence === sequence);
    const at = (key: string) => emails.filter((e) => moments.of(e) === key);
    const slots: Slot[] = moments.columns
        .map(({ key, inFull }) => ({ key, words: inFull, emails: at(key) }))
        .filter((s) => s.emails.length > 0);
    const start = moments.startOf(funnel.sequences.find((s) => s.id === sequence));
    if (start !== null && !slots.some((s) => s.key === start)) {
        slots.unshift({ key: start, words: 'At once', emails: [] });
    }
    const free = (day: number): Slot => ({ key: `rel:${day * DAY}`, words: `Day ${day}`, emails: [] });
    const days = [0, ...slots.map((s) => dayOf(s.key)).filter((d) => d !== null)];
    const between = days.slice(1).flatMap((day, i) => {
        const gap = Array.from({ length: day - days[i]! - 1 }, (_, n) => days[i]! + n + 1);
        return gap.length <= EACH_DAY ? gap : [gap[0]!, gap.at(-1)!];
    });
    const last = days.at(-1)!;
    const told = [...slots.filter((s) => dayOf(s.key) !== null), ...[...between, last + 1].map(free)];
    // What is told from an end comes after all days; what comes within the first one, or by a session, before them.
    const isEnd = (s: Slot) => s.key.startsWith('end:');
    return [
        ...slots.filter((s) => dayOf(s.key) === null && !isEnd(s)),
        ...told.sort((a, b) => dayOf(a.key)! - dayOf(b.key)!),
        ...slots.filter(isEnd),
    ];
}
