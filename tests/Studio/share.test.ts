import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

const BOX = `<div class="share" data-address="/practice-plan?utm_source=shared" data-message="I thought of you:">
    <button data-way="device" hidden>Share</button><button data-way="copy" data-done="Copied" hidden>Copy link</button>
    <a data-way="email" href="mailto:">Email</a><p class="share-address">here</p></div>`;
const WHOLE = expect.stringMatching(/^https?:\/\/[^/]+\/practice-plan\?utm_source=shared$/) as string;

/** The page as a browser with so much of it shows it. */
async function visit(browser: { share?: unknown; clipboard?: unknown }): Promise<void> {
    for (const name of ['share', 'clipboard'] as const) {
        if (browser[name] === undefined) {
            Reflect.deleteProperty(navigator, name);
        } else {
            Object.defineProperty(navigator, name, { value: browser[name], configurable: true });
        }
    }
    document.body.innerHTML = BOX;
    vi.resetModules();
    await import('../../resources/site/share');
}
const button = (way: string) => document.querySelector<HTMLButtonElement>(`[data-way=${way}]`)!;
const address = () => document.querySelector<HTMLElement>('.share-address')!;

describe('the share buttons', () => {
    beforeEach(() => {
        vi.useFakeTimers();
        for (const name of ['share', 'clipboard']) {
            Object.defineProperty(Navigator.prototype, name, { value: undefined, configurable: true });
            Reflect.deleteProperty(Navigator.prototype, name);
        }
    });
    afterEach(() => vi.useRealTimers());

    it('leave the email button and the address where a browser can do no more', async () => {
        await visit({});
        expect([button('device').hidden, button('copy').hidden, address().hidden]).toEqual([true, true, false]);
    });
    it('hand the page to what the device offers, and bear that somebody changes their mind', async () => {
        const share = vi.fn(() => Promise.reject(new DOMException('closed', 'AbortError')));
        await visit({ share });
        button('device').click();
        await vi.advanceTimersByTimeAsync(1);
        expect(share).toHaveBeenCalledWith({ title: document.title, text: 'I thought of you:', url: WHOLE });
    });
    it('copy the whole address, and say so for a while', async () => {
        const writeText = vi.fn(() => Promise.resolve());
        await visit({ clipboard: { writeText } });
        expect([button('copy').hidden, address().hidden]).toEqual([false, true]);
        button('copy').click();
        await vi.advanceTimersByTimeAsync(1);
        expect(writeText).toHaveBeenCalledWith(WHOLE);
        expect(button('copy').textContent).toBe('Copied');
        await vi.advanceTimersByTimeAsync(2600);
        expect(button('copy').textContent).toBe('Copy link');
    });
    it('show the address where copying is not allowed', async () => {
        await visit({ clipboard: { writeText: () => Promise.reject(new Error('no')) } });
        button('copy').click();
        await vi.advanceTimersByTimeAsync(1);
        expect([button('copy').textContent, address().hidden]).toEqual(['Copy link', false]);
    });
});

describe('what comes in when it is scrolled to', () => {
    type Seen = (entries: { isIntersecting: boolean; target: Element }[]) => void;
    let seen: Seen;
    const left: Element[] = [];
    const come = async (calm: boolean) => {
        document.body.innerHTML =
            '<main><p class="comes" id="top"></p><div class="comes comes-rise" id="low"><a class="comes" id="in" href="#"></a></div></main>';
        for (const [id, top] of [
            ['top', 10],
            ['low', 5000],
            ['in', 5100],
        ] as const) {
            document.getElementById(id)!.getBoundingClientRect = () => ({ top }) as DOMRect;
        }
        vi.stubGlobal('matchMedia', () => ({ matches: calm }));
        vi.stubGlobal(
            'IntersectionObserver',
            class {
                constructor(f: Seen) {
                    seen = f;
                }
                observe() {}
                unobserve(element: Element) {
                    left.push(element);
                }
            },
        );
        vi.resetModules();
        await import('../../resources/site/entrance');
    };
    const waiting = () => [...document.querySelectorAll('.waits')].map((e) => e.id);
    afterEach(() => vi.unstubAllGlobals());

    it('waits below the window, and arrives once', async () => {
        await come(false);
        expect(waiting()).toEqual(['low', 'in']);
        const low = document.getElementById('low')!;
        seen([{ isIntersecting: false, target: low }]);
        expect(waiting()).toEqual(['low', 'in']);
        seen([{ isIntersecting: true, target: low }]);
        expect(waiting()).toEqual(['in']);
        expect([low.className, left.includes(low)]).toEqual(['comes comes-rise arrives', true]);
    });
    it('is there for whoever comes by the keyboard, and on paper', async () => {
        await come(false);
        document.getElementById('in')!.dispatchEvent(new FocusEvent('focusin', { bubbles: true }));
        expect(waiting()).toEqual([]);
        await come(false);
        dispatchEvent(new Event('beforeprint'));
        expect(waiting()).toEqual([]);
    });
    it('never waits for whoever asked for less motion', async () => {
        await come(true);
        expect(waiting()).toEqual([]);
    });
});
