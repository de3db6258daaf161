import type { Deadline, Email, Funnel } from '@/api/types';

/**
 * Where emails and deadlines stand on the time scale of a funnel, in minutes from joining; null for what hangs on something
 * that is not known beforehand.
 */
export function emailAt(email: Email, deadlines: Deadline[]): number | null {
    const { timing } = email;
    if (timing.from !== 'deadline') {
        return timing.from === 'session' ? null : email.offset;
    }
    const deadline = deadlines.find((d) => d.id === timing.deadline);
    if (!deadline || deadline.startsAt === null) {
        return null;
    }
    const from = deadline.startsAt + (timing.edge === 'start' ? 0 : deadline.length);
    return Math.max(deadline.startsAt, from + (timing.minutes ?? 0) + (timing.days ?? 0) * 1440);
}

/** From when until when a deadline runs; null where nobody knows when it starts, or where it is a moment for everyone. */
export function spanOf(deadline: Deadline): { from: number; to: number } | null {
    return deadline.duration === null || deadline.startsAt === null
        ? null
        : { from: deadline.startsAt, to: deadline.startsAt + deadline.length };
}

/**
 * How long deadlines that are one moment for everyone are beside each other, from the opening of the funnel or from now: the one
 * that ends last is 1.
 */
export function sharesForEveryone(funnel: Pick<Funnel, 'deadlines' | 'times'>, now: Date): Map<string, number> {
    const opens = funnel.times.opens ? Date.parse(funnel.times.opens.moment) : 0;
    const from = Math.max(opens, now.getTime());
    const spans = funnel.deadlines
        .filter((d) => d.duration === null && d.latest !== null)
        .map((d) => [d.id, Math.max(0, Date.parse(d.latest!.moment) - from)] as const);
    const longest = Math.max(1, ...spans.map(([, span]) => span));
    return new Map(spans.map(([id, span]) => [id, span / longest]));
}

/** The moments of the scale beside joining, in order. */
export function moments(funnel: Pick<Funnel, 'emails' | 'deadlines' | 'pages'>): number[] {
    const emails = funnel.emails.flatMap((e) => emailAt(e, funnel.deadlines) ?? []);
    const ends = funnel.deadlines.flatMap((d) => {
        const span = spanOf(d);
        return span ? [span.from, span.to] : [];
    });
    const least = funnel.pages.length < 2 ? -1 : 0;
    return [...new Set([...emails, ...ends])].filter((m) => m > least).sort((a, b) => a - b);
}

/** A moment of the scale in a few words: "Day 3", "2 hours". */
export function momentWords(minutes: number): string {
    if (minutes === 0) {
        return 'at once';
    }
    if (minutes % 1440 === 0) {
        return `Day ${minutes / 1440}`;
    }
    if (minutes > 1440) {
        return `Day ${Math.floor(minutes / 1440)}, ${Math.round((minutes % 1440) / 60)} h later`;
    }
    return minutes % 60 === 0 ? `${minutes / 60} ${minutes === 60 ? 'hour' : 'hours'} later` : `${minutes} min later`;
}
