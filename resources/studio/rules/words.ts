import type { RuleNumbers } from '@/api/types';
import { count } from '@/ui/format';

/** How a rule is at work, in the last four weeks. */
export function ruleNumbers(numbers: RuleNumbers | undefined, paused: boolean): string {
    const n = numbers ?? { done: 0, waiting: 0, trouble: 0 };
    const acted =
        n.done === 0
            ? 'Has not acted in the last four weeks'
            : `Acted ${n.done === 1 ? 'once' : `${count(n.done)} times`} in the last four weeks`;
    return [
        paused ? 'Paused' : '',
        acted,
        n.waiting > 0 ? `waits for ${count(n.waiting)}` : '',
        n.trouble > 0 ? `had trouble ${n.trouble === 1 ? 'once' : `${count(n.trouble)} times`}` : '',
    ]
        .filter(Boolean)
        .join(' · ');
}
