import type { Deadline, Email, Funnel, Page, PageOutcome, Popup } from '@/api/types';
import { emailAt, moments, momentWords, sharesForEveryone, spanOf } from '@/funnel/timeScale';

/** One column of the time scale: a page the visitor meets, or a later moment at which emails fall. */
export interface Station {
    key: string;
    when: string;
    page?: Page;
    emails: Email[];
    /** Minutes from joining, of a later moment. */
    at?: number;
    /** What visitors do on the page, the main thing first. */
    outcomes: PageOutcome[];
}

/** What lies over some columns of the scale, in pixels. */
interface Bar {
    left: number;
    width: number;
}

/** A deadline on the scale: from what starts it to its end, or all along where that is not known beforehand. */
export interface Lane extends Bar {
    deadline: Deadline;
    /** Emails that are told from it, where their place on the scale is not known either. */
    emails: Email[];
}

export interface PopupBar extends Bar {
    popup: Popup;
}

/** A way that does not simply lead on to the next page, as an arc above the sheets. */
export interface Arc {
    key: string;
    label: string;
    outcome: string;
    path: string;
}

/** The width of the sheet of a page, in pixels. */
export const SHEET = 200;
/** The width of a column: of a page with a gap where its outcomes stand, of one without any, of a moment. */
const COLUMN = { page: 302, last: 228, moment: 184 };
/** How wide deadlines are that are one moment for everyone: the shortest one has room for its name. */
const EVERYONE = { least: 300, most: 640 };
/** A bar begins at the light of its column. */
const LIGHT = 22;
const LEAST = { lane: 150, popup: 440 };

export const columnWidth = (s: Station): number => (s.page ? (s.outcomes.length > 0 ? COLUMN.page : COLUMN.last) : COLUMN.moment);

export const totalWidth = (stations: Station[]): number => stations.reduce((sum, s) => sum + columnWidth(s), 0);

/** When a visitor comes to a page: by what they did on the one before. */
function arrival(funnel: Funnel, page: string): string {
    const way = funnel.ways.find((w) => w.toPage === page && w.outcome !== 'declined') ?? funnel.ways.find((w) => w.toPage === page);
    const words: Record<string, string> = {
        joined: 'On joining',
        confirmed: 'On confirming',
        chose: 'On choosing it',
        bought: 'On buying',
        declined: 'On “no thanks”',
        attended: 'Afterwards',
        missed: 'Having missed it',
        'time-ran-out': 'When time is up',
    };
    return words[way?.outcome ?? ''] ?? 'Then';
}

/** Pages in the order of the way first; then, on the same scale, the moments after joining. */
export function stationsOf(funnel: Funnel): Station[] {
    const at = (moment: number) => funnel.emails.filter((e) => emailAt(e, funnel.deadlines) === moment);
    const later = moments(funnel);
    return [
        ...funnel.pages.map((page, i) => ({
            key: page.id,
            when: i === 0 ? 'First visit' : arrival(funnel, page.id),
            page,
            emails: i === 1 ? at(0) : [],
            outcomes: page.outcomes,
        })),
        ...later.map((m) => ({ key: `t${m}`, when: momentWords(m), emails: at(m), at: m, outcomes: [] })),
    ];
}

/** Where each column begins. */
function begins(stations: Station[]): number[] {
    let x = 0;
    return stations.map((s) => (x += columnWidth(s)) - columnWidth(s));
}

const byDeadline = (email: Email) => (email.timing.from === 'deadline' ? email.timing : null);
const fromEdge = (email: Email) => (byDeadline(email)?.minutes ?? 0) + (byDeadline(email)?.days ?? 0) * 1440;

export function lanesOf(funnel: Funnel, stations: Station[], now: Date): Lane[] {
    const left = begins(stations);
    // Joining stands at the second page, or at the only one.
    const joining = Math.min(1, stations.length - 1);
    const from = new Map(stations.flatMap((s, i) => (s.at !== undefined || i === joining ? [[s.at ?? 0, left[i]!] as const] : [])));
    const total = totalWidth(stations);
    const shares = sharesForEveryone(funnel, now);
    return funnel.deadlines.map((deadline) => {
        const span = spanOf(deadline);
        const share = shares.get(deadline.id);
        const begin = span ? (from.get(span.from) ?? from.get(0) ?? 0) + LIGHT : LIGHT;
        const end = span ? (from.get(span.to) ?? total) + LIGHT : total - 40;
        return {
            deadline,
            left: begin,
            width: share === undefined ? Math.max(LEAST.lane, end - begin) : EVERYONE.least + share * (EVERYONE.most - EVERYONE.least),
            emails: funnel.emails
                .filter((e) => byDeadline(e)?.deadline === deadline.id && emailAt(e, funnel.deadlines) === null)
                .sort((a, b) => fromEdge(a) - fromEdge(b)),
        };
    });
}

/**
 * A pop-up below the pages that it is on, from the first to the last of them. What is on other sites alone stands at the left.
 *
 * @param quietRoles roles of pages over which nothing is ever shown
 */
export function popupBarsOf(funnel: Funnel, stations: Station[], quietRoles: string[]): PopupBar[] {
    const left = begins(stations);
    const at = new Map(stations.flatMap((s, i) => (s.page ? [[s.page.id, left[i]!] as const] : [])));
    return funnel.popups.map((popup) => {
        const { pages = 'all', ids = [] } = popup.targeting;
        const on = funnel.pages.filter(
            (p) =>
                !popup.placed &&
                pages !== 'none' &&
                !quietRoles.includes(p.role) &&
                (pages === 'all' || ids.includes(p.id) === (pages === 'some')),
        );
        const froms = on.map((p) => at.get(p.id) ?? 0);
        const first = froms.length > 0 ? Math.min(...froms) : LIGHT;
        return { popup, left: first, width: Math.max(LEAST.popup, Math.max(0, ...froms.map((x) => x + SHEET)) - first) };
    });
}

export function arcsOf(funnel: Funnel, stations: Station[]): Arc[] {
    const left = begins(stations);
    const at = new Map(stations.flatMap((s, i) => (s.page ? [[s.page.id, left[i]!] as const] : [])));
    return funnel.ways.flatMap((way) => {
        const from = at.get(way.page);
        const to = at.get(way.toPage ?? '');
        const i = funnel.pages.findIndex((p) => p.id === way.page);
        if (from === undefined || to === undefined || funnel.pages[i + 1]?.id === way.toPage) {
            return [];
        }
        const label = funnel.pages[i]?.outcomes.find((o) => o.outcome === way.outcome)?.label ?? '';
        const [x1, x2] = [from + SHEET + 46, to + SHEET / 2 + (from < to ? -18 : 18)];
        return [{ key: way.page + way.outcome, label, outcome: way.outcome, path: `M${x1} 40C${x1} 4 ${x2} 4 ${x2} 38` }];
    });
}
