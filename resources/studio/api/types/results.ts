import type { FunnelSuccess, Rate } from '@/api/types/shared';

/** What was counted of a page, a day, a source or a whole funnel. Money is in smallest units of the funnel's currency. */
export interface Counted {
    views: number;
    visitors: number;
    wentOn: number;
    left: number;
    goingOn: Rate;
    /** How long going on typically took. */
    seconds: number | null;
    clicks: number;
    signups: number;
    signupRate: Rate;
    asked: number;
    confirmed: number;
    confirmRate: Rate;
    downloads: number;
    attended: number;
    unsubscribed: number;
    /** What was bought, extras by themselves; an order is one whatever is in it. */
    sales: number;
    orders: number;
    saleRate: Rate;
    orderRate: Rate;
    net: number;
    /** In words, each currency by itself. */
    revenue: string;
    refunds: number;
    refunded: string;
    perVisitor: string;
    /** Was anything paid in a currency other than the funnel's? */
    otherMoney: boolean;
}

/** `gone`: the page was removed; `end`: it leads nowhere. */
export type StepCount = Counted & { id: string; name: string; gone: boolean; end: boolean; before: Counted };
export type AxisCount = Counted & { value: string };

export interface Results {
    from: string;
    to: string;
    zone: string;
    currency: string;
    decimals: number;
    whole: Counted;
    before: Counted;
    days: { day: string; views: number; visitors: number; signups: number; orders: number }[];
    steps: StepCount[];
    sources: { first: AxisCount[]; last: AxisCount[] };
    devices: AxisCount[];
    known: AxisCount[];
    /** That of which its goal wants more, over the period and over the one before. */
    success: FunnelSuccess;
    successBefore: FunnelSuccess;
}

/** All funnels beside each other. */
export interface AllResults {
    sentence: string;
    funnels: {
        id: string;
        name: string;
        kind: FunnelSuccess['kind'];
        visitors: number;
        visitorsBefore: number;
        count: number;
        countBefore: number;
        rate: Rate;
        trend: number[];
        revenue: string;
        perVisitor: string;
    }[];
}

/** How far people read on a page, and which of its buttons they press. */
export interface Reading {
    name: string;
    views: number;
    /** Views of which it is known how far they went. */
    read: number;
    sentence: string;
    sections: { id: string; title: string; reached: Rate; stopped: number }[];
    buttons: {
        id: string;
        words: string;
        clicks: number;
        /** Browsers that clicked, each once; `rate` is theirs of those that came. */
        people: number;
        rate: Rate;
        /** Of those who clicked: who joined and who bought after it. */
        signups: number;
        signupRate: Rate;
        orders: number;
        orderRate: Rate;
        revenue: string;
    }[];
}

/** Those who joined in a week, and what came of them after one, two, four and eight; null is still to come. */
export interface Cohort {
    week: string;
    people: number;
    after: ({ buyers: number; revenue: string; left: number } | null)[];
}
