/** Pop-ups, bands, slips and placed forms. As the API gives them. */
import type { Rate, Named, Rules } from '@/api/types/shared';
import type { PageDocument } from '@/api/types/page';

export interface PopupTrigger {
    kind: string;
    amount?: number;
    section?: string;
}

export interface AddressPattern {
    how: string;
    text: string;
    except?: boolean;
}

export interface SitePlaces {
    site: string;
    patterns: AddressPattern[];
}

export interface PopupTargeting {
    pages?: string;
    ids?: string[];
    sites?: SitePlaces[];
    device?: string;
    visitors?: string;
    sources?: string[];
    parameter?: string;
    value?: string;
    languages?: string[];
}

export interface PopupLimits {
    repeat: string;
    days?: number;
    most?: number;
    afterClosed: number;
    fromVisit?: number;
    apart: number;
    from?: string;
    until?: string;
    hours?: { days: number[]; from: number; to: number };
}

export interface PopupFrame {
    placement: string;
    size: string;
    backdrop: string;
    entry: string;
    ms: number;
    phone?: string;
}

export interface Popup {
    id: string;
    name: string;
    on: boolean;
    document: PageDocument;
    asks: boolean;
    frame: PopupFrame;
    triggers: PopupTrigger[];
    targeting: PopupTargeting;
    spot: { how: string; text?: string; number?: number };
    limits: PopupLimits;
    never: Rules;
    after: { kind: string; to?: string };
    tag: string;
    leadMagnet: string;
    design: string;
    placed: boolean;
    /** What opens it, as a sentence. */
    words: string;
    revision: number;
}

export interface PopupNumbers {
    eligible: number;
    shown: number;
    closed: number;
    joined: number;
    clicked: number;
    rate: Rate;
}

export interface PopupResults {
    numbers: PopupNumbers | null;
    triggers: (PopupNumbers & { trigger: string })[];
    places: (PopupNumbers & { id: string; name: string; pattern: string })[];
}

/** One row of the results of a funnel. */
export type PopupRow = PopupResults & { id: string; name: string; numbers: PopupNumbers };

export interface PopupVerdict {
    shows: boolean;
    refusals: string[];
    pattern: string;
}

/** What pop-ups can be, as the core names it. */
export interface PopupKit {
    stands: Named[];
    sizes: Named[];
    backdrops: Named[];
    entries: Named[];
    designs: { id: string; stand: string; size: string }[];
    triggers: (Named & { amounts: [number, number, number] })[];
    /** Roles of pages on which no pop-up is ever shown. */
    quietRoles: string[];
}

/** One of the owner's other web sites. */
export interface Site {
    id: string;
    name: string;
    origin: string;
    line: string;
    seenAt: string | null;
    views: number;
    pages: { path: string; title: string; views: number; lastAt: string }[];
}
