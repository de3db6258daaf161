import type { Deadline, Email, Funnel, Sequence, Trigger, Webinar } from '@/api/types';
import type { Places } from '@/funnel/timeline/places';

/** A column of the timeline: a page people come to, a session, or a moment at which something comes by itself. */
export interface Column {
    key: string;
    /** Its heading. */
    words: string;
    /** The same where there is room. */
    inFull: string;
    kind: 'page' | 'session' | 'moment';
    /** The column of pages that stands in it. */
    pages?: number;
}

/** What lies over some columns, by their keys; without an end it goes on to the end of the timeline. */
export interface Stretch {
    from: string;
    to: string | null;
}

const DAY = 1440;

/** "2 h", "10 min", "3 d", "1 h 30 min" */
export function lasting(minutes: number): string {
    if (minutes >= DAY && minutes % DAY === 0) {
        return `${minutes / DAY} d`;
    }
    const [hours, rest] = [Math.floor(minutes / 60), minutes % 60];
    return [hours > 0 ? `${hours} h` : '', rest > 0 || hours === 0 ? `${rest} min` : ''].filter(Boolean).join(' ');
}

/** Moments that are told from something: from a day on, those of one day share a column, the nearest whole one. */
const told = (minutes: number): string => `rel:${minutes < DAY ? minutes : Math.round(minutes / DAY) * DAY}`;

const numberOf = (key: string): number => Number(key.slice(key.lastIndexOf(':') + 1));

/** The moments of a funnel: which columns there are, and in which of them something falls. */
export class Moments {
    readonly columns: Column[];
    private readonly used = new Set<string>();
    /** Those being looked for: what starts by itself in a circle starts nowhere. */
    private readonly looking = new Set<string>();

    constructor(
        private readonly funnel: Funnel,
        private readonly places: Places,
    ) {
        const keys = [
            ...funnel.emails.map((e) => this.of(e)),
            ...funnel.deadlines.flatMap((d) => Object.values(this.stretchOf(d))),
            ...funnel.webinars.flatMap((w) => [this.sessionOf(w), ...Object.values(this.replayOf(w) ?? {})]),
        ];
        keys.forEach((key) => key && this.used.add(key));
        this.columns = this.inOrder();
    }

    /** The column in which an email goes out. */
    of(email: Email): string {
        const { timing } = email;
        if (timing.from === 'session') {
            return this.bySession(timing, email);
        }
        if (timing.from === 'joining') {
            return email.offset > 0 ? told(email.offset) : (this.startOf(this.sequence(email.sequence)) ?? told(0));
        }
        const deadline = this.funnel.deadlines.find((d) => d.id === timing.deadline);
        const off = (timing.minutes ?? 0) + (timing.days ?? 0) * DAY;
        if (!deadline) {
            return told(0);
        }
        if (!deadline.duration) {
            return timing.edge === 'end' ? `end:${off}` : this.first();
        }
        const minutes = Math.max(0, (timing.edge === 'start' ? 0 : deadline.length) + off);
        return minutes > 0 ? told(minutes) : this.deadlineStart(deadline);
    }

    /** From what starts a deadline to its end; one that is for everyone runs from the first visit to its own end. */
    stretchOf(deadline: Deadline): Stretch {
        return deadline.duration
            ? { from: this.deadlineStart(deadline), to: told(Math.max(1, deadline.length)) }
            : { from: this.first(), to: 'end:0' };
    }

    /** From the session to the end of its replay; null where there is none. */
    replayOf(webinar: Webinar): Stretch | null {
        const { replay } = webinar;
        if (!replay) {
            return null;
        }
        const ends = replay.days ? told(replay.delay + replay.days * DAY) : replay.until ? 'end:0' : null;
        return { from: this.sessionOf(webinar), to: ends };
    }

    /** Where a sequence starts; null where that hangs on something that can happen at any time. */
    startOf(sequence: Sequence | undefined): string | null {
        if (!sequence || this.looking.has(sequence.id)) {
            return null;
        }
        this.looking.add(sequence.id);
        const found = sequence.starts.map((t) => this.whenever(t)).find((key) => key !== null);
        this.looking.delete(sequence.id);
        return found ?? (this.funnel.products.some((p) => p.sequence === sequence.id) ? this.bought() : null);
    }

