/** Rehearsals and promises, as the API gives them. Moments are in UTC. */

/** One thing that is done, as it is kept. */
export interface Choice {
    do: string;
    of?: string;
    to?: string;
    minutes?: number;
    session?: string;
    popup?: string;
    bumps?: string[];
}

export interface Option {
    choice: Choice;
    words: string;
    group: 'page' | 'popup' | 'mailbox' | 'session' | 'time' | 'device' | 'address';
    bumps?: { id: string; name: string }[];
    sessions?: { key: string; at: string }[];
}

export interface Visitor {
    name: string;
    email: string;
    zone: string;
    phone?: boolean;
    language?: string;
    parameters?: Record<string, string>;
    tags?: string[];
    known?: boolean;
}

export interface Happening {
    kind: string;
    at: string;
    /** After the how-manieth choice, from 1. */
    choice: number;
    of: string;
    words: string;
    /** Do they notice it themselves? */
    seen: boolean;
    facts?: Record<string, string | number | boolean | null>;
}

/** Where a rehearsal has come to. */
export interface Life {
    now: string;
    known: boolean;
    device: number;
    page: { id: string; name: string; variant: string } | null;
    chosen: { at: string; words: string; do: string }[];
    happened: Happening[];
    mails: { kind: string; of: string; name: string; at: string }[];
    deadlines: { id: string; name: string; starts: string; ends: string; left: number }[];
    tags: string[];
    paid: number;
    currency: string;
    instalments: { at: string; amount: number }[];
    visitor: Visitor;
    subscription: string;
    options: Option[];
}

/** A way that is kept, and played again at every publishing. */
export interface Promised {
    id: string;
    name: string;
    revision: number;
    visitor: Visitor;
    start: string;
    choices: Choice[];
    about: string[];
}

/** The same, played with the draft as it is: what of it does not hold. */
export interface PlayedPromise {
    id: string;
    name: string;
    broken: string[];
}

/** Something that goes wrong in one of all ways; `way` shows it, where it happens to anybody. */
export interface WayFinding {
    code: string;
    of: string;
    words: string;
    start: string | null;
    way: Choice[];
}

/** People to whom the same happens on the whole. */
export interface KindOfPerson {
    words: string;
    emails: number;
    mostADay: number;
    ways: number;
    paid: number;
    start: string;
    way: Choice[];
}

export interface AllWays {
    visitor: Visitor;
    places: number;
    cut: boolean;
    currency: string;
    kinds: KindOfPerson[];
    findings: WayFinding[];
}
