import type { Email, Funnel, Page, Sequence } from '@/api/types';

/** What moves along when a deadline moves. */
export interface Followers {
    /** Emails that go out by it, in the order in which they do. */
    emails: Email[];
    /** Emails that say when it ends, or show its countdown, whenever they go out. */
    saying: Email[];
    /** Pages with a countdown to it. */
    pages: Page[];
    /** Sequences that its end starts or ends. */
    sequences: Sequence[];
}

export function followersOf(funnel: Funnel, deadline: string): Followers {
    const isBy = (e: Email) => e.timing.from === 'deadline' && e.timing.deadline === deadline;
    const told = (e: Email): number => {
        const t = e.timing.from === 'deadline' ? e.timing : null;
        return t ? (t.edge === 'end' ? 1_000_000 : 0) + (t.days ?? 0) * 1440 + (t.minutes ?? 0) + (t.hour ?? 0) * 60 : 0;
    };
    const words = new RegExp(`(?:deadline_(?:left_)?|countdown:)${deadline}(?![a-z0-9])`);
    const says = (e: Email) => words.test(`${e.subject} ${e.body}`);
    const waits = (q: Sequence) => [...q.starts, ...q.ends].some((t) => t.kind === 'deadline-over' && t.deadline === deadline);
    return {
        emails: funnel.emails.filter(isBy).sort((a, b) => told(a) - told(b)),
        saying: funnel.emails.filter((e) => !isBy(e) && says(e)),
        pages: funnel.pages.filter((p) =>
            p.document.sections.some((s) => s.blocks.some((b) => b.kind === 'countdown' && b.deadline === deadline)),
        ),
        sequences: funnel.sequences.filter(waits),
    };
}