    /** The column of the first of several things that can happen, which has one. */
    whereOf(triggers: Trigger[]): string | null {
        return triggers.map((t) => this.whenever(t)).find((key) => key !== null) ?? null;
    }

    private sequence = (id: string) => this.funnel.sequences.find((s) => s.id === id);

    private deadlineStart(deadline: Deadline): string {
        if (this.looking.has(deadline.id)) {
            return told(0);
        }
        this.looking.add(deadline.id);
        // A page says best where on the way it is.
        const starts = [...deadline.starts].sort((a, b) => Number(b.kind === 'page') - Number(a.kind === 'page'));
        const found = starts.map((t) => this.whenever(t)).find((key) => key !== null);
        this.looking.delete(deadline.id);
        return found ?? told(0);
    }

    /** The column of what starts something; null where it can happen at any time. */
    private whenever(trigger: Trigger): string | null {
        switch (trigger.kind) {
            case 'form':
            case 'signup':
            case 'registered':
            case 'confirmed':
                return this.joins();
            case 'page':
                return this.pageColumn(trigger.page);
            case 'webinar':
                return this.sessionOf(this.funnel.webinars.find((w) => w.id === trigger.webinar));
            case 'bought':
            case 'bought-offer':
                return this.bought();
            case 'click': {
                const email = this.funnel.emails.find((e) => e.id === trigger.email);
                return email && !this.looking.has(email.sequence) ? this.of(email) : null;
            }
            case 'sequence':
                return this.startOf(this.sequence(trigger.sequence));
            case 'deadline-began': {
                const deadline = this.funnel.deadlines.find((d) => d.id === trigger.deadline);
                return deadline && !this.looking.has(deadline.id) ? this.deadlineStart(deadline) : null;
            }
            case 'deadline-near':
            case 'deadline-over': {
                const deadline = this.funnel.deadlines.find((d) => d.id === trigger.deadline);
                return deadline && !this.looking.has(deadline.id) ? this.stretchOf(deadline).to : null;
            }
            default:
                return null;
        }
    }

    private first = (): string => (this.places.columns > 0 ? 'page:0' : told(0));

    private pageColumn(page: string): string | null {
        const place = this.places.of(page);
        return place ? `page:${place.column}` : null;
    }

    /** Where people come to by an outcome. */
    private reachedBy(outcome: string): string | null {
        const place = this.places.list.filter((p) => p.from?.outcome.outcome === outcome).sort((a, b) => a.column - b.column)[0];
        return place ? `page:${place.column}` : null;
    }

    private joins = (): string => this.reachedBy('joined') ?? 'joins';
    private bought = (): string | null => this.reachedBy('bought');

    /** The column of the session of a webinar: that of the page of its room, where there is one. */
    sessionOf(webinar: Webinar | undefined): string {
        if (!webinar) {
            return told(0);
        }
        const room = this.funnel.pages.find((p) =>
            p.document.sections.some((s) => s.blocks.some((b) => b.kind === 'room' && b.webinar === webinar.id)),
        );
        return (room && this.pageColumn(room.id)) ?? `session:${webinar.id}`;
    }

    private bySession(timing: Extract<Email['timing'], { from: 'session' }>, email: Email): string {
        const webinar = this.funnel.webinars.find((w) => w.id === timing.webinar) ?? this.funnel.webinars[0];
        const minutes = timing.minutes ?? 0;
        if (!webinar) {
            return this.startOf(this.sequence(email.sequence)) ?? told(0);
        }
        switch (timing.anchor) {
            case 'before-start':
                return minutes > 0 ? `before:${webinar.id}:${minutes}` : this.sessionOf(webinar);
            case 'start':
                return this.sessionOf(webinar);
            case 'after-end':
                return minutes === 0 ? this.sessionOf(webinar) : minutes < DAY ? `after:${webinar.id}:${minutes}` : told(minutes);
            default: {
                const { replay } = webinar;
                return replay?.days ? told(Math.max(1, replay.delay + replay.days * DAY - minutes)) : `end:${-minutes}`;
            }
        }
    }

