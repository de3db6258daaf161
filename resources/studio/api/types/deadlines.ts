/** Deadlines, and how they stand for people. As the API gives it. */
import type { Trigger } from '@/api/types/shared';

export type Duration = { minutes: number } | { days: number; time?: string };

/** A moment on the clocks of a named zone. */
export interface ForEveryone {
    moment: string;
    zone: string;
}

export interface GuardedPage {
    page: string;
    before?: string;
}

export interface Deadline {
    id: string;
    name: string;
    starts: Trigger[];
    /** Of a personal one; null where it is one moment for everyone. */
    duration: Duration | null;
    latest: ForEveryone | null;
    grace: number;
    again: number | null;
    byAddress: boolean;
    pages: GuardedPage[];
    offers: string[];
    warning: { minutes?: number; text?: string; section?: string };
    leadsOn: boolean;
    /** The rule as a sentence. */
    words: string;
    lasts: string;
    startWords: string;
    /** In minutes; 0 where it is for everyone. */
    length: number;
    /** Minutes from joining at which it starts, where that is known beforehand. */
    startsAt: number | null;
    revision: number;
}

export type DeadlineGroup = 'running' | 'ending' | 'over' | 'bought';

export interface DeadlineReport {
    numbers: Record<DeadlineGroup | 'strangers', number>;
    state: DeadlineGroup;
    people: { id: string; name: string; email: string; startedAt: string; endsAt: string; why: string }[];
    sales: DeadlineSales | null;
    currency: string;
}

/** What was sold before an end, by the hours that were left, and after it. */
export interface DeadlineSales {
    before: number;
    beforeSum: number;
    after: number;
    afterSum: number;
    hours: { from: number; to: number | null; sales: number; sum: number }[];
}

export interface DeadlineExample {
    who: string;
    zone: string;
    startsAt: string;
    startWords: string;
    endsAt: string | null;
    endWords: string;
    lasts: string;
}

/** A deadline of one person. */
export interface PersonDeadline {
    id: string;
    name: string;
    funnel: string;
    funnelId: string;
    live: boolean;
    state: 'not-started' | 'running' | 'over';
    startedAt: string | null;
    endsAt: string | null;
    why: string;
    canStart: boolean;
}

/** Deadlines that run, and what publishing could make of them. */
export interface RunningDeadline {
    id: string;
    name: string;
    running: number;
    earlier: number;
    later: number;
    over: number;
    was: string;
    is: string;
    /** What it becomes where its kind changes. */
    kind: 'same' | 'personal' | 'everyone';
}
