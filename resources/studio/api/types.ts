/** The shapes of the Studio's API. They are written by app/Http/Studio/Json.php and the controllers beside it. */
export interface Business {
    businessName: string;
    senderName: string;
    senderAddress: string;
    postalAddress: string;
    timezone: string;
    currency: string;
    embedHosts: string[];
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
    frame: string;
    colours: LookColours;
}

export interface Session {
    signedIn: boolean;
    firstRun?: boolean;
    demo?: { email: string; password: string } | boolean | null;
    user?: { name: string; email: string };
    business?: Business;
    looks?: Look[];
    kit?: Kit;
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

/** A field of a block, or of an entry in its list: always words. */
export type Fields = Record<string, string>;

export type Block = {
    id: string;
    kind: string;
    style?: string;
    hidden?: 'phone' | 'desktop';
    items?: Fields[];
} & { [field: string]: string | Fields[] | undefined };

export type Fill = 'paper' | 'tone' | 'colour' | 'gradient' | 'picture' | 'video';

export interface Background {
    fill: Fill;
    tone?: string;
    colour?: string;
    to?: string;
    angle?: number;
    picture?: string;
    video?: string;
    focusX?: number;
    focusY?: number;
    ink?: string;
    veil?: number;
}

export interface Section {
    id: string;
    kind: string;
    arrangement: string;
    look?: string;
    hidden?: 'phone' | 'desktop';
    shared?: string;
    background?: Background;
    blocks: Block[];
}

export interface PageDocument {
    format: number;
    look?: string;
    background?: Background;
    sections: Section[];
}

export interface PageSettings {
    title?: string;
    description?: string;
    picture?: string;
    language?: string;
    hidden?: boolean;
    head?: string;
    bodyEnd?: string;
}

export interface PageOutcome {
    outcome: string;
    label: string;
    /** “Those who joined” */
    who: string;
    must: boolean;
}

export interface Page {
    id: string;
    role: string;
    roleLabel: string;
    name: string;
    address: string;
    headline: string;
    outcomes: PageOutcome[];
    document: PageDocument;
    settings: PageSettings;
    revision: number;
}

export interface SharedSection {
    id: string;
    name: string;
    section: Section;
    revision: number;
}

export interface LookChanges {
    accent?: string;
    paper?: string;
    ink?: string;
    headingFont?: string;
    bodyFont?: string;
    corner?: number;
}

export interface Named {
    id: string;
    label: string;
}

export interface Design {
    id: string;
    kind: string;
    name: string;
    arrangement: string;
    tone: string;
    styles: Record<string, string>;
}

export interface OwnDesign {
    id: string;
    kind: 'page' | 'section';
    name: string;
    role: string;
}

export interface BlockType extends Named {
    fields: string[];
    items: string[] | null;
    styles: string[];
}

/** What pages can be made of, as the core names it. */
export interface Kit {
    designs: Design[];
    pageDesigns: { id: string; name: string; words: string }[];
    sections: Named[];
    blocks: BlockType[];
    arrangements: Named[];
    icons: { id: string; svg: string }[];
    roles: Named[];
    headingFonts: string[];
    bodyFonts: string[];
    personFields: Record<string, string>;
    ownerFields: Record<string, string>;
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
    changes: LookChanges;
    logo: string | null;
    icon: string | null;
    fields: Record<string, string>;
    parameters: string[];
    sharedSections: SharedSection[];
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
    open: 'page' | 'form' | 'email' | 'lead-magnet' | 'way' | 'funnel' | 'settings';
    id: string;
    fix: string;
    place: string;
    mend: string;
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
    width: number | null;
    height: number | null;
    bytes: number;
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
