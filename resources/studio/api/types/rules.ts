import type { Rules, Trigger } from '@/api/types/shared';

/** Something that a rule does; what it holds beside its kind is said by the description of that kind. */
export type Act = { kind: string } & Record<string, string>;

/** How long after something a rule acts: elapsed minutes, or calendar days until a time of the day. */
export interface RuleWait {
    minutes?: number;
    days?: number;
    time?: string;
}

/** When this happens, do that. A part of a funnel, or of the whole business. */
export interface AutomationRule {
    id: string;
    name: string;
    revision: number;
    when: Trigger[];
    after: RuleWait | null;
    only: Rules;
    acts: Act[];
    eachTime: boolean;
    /** All of it, as it is read. */
    words: string;
    paused: boolean;
    /** Can it do anything yet? */
    whole: boolean;
    /** How it could go round, of one of the whole business. */
    circle?: string;
}

export interface RuleOfFunnel extends AutomationRule {
    funnel: { id: string; name: string };
    /** Is it in the version that is public? */
    live: boolean;
}

export interface RuleNumbers {
    done: number;
    waiting: number;
    trouble: number;
}

export interface ActKind {
    kind: string;
    label: string;
    fields: Record<string, string>;
}

export interface RuleList {
    rules: AutomationRule[];
    ofFunnels: RuleOfFunnel[];
    numbers: Record<string, RuleNumbers>;
    most: number;
}

export type RuleRunState = 'waiting' | 'done' | 'passed' | 'failed' | 'stopped' | 'gone';

export interface RuleRun {
    id: number;
    state: RuleRunState;
    why: string;
    trouble: string | null;
    did: { words: string; trouble: string }[];
    happenedAt: string;
    dueAt: string;
    actedAt: string | null;
    /** Was it another rule that led to it? */
    after: boolean;
    person: { id: string; name: string } | null;
}
