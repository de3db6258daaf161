import type { Happening, Life } from '@/api/types';

/** One thing on the timeline of a way: what was done, or what happened by it. */
export interface Item {
    key: string;
    at: string;
    /** After the how-manieth choice, from 1; 0 for what is so from the beginning. */
    choice: number;
    kind: 'choice' | 'page' | 'email' | 'money' | 'deadline' | 'session' | 'trouble' | 'quiet';
    words: string;
    /** Which of the emails that have come it is; -1 for anything else. */
    mail: number;
}

/** A day on which something happens in one of the ways, in the visitor's zone. */
export interface Day {
    /** "2027-03-31" */
    date: string;
    /** By way. */
    items: Item[][];
}

const KINDS: Record<string, Item['kind']> = {
    page: 'page',
    led: 'page',
    notice: 'trouble',
    away: 'page',
    popup: 'page',
    email: 'email',
    bought: 'money',
    paid: 'money',
    'product-given': 'quiet',
    'card-refused': 'trouble',
    'not-for-sale': 'trouble',
    impossible: 'trouble',
    'not-sent': 'quiet',
    'deadline-started': 'deadline',
    'deadline-over': 'deadline',
    session: 'session',
    registered: 'session',
};

/** The day of a moment in a zone. */
export function dateIn(iso: string, zone: string): string {
    return new Intl.DateTimeFormat('en-CA', { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' }).format(new Date(iso));
}

const item = (h: Happening, key: string, mail: number): Item => ({
    key,
    at: h.at,
    choice: h.choice,
    kind: KINDS[h.kind] ?? 'quiet',
    words: h.words,
    mail,
});

/** What was done and what happened, in order; what only the owner knows of where `all` is asked for. */
export function itemsOf(life: Life, all: boolean): Item[] {
    const items: Item[] = [];
    let mail = -1;
    let next = 0;
    const choose = (upTo: number) => {
        for (; next < Math.min(upTo, life.chosen.length); next++) {
            const chosen = life.chosen[next]!;
            // That time passes is seen by itself.
            if (all || chosen.do !== 'wait') {
                items.push({ key: `c${next}`, at: chosen.at, choice: next + 1, kind: 'choice', words: chosen.words, mail: -1 });
            }
        }
    };
    life.happened.forEach((h, i) => {
        choose(h.choice);
        // The question to confirm comes as an email, too.
        const comes = (h.kind === 'email' && h.facts?.kind !== 'session') || h.kind === 'asked';
        mail += comes ? 1 : 0;
        const told = item(h, `h${i}`, comes ? mail : -1);
        if (all || told.kind !== 'quiet') {
            items.push(told);
        }
    });
    choose(life.chosen.length);
    return items;
}

/**
 * The days of some ways beside each other: each day on which anything happens in one of them is there once, and each on which a
 * deadline of theirs ends.
 */
export function daysOf(ways: Item[][], zone: string, ends: string[] = []): Day[] {
    const days = new Map<string, Day>();
    if (ways.some((items) => items.length > 0)) {
        for (const date of ends.map((e) => dateIn(e, zone))) {
            days.set(date, { date, items: ways.map(() => []) });
        }
    }
    ways.forEach((items, way) => {
        for (const one of items) {
            const date = dateIn(one.at, zone);
            const day = days.get(date) ?? { date, items: ways.map(() => []) };
            day.items[way]!.push(one);
            days.set(date, day);
        }
    });
    return [...days.values()].sort((a, b) => a.date.localeCompare(b.date));
}

/** A deadline on the days of a strip: from which of them to which it runs, by their places, and until when. */
export interface Lane {
    id: string;
    name: string;
    ends: string;
    from: number;
    to: number;
}

/** The deadlines of a way, in the order in which they end; none that ended before the first of the days. */
export function lanesOf(life: Life, days: Day[], zone: string): Lane[] {
    return [...life.deadlines]
        .sort((a, b) => a.ends.localeCompare(b.ends))
        .map((d) => {
            const [starts, ends] = [dateIn(d.starts, zone), dateIn(d.ends, zone)];
            const from = days.findIndex((day) => day.date >= starts);
            return { id: d.id, name: d.name, ends: d.ends, from, to: days.findLastIndex((day) => day.date <= ends) };
        })
        .filter((lane) => lane.from >= 0 && lane.to >= lane.from);
}

/** How many whole days lie between two days of a strip. */
export const gap = (from: string, to: string): number =>
    Math.round((Date.parse(`${to}T12:00:00Z`) - Date.parse(`${from}T12:00:00Z`)) / 86_400_000) - 1;

/** The things of a day in columns, in order: so many below each other, more beside them. */
export function columnsOf(items: Item[], below: number): Item[][] {
    const columns: Item[][] = [];
    for (let i = 0; i < items.length; i += below) {
        columns.push(items.slice(i, i + below));
    }
    return columns.length > 0 ? columns : [[]];
}
