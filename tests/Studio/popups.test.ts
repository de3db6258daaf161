// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Client } from '../../resources/site/popups/client';
import { takeForms } from '../../resources/site/popups/form';
import { find, whenCalm } from '../../resources/site/popups/place';
import { arm, opened } from '../../resources/site/popups/triggers';
import type { Answer, Popup, Trigger } from '../../resources/site/popups/types';

let visible = 'visible';
beforeEach(() => {
    vi.useFakeTimers();
    visible = 'visible';
    vi.spyOn(document, 'visibilityState', 'get').mockImplementation(() => visible as DocumentVisibilityState);
    document.body.innerHTML = '';
    localStorage.clear();
});
afterEach(() => {
    vi.useRealTimers();
    vi.restoreAllMocks();
});

/** Whether a trigger has fired, and how to take it away. */
function armed(trigger: Trigger) {
    const fire = vi.fn();
    return { fire, stop: arm(trigger, fire) };
}

describe('what opens a pop-up', () => {
    it('counts seconds only while the page is looked at', () => {
        const { fire } = armed({ kind: 'seconds', amount: 3 });
        vi.advanceTimersByTime(2000);
        visible = 'hidden';
        vi.advanceTimersByTime(60_000);
        expect(fire).not.toHaveBeenCalled();
        visible = 'visible';
        vi.advanceTimersByTime(1500);
        expect(fire).toHaveBeenCalledOnce();
        vi.advanceTimersByTime(60_000);
        expect(fire).toHaveBeenCalledOnce();
    });

    it('fires at once where no seconds are asked for, and not any more once it is taken away', () => {
        const now = armed({ kind: 'seconds', amount: 0 });
        vi.advanceTimersByTime(300);
        expect(now.fire).toHaveBeenCalledOnce();
        const never = armed({ kind: 'seconds', amount: 5 });
        never.stop();
        vi.advanceTimersByTime(60_000);
        expect(never.fire).not.toHaveBeenCalled();
    });

    it('sees that somebody has scrolled deep before it listened, and not that a page is short', () => {
        const place = (top: number, height: number): void => {
            vi.stubGlobal('scrollY', top);
            vi.stubGlobal('innerHeight', 800);
            vi.spyOn(document.documentElement, 'scrollHeight', 'get').mockReturnValue(height);
            vi.spyOn(document.documentElement, 'scrollTop', 'get').mockReturnValue(top);
        };
        place(2400, 4000);
        const deep = armed({ kind: 'depth', amount: 60 });
        expect(deep.fire).not.toHaveBeenCalled();
        vi.advanceTimersByTime(1);
        expect(deep.fire).toHaveBeenCalledOnce();
        place(0, 700);
        const short = armed({ kind: 'depth', amount: 60 });
        vi.advanceTimersByTime(1);
        expect(short.fire).not.toHaveBeenCalled();
        place(2400, 4000);
        const gone = armed({ kind: 'depth', amount: 60 });
        gone.stop();
        vi.advanceTimersByTime(1);
        expect(gone.fire).not.toHaveBeenCalled();
        vi.restoreAllMocks();
    });

    it('starts to count anew with every movement', () => {
        const { fire } = armed({ kind: 'idle', amount: 5 });
        for (let i = 0; i < 5; i++) {
            vi.advanceTimersByTime(4000);
            document.dispatchEvent(new Event(['pointermove', 'keydown', 'touchstart', 'wheel', 'pointerdown'][i]!));
        }
        expect(fire).not.toHaveBeenCalled();
        vi.advanceTimersByTime(5500);
        expect(fire).toHaveBeenCalledOnce();
    });

    it('knows leaving by the top edge from leaving anywhere else', () => {
        const { fire, stop } = armed({ kind: 'leaving' });
        const leave = (y: number) => document.documentElement.dispatchEvent(new MouseEvent('mouseleave', { clientY: y }));
        leave(300);
        expect(fire).not.toHaveBeenCalled();
        leave(-1);
        expect(fire).toHaveBeenCalledOnce();
        stop();
        leave(-1);
        expect(fire).toHaveBeenCalledOnce();
    });

    it('takes looking away for a while and coming back as leaving, where there is no pointer', () => {
        vi.stubGlobal('matchMedia', () => ({ matches: false }));
        vi.useFakeTimers({ toFake: ['setTimeout', 'performance', 'setInterval'] });
        const { fire } = armed({ kind: 'leaving' });
        const look = (how: string, ms: number) => {
            visible = how;
            document.dispatchEvent(new Event('visibilitychange'));
            vi.advanceTimersByTime(ms);
        };
        look('hidden', 1000);
        look('visible', 10);
        expect(fire).not.toHaveBeenCalled();
        look('hidden', 4000);
        look('visible', 10);
        expect(fire).toHaveBeenCalledOnce();
        vi.unstubAllGlobals();
    });

    it.each([
        ['<a href="https://pages.example/p/01jdem0s1te000000000000000"><b>x</b></a>', '01jdem0s1te000000000000000'],
        ['<a href="/p/01jdem0s1te000000000000000?frame=1"><b>x</b></a>', '01jdem0s1te000000000000000'],
        ['<span data-lantern-open="some-id"><b>x</b></span>', 'some-id'],
        ['<a href="/p/too-short"><b>x</b></a>', null],
        ['<a href="/shop/p/01jdem0s1te000000000000000x"><b>x</b></a>', null],
        ['<b>x</b>', null],
    ])('is named by %s', (html, id) => {
        document.body.innerHTML = html;
        let found: string | null | undefined;
        document.body.addEventListener('click', (event) => (found = opened(event)), { once: true });
        document.querySelector('b')!.dispatchEvent(new MouseEvent('click', { bubbles: true }));
        expect(found).toBe(id);
        document.body.addEventListener('click', (event) => (found = opened(event)), { once: true });
        document.querySelector('b')!.dispatchEvent(new MouseEvent('click', { bubbles: true, ctrlKey: true }));
        expect(found).toBeNull();
    });
});

