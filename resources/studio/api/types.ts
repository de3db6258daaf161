/** The shapes of the Studio's API. They are written by app/Http/Studio/Json.php and the controllers beside it. */
export interface Business {
    businessName: string;
    senderName: string;
    senderAddress: string;
    postalAddress: string;
    timezone: string;
    currency: string;
    embedHosts: string[];
    messagesPerMinute: number;
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

export type FieldKind =
    'email' | 'first_name' | 'last_name' | 'phone' | 'line' | 'words' | 'choice' | 'choices' | 'number' | 'date' | 'consent' | 'hidden';

export interface FormField {
    kind: FieldKind;
    label: string;
    required: boolean;
    name?: string;
    hint?: string;
    placeholder?: string;
    options?: string[];
    keep?: boolean;
    step?: number;
    parameter?: string;
    preset?: string;
}

export interface ConfirmWords {
    title: string;
    words: string;
    subject: string;
    letter: string;
    button: string;
}

export interface Form {
    id: string;
    name: string;
    fields: FormField[];
    button: string;
    consent: string;
    consentRequired: boolean;
    tags: string[];
    marketing: string;
    doubleOptIn: boolean;
    confirmWords: ConfirmWords;
    start: string[];
    stop: string[];
    done: string;
    notice: 'never' | 'at-once' | 'daily';
    hook: string;
    nextButton: string;
    revision: number;
}

/** Rules about people: all of them must hold, or any. */
export interface Rule {
    what: 'field' | 'tag' | 'did' | 'date' | 'standing';
    is: string;
    of?: string;
    value?: string;
    within?: number;
    did?: string;
}

export interface Rules {
    all: boolean;
    of: (Rule | Rules)[];
}

export interface SendWindow {
    days: number[];
    from: number;
    to: number;
}

export interface Sequence {
    id: string;
    name: string;
    startTags: string[];
    endTags: string[];
    endsOnBuying: boolean;
    again: boolean;
    byReader: boolean;
    window: SendWindow | null;
    windowLabel: string;
    paused: boolean;
    pausedAt: string | null;
    revision: number;
}

export interface OwnField {
    name: string;
    label: string;
    kind: FieldKind;
    options: string[];
    own?: boolean;
}

export interface Thing {
    id: string;
    name: string;
    funnel?: string;
}

/** What rules about people can speak of, by name. */
export interface PeopleKit {
    fields: OwnField[];
    tags: { id: number; name: string }[];
    funnels: Thing[];
    pages: Thing[];
    emails: Thing[];
    broadcasts: Thing[];
    sequences: Thing[];
    segments: { id: string; name: string; rules: Rules }[];
    dids: { id: string; yes: string; no: string; mail: boolean }[];
    standings: { id: string; label: string }[];
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
    sequence: string;
    only: Rules;
    revision: number;
}

export interface LetterSample {
    subject: string;
    html: string;
    text: string;
    reader: string;
    findings?: Finding[];
}

export interface LetterPart {
    id: string;
    name: string;
    body: string;
}

export interface BroadcastNumbers {
    messages: number;
    sent: number;
    waiting: number;
    failed: number;
    passed: number;
    opened: number;
    clicked: number;
    lost: number;
}

export interface BroadcastRow {
    id: string;
    name: string;
    subject: string;
    state: 'draft' | 'scheduled' | 'testing' | 'sending' | 'sent' | 'stopped';
    sendAt: string | null;
    startedAt: string | null;
    updatedAt: string;
    numbers: BroadcastNumbers | null;
}

export interface Broadcast extends BroadcastRow {
    body: string;
    audience: Rules;
    audienceWords: string;
    people: number;
    funnel: string | null;
    settings: { otherSubject: string; share: number; hours: number; byClicks: boolean; againDays: number; againSubject: string };
    winner: string | null;
    winnerWhy: string | null;
    pickedAt: string | null;
    againAt: string | null;
    variants: Record<string, { sent: number; opened: number; clicked: number }>;
    revision: number;
}

export interface ImportRow {
    id: string;
    name: string;
    state: 'new' | 'running' | 'done' | 'stopped' | 'undoing' | 'undone';
    reading: {
        encoding: string;
        format: string;
        delimiter: string;
        header: boolean;
        headings: string[];
        rows: string[][];
        lines: number;
        guess: string[];
    };
    lines: number;
    done: number;
    added: number;
    updated: number;
    same: number;
    refused: number;
    /** Lines that were brought in, but not all of what they say. */
    noted: number;
    /** Whom it had added and who stayed when it was taken back. */
    stayed: number | null;
    at: string;
    refusals?: { line: number; why: string; raw: string }[];
}

export interface SubmissionRow {
    id: string;
    at: string;
    funnel: string;
    funnelId: string;
    form: string;
    version: number;
    state: 'waiting' | 'taken';
    person: { id: string; name: string };
    answers: { label: string; value: string }[];
    consentWords: string;
    consented: boolean;
    marketingWords: string | null;
    marketing: boolean | null;
    ip: string | null;
    source: Record<string, string>;
    confirmedAt: string | null;
}

export interface HookCall {
    id: string;
    url: string;
    state: 'waiting' | 'calling' | 'done' | 'failed';
    attempts: number;
    status: number | null;
    answer: string | null;
    payload: string;
    at: string;
    dueAt: string;
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
    sequences: Sequence[];
    emails: Email[];
    leadMagnets: LeadMagnet[];
    pageNumbers: Record<string, PageNumbers>;
    emailNumbers: Record<string, Partial<Record<MessageState | 'opened' | 'clicked' | 'lost', number>>>;
    sequenceNumbers: Record<string, { inside: number; waiting: number }>;
}

export interface Finding {
    code: string;
    blocks: boolean;
    message: string;
    open: 'page' | 'form' | 'email' | 'sequence' | 'broadcast' | 'lead-magnet' | 'way' | 'funnel' | 'settings';
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
    activeAt: string | null;
    unsubscribed: boolean;
    ownerTry: boolean;
    standing: string;
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
    message: string | null;
    opens?: number;
    clicks?: number;
    trouble?: string | null;
}

export interface Consent {
    submission: string;
    at: string;
    funnel: string;
    version: number;
    page: string | null;
    form: string | null;
    words: string;
    agreed: boolean;
    marketingWords: string | null;
    marketing: boolean | null;
    answers: Record<string, string>;
    source: Record<string, string>;
    address: string | null;
    confirmedAt: string | null;
}

export interface Person extends PersonRow {
    phone: string;
    timezone: string | null;
    standingWords: string;
    quietUntil: string | null;
    confirmedAt: string | null;
    tagIds: { id: number; name: string }[];
    fields: (OwnField & { values: string[] })[];
    notes: { id: string; words: string; at: string }[];
    sequences: {
        id: string;
        name: string;
        funnel: string;
        funnelId: string;
        at: string;
        endedAt: string | null;
        /** The last email has gone, though it has not been ended. */
        through: boolean;
        endedWhy: string | null;
    }[];
    optOuts: string[];
    history: HistoryItem[];
    consent: Consent[];
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
    personId: string | null;
    funnelId: string | null;
    openedAt: string | null;
    clickedAt: string | null;
    lostWhy: string | null;
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
