import type { WebinarOutcome } from '@/api/types/webinars';

export interface Rate {
    successes: number;
    trials: number;
    rate: number | null;
    low: number | null;
    high: number | null;
}

export interface Named {
    id: string;
    label: string;
}

/** A rule about people; what it holds beside its kind is said by the description of that kind. */
export type Rule = { kind: string } & Record<string, string | number | boolean>;

export interface Rules {
    all: boolean;
    rules: (Rule | Rules)[];
}

/** An event that starts a sequence or ends it. */
export type Trigger =
    | { kind: 'tag'; tag: string }
    | { kind: 'form'; form: string }
    | { kind: 'bought' }
    | { kind: 'bought-offer'; offer: string }
    | { kind: 'page'; page: string; times?: number }
    | { kind: 'click'; email: string }
    | { kind: 'sequence'; sequence: string }
    | { kind: 'registered'; webinar: string }
    | { kind: 'webinar'; outcome: WebinarOutcome; webinar: string }
    | { kind: 'confirmed'; form: string }
    | { kind: 'refunded'; offer: string }
    | { kind: 'payment-failed'; offer: string }
    | { kind: 'became-warm' }
    | { kind: 'guide-begun'; guide: string }
    | { kind: 'guide-share'; guide: string; share?: number }
    | { kind: 'guide-page'; page: string }
    | { kind: 'guide-finished'; guide: string }
    | { kind: 'deadline-over'; deadline: string }
    | { kind: 'deadline-began'; deadline: string }
    | { kind: 'deadline-near'; deadline: string; hours?: number }
    | { kind: 'signup' }
    | { kind: 'replied' }
    | { kind: 'date'; field: string; yearly?: boolean; days?: number };

export interface Finding {
    code: string;
    blocks: boolean;
    message: string;
    open:
        | 'page'
        | 'form'
        | 'email'
        | 'sequence'
        | 'broadcast'
        | 'lead-magnet'
        | 'product'
        | 'offer'
        | 'coupon'
        | 'deadline'
        | 'variant'
        | 'popup'
        | 'webinar'
        | 'guide'
        | 'guide-page'
        | 'automation'
        | 'way'
        | 'phrases'
        | 'funnel'
        | 'settings';
    id: string;
    openLabel: string;
    place: string;
    fixLabel: string;
}

/** What a funnel brought in the last four weeks, of that of which its goal wants more; `trend` is by day. */
export type FunnelSuccess = { count: number; trend: number[] } & (
    { kind: 'signups' | 'registrations'; rate: Rate } | { kind: 'sales'; revenue: string; minor: number }
);
