import type { Rules, Trigger, Finding } from '@/api/types/shared';
import type { SessionMoment } from '@/api/types/webinars';
/** Sequences, emails, broadcasts and messages. As the API gives it. */

export interface SendWindow {
    days: number[];
    from: number;
    to: number;
}

export interface Sequence {
    id: string;
    name: string;
    starts: Trigger[];
    ends: Trigger[];
    again: boolean;
    byReader: boolean;
    window: SendWindow | null;
    windowLabel: string;
    paused: boolean;
    pausedAt: string | null;
    revision: number;
}

export interface Delay {
    minutes?: number;
    days?: number;
    hour?: number;
}

/** A moment told from a deadline: below 0 is before it. */
export interface DeadlineMoment {
    deadline: string;
    edge: 'start' | 'end';
    minutes?: number;
    days?: number;
    hour?: number;
}

/** When an email goes out: what that is told from, and how far from it. */
export type EmailTiming = ({ from: 'joining' } & Delay) | ({ from: 'deadline' } & DeadlineMoment) | ({ from: 'session' } & SessionMoment);

export interface Email {
    id: string;
    name: string;
    subject: string;
    body: string;
    timing: EmailTiming;
    offset: number;
    /** When it goes out, in words. */
    timingWords: string;
    sequence: string;
    only: Rules;
    revision: number;
}

export interface EmailSample {
    subject: string;
    html: string;
    text: string;
    reader: string;
    /** What merge fields give this reader, by name. */
    values: Record<string, string>;
    colours: { accent: string; onAccent: string; link: string };
    /** What stands below every email of the business. */
    foot: string;
    findings?: Finding[];
}

export interface EmailPart {
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

/** A sequence of any funnel, with what it sent in the last four weeks. */
export interface SequenceRow {
    id: string;
    name: string;
    funnel: string;
    funnelName: string;
    live: boolean;
    paused: boolean;
    emails: number;
    inside: number;
    waiting: number;
    nextAt: string | null;
    sent: number;
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
