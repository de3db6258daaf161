/** How warm people are, and what that goes by. */
export type Band = 'cold' | 'mild' | 'warm' | 'hot';

export interface Warmth {
    score: number;
    band: Band;
    bandLabel: string;
    sentence: string;
    /** What it is made of: points that are left, and that have faded. */
    parts: { action: string; words: string; times: number; last: string; points: number; faded: number }[];
    /** What would raise it, and to what. */
    raises: { words: string; to: number }[];
    aMonthAgo: number;
    spokenAt: string | null;
}

export interface WarmPerson {
    id: string;
    name: string;
    email: string;
    score: number;
    band: Band;
    bandLabel: string;
    reason: string;
    activeAt: string | null;
}

export interface WarmthWeights {
    halfLife: number;
    mostDays: number;
    most: number;
    actions: { id: string; label: string; points: number; usual: number }[];
}

export interface WarmthList {
    people: WarmPerson[];
    bands: { band: Band; label: string; from: number; people: number }[];
    weights: WarmthWeights;
    /** Is the owner told by email when somebody becomes warm? */
    notices: boolean;
}

/** Somebody with the weights of now, and with others. */
export interface WarmthMove {
    id: string;
    name: string;
    now: number;
    then: number;
    band: Band;
}

/** What the owner's own sales say: which actions came before buying more often than by chance. Shares in percent. */
export interface WarmthSuggestions {
    /** Who bought on a later day than they joined. */
    buyers: number;
    least: number;
    actions: { id: string; label: string; did: number; others: number; times: number; sure: number; points: number; now: number }[];
    /** Of these nothing can be said. */
    nothing: string[];
}