describe('where a form is placed', () => {
    const page = `<header><p>Not this</p></header><article><h1>First notes</h1><p id="a">a</p><p id="b">b</p><h2>On rosin</h2><p id="c">c</p>
        <div data-lantern="here"></div></article><footer><p>x</p><p>x</p><p>x</p><p>x</p></footer>`;
    /** How far down each paragraph ends, in pixels. */
    function at(bottoms: Record<string, number>): void {
        for (const [id, bottom] of Object.entries(bottoms)) {
            vi.spyOn(document.getElementById(id)!, 'getBoundingClientRect').mockReturnValue({
                top: bottom - 20,
                bottom,
                height: 20,
            } as DOMRect);
        }
    }

    it('finds the paragraph, the heading and the mark', () => {
        document.body.innerHTML = page;
        expect(find({ how: 'after-paragraph', number: 2 })?.beside.id).toBe('b');
        expect(find({ how: 'after-paragraph', number: 99 })?.beside.id).toBe('c');
        expect(find({ how: 'before-heading', text: 'ROSIN' })).toMatchObject({ where: 'before' });
        expect(find({ how: 'after-heading', text: '' })?.beside.textContent).toBe('First notes');
        expect(find({ how: 'after-heading', text: 'gone' })).toBeNull();
        expect(find({ how: 'mark', text: 'here' })?.where).toBe('inside');
        expect(find({ how: 'mark', text: 'elsewhere' })).toBeNull();
        document.body.innerHTML = '<h1>No words</h1>';
        expect(find({ how: 'after-paragraph', number: 1 })).toBeNull();
    });

    it('takes the next place that is out of sight, and moves nothing that is being read', () => {
        document.body.innerHTML = page;
        at({ a: 100, b: 300, c: 5000 });
        const put = vi.fn();
        whenCalm(find({ how: 'after-paragraph', number: 1 })!, put);
        expect(put.mock.calls[0]?.[0].beside.id).toBe('c');
    });

    it('waits for the reader where all of the article is in sight', () => {
        document.body.innerHTML = page;
        vi.spyOn(document.documentElement, 'scrollHeight', 'get').mockReturnValue(innerHeight + 200);
        at({ a: 100, b: 200, c: 300 });
        const put = vi.fn();
        const stop = whenCalm(find({ how: 'after-paragraph', number: 1 })!, put);
        expect(put).not.toHaveBeenCalled();
        stop();
        dispatchEvent(new Event('scroll'));
        expect(put).not.toHaveBeenCalled();
        whenCalm(find({ how: 'after-paragraph', number: 1 })!, put);
        dispatchEvent(new Event('scroll'));
        dispatchEvent(new Event('scroll'));
        expect(put).toHaveBeenCalledOnce();
        expect(put.mock.calls[0]?.[0].beside.id).toBe('c');
    });
});

