/** Forms, and people with what is known of them. As the API gives it. */
import type { Rule, Rules } from '@/api/types/shared';
import type { PersonDeadline } from '@/api/types/deadlines';
import type { OrderRow } from '@/api/types/sales';
import type { Warmth } from '@/api/types/warmth';

export type FieldKind =
    | 'email'
    | 'first_name'
    | 'last_name'
    | 'phone'
    | 'short_text'
    | 'long_text'
    | 'choice'
    | 'choices'
    | 'number'
    | 'date'
    | 'consent'
    | 'hidden';

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
    text: string;
    subject: string;
    body: string;
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
    done: string;
    notice: 'never' | 'at-once' | 'daily';
    hook: string;
    nextButton: string;
    /** The one it registers for; '' for none. */
    webinar: string;
    revision: number;
}

/** Rules about people: all of them must hold, or any. */

export interface RuleOption {
    label: string;
    words: string;
    sets: Record<string, string | number | boolean>;
    own: boolean;
}

/** One thing a kind of rule asks for, as the core describes it. */
export interface RuleField {
    type:
        | 'choice'
        | 'tag'
        | 'mail'
        | 'place'
        | 'deadline'
        | 'webinar'
        | 'guide'
        | 'guide-page'
        | 'field'
        | 'date'
        | 'value'
        | 'number'
        | 'day';
    name: string;
    label: string;
    options: RuleOption[];
    when: Record<string, (string | boolean)[]>;
    optional: boolean;
    words: string;
    one: string;
    none: string;
}

export interface RuleKind {
    kind: string;
    label: string;
    fresh: Rule;
    fields: RuleField[];
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
    deadlines: Thing[];
    webinars: Thing[];
    guides: Thing[];
    guidePages: Thing[];
    broadcasts: Thing[];
    sequences: Thing[];
    forms: Thing[];
    offers: Thing[];
    products: Thing[];
    segments: { id: string; name: string; rules: Rules }[];
    rules: RuleKind[];
    /** Segments to begin with. */
    examples: { name: string; rules: Rules }[];
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

export interface PersonRow {
    id: string;
    email: string;
    firstName: string;
    lastName: string;
    joinedAt: string;
    activeAt: string | null;
    unsubscribed: boolean;
    ownerTry: boolean;
    subscription: string;
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
    warmth: Warmth;
    phone: string;
    timezone: string | null;
    /** In which they are spoken to; null for that of the funnel they came by. */
    language: string | null;
    subscriptionWords: string;
    quietUntil: string | null;
    confirmedAt: string | null;
    tagIds: { id: number; name: string }[];
    fields: (OwnField & { values: string[] })[];
    notes: { id: string; text: string; at: string }[];
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
    deadlines: PersonDeadline[];
    optOuts: string[];
    history: HistoryItem[];
    consent: Consent[];
    purchases: {
        orders: (OrderRow & { toCome: number; next: string | null })[];
        sums: { currency: string; orders: number; revenue: string }[];
    };
    deliveries: { id: string; title: string; downloads: number; revoked: boolean }[];
}
