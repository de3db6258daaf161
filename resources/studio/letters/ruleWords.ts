import type { PeopleKit, Rule } from '@/api/types';

/** A rule in a few words, for a label in a letter. */
export function ruleWords(json: string, kit: PeopleKit): string {
    let rule: Rule;
    try {
        rule = JSON.parse(json) as Rule;
    } catch {
        return 'a rule that cannot be read';
    }
    const named = [...kit.funnels, ...kit.pages, ...kit.emails, ...kit.broadcasts].find((t) => t.id === rule.of)?.name;
    const days = rule.within ? ` in the last ${rule.within} days` : '';
    switch (rule.what) {
        case 'tag':
            return `${rule.is === 'has' ? 'has' : 'has not'} the tag “${rule.value || '…'}”`;
        case 'did': {
            const did = kit.dids.find((d) => d.id === rule.did);
            return `${(rule.is === 'has' ? did?.yes : did?.no) ?? rule.did} ${named ? `“${named}”` : 'anything'}${days}`;
        }
        case 'field': {
            const label = kit.fields.find((f) => f.name === rule.of)?.label ?? rule.of;
            const is =
                { equal: 'is', other: 'is not', filled: 'is known', empty: 'is not known', more: 'is more than', less: 'is less than' }[
                    rule.is
                ] ?? rule.is;
            return `${label} ${is} ${rule.value ? `“${rule.value}”` : ''}`.trim();
        }
        case 'date':
            return `${rule.of === 'joined' ? 'joined' : 'was last active'} ${rule.within ? `${rule.is === 'within' ? 'within the last' : 'more than'} ${rule.within} days` : `${rule.is} ${rule.value}`}`;
        default:
            return `${rule.is === 'equal' ? '' : 'not: '}${kit.standings.find((s) => s.id === rule.value)?.label ?? ''}`;
    }
}
