import type { Email, EmailTiming, Funnel, Page } from '@/api/types';
import { Moments, type Column } from '@/funnel/timeline/moments';
import { Places } from '@/funnel/timeline/places';
import { timingIn } from '@/funnel/timeline/timing';

/** Something that can be added at a moment: with what it is made, and what it is told then. */
export type Add =
    | { kind: 'page' | 'popup'; label: string }
    | { kind: 'email' | 'deadline' | 'automation'; label: string; given: object; values: Record<string, unknown>; words: string };

/** The timing of an email that is told from nothing yet, at a moment; null where none of the sequence can go out then. */
function freshTiming(funnel: Funnel, moments: Moments, sequence: string, key: string): EmailTiming | null {
    const fresh = { id: '', sequence, timing: { from: 'joining' }, offset: 0 } as unknown as Email;
    const told = timingIn(funnel, moments, fresh, key);
    if (told !== null || !key.startsWith('end:')) {
        return told;
    }
    const common = funnel.deadlines.find((d) => !d.duration);
    const minutes = Number(key.slice(4));
    return common
        ? { from: 'deadline', deadline: common.id, edge: 'end', ...(minutes % 1440 === 0 ? { days: minutes / 1440 } : { minutes }) }
        : null;
}

/** @param page the page of the main way that stands in the column */
export function addsAt(funnel: Funnel, column: Column, page: Page | null): Add[] {
    const moments = new Moments(funnel, new Places(funnel));
    const adds: Add[] = page ? [{ kind: 'page', label: `A page after “${page.name}”` }] : [];
    for (const sequence of funnel.sequences) {
        const timing = freshTiming(funnel, moments, sequence.id, column.key);
        if (timing) {
            adds.push({
                kind: 'email',
                label: `An email in “${sequence.name}”`,
                given: { sequence: sequence.id },
                values: { timing },
                words: 'when the email goes out',
            });
        }
    }
    if (page) {
        adds.push(
            {
                kind: 'deadline',
                label: `A deadline that starts when they see “${page.name}”`,
                given: {},
                values: { starts: [{ kind: 'page', page: page.id }] },
                words: 'what starts it',
            },
            { kind: 'popup', label: `A pop-up on “${page.name}”` },
            {
                kind: 'automation',
                label: `A rule for whoever sees “${page.name}”`,
                given: {},
                values: { when: [{ kind: 'page', page: page.id }] },
                words: 'what sets it off',
            },
        );
    }
    return adds;
}
