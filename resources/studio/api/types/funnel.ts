import type { Planned } from '@/api/types/plans';
import type { SplitTest, Variant } from '@/api/types/experiments';
/** A funnel with its numbers. As the API gives it. */
import type { FunnelSuccess, Rate } from '@/api/types/shared';
import type { Deadline, ForEveryone } from '@/api/types/deadlines';
import type { Guide, GuidePage } from '@/api/types/guides';
import type { Email, MessageState, Sequence } from '@/api/types/emails';
import type { LookChanges, Page, SharedSection } from '@/api/types/page';
import type { Form } from '@/api/types/people';
import type { Popup, PopupNumbers } from '@/api/types/popups';
import type { Webinar } from '@/api/types/webinars';
import type { Promised } from '@/api/types/rehearsal';
import type { AutomationRule } from '@/api/types/rules';
import type { Coupon, Offer, Product } from '@/api/types/sales';

export type FunnelState = 'draft' | 'live' | 'closed';

export interface FunnelSummary {
    id: string;
    name: string;
    goal: string;
    state: FunnelState;
    address: string;
    url: string;
    /** Where its pages stand, and how their addresses are made up there. */
    place: { front: string; form: 'below' | 'front' | 'alone'; reserved: string[] };
    openUrl: string;
    archived: boolean;
    /** By which the owner sorts funnels. */
    labels: string[];
    liveVersion: number | null;
    opensAt: string | null;
    closesAt: string | null;
    closedAt: string | null;
    updatedAt: string;
}

/** What waits for the owner's own hand, in a sentence that leads there. */
export interface NeedsOwner {
    key: string;
    words: string;
    action: string;
    to: string;
}

/** A funnel in a list, with the last four weeks. */
export interface FunnelRow extends FunnelSummary {
    visitors: number;
    lastActivity: string | null;
    success: FunnelSuccess;
    /** The goal that is written down for it, if one is. */
    planned: Planned | null;
    /** Its first page, drawn small, as SVG. */
    drawing: string;
}

export interface LeadMagnet {
    id: string;
    name: string;
    title: string;
    revision: number;
    file: { id: string; name: string; note: string } | null;
    /** The guide that it is, or that comes beside the file. */
    guide: string | null;
}

export interface Way {
    page: string;
    outcome: string;
    toPage: string | null;
    toUrl: string | null;
}

export interface PageNumbers {
    views: number;
    visitors: number;
    signups: number;
    downloads: number;
    sales: number;
    rate: Rate;
}

export interface Funnel extends FunnelSummary {
    changed: boolean;
    nextVersion: number;
    look: string;
    changes: LookChanges;
    logo: string | null;
    icon: string | null;
    fields: Record<string, string>;
    parameters: string[];
    sharedSections: SharedSection[];
    pages: Page[];
    ways: Way[];
    forms: Form[];
    sequences: Sequence[];
    emails: Email[];
    leadMagnets: LeadMagnet[];
    products: Product[];
    offers: Offer[];
    coupons: Coupon[];
    deadlines: Deadline[];
    popups: Popup[];
    webinars: Webinar[];
    splitTests: SplitTest[];
    variants: Variant[];
    guides: Guide[];
    guidePages: GuidePage[];
    promises: Promised[];
    rules: AutomationRule[];
    currency: string;
    /** In which it speaks to visitors: a BCP 47 tag, with `-x-formal` where it is formal. */
    language: string;
    /** When the draft would be open. */
    times: { opens?: ForEveryone; closes?: ForEveryone };
    setAside: SetAside[];
    pageNumbers: Record<string, PageNumbers>;
    emailNumbers: Record<string, Partial<Record<MessageState | 'opened' | 'clicked' | 'lost', number>>>;
    /** Of those that were ever shown. */
    popupNumbers: Record<string, PopupNumbers>;
    sequenceNumbers: Record<string, { inside: number; waiting: number }>;
}

/** Something that came with an archive and waits for its owner's word; `what` is head, bodyEnd, hook, url or `way:` with an outcome. */
export interface SetAside {
    part: string;
    what: string;
    name: string;
    text: string;
}

export interface Version {
    id: string;
    number: number;
    note: string;
    publishedAt: string;
    live: boolean;
}
