import type { AutomationRule, Deadline, Email, Funnel, Guide, Popup, Sequence, Webinar } from '@/api/types';
import { Moments, type Column, type Stretch } from '@/funnel/timeline/moments';
import { Places, type Lead, type Place } from '@/funnel/timeline/places';

/** All lengths are CSS pixels; `x` counts from where the first column begins, `y` from below the heading. */
export interface PlacedColumn extends Column {
    x: number;
    width: number;
}

export interface Card {
    place: Place;
    x: number;
    y: number;
    /** The drop from the page right above it. */
    drop: Lead | null;
    /** How people come to a page that hangs, where no drop or arrow says it. */
    note: string;
    /** Ways that are not drawn otherwise. */
    tags: Lead[];
}

export interface Arrow {
    lead: Lead;
    from: number;
    to: number;
    y: number;
}

export interface Mark {
    email: Email;
    /** The key of its column. */
    column: string;
    x: number;
    /** How much of its name there is room for; 0 where it stays a mark. */
    room: number;
}

interface LaneAt {
    key: string;
    y: number;
}

export interface SequenceLane extends LaneAt {
    kind: 'sequence';
    sequence: Sequence;
    marks: Mark[];
    from: number;
    to: number;
    /** Where its next email may be added. */
    end: number;
}

/** What lies over columns: a deadline, the time in which a replay is open, a pop-up below its pages. */
export type BarLane = LaneAt & { from: number; to: number; open: boolean } & (
        | { kind: 'guide'; guide: Guide }
        | { kind: 'deadline'; deadline: Deadline }
        | { kind: 'replay'; webinar: Webinar }
        | { kind: 'popup'; popup: Popup }
        | { kind: 'rule'; rule: AutomationRule }
    );

export type Lane = SequenceLane | BarLane;

export interface Timeline {
    columns: PlacedColumn[];
    cards: Card[];
    arrows: Arrow[];
    lanes: Lane[];
    card: { width: number; height: number };
    /** Where each row of pages begins. */
    rows: number[];
    /** Where the lanes begin. */
    lanesAt: number;
    width: number;
    height: number;
}

export interface Frame {
    /** For all columns. */
    width: number;
    /** 1 is as wide as it fits; more is wider. */
    zoom: number;
    /** Roles of pages over which nothing is ever shown. */
    quietRoles: string[];
    now: Date;
}

/** The least and the most a column takes, before the rest of the width is shared out. */
const WIDTH = { page: [102, 210], session: [102, 210], moment: [40, 230] } as const;
const GAP = 8;
const MARK = 22;
export const LANE = 36;
/** Below the picture: two lines of the name, one of numbers. */
const WORDS = 58;
export const DROP = 22;
/** A tag of one line, of two, and from one to the next. */
const TAG = [20, 34, 2] as const;
/** Of a letter of a small name, and of a tag. */
const LETTER = 6.6;
const TAG_LETTER = 5.9;

export function layOut(funnel: Funnel, frame: Frame): Timeline {
    const places = new Places(funnel);
    const moments = new Moments(funnel, places);
    const byColumn = new Map<string, Email[]>();
    for (const email of funnel.emails) {
        const key = moments.of(email);
        byColumn.set(key, [...(byColumn.get(key) ?? []), email]);
    }
    const columns = widths(moments.columns, byColumn, frame);
    const at = new Map(columns.map((c) => [c.key, c]));
    const total = columns.reduce((sum, c) => sum + c.width, 0);
    const card = cardSize(columns);

    const leads = places.leads();
    const tagsOf = (place: Place) => leads.filter((l) => l.page.id === place.page.id && !['arrow', 'drop'].includes(l.as));
    const rows: number[] = [];
    let y = 12;
    for (let row = 0; row < places.rows; row++) {
        rows.push(y);
        const tags = Math.max(0, ...places.inRow(row).map((p) => tagsOf(p).reduce((sum, l) => sum + tagHeight(l, card.width) + TAG[2], 0)));
        y += card.height + WORDS + tags + (row > 0 ? DROP : 0) + GAP;
    }
    const cards = places.list.map((place): Card => {
        const column = at.get(`page:${place.column}`)!;
        const drop = leads.find((l) => l.to?.id === place.page.id && l.page.id === place.from?.page.id && l.as === 'drop') ?? null;
        return {
            place,
            x: column.x + GAP / 2,
            y: rows[place.row]! + (place.row > 0 ? DROP : 0),
            drop,
            note: drop ? '' : hangingBy(place, places),
            tags: tagsOf(place),
        };
    });
    const byPage = new Map(cards.map((c) => [c.place.page.id, c]));
    const arrows = leads
        .filter((l) => l.as === 'arrow')
        .map((lead): Arrow => {
            const [a, b] = [byPage.get(lead.page.id)!, byPage.get(lead.to!.id)!];
            return { lead, from: a.x + card.width, to: b.x, y: b.y + card.height / 2 };
        });
    const lanesAt = y + 4;
    const lanes = lanesOf(funnel, frame, { moments, places, at, total, byPage, card: card.width }).map((lane, i) => ({
        ...lane,
        y: lanesAt + i * LANE,
    }));
    return { columns, cards, arrows, lanes, card, rows, lanesAt, width: total, height: lanesAt + lanes.length * LANE + 8 };
}

