import type { PageDocument, PageOutcome } from '@/api/types/page';
/** Guides that are read in the browser, and who reads them. As the API gives it. */

export type Telling = 'never' | 'at-once' | 'daily';

export interface Guide {
    id: string;
    name: string;
    title: string;
    address: string;
    /** So many of its pages anybody may read before signing up. */
    open: number;
    /** May readers save it as a PDF? */
    saves: boolean;
    finish: { kind: 'all' | 'share' | 'last'; share: number };
    begun: Telling;
    finished: Telling;
    outcomes: PageOutcome[];
    revision: number;
}

export interface GuidePage {
    id: string;
    name: string;
    guide: string;
    hidden: boolean;
    headline: string;
    /** That it takes to read it calmly. */
    seconds: number;
    document: PageDocument;
    revision: number;
}

/** What a document would become: a page to look at. */
export interface ReadPage {
    name: string;
    words: number;
    begins: string;
    document: PageDocument;
}

export interface GuideNumbers {
    /** How many may read it. */
    given: number;
    begun: number;
    finished: number;
    /** Seconds. */
    median: number;
    pages: { id: string; name: string; reached: number; seen: number; read: number; again: number; median: number }[];
    stop: { page: string; number: number; came: number; stopped: number } | null;
    /** With fewer readers nothing is said of where people stop. */
    least: number;
}

export interface GuideReader {
    id: string;
    name: string;
    email: string;
    begunAt: string | null;
    finishedAt: string | null;
    lastAt: string | null;
    lastPage: string;
    seconds: number;
    stays: number;
    share: number;
}

export interface PersonReading {
    id: string;
    title: string;
    funnel: string;
    funnelId: string;
    begunAt: string | null;
    finishedAt: string | null;
    lastAt: string | null;
    seconds: number;
    stays: number;
    share: number;
    pages: { id: string; name: string; seconds: number; scrolled: number; stays: number; read: boolean }[];
    words: { asked: string; said: string }[];
    ticks: { thing: string; done: boolean }[];
    clicks: { words: string; at: string }[];
}
