import type { Email, Funnel, PeopleKit, Rule, Rules } from '@/api/types';
import type { PartKind } from '@/funnel/parts';
import type { Timeline } from '@/funnel/timeline/layout';
import { leadsTo } from '@/funnel/timeline/layout';
import { emailNote, pageNote, shareOf, takenOf, type TimelineNumbers } from '@/funnel/timeline/numbers';
import { deadlineNote, guideNote, popupNote, replayNote, sequenceStarts } from '@/funnel/timeline/words';
import { isGroup, ruleWords } from '@/people/ruleFields';

/** Something that happens at a moment, in words. */
export interface Entry {
    kind: PartKind;
    id: string;
    name: string;
    /** What it is: "Sales page", "email of “Reminders”". */
    what: string;
    lines: string[];
}

export interface Moment {
    key: string;
    words: string;
    entries: Entry[];
}

/** To whom an email goes, if not to everybody its sequence writes to. */
export function audienceWords(rules: Rules, kit: PeopleKit): string {
    const one = (item: Rule | Rules): string => (isGroup(item) ? `(${audienceWords(item, kit)})` : ruleWords(item, kit));
    return rules.rules.map(one).join(rules.all ? ' and ' : ' or ');
}

/** The whole timeline in words, in the order in which things happen; what lasts comes last. */
export function listingOf(funnel: Funnel, chart: Timeline, numbers: TimelineNumbers | null, kit: PeopleKit): Moment[] {
    const emailsAt = new Map<string, Email[]>();
    for (const lane of chart.lanes) {
        for (const { email, column } of lane.kind === 'sequence' ? lane.marks : []) {
            emailsAt.set(column, [...(emailsAt.get(column) ?? []), email]);
        }
    }
    const moments = chart.columns.map((column): Moment => ({
        key: column.key,
        words: column.inFull,
        entries: [
            ...chart.cards
                .filter((c) => c.place.column === column.pages)
                .sort((a, b) => a.place.row - b.place.row)
                .map(({ place, drop, note }) => pageEntry(funnel, chart, place.page.id, numbers, drop?.outcome.label ?? note)),
            ...(emailsAt.get(column.key) ?? []).map((e) => emailEntry(funnel, e, numbers, kit)),
        ],
    }));
    const lasting = chart.lanes.map((lane): Entry => {
        switch (lane.kind) {
            case 'sequence':
                return { ...named('sequence', lane.sequence), what: 'sequence', lines: [sequenceStarts(funnel, lane.sequence)] };
            case 'deadline':
                return { ...named('deadline', lane.deadline), what: 'deadline', lines: [deadlineNote(lane.deadline)] };
            case 'replay':
                return { ...named('webinar', lane.webinar), what: 'replay', lines: [replayNote(lane.webinar)] };
            case 'guide':
                return { ...named('guide', lane.guide), what: 'guide', lines: [guideNote(funnel, lane.guide)] };
            case 'popup':
                return { ...named('popup', lane.popup), what: 'pop-up', lines: [lane.popup.words, popupNote(funnel, lane.popup)] };
            case 'rule':
                return { ...named('automation', lane.rule), what: 'rule', lines: [lane.rule.words] };
        }
    });
    return [...moments, { key: 'all', words: 'All along', entries: lasting }].filter((m) => m.entries.length > 0);
}

const named = <K extends PartKind>(kind: K, { id, name }: { id: string; name: string }) => ({ kind, id, name });

function pageEntry(funnel: Funnel, chart: Timeline, id: string, numbers: TimelineNumbers | null, by: string): Entry {
    const page = funnel.pages.find((p) => p.id === id)!;
    const note = numbers ? pageNote(funnel, numbers, page) : null;
    const ways = [...chart.arrows.map((a) => a.lead), ...chart.cards.flatMap((c) => [...c.tags, ...(c.drop ? [c.drop] : [])])].filter(
        (l) => l.page.id === id,
    );
    const order = (outcome: string) => page.outcomes.findIndex((o) => o.outcome === outcome);
    return {
        ...named('page', page),
        what: [page.roleLabel === page.name ? '' : page.roleLabel, by].filter(Boolean).join(', '),
        lines: [
            note ? `${note.number} ${note.words}` : '',
            ...ways
                .sort((a, b) => order(a.outcome.outcome) - order(b.outcome.outcome))
                .map((lead) => {
                    const share = shareOf(numbers, id, lead.outcome.outcome);
                    const how = share ? ` (${share}, ${takenOf(numbers, id, lead.outcome.outcome)})` : '';
                    return `${lead.outcome.who} go to ${lead.to ? `“${leadsTo(lead)}”` : leadsTo(lead)}${how}`;
                }),
        ].filter(Boolean),
    };
}

function emailEntry(funnel: Funnel, email: Email, numbers: TimelineNumbers | null, kit: PeopleKit): Entry {
    const sequence = funnel.sequences.find((s) => s.id === email.sequence)?.name ?? '';
    const to = email.only.rules.length > 0 ? `, to those for whom: ${audienceWords(email.only, kit)}` : '';
    return {
        ...named('email', email),
        what: `email of “${sequence}”`,
        lines: [`${email.timingWords}${to}`, numbers ? emailNote(numbers, email) : ''].filter(Boolean),
    };
}
