/** The shapes of the Studio's API. They are written by app/Http/Studio/Json.php and the controllers beside it. */
export interface Business {
    businessName: string;
    senderName: string;
    senderAddress: string;
    postalAddress: string;
    timezone: string;
    currency: string;
}

export interface LookColours {
    paper: string;
    ink: string;
    soft: string;
    accent: string;
    onAccent: string;
    link: string;
    field: string;
    onField: string;
    line: string;
}

export interface Look {
    id: string;
    name: string;
    headingFont: string;
    headingWeight: number;
    bodyFont: string;
    corner: number;
    colours: LookColours;
}

export interface Session {
    signedIn: boolean;
    firstRun?: boolean;
    demo?: { email: string; password: string } | boolean | null;
    user?: { name: string; email: string };
    business?: Business;
    looks?: Look[];
    siteUrl?: string;
    zones: string[];
}

export interface Rate {
    successes: number;
    trials: number;
    rate: number | null;
    low: number | null;
    high: number | null;
}

export type FunnelState = 'draft' | 'live' | 'closed';

export interface FunnelSummary {
    id: string;
    name: string;
    goal: string;
    state: FunnelState;
    address: string;
    url: string;
    archived: boolean;
    liveVersion: number | null;
    updatedAt: string;
}

export interface FunnelRow extends FunnelSummary {
    visitors: number;
    signups: number;
    rate: Rate;
    lastActivity: string | null;
    trend: number[];
}

export type BlockKind = 'heading' | 'text' | 'bullets' | 'picture' | 'cover' | 'form' | 'download' | 'button';
export type Arrangement = 'centred' | 'left' | 'split-right' | 'split-left' | 'boxed';

export interface Block {
    id: string;
    kind: BlockKind;
    text?: string;
    html?: string;
    picture?: string;
    alt?: string;
    form?: string;
    leadMagnet?: string;
    url?: string;
}

export interface Section {
    id: string;
    kind: 'opening' | 'words' | 'footer';
    arrangement: Arrangement;
    blocks: Block[];
}

export interface PageDocument {
    format: number;
    background?: { colour?: string; picture?: string };
    sections: Section[];
}

export interface Page {
    id: string;
    role: string;
    roleLabel: string;
    name: string;
    address: string;
    headline: string;
    outcomes: { outcome: string; label: string }[];
    document: PageDocument;
    revision: number;
}

export type FieldKind = 'email' | 'first_name' | 'last_name' | 'phone';

export interface Form {
    id: string;
    name: string;
    fields: { kind: FieldKind; label: string; required: boolean }[];
    button: string;
    consent: string;
    consentRequired: boolean;
    tags: string[];
    revision: number;
}

export interface Delay {
    minutes?: number;
    days?: number;
    hour?: number;
}

export interface Email {
    id: string;
    name: string;
    subject: string;
    body: string;
    delay: Delay;
    offset: number;
    delayLabel: string;
    revision: number;
}

export interface LeadMagnet {
    id: string;
    title: string;
    revision: number;
    file: { id: string; name: string; note: string } | null;
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
    rate: Rate;
}

export interface Funnel extends FunnelSummary {
    changed: boolean;
    nextVersion: number;
    look: string;
    accent: string | null;
    pages: Page[];
    ways: Way[];
    forms: Form[];
    emails: Email[];
    leadMagnets: LeadMagnet[];
    pageNumbers: Record<string, PageNumbers>;
    emailNumbers: Record<string, Partial<Record<MessageState, number>>>;
}

export interface Finding {
    code: string;
    blocks: boolean;
    message: string;
    open: 'page' | 'form' | 'email' | 'lead-magnet' | 'way' | 'settings';
    id: string;
    fix: string;
}

export interface Version {
    id: string;
    number: number;
    note: string;
    publishedAt: string;
    live: boolean;
}

export interface Picture {
    id: string;
    name: string;
    src: string;
    width: number;
    height: number;
}

export interface PersonRow {
    id: string;
    email: string;
    firstName: string;
    lastName: string;
    joinedAt: string;
    unsubscribed: boolean;
    ownerTry: boolean;
    tags: string[];
    from?: string;
}

export interface HistoryItem {
    id: string;
    kind: string;
    at: string;
    what: string;
    funnel: string;
    source: string | null;
}

export interface Person extends PersonRow {
    phone: string;
    timezone: string | null;
    history: HistoryItem[];
    submissions: {
        id: string;
        at: string;
        funnel: string;
        answers: Record<string, string>;
        consentWords: string;
        consented: boolean;
        source: Record<string, string>;
    }[];
    deliveries: { id: string; title: string; downloads: number; revoked: boolean }[];
}

export type MessageState = 'waiting' | 'sending' | 'sent' | 'failed' | 'cancelled';

export interface MessageRow {
    id: string;
    name: string;
    kind: string;
    to: string;
    subject: string;
    state: MessageState;
    dueAt: string;
    sentAt: string | null;
    trouble: string | null;
    attempts: number;
    personId: string;
    funnelId: string | null;
}

export interface Message extends MessageRow {
    html: string | null;
    text: string | null;
    from: string;
    funnel: string | null;
    person: string;
    mime: string | null;
}

export interface DayCount {
    day: string;
    views: number;
    visitors: number;
    signups: number;
}

export interface Results {
    days: DayCount[];
    zone: string;
    pages: (PageNumbers & { id: string; name: string })[];
    sources: { source: string; visitors: number; signups: number; rate: Rate }[];
}
