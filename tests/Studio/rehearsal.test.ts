import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it } from 'vitest';
import { nextTick, ref } from 'vue';
import type { Happening, Life, Visitor } from '@/api/types';
import { pressed } from '@/rehearsal/presses';
import { columnsOf, daysOf, gap, itemsOf, lanesOf } from '@/rehearsal/strip';
import { layOut, useRehearsal } from '@/rehearsal/useRehearsal';
import { utcOf, wallOf } from '@/rehearsal/zones';
import { server } from './server';

const happened = (kind: string, at: string, choice: number, words = kind, facts?: Happening['facts']): Happening => ({
    kind,
    at,
    choice,
    of: '',
    words,
    seen: true,
    facts,
});
const life = (given: Partial<Life>): Life => ({
    now: '2027-04-14T10:00:00Z',
    known: false,
    device: 1,
    page: null,
    chosen: [],
    happened: [],
    mails: [],
    deadlines: [],
    tags: [],
    paid: 0,
    currency: 'EUR',
    instalments: [],
    visitor: { name: 'Robin Sample', email: 'robin@example.com', zone: 'Pacific/Auckland' },
    subscription: '',
    options: [],
    ...given,
});

describe('the strip of a rehearsal', () => {
    const played = life({
        chosen: [
            { at: '2027-04-14T10:00:00Z', words: 'Joins', do: 'join' },
            { at: '2027-04-14T10:00:00Z', words: 'Waits', do: 'wait' },
        ],
        happened: [
            happened('joined', '2027-04-14T10:00:00Z', 1),
            happened('asked', '2027-04-14T10:00:00Z', 1),
            happened('page', '2027-04-14T10:00:00Z', 1),
            happened('email', '2027-04-16T13:00:00Z', 2, 'comes', { kind: 'sequence' }),
            happened('email', '2027-04-16T13:00:00Z', 2, 'is written to', { kind: 'session' }),
        ],
    });

    it('draws each deadline over the days on which it runs, to the day of its end, in the visitor’s zone', () => {
        const zone = 'Pacific/Auckland';
        const deadline = (id: string, starts: string, ends: string) => ({ id, name: id, starts, ends, left: 60 });
        const runs = life({
            ...played,
            deadlines: [
                deadline('later', '2027-04-16T13:00:00Z', '2027-04-19T13:00:00Z'),
                deadline('price', '2027-04-14T10:00:00Z', '2027-04-17T11:59:00Z'),
                deadline('for all', '2027-01-01T10:00:00Z', '2027-04-16T10:00:00Z'),
                deadline('long over', '2027-01-01T10:00:00Z', '2027-01-05T10:00:00Z'),
            ],
        });
        const days = daysOf(
            [itemsOf(runs, false)],
            zone,
            runs.deadlines.filter((d) => d.id !== 'long over').map((d) => d.ends),
        );
        expect(days.map((d) => [d.date, d.items[0]!.length])).toEqual([
            ['2027-04-14', 2],
            ['2027-04-16', 0],
            ['2027-04-17', 2],
            ['2027-04-20', 0],
        ]);
        expect(lanesOf(runs, days, zone).map((l) => [l.id, l.from, l.to])).toEqual([
            ['for all', 0, 1],
            ['price', 0, 2],
            ['later', 2, 3],
        ]);
        expect(daysOf([[]], zone, ['2027-04-17T11:59:00Z'])).toEqual([]);
    });

    it('tells what was done before what follows from it, and leaves out what only the owner sees', () => {
        expect(itemsOf(played, false).map((i) => [i.words, i.mail])).toEqual([
            ['Joins', -1],
            ['page', -1],
            ['comes', 1],
            ['is written to', -1],
        ]);
        expect(itemsOf(played, true).map((i) => i.words)).toEqual(['Joins', 'joined', 'asked', 'page', 'Waits', 'comes', 'is written to']);
    });

    it('has a column for each day on which anything happens, by the clock of the visitor', () => {
        const other = life({ happened: [happened('page', '2027-04-15T13:00:00Z', 0)] });
        const days = daysOf([itemsOf(played, false), itemsOf(other, false)], 'Pacific/Auckland');
        expect(days.map((d) => [d.date, d.items.map((i) => i.length)])).toEqual([
            ['2027-04-14', [2, 0]],
            ['2027-04-16', [0, 1]],
            ['2027-04-17', [2, 0]],
        ]);
        expect(gap('2027-04-14', '2027-04-16')).toBe(1);
        expect(gap('2027-03-27', '2027-03-29')).toBe(1);
        expect(columnsOf(itemsOf(played, true), 3).map((c) => c.length)).toEqual([3, 3, 1]);
        expect(columnsOf([], 3)).toEqual([[]]);
    });
});

