import type { FieldKind, FormField } from '@/api/types';

/** The kinds of fields, as they are offered; `once` for those a form has one of at most. */
export const fieldKinds: { kind: FieldKind; label: string; once?: boolean }[] = [
    { kind: 'email', label: 'Email address', once: true },
    { kind: 'first_name', label: 'First name', once: true },
    { kind: 'last_name', label: 'Last name', once: true },
    { kind: 'phone', label: 'Phone', once: true },
    { kind: 'short_text', label: 'A line of text' },
    { kind: 'long_text', label: 'A longer text' },
    { kind: 'choice', label: 'One choice' },
    { kind: 'choices', label: 'Several choices' },
    { kind: 'number', label: 'Number' },
    { kind: 'date', label: 'Date' },
    { kind: 'consent', label: 'A box to tick' },
    { kind: 'hidden', label: 'Hidden' },
];

const OF_PERSON: FieldKind[] = ['email', 'first_name', 'last_name', 'phone'];
export const isOfPerson = (kind: FieldKind): boolean => OF_PERSON.includes(kind);
export const keyOf = (field: FormField): string => field.name ?? field.kind;

/** A name for a field that none of the others has. It never changes, so that answers stay together when the label does. */
export function freeName(base: string, others: FormField[]): string {
    const taken = others.map(keyOf);
    for (let n = 1; ; n++) {
        const name = n === 1 ? base : `${base}_${n}`;
        if (!taken.includes(name)) {
            return name;
        }
    }
}

export function freshField(kind: FieldKind, others: FormField[]): FormField {
    const label = fieldKinds.find((k) => k.kind === kind)?.label ?? '';
    if (isOfPerson(kind)) {
        return { kind, label, required: false };
    }
    const base =
        { choice: 'choice_one', choices: 'choice_several', hidden: 'from_address', consent: 'agreed' }[kind as string] ?? `${kind}_field`;
    return {
        kind,
        label: kind === 'consent' ? 'I agree to …' : label,
        required: false,
        name: freeName(base, others),
        keep: kind !== 'consent',
        ...(kind === 'choice' || kind === 'choices' ? { options: ['First choice', 'Second choice'] } : {}),
    };
}
