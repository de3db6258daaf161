import type { PeopleKit, Rule } from '@/api/types';
import { ruleWords as words } from '@/people/ruleFields';

/** A rule in a few words, for a label in an email. */
export function ruleWords(json: string, kit: PeopleKit): string {
    try {
        return words(JSON.parse(json) as Rule, kit) || 'a rule that cannot be read';
    } catch {
        return 'a rule that cannot be read';
    }
}
