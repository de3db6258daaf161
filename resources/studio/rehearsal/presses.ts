import type { Choice, Option } from '@/api/types';

/** Which choice it is to press something, by block: one for the whole of it, or one for each of its links, in order. */
export type Presses = Record<string, (Choice | null)[]>;

const PRESSED = 'a, button, .button';

const same = (a: Choice, b: Choice): boolean => a.do === b.do && (a.of ?? '') === (b.of ?? '') && (a.to ?? '') === (b.to ?? '');

/** What was pressed on the page that a visitor sees: the choice that it is, null where it leads nowhere; undefined beside a button. */
export function pressed(target: Element, presses: Presses, options: Option[]): Choice | null | undefined {
    const act = target.closest(PRESSED);
    const block = act?.closest<HTMLElement>('[data-block]');
    if (!act) {
        return undefined;
    }
    const choices = presses[block?.dataset.block ?? ''] ?? [];
    const found = choices.length === 1 ? choices[0] : choices[[...(block?.querySelectorAll(PRESSED) ?? [])].indexOf(act)];
    const option = found ? options.find((o) => o.group === 'page' && same(o.choice, found)) : undefined;
    return option?.choice ?? null;
}