/** What a tag says: what happened, and where that leads. */
export const tagWords = (lead: Lead): string => `${lead.outcome.label} → ${leadsTo(lead)}`;

export const leadsTo = (lead: Lead): string =>
    lead.to ? lead.to.name : lead.guide ? lead.guide : lead.url !== null ? 'outside' : 'nowhere yet';

export const tagHeight = (lead: Lead, width: number): number => TAG[tagWords(lead).length * TAG_LETTER + 12 > width ? 1 : 0];

function hangingBy({ page, row, from }: Place, places: Places): string {
    if (row === 0 || (from && places.of(from.page.id)?.row === row)) {
        return '';
    }
    return page.role === 'closed' ? 'while closed' : from ? `${from.outcome.label}, from ${from.page.name}` : 'by its own link';
}

/** Each column as wide as what happens in it; what is left of the width is shared out, to those first that still gain by it. */
function widths(columns: Column[], emails: Map<string, Email[]>, frame: Frame): PlacedColumn[] {
    const sizes = columns.map((c) => {
        const inOneLane = new Map<string, number>();
        (emails.get(c.key) ?? []).forEach((e) => inOneLane.set(e.sequence, (inOneLane.get(e.sequence) ?? 0) + 1));
        const marks = Math.max(0, ...inOneLane.values());
        const [least, most] = WIDTH[c.kind === 'session' && c.pages === undefined ? 'moment' : c.kind];
        const words = c.words.length * LETTER + GAP + 4;
        const needed = Math.max(least, marks * MARK + GAP, words);
        return { least: needed, most: Math.max(most, needed) };
    });
    const least = sizes.reduce((sum, s) => sum + s.least, 0);
    const gain = sizes.reduce((sum, s) => sum + s.most - s.least, 0);
    const share = gain > 0 ? Math.min(1, Math.max(0, frame.width - least) / gain) : 0;
    let x = 0;
    return columns.map((c, i) => {
        const { least: from, most: to } = sizes[i]!;
        const width = Math.floor((from + (to - from) * share) * frame.zoom);
        const placed = { ...c, x, width };
        x += width;
        return placed;
    });
}

function cardSize(columns: PlacedColumn[]): Timeline['card'] {
    const widest = columns.filter((c) => c.pages !== undefined).map((c) => c.width);
    const width = widest.length > 0 ? Math.min(...widest) - GAP : 0;
    return { width, height: Math.round(width * 0.58) };
}

interface Known {
    moments: Moments;
    places: Places;
    at: Map<string, PlacedColumn>;
    total: number;
    byPage: Map<string, Card>;
    card: number;
}

type Unplaced<L> = L extends Lane ? Omit<L, 'y'> : never;

