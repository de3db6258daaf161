import type { Email, EmailTiming, Funnel } from '@/api/types';
import type { Moments } from '@/funnel/timeline/moments';

const DAY = 1440;

/**
 * The timing by which an email goes out in a column, as far as possible told from what it is told from now: the hour of the day stays.
 * Null where it cannot go out there.
 */
export function timingIn(funnel: Funnel, moments: Moments, email: Email, key: string): EmailTiming | null {
    const [kind, ...rest] = key.split(':');
    const number = Number(rest.at(-1));
    const sequence = funnel.sequences.find((s) => s.id === email.sequence);
    const { timing } = email;
    if (kind === 'before' || kind === 'after') {
        return { from: 'session', anchor: kind === 'before' ? 'before-start' : 'after-end', minutes: number, webinar: rest[0]! };
    }
    if (kind === 'end') {
        return timing.from === 'deadline' && isForEveryone(funnel, timing.deadline) ? told({ ...timing, edge: 'end' }, number) : null;
    }
    if (kind === 'rel') {
        if (timing.from === 'deadline' && !isForEveryone(funnel, timing.deadline)) {
            const length = funnel.deadlines.find((d) => d.id === timing.deadline)?.length ?? 0;
            return told({ ...timing, edge: 'end' }, number - length);
        }
        if (timing.from === 'session') {
            return number > 0 ? afterSession(funnel, timing, number) : null;
        }
        const hour = 'hour' in timing ? timing.hour : undefined;
        return number >= DAY
            ? { from: 'joining', days: number / DAY, hour: hour ?? 9 }
            : number > 0
              ? { from: 'joining', minutes: number }
              : start();
    }
    const session = funnel.webinars.find((w) => moments.sessionOf(w) === key);
    if (session && (timing.from === 'session' || moments.startOf(sequence) !== key)) {
        return { from: 'session', anchor: 'start', webinar: session.id };
    }
    return moments.startOf(sequence) === key ? start() : null;
}

/** So many minutes after a session; what is told from the end of a replay stays so, as far as that is known and still to come. */
function afterSession(funnel: Funnel, timing: Extract<EmailTiming, { from: 'session' }>, minutes: number): EmailTiming {
    const replay = (funnel.webinars.find((w) => w.id === timing.webinar) ?? funnel.webinars[0])?.replay;
    const before = replay?.days ? replay.delay + replay.days * DAY - minutes : -1;
    return timing.anchor === 'before-replay-ends' && before >= 0
        ? { ...timing, minutes: before }
        : { ...timing, anchor: 'after-end', minutes };
}

const start = (): EmailTiming => ({ from: 'joining' });

const isForEveryone = (funnel: Funnel, deadline: string): boolean => !funnel.deadlines.find((d) => d.id === deadline)?.duration;

/** So many minutes from the edge of a deadline: whole days as days, with the hour there was. */
function told(timing: Extract<EmailTiming, { from: 'deadline' }>, minutes: number): EmailTiming {
    const { from, deadline, edge, hour } = timing;
    return minutes % DAY === 0
        ? { from, deadline, edge, days: minutes / DAY, ...(hour === undefined ? {} : { hour }) }
        : { from, deadline, edge, minutes };
}
