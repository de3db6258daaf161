import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { minutesOf, secondsOf } from '@/funnel/desk/webinar/clock';
import { written } from '@/funnel/desk/webinar/written';
import { offerCard, pollCard, questionRows, tickOffer } from '../../resources/site/webinar/cards';
import { leftWords } from '../../resources/site/left';
import { Played } from '../../resources/site/webinar/played';
import { enter } from '../../resources/site/webinar/room';
import { pick } from '../../resources/site/webinar/sessions';
import { stageOf } from '../../resources/site/webinar/stage';
import type { RoomData, RoomState } from '../../resources/site/webinar/types';

const say = {
    closed: 'The room opens a quarter of an hour before it begins: {moment}.',
    begins: 'It begins in {time}.',
    soon: 'The host will be here in a moment.',
    on: 'It is on.',
    goOn: 'You can go on where you were.',
    over: 'This session is over. Thank you for coming.',
    cancelled: 'This session does not take place.',
    waiting: 'All places are taken.',
    crowded: 'This link is open on several other devices already.',
    live: 'Live, {time} minutes in',
    at: '{time} of {length}',
    next: 'Go on',
    toReplay: 'To the replay',
    offer: 'See the offer',
    offerOver: 'See what there is now',
    priceLeft: 'At this price for {time} more',
    priceOver: 'The time for this price is up.',
    mine: '(your answer)',
    answered: 'Answered in the session',
    withHost: 'The host has it',
    toHost: 'On its way to the host',
    sent: 'Sent.',
    lost: 'That did not work. Your words are still here.',
    offline: 'There is no connection at the moment. Your words are still here: please send them again.',
    soundOn: 'Sound on',
    soundOff: 'Sound off',
    noStream: 'The host shows nothing here.',
    captions: 'Captions',
    stream: 'Open the stream',
};

describe('what was played', () => {
    const play = (...steps: [position: number, at: number][]): Played => {
        const played = new Played();
        steps.forEach(([position, at]) => played.tell(position, at * 1000));
        return played;
    };

    it('is what passed at the pace of a clock, merged', () => {
        expect(play([10, 0], [11, 1], [12, 2], [13, 3]).take()).toEqual([[10, 13]]);
    });

    it.each([
        [
            'a jump ahead',
            [
                [10, 0],
                [11, 1],
                [60, 2],
                [61, 3],
            ] as [number, number][],
            [
                [10, 11],
                [60, 61],
            ],
        ],
        [
            'a jump back',
            [
                [60, 0],
                [61, 1],
                [10, 2],
                [11, 3],
            ] as [number, number][],
            [
                [10, 11],
                [60, 61],
            ],
        ],
        [
            'a device that slept',
            [
                [10, 0],
                [11, 1],
                [311, 301],
                [312, 302],
            ] as [number, number][],
            [
                [10, 11],
                [311, 312],
            ],
        ],
        [
            'standing still',
            [
                [10, 0],
                [10, 1],
                [10, 2],
            ] as [number, number][],
            [],
        ],
        ['one word alone', [[10, 0]] as [number, number][], []],
        [
            'at double speed',
            [
                [10, 0],
                [12, 1],
                [14, 2],
            ] as [number, number][],
            [[10, 14]],
        ],
    ])('%s counts for nothing more', (_, steps, intervals) => {
        expect(play(...steps).take()).toEqual(intervals);
    });

    it('begins anew after a stop, and is told again when it did not arrive', () => {
        const played = play([10, 0], [11, 1]);
        played.stop();
        played.tell(12, 2000);
        played.tell(13, 3000);
        const taken = played.take();
        expect(taken).toEqual([
            [10, 11],
            [12, 13],
        ]);
        expect(played.take()).toEqual([]);
        played.back(taken);
        played.tell(14, 4000);
        expect(played.take()).toEqual([
            [10, 11],
            [12, 14],
        ]);
    });
});

describe('moments as they are typed', () => {
    it.each([
        ['40', 2400],
        ['40:00', 2400],
        [' 1:30 ', 90],
        ['1:10:05', 4205],
        ['0:00', 0],
        ['', null],
        ['1:60', null],
        ['1:2:3:4', null],
        ['-1', null],
        ['forty', null],
        ['900', null],
    ])('“%s” is %s seconds', (typed, seconds) => {
        expect(secondsOf(typed)).toBe(seconds);
    });

    it('reads back what it writes', () => {
        for (const seconds of [0, 59, 60, 3599, 3600, 43_200]) {
            expect(secondsOf(minutesOf(seconds))).toBe(seconds);
        }
        expect(written({ a: 1, b: undefined, c: null, d: '' })).toEqual({ a: 1, c: null, d: '' });
    });

    it('tells what is left in its two largest units', () => {
        expect([leftWords(180_061, 'en'), leftWords(61, 'en'), leftWords(0, 'en'), leftWords(-5, 'en'), leftWords(7200, 'de')]).toEqual([
            '2 days, 2 hours',
            '1 minute, 1 second',
            '0 seconds',
            '0 seconds',
            '2 Stunden',
        ]);
    });
});

