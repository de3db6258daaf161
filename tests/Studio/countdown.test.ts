import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { figures } from '../../resources/site/counting';
import { leftWords } from '../../resources/site/left';

/** Countdowns on public pages, by the server's clock. */
const NOW = Date.UTC(2026, 10, 27, 10, 0, 0);
const FORMS = JSON.stringify(Object.fromEntries(['day', 'hour', 'minute', 'second'].map((u) => [u, { one: u, other: `${u}s` }] as const)));
const units = ['day', 'hour', 'minute', 'second'];
const places = units.map((u) => `<span data-unit="${u}"><b>–</b><i></i></span>`).join('');

function countdown(left: number, more = ''): string {
    const data = `data-until="${NOW + left * 1000}" data-from="${NOW - 1000}" data-now="${NOW}" data-lang="en" data-units="${units.join(' ')}"`;
    return `<div class="countdown" ${data} data-then="lead" data-forms='${FORMS}' ${more}>${places}<span data-left></span></div>`;
}
const shown = () => [...document.querySelectorAll('b')].map((b) => b.textContent).join(':');
const reload = vi.fn();

/** @param server how far the server is ahead of the visitor's clock, in milliseconds */
async function visit(html: string, server = 0): Promise<void> {
    document.body.innerHTML = html;
    vi.stubGlobal(
        'fetch',
        vi.fn(() => Promise.resolve(new Response(String(Date.now() + server)))),
    );
    vi.resetModules();
    await import('../../resources/site/countdown');
    await vi.advanceTimersByTimeAsync(10);
}

beforeEach(() => {
    vi.useFakeTimers({ now: NOW });
    vi.stubGlobal('location', { reload });
    localStorage.clear();
    reload.mockClear();
    delete document.documentElement.dataset.typed;
});
afterEach(() => {
    vi.clearAllTimers();
    vi.useRealTimers();
    vi.unstubAllGlobals();
});

describe('the figures', () => {
    it.each([
        [90_061, units, [1, 1, 1, 1]],
        [0, units, [0, 0, 0, 0]],
        [59, ['day', 'hour', 'minute'], [0, 0, 1]],
        [3600, ['day', 'hour', 'minute'], [0, 1, 0]],
        [86_401, ['day'], [2]],
        [200_000, ['hour', 'minute', 'second'], [55, 33, 20]],
    ] as const)('of %i seconds in %j', (left, wanted, expected) => expect(figures(left, [...wanted] as never)).toEqual(expected));

    it.each([
        ['en', 186_300, '2 days, 3 hours'],
        ['en', 172_805, '2 days'],
        ['en', 65, '1 minute, 5 seconds'],
        ['en', 0, '0 seconds'],
        ['de', 186_300, '2 Tage, 3 Stunden'],
        ['fr', 65, '1 minute et 5 secondes'],
        ['pl', 186_300, '2 dni i 3 godziny'],
        ['he', 180, '3 דקות'],
    ])('in %s, %i seconds in words are %s', (language, left, words) =>
        expect(leftWords(left, language).replaceAll('\u00a0', ' ')).toBe(words),
    );
});

describe('a countdown', () => {
    it('counts, with the right plurals', async () => {
        await visit(countdown(90_061));
        expect(shown()).toBe('1:01:01:01');
        await vi.advanceTimersByTimeAsync(1000);
        expect(shown()).toBe('1:01:01:00');
        expect([...document.querySelectorAll('i')].map((i) => i.textContent)).toEqual(['day', 'hour', 'minute', 'seconds']);
    });

    it.each([
        ['a year behind', 365 * 86_400_000],
        ['an hour ahead', -3_600_000],
    ])('is true by the server where the visitor’s clock is %s', async (_, server) => {
        vi.setSystemTime(NOW - server);
        await visit(countdown(600), server);
        expect(shown()).toBe('0:00:10:00');
    });

    it('shows the right time in a tab that slept, and where the clock was set', async () => {
        await visit(countdown(7200));
        vi.setSystemTime(NOW + 3_600_000);
        await vi.advanceTimersByTimeAsync(600);
        expect(shown()).toMatch(/^0:00:59:5\d|^0:01:00:00/);
    });

    it('tells a screen reader by the minute alone', async () => {
        await visit(countdown(600));
        const told = document.querySelector('[data-left]')!;
        expect(told.textContent).toBe('10 minutes');
        await vi.advanceTimersByTimeAsync(5000);
        expect(told.textContent).toBe('10 minutes');
        await vi.advanceTimersByTimeAsync(60_000);
        expect(told.textContent).toBe('9 minutes');
    });

    it('leads on at its end, once, and says that it is over', async () => {
        await visit(countdown(2));
        await vi.advanceTimersByTimeAsync(1500);
        expect(reload).not.toHaveBeenCalled();
        await vi.advanceTimersByTimeAsync(5000);
        expect(reload).toHaveBeenCalledTimes(1);
        expect(document.querySelector('.countdown')!.classList.contains('is-over')).toBe(true);
    });

    it('takes nothing away from somebody who is filling something in', async () => {
        await visit(`${countdown(2)}<input>`);
        document.querySelector('input')!.dispatchEvent(new Event('input', { bubbles: true }));
        await vi.advanceTimersByTimeAsync(10_000);
        expect(reload).not.toHaveBeenCalled();
    });

    it('stays where it was over when it came, or where its owner wants it to say so only', async () => {
        await visit(countdown(-5));
        await vi.advanceTimersByTimeAsync(10_000);
        await visit(countdown(1).replace('data-then="lead"', 'data-then="say"'));
        await vi.advanceTimersByTimeAsync(10_000);
        expect(reload).not.toHaveBeenCalled();
    });

    it('goes on by the moment at which the page was sent where the server does not answer', async () => {
        document.body.innerHTML = countdown(600);
        vi.stubGlobal(
            'fetch',
            vi.fn(() => Promise.reject(new Error('offline'))),
        );
        vi.resetModules();
        await import('../../resources/site/countdown');
        await vi.advanceTimersByTimeAsync(10);
        expect(shown()).toBe('0:00:10:00');
    });
});

describe('the last warning', () => {
    const warning = (until: number) =>
        `<aside class="last-warning" hidden data-key="d" data-minutes="5" data-until="${NOW + until * 1000}" data-now="${NOW}"><button>×</button></aside>`;
    const aside = () => document.querySelector('aside')!;

    it('comes when the end is near, once, and goes when it is closed', async () => {
        await visit(warning(302));
        expect(aside().hidden).toBe(true);
        await vi.advanceTimersByTimeAsync(3000);
        expect(aside().hidden).toBe(false);
        aside().querySelector('button')!.click();
        expect(aside().hidden).toBe(true);
        await vi.advanceTimersByTimeAsync(3000);
        expect(aside().hidden).toBe(true);
        await visit(warning(302));
        expect(aside().hidden).toBe(true);
    });

    it('never comes for whom the deadline does not run', async () => {
        await visit('<aside class="last-warning" hidden data-key="d" data-minutes="5"></aside>');
        await vi.advanceTimersByTimeAsync(3000);
        expect(aside().hidden).toBe(true);
    });
});
