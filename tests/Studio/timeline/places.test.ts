import { describe, expect, it } from 'vitest';
import { Places } from '../../../resources/studio/funnel/timeline/places';
import { page, ways, webinarFunnel } from './funnel';

const where = (p: Places) => Object.fromEntries(p.list.map(({ page, column, row }) => [page.id, `${column},${row}`]));
const leads = (p: Places) => p.leads().map((l) => `${l.page.id} ${l.outcome.outcome} ${l.to?.id ?? l.url ?? ''}: ${l.as}`);

describe('where pages stand', () => {
    it('is the main way first, and below it what happens otherwise', () => {
        const places = new Places(webinarFunnel());
        expect(where(places)).toEqual({
            register: '0,0',
            confirm: '1,0',
            room: '2,0',
            intro: '3,0',
            'pay-intro': '4,0',
            upsell: '5,0',
            delivery: '6,0',
            replay: '2,1',
            regular: '3,1',
            pay: '4,1',
            downsell: '5,1',
            closed: '0,1',
        });
        expect([places.columns, places.rows]).toEqual([7, 2]);
    });

    it('draws each way once: as an arrow, as a drop, or as a tag', () => {
        expect(leads(new Places(webinarFunnel()))).toEqual([
            'register joined confirm: arrow',
            'confirm attended room: arrow',
            'confirm missed replay: page',
            'room attended intro: arrow',
            'room missed replay: drop',
            'intro chose pay-intro: arrow',
            'intro time-ran-out regular: drop',
            'pay-intro bought upsell: arrow',
            'pay-intro time-ran-out regular: page',
            'upsell bought delivery: arrow',
            'upsell declined downsell: drop',
            'replay time-ran-out closed: page',
            'regular chose pay: arrow',
            'regular time-ran-out closed: page',
            'pay bought upsell: page',
            'downsell bought delivery: page',
            'downsell declined delivery: page',
        ]);
    });

    it('shows a way to nowhere, and one outside', () => {
        const pages = [page('in', 'opt-in'), page('up', 'upsell')];
        expect(leads(new Places({ pages, ways: ways('up bought https://x.example') }))).toEqual([
            'in joined : nowhere',
            'up bought https://x.example: outside',
            'up declined : nowhere',
        ]);
    });

    it('puts what no way leads to below its like, or at the end of the main way', () => {
        const pages = [
            page('in', 'opt-in'),
            page('thanks', 'thank-you'),
            page('second', 'opt-in'),
            page('sell', 'sales'),
            page('pay', 'checkout'),
        ];
        const places = new Places({ pages, ways: ways('in joined thanks', 'second joined thanks', 'sell chose pay') });
        expect(where(places)).toEqual({ in: '0,0', thanks: '1,0', second: '0,1', sell: '2,0', pay: '3,0' });
        expect(leads(places)).toEqual([
            'in joined thanks: arrow',
            'second joined thanks: page',
            'sell chose pay: arrow',
            'pay bought : nowhere',
        ]);
    });

    it('puts what no way leads to below the page after which it comes', () => {
        const pages = [page('in', 'opt-in'), page('between', 'free'), page('thanks', 'thank-you'), page('last', 'free')];
        expect(where(new Places({ pages, ways: ways('in joined thanks') }))).toEqual({
            in: '0,0',
            between: '0,1',
            thanks: '1,0',
            last: '2,0',
        });
    });

    it('ends where ways go in a circle, and gives every page one place of its own', () => {
        const pages = [page('a', 'upsell'), page('b', 'upsell'), page('c', 'upsell')];
        const all = ways('a bought b', 'a declined c', 'b bought a', 'b declined c', 'c bought a', 'c declined b');
        expect(where(new Places({ pages, ways: all }))).toEqual({ a: '0,0', b: '1,0', c: '0,1' });
    });

    it('keeps two pages that hang from one apart', () => {
        const pages = [page('a', 'sales'), page('b', 'checkout'), page('x', 'free'), page('y', 'free')];
        const places = new Places({ pages, ways: ways('a chose b', 'a declined x', 'a time-ran-out y') });
        // Past the one between, a drop would say the wrong thing.
        expect(leads(places).slice(1, 3)).toEqual(['a declined x: drop', 'a time-ran-out y: page']);
        expect(where(places)).toEqual({
            a: '0,0',
            b: '1,0',
            x: '0,1',
            y: '0,2',
        });
    });

    it('is nothing where there are no pages, and a page for closing alone is the first', () => {
        expect(where(new Places({ pages: [], ways: [] }))).toEqual({});
        expect(where(new Places({ pages: [page('closed', 'closed')], ways: [] }))).toEqual({ closed: '0,0' });
    });

    it('holds whatever forty pages with any ways are made of', () => {
        // A plain sequence of numbers, so that it is the same every time.
        let seed = 7;
        const next = (below: number) => (seed = (seed * 1103515245 + 12345) % 2147483648) % below;
        const roles = ['opt-in', 'sales', 'checkout', 'upsell', 'downsell', 'room', 'replay', 'free', 'closed', 'confirmation'];
        for (let round = 0; round < 50; round++) {
            const pages = Array.from({ length: 40 }, (_, i) => page(`p${i}`, roles[next(roles.length)]!));
            const all = pages.flatMap((p) => p.outcomes.map((o) => `${p.id} ${o.outcome} p${next(40)}`));
            const places = new Places({ pages, ways: ways(...all) });
            const spots = Object.values(where(places));
            expect(spots).toHaveLength(40);
            expect(new Set(spots).size).toBe(40);
            for (const lead of places.leads().filter((l) => l.as === 'arrow')) {
                expect(places.of(lead.to!.id)!.column).toBe(places.of(lead.page.id)!.column + 1);
            }
        }
    });
});
