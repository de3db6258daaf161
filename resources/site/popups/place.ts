import type { Spot } from './types';

export interface Found {
    beside: Element;
    where: 'before' | 'after' | 'inside';
    /** Did the owner keep a place for it? Then nothing moves that they do not expect to. */
    kept: boolean;
}

/** The part of the page that is read: what holds the most paragraphs. */
function article(): Element | null {
    const counts = new Map<Element, number>();
    for (const p of document.querySelectorAll('p')) {
        const parent = p.parentElement;
        if (parent && !p.closest('header, footer, nav, aside, form, dialog')) {
            counts.set(parent, (counts.get(parent) ?? 0) + 1);
        }
    }
    return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}

/** Where in the page something is to stand; nothing where the page has no such place. */
export function find(spot: Spot): Found | null {
    const words = (spot.text ?? '').toLowerCase();
    if (spot.how === 'mark') {
        const mark = [...document.querySelectorAll<HTMLElement>('[data-lantern]')].find((e) => words === '' || e.dataset.lantern === words);
        return mark ? { beside: mark, where: 'inside', kept: true } : null;
    }
    if (spot.how === 'after-paragraph') {
        const paragraphs = [...(article()?.children ?? [])].filter((e) => e.tagName === 'P');
        const beside = paragraphs[Math.min(spot.number ?? 3, paragraphs.length) - 1];
        return beside ? { beside, where: 'after', kept: false } : null;
    }
    const within = article()?.closest('article, main') ?? article() ?? document.body;
    const heading = [...within.querySelectorAll('h1, h2, h3, h4')].find((h) => (h.textContent ?? '').toLowerCase().includes(words));
    return heading ? { beside: heading, where: spot.how === 'before-heading' ? 'before' : 'after', kept: false } : null;
}

/**
 * Calls once something can be put there without moving what is being read: at once where its place was kept or is out of sight,
 * else with the reader's next act.
 */
export function whenCalm(found: Found, put: () => void): () => void {
    const box = found.beside.getBoundingClientRect();
    const edge = found.where === 'before' ? box.top : box.bottom;
    if (found.kept || edge > innerHeight || edge < 0) {
        put();
        return () => undefined;
    }
    const events = ['pointerdown', 'keydown', 'wheel', 'touchmove'] as const;
    const stop = () => events.forEach((e) => removeEventListener(e, once));
    function once(): void {
        stop();
        put();
    }
    events.forEach((e) => addEventListener(e, once, { passive: true }));
    return stop;
}
