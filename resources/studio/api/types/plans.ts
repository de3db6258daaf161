import type { FunnelSuccess, Rate } from '@/api/types/shared';

/** Where a funnel leaks: a step, what it is held against, and what a month would bring more. */
export interface Leak {
    page: string;
    name: string;
    kind: 'join' | 'confirm' | 'attend' | 'buy-at-once' | 'pay' | 'go-on';
    could: number;
    did: number;
    rate: Rate;
    verb: string;
    reference: number;
    from: 'usual' | 'past' | 'other';
    usual: { low: number; high: number } | null;
    past: Rate | null;
    other: Rate | null;
    otherName: string;
    sentence: string;
    gain: string;
    /** So few came that there may be none. */
    unsure: boolean;
    money: number;
    tries: { words: string; to: 'page' | 'form' | 'email' | 'webinar' | 'offers' | 'test' }[];
}

export interface Leaks {
    leaks: Leak[];
    /** Steps that leak nothing that is known, each in a sentence. */
    quiet: string[];
}

/** How far a goal that was written down has come. */
export interface Planned {
    what: FunnelSuccess['kind'];
    wanted: number;
    reached: number;
    /** The last day. */
    until: string;
    days: number;
    /** Has as much of it come as of its time has gone? */
    ahead: boolean;
    over: boolean;
}

/** Visitors: at least, about, at most. The last is null where there may be no end to it. */
export type Range = [number, number, number | null];

export interface BackwardPlan {
    what: FunnelSuccess['kind'];
    wanted: number;
    until: string | null;
    weeks: number | null;
    reached: number;
    /** Over how many days the rates were read. */
    days: number;
    steps: { key: string; label: string; rate: Rate; changed: number | null }[];
    visitors: Range | null;
    perWeek: Range | null;
    /** The same by the rates of today. */
    today: Range | null;
    todayPerWeek: Range | null;
    goal: Planned | null;
}

export interface Spend {
    id: string;
    source: string;
    from: string;
    to: string;
    amount: string;
    currency: string;
    words: string;
    note: string;
}

/** What a source cost and brought; '' and null are what is not known. */
export interface CostRow {
    source: string;
    spent: number | null;
    spentWords: string;
    visitors: number;
    leads: number;
    customers: number;
    revenue: string;
    perVisitor: string;
    perLead: string;
    perCustomer: string;
    revenuePerLead: string;
    timesBack: number | null;
    profit: string;
    /** Is money of another currency in it, which is not held against the rest? */
    foreign: boolean;
}

export interface Costs {
    from: string;
    to: string;
    currency: string;
    decimals: number;
    sources: CostRow[];
    whole: CostRow;
    sentence: string;
    value: { days: number; customers: number; words: string }[];
    breakEven: string | null;
    spends: Spend[];
}