describe('moments on a wall', () => {
    it.each([
        ['2027-04-14T10:00:00Z', 'Europe/Oslo', '2027-04-14T12:00'],
        ['2027-01-14T10:00:00Z', 'Asia/Kathmandu', '2027-01-14T15:45'],
        ['2027-10-31T00:30:00Z', 'Europe/Oslo', '2027-10-31T02:30'],
    ])('reads %s in %s as %s, and back', (iso, zone, wall) => {
        expect(wallOf(iso, zone)).toBe(wall);
        expect(utcOf(wall, zone)).toBe(iso);
    });

    it('takes an hour that the clocks skip for one that exists', () => {
        expect(utcOf('2027-03-28T02:30', 'Europe/Oslo')).toMatch(/^2027-03-28T0[01]:30:00Z$/);
    });
});

describe('going through a way', () => {
    beforeEach(() => {
        setActivePinia(createPinia());
        sessionStorage.clear();
    });
    const begin = () => {
        const calls = server((call) => [200, life({ now: `${(call.body as { choices: unknown[] }).choices.length}` })]);
        const visitor = ref<Visitor>({ name: 'Robin', email: 'robin@example.com', zone: 'UTC' });
        return { calls, ...useRehearsal(ref('f1'), visitor, ref('2027-04-14T10:00:00Z')) };
    };

    it('plays all of it with each choice, goes back, and keeps what was chosen after that beside it', async () => {
        const { ways, active, way, choose, go } = begin();
        await choose({ do: 'come' });
        await choose({ do: 'join' });
        await choose({ do: 'wait' });
        expect([way.value.at, way.value.life?.now]).toEqual([3, '3']);
        await go(1);
        expect([way.value.at, way.value.choices.length, way.value.life?.now]).toEqual([1, 3, '1']);
        await choose({ do: 'buy' });
        expect(active.value).toBe(1);
        expect(ways.value.map((w) => w.choices.map((c) => c.do))).toEqual([
            ['come', 'join', 'wait'],
            ['come', 'buy'],
        ]);
        expect(ways.value.map((w) => w.life?.now)).toEqual(['3', '2']);
    });

    it('goes on where this window left it, and with a way that was laid out', async () => {
        const first = begin();
        await first.choose({ do: 'come' });
        await nextTick();
        const again = begin();
        await again.resume();
        expect(again.way.value.choices).toEqual([{ do: 'come' }]);
        layOut('f1', { name: 'Kim', email: 'kim@example.com', zone: 'Asia/Tokyo' }, '2027-05-01T00:00:00Z', [{ do: 'buy' }]);
        const laid = begin();
        await laid.resume();
        expect(laid.body(laid.way.value.choices)).toMatchObject({ start: '2027-05-01T00:00:00Z', visitor: { name: 'Kim' } });
        sessionStorage.setItem('rehearsal-f1', '{broken');
        const broken = begin();
        await broken.resume();
        expect(broken.way.value.choices).toEqual([]);
    });
});

describe('what is pressed on the page of a rehearsal', () => {
    const presses = {
        form: [{ do: 'join', of: 'f1' }],
        menu: [{ do: 'press', to: 'page:p2' }, null],
        gone: [{ do: 'press', to: 'outcome:bought' }],
    };
    const options = [
        { choice: { do: 'join', of: 'f1' }, words: 'Fills in', group: 'page' as const },
        { choice: { do: 'press', to: 'page:p2' }, words: 'Follows', group: 'page' as const },
        { choice: { do: 'click', of: 'm', to: 'page:p2' }, words: 'Follows in the email', group: 'mailbox' as const },
    ];
    const page = document.createElement('div');
    page.innerHTML =
        '<form data-block="form"><label>Email<input></label><button><b>Send</b></button></form><nav data-block="menu"><a id="in">In</a>' +
        '<a id="out">Out</a></nav><p data-block="gone"><a class="button">Buy</a></p><p data-block="words">Words</p>';
    const at = (css: string) => pressed(page.querySelector(css)!, presses, options);

    it('is the choice that is offered beside it, nothing where it leads nowhere, and no press at all beside a button', () => {
        expect(at('b')).toEqual({ do: 'join', of: 'f1' });
        expect(at('#in')).toEqual({ do: 'press', to: 'page:p2' });
        expect([at('#out'), at('.button')]).toEqual([null, null]);
        expect([at('label'), at('[data-block=words]')]).toEqual([undefined, undefined]);
    });
});
