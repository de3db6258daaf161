import type { AxisCount, Cohort, FunnelSuccess, PopupRow, Rate, StepCount } from '@/api/types';
import { betweenWords, ofHundred } from '@/results/plain';
import { count, counted } from '@/ui/format';

/** Is the one rate truly higher than the other, as far as can be said? Only where their intervals do not touch. */
const above = (one: Rate, other: Rate): boolean => one.low !== null && other.high !== null && one.low > other.high;

/** Page by page: where most are lost. */
export function stepsSentence(steps: StepCount[]): string {
    const losing = steps.filter((s) => !s.end && s.visitors > 0 && s.goingOn.rate !== null);
    const worst = [...losing].sort((a, b) => b.left - a.left)[0];
    if (!worst) {
        return 'Nobody came in this time.';
    }
    if (worst.left === 0) {
        return 'Whoever came went on.';
    }
    const between = betweenWords(worst.goingOn);
    return `Most are lost at “${worst.name}”: ${count(worst.left)} left there, and ${ofHundred(worst.goingOn)} went on${between ? ` (${between})` : ''}.`;
}

/** Sources, devices: who came most, and whether any of them does truly better than the others together. */
export function axisSentence(
    rows: AxisCount[],
    name: (row: AxisCount) => string,
    rate: (row: AxisCount) => Rate,
    kind: FunnelSuccess['kind'],
): string {
    const came = rows.filter((r) => r.visitors > 0);
    const all = came.reduce((n, r) => n + r.visitors, 0);
    const most = [...came].sort((a, b) => b.visitors - a.visitors)[0];
    if (!most) {
        return 'Nobody came in this time.';
    }
    const head = `${count(most.visitors)} of ${count(all)} were “${name(most)}”.`;
    if (came.length < 2) {
        return head;
    }
    const best = [...came].sort((a, b) => (rate(b).low ?? 0) - (rate(a).low ?? 0))[0]!;
    const others = came.filter((r) => r !== best);
    const verb = kind === 'sales' ? 'bought' : 'joined';
    return others.every((r) => above(rate(best), rate(r)))
        ? `${head} Of “${name(best)}” more ${verb} than of all others: ${ofHundred(rate(best))}, ${betweenWords(rate(best))}.`
        : `${head} That any of them does better than all others cannot be said yet.`;
}

/** Those who joined long enough ago that it is known what came of them. */
export function cohortsSentence(cohorts: Cohort[]): string {
    const AGES = ['one week', 'two weeks', 'four weeks', 'eight weeks'];
    for (let i = AGES.length - 1; i >= 0; i--) {
        const known = cohorts.filter((c) => c.after[i]);
        const people = known.reduce((n, c) => n + c.people, 0);
        if (people > 0) {
            const buyers = known.reduce((n, c) => n + (c.after[i]?.buyers ?? 0), 0);
            const left = known.reduce((n, c) => n + (c.after[i]?.left ?? 0), 0);
            return `Of the ${counted(people, 'person', 'people')} of whom it is known, ${count(buyers)} had bought within ${AGES[i]}, and ${count(left)} had unsubscribed.`;
        }
    }
    return 'What came of them is told once a week is over for all who joined in it.';
}

/** Which pop-up brought most. */
export function popupsSentence(popups: PopupRow[]): string {
    const best = [...popups].sort((a, b) => b.numbers.joined - a.numbers.joined)[0];
    if (!best || best.numbers.shown === 0) {
        return 'None was shown yet.';
    }
    const { joined, shown, rate } = best.numbers;
    const between = betweenWords(rate);
    return joined === 0
        ? 'Nobody has joined in one yet.'
        : `“${best.name}” brought most: ${count(joined)} of ${count(shown)} who saw it joined${between ? `, ${between}` : ''}.`;
}
