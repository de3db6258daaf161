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
