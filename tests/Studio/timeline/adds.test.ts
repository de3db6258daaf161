import { addsAt } from '@/funnel/timeline/adds';
import { Moments } from '@/funnel/timeline/moments';
import { Places } from '@/funnel/timeline/places';
import { describe, expect, it } from 'vitest';
import { email, funnel, page, sequence, ways, webinarFunnel } from './funnel';

type F = Parameters<typeof addsAt>[0];
const at = (f: F, words: string, main: string | null = null) => {
    const column = new Moments(f, new Places(f)).columns.find((c) => c.inFull === words)!;
    return addsAt(f, column, f.pages.find((p) => p.id === main) ?? null);
};
const labels = (f: F, words: string, main: string | null = null) => at(f, words, main).map((a) => a.label);

describe('what can be added at a moment', () => {
    it('is a page, an email of what starts there, a deadline and a pop-up where a page stands', () => {
        expect(labels(webinarFunnel(), 'Joins', 'confirm')).toEqual([
            'A page after “confirm”',
            'An email in “reminders”',
            'A deadline that starts when they see “confirm”',
            'A pop-up on “confirm”',
            'A rule for whoever sees “confirm”',
        ]);
        expect(labels(webinarFunnel(), 'First visit', 'register')[1]).toContain('A deadline');
    });
    it.each([
        ['1 h before the session', [{ from: 'session', anchor: 'before-start', minutes: 60, webinar: 'w' }]],
        ['Day 2', [{ from: 'joining', days: 2, hour: 9 }]],
    ])('is an email with its timing: %s', (words, timings) => {
        const made = at(webinarFunnel(), words).filter((a) => a.kind === 'email' && a.label.includes('reminders'));
        expect(made.map((a) => 'values' in a && a.values.timing)).toEqual(timings);
    });
    it('is told from the end of a deadline that is the same for everyone', () => {
        const f = funnel({
            pages: [page('a', 'opt-in')],
            ways: ways(),
            sequences: [sequence('s', { kind: 'form', form: 'f' })],
            deadlines: [{ id: 'd', name: 'd', duration: null, length: 0, latest: null, starts: [], pages: [] }],
            emails: [email('e', 's', { from: 'deadline', deadline: 'd', edge: 'end', minutes: -180 })],
        });
        expect(at(f, '3 h before the end').map((a) => 'values' in a && a.values)).toEqual([
            { timing: { from: 'deadline', deadline: 'd', edge: 'end', minutes: -180 } },
        ]);
    });
});