/** Sequences, then guides, deadlines, replays, pop-ups and rules, each in the order of the draft. */
function lanesOf(funnel: Funnel, frame: Frame, known: Known): Unplaced<Lane>[] {
    const { moments, at, total } = known;
    const centre = (key: string) => (at.get(key) ? at.get(key)!.x + at.get(key)!.width / 2 : 0);
    const bar = ({ from, to }: Stretch) => ({
        from: (at.get(from)?.x ?? 0) + GAP / 2,
        to: to === null ? total : Math.max(centre(to), (at.get(from)?.x ?? 0) + 60),
        open: to === null,
    });
    const shares = sharesForEveryone(funnel, frame.now);
    return [
        ...funnel.sequences.map((sequence) => sequenceLane(funnel, sequence, known)),
        // It is open from where people come by joining, and stays theirs.
        ...funnel.guides.map((guide): Unplaced<BarLane> => {
            const joined = funnel.ways.find((w) => w.outcome === 'joined')?.toPage;
            const from = known.byPage.get(joined ?? '')?.x ?? GAP / 2;
            return { key: `guide:${guide.id}`, kind: 'guide', guide, from, to: total, open: true };
        }),
        ...funnel.deadlines.map((deadline): Unplaced<BarLane> => {
            const whole = bar(moments.stretchOf(deadline));
            const share = shares.get(deadline.id) ?? 1;
            const to = whole.from + Math.max(Math.min(220, whole.to - whole.from), (whole.to - whole.from) * share);
            return { key: `deadline:${deadline.id}`, kind: 'deadline', deadline, ...whole, to };
        }),
        ...funnel.webinars.flatMap((webinar): Unplaced<BarLane>[] => {
            const stretch = moments.replayOf(webinar);
            return stretch ? [{ key: `replay:${webinar.id}`, kind: 'replay', webinar, ...bar(stretch) }] : [];
        }),
        ...funnel.popups.map((popup): Unplaced<BarLane> => {
            const on = pagesUnder(funnel, popup, frame.quietRoles).map((id) => known.byPage.get(id)?.x ?? 0);
            const from = on.length > 0 ? Math.min(...on) : GAP / 2;
            return { key: `popup:${popup.id}`, kind: 'popup', popup, from, to: Math.max(from, ...on) + known.card, open: false };
        }),
        // Where what sets it off happens, as far as that has a place.
        ...funnel.rules.map((rule): Unplaced<BarLane> => {
            const column = at.get(moments.whereOf(rule.when) ?? '');
            const from = (column?.x ?? 0) + GAP / 2;
            return { key: `rule:${rule.id}`, kind: 'rule', rule, from, to: from + known.card, open: false };
        }),
    ];
}

function sequenceLane(funnel: Funnel, sequence: Sequence, { moments, at, total }: Known): Unplaced<SequenceLane> {
    const emails = funnel.emails.filter((e) => e.sequence === sequence.id);
    const byColumn = new Map<string, Email[]>();
    emails.forEach((e) => byColumn.set(moments.of(e), [...(byColumn.get(moments.of(e)) ?? []), e]));
    const marks = [...byColumn]
        .flatMap(([key, list]) => {
            const column = at.get(key);
            const middle = column ? column.x + column.width / 2 : 0;
            return list.map((email, i) => ({ email, column: key, x: middle + (i - (list.length - 1) / 2) * MARK, room: 0 }));
        })
        .sort((a, b) => a.x - b.x);
    marks.forEach((mark, i) => {
        const free = (marks[i + 1]?.x ?? total + 40) - mark.x - MARK;
        const needed = mark.email.name.length * LETTER + 6;
        mark.room = free >= Math.min(needed, 90) ? Math.min(free, needed) : 0;
    });
    const last = marks.at(-1);
    const start = moments.startOf(sequence);
    const from = Math.min(marks[0]?.x ?? total, start && at.has(start) ? at.get(start)!.x + GAP / 2 : total);
    const end = last ? last.x + MARK + last.room : from === total ? 0 : from;
    return {
        key: `sequence:${sequence.id}`,
        kind: 'sequence',
        sequence,
        marks,
        from: marks.length > 0 ? from : end,
        to: last?.x ?? end,
        end,
    };
}

function pagesUnder(funnel: Funnel, popup: Popup, quietRoles: string[]): string[] {
    const { pages = 'all', ids = [] } = popup.targeting;
    return funnel.pages
        .filter(
            (p) =>
                !popup.placed &&
                pages !== 'none' &&
                !quietRoles.includes(p.role) &&
                (pages === 'all' || ids.includes(p.id) === (pages === 'some')),
        )
        .map((p) => p.id);
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
