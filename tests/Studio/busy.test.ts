import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

const sent = vi.fn<(event: Event) => void>();

async function page(html: string): Promise<HTMLFormElement | null> {
    vi.resetModules();
    document.body.innerHTML = html;
    await import('../../resources/site/busy');
    const form = document.querySelector('form');
    form?.addEventListener('submit', (event) => {
        if (!event.defaultPrevented) {
            sent(event);
        }
        event.preventDefault();
    });
    return form;
}
const busy = '<p data-again-says hidden>By itself</p><form method="post" data-again="5"><button>Send it again</button></form>';

beforeEach(() => {
    vi.useFakeTimers();
    sent.mockClear();
});
afterEach(() => vi.useRealTimers());

describe('a form that could not be taken', () => {
    it('goes out again by itself, once, and says so', async () => {
        await page(busy);
        expect(document.querySelector('p')!.hidden).toBe(false);
        vi.advanceTimersByTime(4_999);
        expect(sent).toHaveBeenCalledTimes(0);
        vi.advanceTimersByTime(60_000);
        expect(sent).toHaveBeenCalledTimes(1);
    });

    it('goes out once when its button was pressed, however often', async () => {
        const form = await page(busy);
        form!.requestSubmit();
        form!.requestSubmit();
        vi.advanceTimersByTime(60_000);
        expect(sent).toHaveBeenCalledTimes(1);
    });

    it('can be sent by hand, and by hand only, for somebody who came back to the page', async () => {
        const form = await page(busy);
        form!.requestSubmit();
        window.dispatchEvent(Object.assign(new Event('pageshow'), { persisted: true }));
        vi.advanceTimersByTime(60_000);
        expect(sent).toHaveBeenCalledTimes(1);
        form!.requestSubmit();
        expect(sent).toHaveBeenCalledTimes(2);
    });

    it('waits for the button when it went out by itself before', async () => {
        await page(busy.replace(' data-again="5"', ''));
        vi.advanceTimersByTime(60_000);
        expect(sent).toHaveBeenCalledTimes(0);
        expect(document.querySelector('p')!.hidden).toBe(true);
    });
});
