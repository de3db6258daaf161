import type { Act, ActKind } from '@/api/types';
import type { Choices } from '@/rules/choices';

/** What may be empty: an empty value empties a field. */
const MAY_BE_EMPTY = ['value'];

export const fieldsOf = (kinds: ActKind[], kind: string): [string, string][] =>
    Object.entries(kinds.find((k) => k.kind === kind)?.fields ?? {});

export const isComplete = (kinds: ActKind[], act: Act): boolean =>
    fieldsOf(kinds, act.kind).every(([name, what]) => MAY_BE_EMPTY.includes(what) || (act[name] ?? '').trim() !== '');

/** One of a kind with the first of each that can be chosen; what has to be typed is left empty. */
export function fresh(kinds: ActKind[], kind: string, choices: Choices): Act {
    const made: Act = { kind };
    for (const [name, what] of fieldsOf(kinds, kind)) {
        made[name] = what === 'tag' ? '' : (choices(what)[0]?.value ?? '');
    }
    return made;
}

/** As it is taken from a row: what was typed without what stands around it. */
export const cleaned = (kinds: ActKind[], act: Act): Act => ({
    kind: act.kind,
    ...Object.fromEntries(fieldsOf(kinds, act.kind).map(([name]) => [name, (act[name] ?? '').trim()])),
});

/** What an act of this kind would need, and there is none of. */
export const lacks = (kinds: ActKind[], kind: string, choices: Choices): boolean =>
    fieldsOf(kinds, kind).some(
        ([, what]) => ['sequence', 'email', 'product', 'deadline', 'field'].includes(what) && choices(what).length === 0,
    );
