/** Webinars, as the API gives them. */
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
    manner: 'live' | 'automated';
    stream: string;
    video: string;
    pauses: boolean;
    offer: { offer: string; second?: number } | null;
    bar: { minutes: number } | { percent: number };
    replay: { delay: number; days?: number; time?: string; until?: string; for?: string } | null;
    showsPlaces: boolean;
    /** The schedule as a sentence. */
    words: string;
    revision: number;
}
