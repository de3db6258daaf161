import type { PageDocument } from '@/api/types/page';

export type TestGoal = 'signup' | 'confirmation' | 'sale' | 'revenue';

/** A split test of a page, in the draft. */
export interface SplitTest {
    id: string;
    name: string;
    revision: number;
    page: string;
    goal: TestGoal;
    /** Has it been started? */
    on: boolean;
    /** Of the page as it was, beside those of its variants. */
    weight: number;
    mostDays: number;
    byItself: boolean;
}

/** Another version of the page of a split test; its name is what is different. */
export interface Variant {
    id: string;
    name: string;
    revision: number;
    test: string;
    letter: string;
    weight: number;
    document: PageDocument;
    /** What differs from the page, in sentences. */
    differs: string[];
}

/** A split test from when it went public, with what it says. */
export interface TestResults {
    id: string;
    funnel: string;
    page: string;
    name: string;
    goal: TestGoal;
    goalLabel: string;
    startedAt: string;
    endedAt: string | null;
    endedHow: 'owner' | 'by-itself' | 'withdrawn' | null;
    winner: string | null;
    learned: string;
    byItself: boolean;
    days: number;
    mostDays: number;
    verdict: 'empty' | 'too-early' | 'open' | 'winner' | 'same' | 'unknown' | 'spoiled';
    leader: string;
    sentence: string;
    cost: string;
    waiting: string;
    arms: {
        letter: string;
        note: string;
        weight: number;
        visitors: number;
        reached: number;
        best: number;
        mean: number;
        low: number;
        high: number;
        value: string;
        between: string;
    }[];
    warnings: string[];
    byDay: { day: string; visitors: number; reached: number }[];
}
