import type { Funnel } from '@/api/types';
import type { PartKind } from '@/funnel/parts';
import type { Timeline } from '@/funnel/timeline/layout';

/** Something on the timeline that opens on the desk, and where it lies. */
export interface Stop {
    kind: PartKind;
    id: string;
    name: string;
    /** What it stands under: the heading of its column, or what it is. */
    when: string;
    /** Where it begins, and how wide it is. */
    x: number;
    width: number;
    /** In which row of pages it stands, or on which lane. */
    row: number | null;
    lane: number | null;
}

const MARK = 12;

/**
 * All that lies on the timeline, in the order in which one goes through it: pages and emails as they come on the way, then what lies over
 * several moments.
 */
export function stopsOf(funnel: Funnel, chart: Timeline): Stop[] {
    const columnAt = (x: number) => chart.columns.find((c) => x >= c.x && x < c.x + c.width)?.words ?? '';
    const pages = chart.cards.map(({ place, x, note, drop }): Stop => ({
        kind: 'page',
        id: place.page.id,
        name: place.page.name,
        when: drop?.outcome.label ?? (note || columnAt(x + 1)),
        x,
        width: chart.card.width,
        row: place.row,
        lane: null,
    }));
    const emails = chart.lanes.flatMap((lane, i) =>
        lane.kind !== 'sequence'
            ? []
            : lane.marks.map(({ email, x }): Stop => ({
                  kind: 'email',
                  id: email.id,
                  name: email.name,
                  when: email.timingWords,
                  x: x - MARK / 2,
                  width: MARK,
                  row: null,
                  lane: i,
              })),
    );
    const lanes = chart.lanes.map((lane, i): Stop => {
        const at = { x: lane.from, width: lane.to - lane.from, row: null, lane: i };
        switch (lane.kind) {
            case 'sequence':
                return { kind: 'sequence', id: lane.sequence.id, name: lane.sequence.name, when: 'sequence', ...at };
            case 'deadline':
                return { kind: 'deadline', id: lane.deadline.id, name: lane.deadline.name, when: lane.deadline.words, ...at };
            case 'replay':
                return { kind: 'webinar', id: lane.webinar.id, name: lane.webinar.name, when: lane.webinar.words, ...at };
            case 'guide':
                return { kind: 'guide', id: lane.guide.id, name: lane.guide.name, when: 'guide', ...at };
            case 'popup':
                return { kind: 'popup', id: lane.popup.id, name: lane.popup.name, when: 'pop-up', ...at };
            case 'rule':
                return { kind: 'automation', id: lane.rule.id, name: lane.rule.name, when: 'rule', ...at };
        }
    });
    const webinars = funnel.webinars
        .filter((w) => !lanes.some((l) => l.kind === 'webinar' && l.id === w.id))
        .map((w): Stop => ({ kind: 'webinar', id: w.id, name: w.name, when: w.words, x: 0, width: 20, row: null, lane: 0 }));
    const onTheWay = [...pages, ...emails].sort((a, b) => columnIndex(chart, a) - columnIndex(chart, b) || rank(a) - rank(b) || a.x - b.x);
    return [...onTheWay, ...lanes, ...webinars];
}

/** Pages before emails, and each from above. */
const rank = (stop: Stop): number => stop.row ?? 100 + (stop.lane ?? 0);

const columnIndex = (chart: Timeline, stop: Stop): number => chart.columns.findIndex((c) => stop.x + stop.width / 2 < c.x + c.width);