describe('the cards of a room', () => {
    it('shows an offer with what its deadline leaves, as text', () => {
        const offer = {
            name: '<b>First Season</b>',
            price: '€190',
            url: '/sales',
            until: Date.now() / 1000 + 3600.5,
            now: Date.now(),
            over: false,
        };
        const card = offerCard(offer, say, 'en', 0);
        expect(card.querySelector('b')).toBeNull();
        expect(card.textContent).toContain('At this price for 1 hour more');
        tickOffer(card, say, 'en', 3_700_000);
        expect(card.textContent).toContain('The time for this price is up.');
    });

    it('asks a poll once, and then says how others answered', () => {
        const vote = vi.fn();
        const poll = { id: 'p', question: 'How long?', options: ['Not yet', 'A year'], mine: null, closed: false, counts: null };
        pollCard(poll, say, 'en', vote).querySelectorAll('button')[1]!.click();
        expect(vote).toHaveBeenCalledWith(1);
        const answered = pollCard({ ...poll, mine: 1, counts: [1, 3] }, say, 'en', vote);
        expect(answered.querySelector('button')).toBeNull();
        expect([...answered.querySelectorAll('.poll-row')].map((r) => r.textContent)).toEqual([
            'Not yet: 25%',
            'A year: 75% (your answer)',
        ]);
    });

    it('shows questions as text, with what became of them', () => {
        const rows = questionRows(
            [
                { id: '1', words: '<script>', state: 'open', answer: null },
                { id: '2', words: 'And?', state: 'answered', answer: 'Yes.' },
                { id: '3', words: 'Now?', state: 'aired', answer: null },
            ],
            say,
            true,
        );
        expect(rows.map((r) => r.textContent)).toEqual(['<script>The host has it', 'And?Yes.', 'Now?Answered in the session']);
    });
});

describe('the picker', () => {
    const picker = (asked: string, time: string) =>
        `<fieldset id="sessions-b" data-sessions data-begun="That session has begun. These come next." data-asked="${asked}"><input type="radio" name="s" value="1" checked>` +
        `<input type="radio" name="s" value="2"><b>${time}</b></fieldset>`;
    const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
    afterEach(() => vi.unstubAllGlobals());

    it('is asked for once more in the zone of the browser, and what was chosen stays chosen', async () => {
        document.body.innerHTML = picker('', '18:00');
        document.querySelectorAll<HTMLInputElement>('input')[1]!.checked = true;
        vi.stubGlobal('fetch', vi.fn().mockResolvedValue(new Response(picker(zone, '13:00'))));
        pick(document);
        await vi.waitFor(() => expect(document.querySelector('b')?.textContent).toBe('13:00'));
        expect(document.querySelector<HTMLInputElement>('input:checked')?.value).toBe('2');
    });

    it('is asked for again when its first session has begun, and says that the chosen one has', async () => {
        vi.useFakeTimers();
        const fresh = (seconds: number, time: string, first = '1') =>
            picker(zone, time).replace('data-sessions', `data-sessions data-fresh="${seconds}"`).replace('value="1"', `value="${first}"`);
        const fetched = vi.fn().mockImplementation(() => Promise.resolve(new Response(fresh(900, '18:15', '3'))));
        vi.stubGlobal('fetch', fetched);
        document.body.innerHTML = fresh(60, '18:00');
        pick(document);
        await vi.advanceTimersByTimeAsync(60_000);
        expect(fetched).not.toHaveBeenCalled();
        await vi.advanceTimersByTimeAsync(1_500);
        expect(document.querySelector('b')?.textContent).toBe('18:15');
        expect(document.querySelector<HTMLInputElement>('input:checked')?.value).toBe('3');
        expect(document.querySelector('[role=status]')?.textContent).toBe('That session has begun. These come next.');
        await vi.advanceTimersByTimeAsync(901_000);
        expect(fetched).toHaveBeenCalledTimes(2);
        document.body.innerHTML = '';
        await vi.advanceTimersByTimeAsync(2_000_000);
        expect(fetched).toHaveBeenCalledTimes(2);
        document.body.innerHTML = fresh(90_000, '18:00');
        pick(document);
        expect(vi.getTimerCount()).toBe(0);
        vi.useRealTimers();
    });

    it('stays as it is where it knows the zone, or where nothing answers', async () => {
        const fetched = vi.fn().mockRejectedValue(new Error('offline'));
        vi.stubGlobal('fetch', fetched);
        document.body.innerHTML = picker(zone, '18:00');
        pick(document);
        expect(fetched).not.toHaveBeenCalled();
        document.body.innerHTML = picker('', '18:00');
        pick(document);
        await Promise.resolve();
        expect(document.querySelector('b')?.textContent).toBe('18:00');
    });
});

