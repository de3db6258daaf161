import type { Trigger } from '@/api/types';

/** What the server says of a kind of trigger: its fields by name, and what is chosen in each. */
export interface TriggerKind {
    kind: string;
    label: string;
    fields: Record<string, string>;
}

export interface Option {
    value: string;
    label: string;
}

/** A trigger whose fields are not all chosen yet has empty ones. */
export type Fields = Record<string, string | number | boolean>;

/** What need not be said. */
const OPTIONAL = ['times', 'share', 'hours', 'days', 'yearly'];

/** Hours before the end of a deadline where nothing is said. */
export const USUAL_HOURS = 24;

/** How much of a guide is meant where nothing is said, in percent. */
export const USUAL_SHARE = 50;

const same = (a: Trigger, b: Trigger) => JSON.stringify(a) === JSON.stringify(b);

export const fieldsOf = (kinds: TriggerKind[], kind: string): string[] => Object.keys(kinds.find((k) => k.kind === kind)?.fields ?? {});

/** After "when": "they see a page". */
export const wordsOf = (kind: TriggerKind): string =>
    kind.label
        .replace(/^They/, 'they')
        .replace(/^Their/, 'their')
        .replace(/^A /, 'a ')
        .replace(/^You /, 'you ');

/**
 * A trigger of a kind with the first of each that can be chosen, and is not among those already. What has to be typed is left empty.
 */
export function fresh(kinds: TriggerKind[], kind: string, options: (what: string) => Option[], taken: Trigger[]): Fields {
    const fields = kinds.find((k) => k.kind === kind)?.fields ?? {};
    const made: Fields = { kind };
    const names = Object.keys(fields);
    for (const name of names) {
        const what = fields[name] ?? '';
        const free = options(what).find(
            (o) => names.length > 1 || !taken.some((t) => same(t, { kind, [name]: o.value } as unknown as Trigger)),
        );
        if (!OPTIONAL.includes(what)) {
            made[name] = (free ?? options(what)[0])?.value ?? '';
        }
    }
    return made;
}

export const isComplete = (kinds: TriggerKind[], fields: Fields): boolean =>
    Object.entries(kinds.find((k) => k.kind === fields.kind)?.fields ?? {}).every(
        ([name, what]) => OPTIONAL.includes(what) || String(fields[name] ?? '').trim() !== '',
    );

/** As the server writes it: in the order of its fields, and without what goes without saying. */
export function written(kinds: TriggerKind[], fields: Fields): Trigger {
    const of = kinds.find((k) => k.kind === fields.kind)?.fields ?? {};
    const made: Fields = { kind: fields.kind ?? '' };
    for (const [name, what] of Object.entries(of)) {
        const value = fields[name];
        if (what === 'times') {
            const times = Math.min(20, Math.max(1, Math.round(Number(value) || 1)));
            if (times > 1) {
                made[name] = times;
            }
        } else if (what === 'share') {
            const share = Math.min(100, Math.max(10, 10 * Math.round((Number(value) || USUAL_SHARE) / 10)));
            if (share !== USUAL_SHARE) {
                made[name] = share;
            }
        } else if (what === 'hours') {
            const hours = Math.min(720, Math.max(1, Math.round(Number(value) || USUAL_HOURS)));
            if (hours !== USUAL_HOURS) {
                made[name] = hours;
            }
        } else if (what === 'days') {
            const days = Math.min(90, Math.max(-90, Math.round(Number(value) || 0)));
            if (days !== 0) {
                made[name] = days;
            }
        } else if (what === 'yearly') {
            if (value === true || value === 'yearly') {
                made[name] = true;
            }
        } else {
            made[name] = String(value ?? '').trim();
        }
    }
    return made as unknown as Trigger;
}

/** Each stands once. */
export const unique = (list: Trigger[]): Trigger[] => list.filter((t, at) => list.findIndex((o) => same(o, t)) === at);

export const replaced = (list: Trigger[], was: Trigger, now: Trigger): Trigger[] => unique(list.map((t) => (same(t, was) ? now : t)));