    private inOrder(): Column[] {
        const sessions = new Map(this.funnel.webinars.map((w) => [w.id, this.sessionOf(w)]));
        const sorted = (prefix: string, way: 1 | -1) =>
            [...this.used].filter((k) => k.startsWith(prefix)).sort((a, b) => way * (numberOf(a) - numberOf(b)));
        const moment = (key: string, words: string, inFull = words): Column => ({ key, words, inFull, kind: 'moment' });
        /** A session with what comes before and after it; two webinars may be held in rooms that stand below each other. */
        const around = (webinars: string[], session: Column): Column[] => [
            ...webinars
                .flatMap((w) => sorted(`before:${w}:`, -1))
                .map((k) => {
                    const far = lasting(numberOf(k));
                    return moment(k, `−${far}`, `${far} before the session`);
                }),
            session,
            ...webinars
                .flatMap((w) => sorted(`after:${w}:`, 1))
                .map((k) => {
                    const far = lasting(numberOf(k));
                    return moment(k, `+${far}`, `${far} after the session`);
                }),
        ];
        const columns: Column[] = [];
        const joins = this.joins();
        const roomless = () =>
            [...sessions]
                .filter(([, key]) => key.startsWith('session:'))
                .flatMap(([id, key]) => around([id], { key, words: 'Session', inFull: 'Session', kind: 'session' }));
        for (let pages = 0; pages < this.places.columns; pages++) {
            const key = `page:${pages}`;
            const held = [...sessions].filter(([, session]) => session === key).map(([id]) => id);
            columns.push(
                ...(held.length > 0
                    ? around(held, { key, words: 'Session', inFull: 'Session', kind: 'session', pages })
                    : [{ key, words: this.heading(pages), inFull: this.heading(pages), kind: 'page' as const, pages }]),
            );
            if (pages === 0 && this.used.has('joins')) {
                columns.push(moment('joins', 'Joins'));
            }
            if (joins === key || (joins === 'joins' && pages === 0)) {
                columns.push(...roomless());
            }
        }
        if (this.places.columns === 0) {
            columns.push(...(this.used.has('joins') ? [moment('joins', 'Joins')] : []), ...roomless());
        }
        const later = (key: string) => {
            const minutes = numberOf(key);
            const words = minutes === 0 ? 'At once' : minutes < DAY ? `+${lasting(minutes)}` : `Day ${minutes / DAY}`;
            return moment(key, words, minutes > 0 && minutes < DAY ? `${lasting(minutes)} later` : words);
        };
        const fromEnd = (key: string) => {
            const minutes = numberOf(key);
            const far = lasting(Math.abs(minutes));
            return minutes === 0
                ? moment(key, 'Ends', 'The end')
                : moment(key, `${minutes < 0 ? '−' : '+'}${far}`, `${far} ${minutes < 0 ? 'before' : 'after'} the end`);
        };
        columns.push(...sorted('rel:', 1).map(later), ...sorted('end:', 1).map(fromEnd));
        return columns;
    }

    /** What has happened when people are on the pages of a column. */
    private heading(column: number): string {
        const place = this.places.main(column) ?? this.places.list.find((p) => p.column === column);
        if (column === 0 || !place) {
            return 'First visit';
        }
        switch (place.from?.outcome.outcome) {
            case 'joined':
                return 'Joins';
            case 'confirmed':
                return 'Confirms';
            case 'chose':
                return 'Chooses';
            case 'bought':
                return ['upsell', 'downsell'].includes(place.from.page.role) ? 'Yes or no' : 'Buys';
            case 'attended':
                return place.page.role === 'sales' ? 'Sees the offer' : 'Attended';
            default:
                return place.page.role === 'sales' ? 'Sees the offer' : 'Then';
        }
    }
}
