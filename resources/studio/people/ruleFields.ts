import type { PeopleKit, Rule, RuleField, RuleKind, RuleOption, Rules } from '@/api/types';

/** Rules about people, as the core describes them: each kind says what it asks for and how that reads in a sentence. */

export const isGroup = (item: Rule | Rules): item is Rules => !('kind' in item);
export const kindOf = (rule: Rule, kit: PeopleKit): RuleKind | undefined => kit.rules.find((k) => k.kind === rule.kind);

/** Is the field asked for, as far as the others are filled in? */
export const appliesTo = (field: RuleField, rule: Rule): boolean =>
    Object.entries(field.when).every(([name, values]) => (values as unknown[]).includes(rule[name] ?? ''));

export const chosen = (field: RuleField, rule: Rule): RuleOption | undefined =>
    field.options.find((o) => Object.entries(o.sets).every(([name, value]) => (rule[name] ?? false) === value));

const isEmpty = (value: unknown) => value === undefined || value === 0 || String(value).trim() === '';

/** Is nothing missing in it, however deep? */
export function isWhole(item: Rule | Rules, kit: PeopleKit): boolean {
    if (isGroup(item)) {
        return item.rules.every((r) => isWhole(r, kit));
    }
    const fields = kindOf(item, kit)?.fields ?? [];
    return fields.every((f) => f.optional || f.type === 'choice' || !appliesTo(f, item) || !isEmpty(item[f.name]));
}

/** The rule with an option chosen, without what is not asked for any more. */
export function withOption(rule: Rule, option: RuleOption, kit: PeopleKit): Rule {
    const next: Rule = { ...rule, ...option.sets };
    const fields = kindOf(rule, kit)?.fields ?? [];
    const types = (r: Rule, name: string) => fields.filter((f) => f.name === name && appliesTo(f, r)).map((f) => f.type);
    const stays = (name: string) => !fields.some((f) => f.name === name) || types(next, name).join() === types(rule, name).join();
    return Object.fromEntries(
        Object.entries(next).filter(([name]) => name in option.sets || (stays(name) && !isGone(next, name, fields))),
    ) as Rule;
}

/** Is it a value that nothing asks for any more? */
const isGone = (rule: Rule, name: string, fields: RuleField[]) =>
    fields.some((f) => f.name === name) && !fields.some((f) => f.name === name && appliesTo(f, rule));

/** What a thing is called that a rule names by its id, or a field by its name. */
export function nameIn(kit: PeopleKit, id: string): string {
    return (
        kit.fields.find((f) => f.name === id)?.label ??
        [
            ...kit.funnels,
            ...kit.pages,
            ...kit.emails,
            ...kit.deadlines,
            ...kit.webinars,
            ...kit.guides,
            ...kit.guidePages,
            ...kit.broadcasts,
        ].find((t) => t.id === id)?.name ??
        'something that is gone'
    );
}

/** A rule in a sentence about the person. */
export function ruleWords(rule: Rule, kit: PeopleKit): string {
    return (kindOf(rule, kit)?.fields ?? [])
        .filter((f) => appliesTo(f, rule))
        .map((f) => {
            const option = chosen(f, rule);
            if (option) {
                return option.words;
            }
            const value = rule[f.name] ?? '';
            if (f.type === 'choice' || value === '' || value === 0) {
                return f.none;
            }
            const shown = ['mail', 'place', 'deadline', 'webinar', 'guide', 'guide-page', 'field', 'date'].includes(f.type)
                ? nameIn(kit, String(value))
                : String(value);
            return (String(value) === '1' && f.one ? f.one : f.words).replaceAll('{}', shown);
        })
        .filter((w) => w !== '')
        .join(' ');
}