describe('the room', () => {
    const state = (more: Partial<RoomState>): RoomState => ({
        state: 'on',
        second: 0,
        length: 150,
        beginsIn: 0,
        here: 3,
        hereWords: '3 people are here',
        next: 10,
        time: 'Tuesday at 18:00',
        offer: null,
        offerAt: null,
        poll: null,
        questions: [],
        leads: null,
        ...more,
    });
    const data = { path: '/r/1/2', kind: 'live', title: 'First melody', live: true, onDemand: false, pauses: false, embed: '', stream: '' };
    const room = (more: object = {}) => {
        document.body.innerHTML = `<div data-room><div data-screen></div><div data-cover><p data-state></p><button data-join hidden></button></div>
            <span data-clock></span><span data-here></span><div data-offer></div><div data-poll></div>
            <form data-ask><textarea></textarea><button></button><p data-asked></p></form><ul data-questions></ul></div>`;
        const root = document.querySelector<HTMLElement>('[data-room]')!;
        root.dataset.room = JSON.stringify({ ...data, video: '', type: '', captions: '', language: 'en', say, ...more });
        enter(root);
        return root;
    };
    const said = (root: HTMLElement, name: string) => root.querySelector<HTMLElement>(`[data-${name}]`)!.textContent;
    let asked: { url: string; body: Record<string, unknown> }[] = [];
    const answers = (...list: (RoomState | number)[]) => {
        asked = [];
        vi.stubGlobal(
            'fetch',
            vi.fn((url: string, init: RequestInit) => {
                asked.push({ url, body: JSON.parse(String(init.body)) as Record<string, unknown> });
                const next = list.length > 1 ? list.shift()! : list[0]!;
                return Promise.resolve(
                    typeof next === 'number'
                        ? new Response('{"message":"Too much."}', { status: next })
                        : new Response(JSON.stringify(next)),
                );
            }),
        );
    };
    beforeEach(() => vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval', 'Date', 'performance'] }));
    afterEach(() => {
        vi.useRealTimers();
        vi.unstubAllGlobals();
    });

    it('says when it begins, looks again right then, and counts what is played from when one has joined', async () => {
        answers(state({ state: 'opening', beginsIn: 4 }), state({ second: 0 }), state({ second: 10 }), state({ second: 20 }));
        const root = room();
        await vi.advanceTimersByTimeAsync(100);
        expect(said(root, 'state')).toContain('It begins in 4 seconds');
        await vi.advanceTimersByTimeAsync(5000);
        expect(asked).toHaveLength(2);
        const join = root.querySelector<HTMLButtonElement>('[data-join]')!;
        expect([join.hidden, said(root, 'here')]).toEqual([false, '3 people are here']);
        join.click();
        await vi.advanceTimersByTimeAsync(10_000);
        await vi.advanceTimersByTimeAsync(10_000);
        const played = asked.slice(2).flatMap((a) => a.body.played as number[][]);
        expect(played.length).toBeGreaterThan(0);
        expect(played.at(-1)![1]).toBeGreaterThan(8);
        expect(said(root, 'clock')).toMatch(/^Live, 0:\d\d minutes in$/);
    });

    it('keeps what was played while nothing answers, and tells it once it can', async () => {
        answers(state({ second: 0 }), 500, 500, state({ second: 40 }));
        const root = room();
        await vi.advanceTimersByTimeAsync(100);
        root.querySelector<HTMLButtonElement>('[data-join]')!.click();
        await vi.advanceTimersByTimeAsync(17_000);
        expect(asked.length).toBeGreaterThanOrEqual(3);
        await vi.advanceTimersByTimeAsync(20_000);
        const last = asked[3]!.body.played as number[][];
        expect(last[0]![0]).toBeLessThanOrEqual(2);
        expect(last.at(-1)![1]).toBeGreaterThan(15);
    });

    it('never calls a recording live, and leads on when it is over', async () => {
        answers(state({ state: 'over', second: 150, leads: { url: '/replay', attended: false } }));
        const root = room({ live: false, video: '' });
        await vi.advanceTimersByTimeAsync(100);
        expect(root.textContent).not.toMatch(/live/i);
        expect(root.querySelector('[data-cover] a')?.getAttribute('href')).toBe('/replay');
    });

    it('keeps a question that could not be sent', async () => {
        answers(state({}), 422);
        const root = room();
        await vi.advanceTimersByTimeAsync(100);
        const field = root.querySelector('textarea')!;
        field.value = 'Why?';
        root.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true }));
        await vi.advanceTimersByTimeAsync(50);
        expect([field.value, said(root, 'asked')]).toEqual(['Why?', 'Too much.']);
    });
});

describe('the stage', () => {
    it.each([
        ['', '', 'P', 'The host shows nothing here.'],
        ['', 'https://stream.example/x', 'A', 'Open the stream'],
        ['https://stream.example/embed', 'https://stream.example/x', 'IFRAME', ''],
    ])('shows what there is of a stream: %s %s', async (embed, stream, tag, words) => {
        const screen = document.createElement('div');
        const stage = stageOf(screen, { video: '', embed, stream, title: 'First Melody', say } as RoomData);
        expect(stage.isPlaying()).toBe(false);
        await stage.join(0);
        expect([screen.children.length, screen.firstElementChild?.tagName, screen.textContent]).toEqual([1, tag, words]);
        expect(stage.isPlaying()).toBe(true);
        stage.leave();
        expect(screen.children.length).toBe(0);
    });
});
