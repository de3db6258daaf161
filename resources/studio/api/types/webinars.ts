/** Webinars, as the API gives them. */
export type WebinarOutcome = 'attended' | 'saw-offer' | 'left-early' | 'missed' | 'watched-replay';

export type ScheduleKind = 'dates' | 'recurring' | 'soon' | 'on-demand';

export interface Recurrence {
    every: 'week' | 'month';
    interval?: number;
    /** Of the week, 1 for Monday. */
    days?: number[];
    /** Which of the weekdays of a month; -1 for the last. */
    nth?: number;
    /** Of a month; -1 for the last. */
    monthDay?: number;
    /** A day such as 2027-03-09; likewise `until`. */
    from: string;
    until?: string;
}

export interface Schedule {
    kind: ScheduleKind;
    zone: string;
    /** Are days and times those of each visitor's own zone? */
    theirs?: boolean;
    /** Such as 2027-03-09T18:00. */
    dates?: string[];
    recurrence?: Recurrence;
    /** Such as 18:00. */
    times?: string[];
    /** Minutes between two starts of sessions that begin soon after registering. */
    step?: number;
    quietFrom?: number;
    quietUntil?: number;
    blackouts?: { from: string; until?: string }[];
    minutes: number;
    offered: number;
    /** Days. */
    ahead: number;
    /** Minutes before the start at which registration closes. */
    closes?: number;
    places?: number;
}

export interface Webinar {
    id: string;
    name: string;
    /** As those who register read it. */
    title: string;
    schedule: Schedule;
    mode: 'live' | 'automated';
    stream: string;
    video: string;
    pauses: boolean;
    offer: { offer: string; second?: number } | null;
    threshold: { minutes: number } | { percent: number };
    replay: { delay: number; days?: number; time?: string; until?: string; for?: string } | null;
    showsPlaces: boolean;
    captions: string;
    chapters: { second: number; title: string }[];
    /** Given by what became of somebody's session. */
    tags: Partial<Record<WebinarOutcome, string[]>>;
    /** Of the recording; null where there is none. */
    seconds: number | null;
    /** The schedule as a sentence. */
    words: string;
    revision: number;
}

/** A session with what is known of it. */
export interface SessionRow {
    key: string;
    startsAt: string;
    endsAt: string;
    registered: number;
    waiting: number;
    came: number;
    stayed: number;
    saw_offer: number;
    left_early: number;
    missed: number;
    replay: number;
    live_seconds: number;
    replay_seconds: number;
    bought: number;
    cancelled: boolean;
    begun: boolean;
    ended: boolean;
    scheduled: boolean;
}

export interface WebinarFacts {
    sessions: SessionRow[];
    totals: Record<string, number>;
    videoName: string | null;
    captionsName: string | null;
    length: number | null;
    embedHosts: string[];
}

export interface CalendarSession {
    key: string;
    startsAt: string;
    day: string;
    time: string;
    offered: boolean;
}

export interface RoomQuestion {
    id: string;
    words: string;
    state: 'open' | 'answered' | 'aired' | 'hidden';
    answer: string | null;
    second: number;
    asked_at: string;
    first_name: string | null;
    last_name: string | null;
    person: string | null;
}

export interface RoomPollRow {
    id: string;
    question: string;
    options: string[];
    counts: number[];
    open: boolean;
}

export interface SessionShown {
    key: string;
    funnel: string;
    webinar: string;
    title: string;
    mode: 'live' | 'automated';
    startsAt: string;
    endsAt: string;
    zone: string;
    offer: string | null;
    room: {
        state: 'closed' | 'opening' | 'on' | 'over' | 'cancelled';
        begun: boolean;
        second: number;
        length: number;
        beginsIn: number;
        here: number;
        offerAt: number | null;
        offerHidden: boolean;
        offerShown: boolean;
        questions: RoomQuestion[];
        polls: RoomPollRow[];
    };
    numbers: Partial<SessionRow>;
    curve: { step: number; counts: number[] };
    offerAt: number | null;
}

export interface SessionPerson {
    id: string;
    email: string;
    name: string;
    liveSeconds: number;
    replaySeconds: number;
    words: string;
    cameAt: string | null;
}

/** When an email goes out, told from its reader's session. */
export interface SessionMoment {
    anchor: 'before-start' | 'start' | 'after-end' | 'before-replay-ends';
    minutes?: number;
    webinar?: string;
}
