import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

const beacon = vi.fn<(url: string, body: URLSearchParams) => boolean>(() => true);

async function visit(html: string, search = ''): Promise<void> {
    vi.resetModules();
    document.body.dataset.funnel = 'f1';
    document.body.dataset.page = 'p1';
    document.body.innerHTML = html;
    history.replaceState(null, '', `/practice-plan${search}`);
    // @ts-expect-error A script of the page, and no module.
    await import('../../resources/site/visitor');
}

type Seen = (entries: { isIntersecting: boolean; target: Element | undefined }[]) => void;
const seen: Seen[] = [];

const form = '<form class="form"><input name="zone"><input name="visitor"><button>Send it</button></form>';
const field = (name: string) => document.querySelector<HTMLInputElement>(`[name=${name}]`)!.value;

beforeEach(() => {
    beacon.mockClear();
    seen.length = 0;
    vi.stubGlobal(
        'IntersectionObserver',
        class {
            constructor(f: Seen) {
                seen.push(f);
            }
            observe(): void {}
        },
    );
    vi.stubGlobal('navigator', { ...navigator, sendBeacon: beacon });
    document.cookie = 'lantern_visitor=; max-age=0; path=/';
});
afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
});

describe('a visitor’s browser', () => {
    it('is known again by an id of its own, and says where it came from', async () => {
        await visit(form, '?utm_source=podcast');
        const id = field('visitor');
        expect(id).toMatch(/^[0-9a-f]{32}$/);
        expect(document.cookie).toContain(`lantern_visitor=${id}`);
        expect(beacon.mock.calls[0]![0]).toBe('/m/view');
        expect(Object.fromEntries(beacon.mock.calls[0]![1])).toEqual({
            funnel: 'f1',
            page: 'p1',
            visitor: id,
            source: 'utm_source=podcast',
            from: document.referrer,
        });
        await visit(form);
        expect(field('visitor')).toBe(id);
    });

    it.each(['no hex', 'A'.repeat(32), '<script>'])('does not take over an id that is none: %s', async (forged) => {
        document.cookie = `lantern_visitor=${encodeURIComponent(forged)}; path=/`;
        await visit(form);
        expect(field('visitor')).toMatch(/^[0-9a-f]{32}$/);
    });

    it('lends its time zone to the form', async () => {
        await visit(form);
        expect(field('zone')).toBe(Intl.DateTimeFormat().resolvedOptions().timeZone);
    });

    it('sends a form once, and again when its visitor comes back to the page', async () => {
        await visit(form);
        const press = () => !document.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true }));
        expect([press(), press()]).toEqual([false, true]);
        window.dispatchEvent(new Event('pageshow'));
        expect(press()).toBe(false);
    });

    it('counts a page that was loaded ahead of time when it is looked at', async () => {
        const visible = vi.spyOn(document, 'visibilityState', 'get').mockReturnValue('hidden');
        await visit(form);
        expect(beacon).not.toHaveBeenCalled();
        visible.mockReturnValue('visible');
        document.dispatchEvent(new Event('visibilitychange'));
        document.dispatchEvent(new Event('visibilitychange'));
        expect(beacon).toHaveBeenCalledOnce();
    });

    it('reports by other means where the first is refused', async () => {
        beacon.mockReturnValueOnce(false);
        const fetched = vi.fn(() => Promise.resolve(new Response()));
        vi.stubGlobal('fetch', fetched);
        await visit(form);
        expect(fetched).toHaveBeenCalledWith('/m/view', expect.objectContaining({ method: 'POST', keepalive: true }));
    });

    it('tells which button was pressed, by the place of its block, and nothing of other clicks', async () => {
        await visit('<main><section class="section"><p id="words">Words</p><p data-b="3"><a id="go" href="#x">Go</a></p></section></main>');
        beacon.mockClear();
        document.querySelector<HTMLElement>('#words')!.click();
        expect(beacon).not.toHaveBeenCalled();
        document.querySelector<HTMLElement>('#go')!.click();
        expect(beacon.mock.calls[0]![0]).toBe('/m/did');
        expect(Object.fromEntries(beacon.mock.calls[0]![1])).toMatchObject({ page: 'p1', did: 'press', at: '3' });
    });

    it('tells once how far somebody read, when the page is left', async () => {
        await visit(
            '<main><section class="section"></section><section class="section"></section><section class="section"></section></main>',
        );
        beacon.mockClear();
        const [, second] = document.querySelectorAll('.section');
        seen.forEach((f) => f([{ isIntersecting: true, target: second }]));
        dispatchEvent(new Event('pagehide'));
        dispatchEvent(new Event('pagehide'));
        const told = beacon.mock.calls.filter(([path]) => path === '/m/did').map(([, body]) => Object.fromEntries(body));
        expect(told.filter((t) => t.at === '1')).toHaveLength(1);
        expect(told.every((t) => t.did === 'read')).toBe(true);
    });

    it('says which variant of a page it shows', async () => {
        document.body.dataset.variant = 'b';
        await visit(form);
        delete document.body.dataset.variant;
        expect(beacon.mock.calls.at(-1)![1].get('variant')).toBe('b');
    });
});
