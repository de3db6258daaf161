import { describe, expect, it } from 'vitest';
import type { ActKind, Funnel, PeopleKit } from '@/api/types';
import { fresh as freshTrigger, isComplete as triggerIsComplete, written, type TriggerKind } from '@/funnel/triggerKit';
import { cleaned, fresh, isComplete, lacks } from '@/rules/acts';
import { choicesOfBusiness, choicesOfFunnel } from '@/rules/choices';
import { ruleNumbers } from '@/rules/words';

const kinds: ActKind[] = [
    { kind: 'tag', label: 'Give a tag', fields: { tag: 'tag' } },
    { kind: 'start-sequence', label: 'Start a sequence', fields: { sequence: 'sequence' } },
    { kind: 'field', label: 'Change a field', fields: { field: 'field', value: 'value' } },
];
const people = {
    tags: [{ id: 1, name: 'Cellist' }],
    fields: [
        { name: 'level', label: 'Level', kind: 'short_text', own: true },
        { name: 'birthday', label: 'Birthday', kind: 'date', own: true },
        { name: 'email', label: 'Email', kind: 'email', own: false },
    ],
    sequences: [{ id: 's', name: 'Follow-up', funnel: 'Season' }],
    pages: [],
} as unknown as PeopleKit;

describe('what a rule does', () => {
    const choices = choicesOfBusiness(people);
    it.each([
        ['tag', { kind: 'tag', tag: '' }, false],
        ['start-sequence', { kind: 'start-sequence', sequence: 's' }, true],
        ['field', { kind: 'field', field: 'level', value: '' }, true],
    ])('a fresh %s', (kind, made, complete) => {
        expect(fresh(kinds, kind, choices)).toEqual(made);
        expect(isComplete(kinds, made)).toBe(complete);
    });
    it('is taken without what stands around it and without what does not belong to it', () => {
        expect(cleaned(kinds, { kind: 'tag', tag: ' Cellist ', words: 'x' })).toEqual({ kind: 'tag', tag: 'Cellist' });
    });
    it('cannot be what there is nothing of', () => {
        expect(lacks(kinds, 'start-sequence', choicesOfFunnel({ sequences: [] } as unknown as Funnel, people))).toBe(true);
        expect(lacks(kinds, 'start-sequence', choices)).toBe(false);
        expect(lacks(kinds, 'tag', choices)).toBe(false);
    });
    it('chooses parts with their funnel, and fields of people', () => {
        expect(choices('sequence')).toEqual([{ value: 's', label: 'Follow-up · Season' }]);
        expect(choices('field').map((f) => f.value)).toEqual(['level', 'birthday']);
        expect(choices('date-field').map((f) => f.value)).toEqual(['birthday']);
        expect(choices('moon')).toEqual([]);
    });
    it.each([
        [undefined, false, 'Has not acted in the last four weeks'],
        [{ done: 1, waiting: 0, trouble: 0 }, true, 'Paused · Acted once in the last four weeks'],
        [{ done: 12, waiting: 3, trouble: 2 }, false, 'Acted 12 times in the last four weeks · waits for 3 · had trouble 2 times'],
    ])('%s', (numbers, paused, words) => expect(ruleNumbers(numbers, paused)).toBe(words));
});

describe('what sets a rule off', () => {
    const triggers: TriggerKind[] = [
        { kind: 'deadline-near', label: 'x', fields: { deadline: 'deadline', hours: 'hours' } },
        { kind: 'date', label: 'x', fields: { field: 'date-field', yearly: 'yearly', days: 'days' } },
    ];
    it.each([
        [
            { kind: 'deadline-near', deadline: 'd' },
            { kind: 'deadline-near', deadline: 'd' },
        ],
        [
            { kind: 'deadline-near', deadline: 'd', hours: 24 },
            { kind: 'deadline-near', deadline: 'd' },
        ],
        [
            { kind: 'deadline-near', deadline: 'd', hours: 9999 },
            { kind: 'deadline-near', deadline: 'd', hours: 720 },
        ],
        [
            { kind: 'date', field: 'birthday', yearly: false, days: 0 },
            { kind: 'date', field: 'birthday' },
        ],
        [
            { kind: 'date', field: 'birthday', yearly: true, days: -3 },
            { kind: 'date', field: 'birthday', yearly: true, days: -3 },
        ],
        [
            { kind: 'date', field: 'birthday', days: 400 },
            { kind: 'date', field: 'birthday', days: 90 },
        ],
    ])('%s', (fields, as) => {
        expect(triggerIsComplete(triggers, fields)).toBe(true);
        expect(written(triggers, fields)).toEqual(as);
    });
    it('begins without what need not be said', () => {
        expect(freshTrigger(triggers, 'date', choicesOfBusiness(people), [])).toEqual({ kind: 'date', field: 'birthday' });
    });
});
