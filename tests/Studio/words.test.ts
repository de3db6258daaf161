import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { FormField, PeopleKit } from '@/api/types';
import { freeName, freshField, isOfPerson } from '@/funnel/desk/form/fields';
import { ruleWords } from '@/emails/ruleWords';
import { useSession } from '@/stores/session';
import { compact } from '@/ui/compact';
import { ago, count, counted, dateTime, day, interval, percent } from '@/ui/format';
import fixture from '../fixtures/rules.json';

describe('numbers and moments', () => {
    beforeEach(() => {
        setActivePinia(createPinia());
        vi.useFakeTimers({ now: new Date('2026-06-10T12:00:00Z') });
        useSession().session = { user: null, business: { timezone: 'Europe/Berlin' } } as never;
        return () => vi.useRealTimers();
    });

    it.each([
        [count(1402), '1,402'],
        [counted(1, 'visitor'), '1 visitor'],
        [counted(0, 'visitor'), '0 visitors'],
        [counted(1402, 'person', 'people'), '1,402 people'],
        [percent(0.3071), '30.7 %'],
        [percent(0), '0.0 %'],
        [percent(null), '–'],
        [percent(undefined), '–'],
        [percent(1, 0), '100 %'],
        [interval({ low: 0.289, high: 0.3256 } as never), '28.9–32.6 %'],
        [interval({ low: null, high: null } as never), '–'],
    ])('are written %s', (written, expected) => expect(written).toBe(expected));

    it.each([
        ['2026-06-10T12:00:20Z', 'just now'],
        ['2026-06-10T11:55:00Z', '5 minutes ago'],
        ['2026-06-10T14:00:00Z', 'in 2 hours'],
        ['2026-06-09T12:00:00Z', 'yesterday'],
        ['2026-06-13T12:00:00Z', 'in 3 days'],
        ['2026-05-01T23:30:00Z', '2 May 2026'],
        ['', 'never'],
    ])('%s is %s', (iso, expected) => expect(ago(iso)).toBe(expected));

    it('show in the owner’s zone, whatever the machine’s is', () => {
        expect([dateTime('2026-03-29T00:59:00Z'), dateTime('2026-03-29T01:00:00Z')]).toEqual(['29 Mar 2026, 01:59', '29 Mar 2026, 03:00']);
        expect([day('2026-12-31T23:30:00Z'), dateTime(null)]).toEqual(['1 Jan 2027', '–']);
    });
});

describe('a form’s fields', () => {
    const line = (name: string): FormField => ({ kind: 'short_text', label: 'x', required: false, name });

    it('get names that none of the others has', () => {
        expect(freeName('line_field', [line('line_field'), line('line_field_2')])).toBe('line_field_3');
        expect(freshField('short_text', [line('short_text_field')]).name).toBe('short_text_field_2');
    });

    it('begin with what their kind needs', () => {
        expect(freshField('first_name', [])).toEqual({ kind: 'first_name', label: 'First name', required: false });
        expect(freshField('choices', [])).toMatchObject({ name: 'choice_several', keep: true, options: ['First choice', 'Second choice'] });
        expect(freshField('consent', [])).toMatchObject({ name: 'agreed', keep: false, label: 'I agree to …' });
        expect([isOfPerson('phone'), isOfPerson('hidden')]).toEqual([true, false]);
    });
});

describe('what is not set', () => {
    it('is left out', () => {
        expect(compact({ a: undefined, b: '', c: 0, d: null })).toEqual({ b: '', c: 0, d: null });
        expect(compact({ b: '', c: false }, true)).toEqual({ c: false });
    });
});

describe('a rule in a few words', () => {
    const names = Object.entries(fixture.names);
    const field = (id: string) => ['level', 'since', 'first_name'].includes(id);
    const kit = {
        funnels: [],
        pages: [],
        emails: names.filter(([id]) => !field(id)).map(([id, name]) => ({ id, name })),
        deadlines: names.filter(([id]) => id === 'd1').map(([id, name]) => ({ id, name })),
        guides: names.filter(([id]) => id === 'g1').map(([id, name]) => ({ id, name })),
        guidePages: names.filter(([id]) => id === 'gp1').map(([id, name]) => ({ id, name })),
        webinars: names.filter(([id]) => id === 'w1').map(([id, name]) => ({ id, name })),
        broadcasts: [],
        rules: fixture.kinds,
        fields: names.filter(([id]) => field(id)).map(([name, label]) => ({ name, label })),
    } as unknown as PeopleKit;

    it.each(fixture.examples)('$words', ({ rule, words }) => expect(ruleWords(JSON.stringify(rule), kit)).toBe(words));

    it('says nothing where nothing is chosen', () =>
        expect(ruleWords('{"kind":"tag","not":true,"tag":""}', kit)).toBe('does not have the tag'));

    it.each(['{', '{"kind":"moon"}', 'null'])('says so when it cannot be read: %s', (json) =>
        expect(ruleWords(json, kit)).toBe('a rule that cannot be read'),
    );
});