describe('what is asked of the server', () => {
    const asked = () => new URLSearchParams(vi.mocked(fetch).mock.lastCall?.[1]?.body as URLSearchParams);
    const answer = (given: unknown) =>
        vi.stubGlobal(
            'fetch',
            vi.fn(() => Promise.resolve(new Response(JSON.stringify(given)))),
        );

    it('keeps an id of the site’s own, sends no cookie there, and does without where nothing may be kept', async () => {
        answer({ popups: [], ticket: 't' });
        const client = new Client('https://pages.example', { site: 's' });
        await client.ask();
        const first = asked().get('visitor');
        expect(first).toMatch(/^[0-9a-f]{32}$/);
        expect(vi.mocked(fetch).mock.lastCall?.[1]?.credentials).toBe('omit');
        await client.ask();
        expect(asked().get('visitor')).toBe(first);
        for (const storage of ['localStorage', 'sessionStorage'] as const) {
            vi.spyOn(window, storage, 'get').mockImplementation(() => {
                throw new DOMException('denied', 'SecurityError');
            });
        }
        await client.ask();
        expect(asked().get('visitor')).toMatch(/^[0-9a-f]{32}$/);
        expect(asked().get('visitor')).not.toBe(first);
    });

    it('feels nothing of a server that is away, slow, or answers with something else', async () => {
        const client = new Client('https://pages.example', { site: 's' });
        for (const away of [
            () => Promise.reject(new TypeError('Failed to fetch')),
            () => Promise.resolve(new Response('<html>', { status: 502 })),
        ]) {
            vi.stubGlobal('fetch', vi.fn(away));
            expect(await client.ask()).toEqual({ popups: [] });
            expect(await client.show('p', 'leaving', true)).toEqual({ show: false });
        }
    });
});

describe('leaving on a phone', () => {
    /** Scrolls to where the page then is, so many milliseconds after the last time. */
    function scroll(to: number, after: number) {
        vi.advanceTimersByTime(after);
        vi.spyOn(window, 'scrollY', 'get').mockReturnValue(to);
        document.documentElement.scrollTop = to;
        dispatchEvent(new Event('scroll'));
    }
    it.each([
        ['a fast scroll up by nine tenths of the screen, from deep down', 0.92, 200, 3, true],
        ['a shorter one', 0.85, 200, 3, false],
        ['a slow one', 0.92, 400, 3, false],
        ['one from near the top', 0.92, 200, 1, false],
    ])('is told by %s', (_, screens, ms, from, fires) => {
        vi.spyOn(window, 'matchMedia').mockReturnValue({ matches: false } as MediaQueryList);
        vi.spyOn(document.documentElement, 'scrollHeight', 'get').mockReturnValue(innerHeight * 6);
        const { fire, stop } = armed({ kind: 'leaving' });
        scroll(innerHeight * from, 1000);
        scroll(innerHeight * (from - screens), ms);
        expect(fire.mock.calls.length > 0).toBe(fires);
        stop();
    });
});

describe('a form in a pop-up', () => {
    it('says what is wrong with it, and keeps no empty line of that afterwards', async () => {
        vi.useRealTimers();
        document.body.innerHTML = '<form class="form"><p><input name="email" value="x"></p></form>';
        const answers: (Answer | null)[] = [null, { errors: { email: 'This is no address.' } }, { thanks: true }];
        const client = { join: () => Promise.resolve(answers.shift() ?? null) } as unknown as Client;
        const done = vi.fn();
        takeForms(document.body, { say: { trouble: 'That did not go through.' } } as Popup, client, () => Promise.resolve('token'), done);
        const form = document.querySelector('form')!;
        const send = async () => {
            form.dispatchEvent(new Event('submit', { cancelable: true }));
            await new Promise((resolve) => setTimeout(resolve, 0));
        };
        await send();
        expect(form.querySelector('[role=alert]')?.textContent).toContain('did not go through');
        expect(form.querySelector('input')?.value).toBe('x');
        await send();
        expect(form.querySelector('[role=alert]')).toBeNull();
        expect(form.querySelector('[aria-invalid]')?.getAttribute('name')).toBe('email');
        await send();
        expect(done).toHaveBeenCalledExactlyOnceWith({ thanks: true });
    });
});
