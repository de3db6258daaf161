import type { EmailTiming } from '@/api/types/emails';
import type { PageDocument } from '@/api/types/page';
import type { PopupFrame, PopupTrigger } from '@/api/types/popups';

export type TestGoal = 'signup' | 'confirmation' | 'sale' | 'revenue' | 'click' | 'open';

/** What a split test can be of. */
export type Tested = 'page' | 'email' | 'popup' | 'timing';

/** A split test in the draft. */
export interface SplitTest {
    id: string;
    name: string;
    revision: number;
    of: Tested;
    /** The id of what it is of. */
    part: string;
    goal: TestGoal;
    goals: { value: TestGoal; label: string }[];
    /** "visitors", "readers" */
    who: string;
    /** The rate that is expected where there was nothing yet. */
    usual: number;
    /** Has it been started? */
    on: boolean;
    /** Of what there was before, beside those of its variants. */
    weight: number;
    mostDays: number;
    byItself: boolean;
}

/** Another version of what a split test is of; its name is what is different. It has the fields of what it is a variant of. */
export interface Variant {
    id: string;
    name: string;
    revision: number;
    test: string;
    of: Tested;
    letter: string;
    weight: number;
    /** What differs, in sentences. */
    differs: string[];
    /** Of a page or a pop-up. */
    document?: PageDocument;
    /** Of a pop-up. */
    frame?: PopupFrame;
    triggers?: PopupTrigger[];
    design?: string;
    words?: string;
    /** Of an email. */
    subject?: string;
    body?: string;
    /** Of the timing of a sequence: the emails that go out at other moments. */
    timings?: { email: string; timing: EmailTiming }[];
}

/** A split test from when it went public, with what it says. */
export interface TestResults {
    id: string;
    funnel: string;
    of: Tested;
    part: string;
    partKind: string;
    who: string;
    verb: string;
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
