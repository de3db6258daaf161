/** The business, who is signed in, and what the Studio is told once: looks, designs, kinds of blocks. As the API gives it. */
import type { ActKind } from '@/api/types/rules';
import type { Named } from '@/api/types/shared';
import type { PopupKit } from '@/api/types/popups';

/** The shapes of the Studio's API. They are written by app/Http/Studio/Json.php and the controllers beside it. */
export interface Business {
    businessName: string;
    senderName: string;
    senderAddress: string;
    postalAddress: string;
    timezone: string;
    currency: string;
    /** How the owner reads dates, numbers and money: a BCP 47 tag. */
    locale: string;
    /** In which new funnels speak to visitors. */
    language: string;
    embedHosts: string[];
    messagesPerMinute: number;
    taxRate: string;
    taxName: string;
    taxNumber: string;
    saleNotices: string[];
    /** Does an email with the week in six lines come each Monday? */
    weeklyReport: boolean;
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
    ownCode?: boolean;
    zones: string[];
    locales: string[];
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

/** What a field of a block holds; how it is edited follows from its type. */
export interface BlockField {
    type: 'words' | 'rich-text' | 'description' | 'link' | 'picture' | 'video' | 'moment' | 'reference' | 'colour' | 'choice';
    optional: boolean;
    to: string;
    options: string[];
}

export interface BlockType extends Named {
    fields: Record<string, BlockField>;
    items: Record<string, BlockField> | null;
    styles: string[];
}

/** What pages can be made of, as the core names it. */
export interface Kit {
    designs: Design[];
    pageDesigns: { id: string; name: string; words: string }[];
    sections: Named[];
    guideSections: Named[];
    finishes: Named[];
    blocks: BlockType[];
    arrangements: Named[];
    icons: { id: string; svg: string }[];
    roles: Named[];
    /** What rules do, by kind. */
    acts: ActKind[];
    triggers: {
        kind: string;
        label: string;
        fields: Record<string, 'tag' | 'times' | 'form' | 'offer' | 'page' | 'email' | 'sequence' | 'webinar' | 'outcome' | 'deadline'>;
    }[];
    deadlineStates: Named[];
    popups: PopupKit;
    /** BCP 47 tags of the languages that can be chosen. */
    languages: string[];
    /** Those in which the application itself speaks to visitors, and of these those with a formal way, without regions. */
    spokenLanguages: string[];
    languagesWithTwoWays: string[];
    /** Those in which the pages and emails of starters are written. */
    starterLanguages: string[];
    currencies: { code: string; decimals: number; name: string }[];
    headingFonts: string[];
    bodyFonts: string[];
    personFields: Record<string, string>;
    ownerFields: Record<string, string>;
    sessionFields: Record<string, string>;
}

/** Where emails go, and the owner's mail server; its password is never told. */
export interface MailServer {
    /** At which mail servers tell what came back; null until one was asked for. */
    reports: string | null;
    reportedAt: string | null;
    way: 'outbox' | 'server' | 'file';
    host: string;
    port: number;
    encryption: 'tls' | 'starttls' | 'none';
    username: string;
    hasPassword: boolean;
    /** The server that stands in `.env`; null where none does. */
    file: string | null;
    /** For the DNS of the domain of the sender address. */
    records: { name: string; type: string; value: string; for: string }[];
}

export interface DnsRecord {
    type: 'A' | 'AAAA' | 'CNAME';
    name: string;
    value: string;
}

/** A domain of the owner's. */
export interface Domain {
    id: string;
    /** As the DNS writes it; then as its owner reads it. */
    name: string;
    shown: string;
    url: string;
    leadsTo: 'business' | 'funnel';
    funnel: string | null;
    funnelName: string | null;
    primary: boolean;
    state: 'waiting' | 'working' | 'trouble';
    canBePrimary: boolean;
    finding: string | null;
    sentence: string;
    records: DnsRecord[];
    alias: DnsRecord | null;
    /** False where this server is known by addresses of its own network alone. */
    reachable: boolean;
    checkedAt: string | null;
    workedAt: string | null;
}

export interface DomainList {
    domains: Domain[];
    /** Where pages stand that have no domain. */
    site: string;
    most: number;
    funnels: { id: string; name: string; address: string }[];
}
