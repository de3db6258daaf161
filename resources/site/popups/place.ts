import type { Spot } from './types';

export interface Found {
    beside: Element;
    where: 'before' | 'after' | 'inside';
    /** What comes after it in the article, where it may stand just as well. */
    later: Element[];
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
        return mark ? { beside: mark, where: 'inside', later: [] } : null;
    }
    if (spot.how === 'after-paragraph') {
        const paragraphs = [...(article()?.children ?? [])].filter((e) => e.tagName === 'P');
        const at = Math.min(spot.number ?? 3, paragraphs.length) - 1;
        const beside = paragraphs[at];
        return beside ? { beside, where: 'after', later: paragraphs.slice(at + 1) } : null;
    }
    const within = article()?.closest('article, main') ?? article() ?? document.body;
    const heading = [...within.querySelectorAll('h1, h2, h3, h4')].find((h) => (h.textContent ?? '').toLowerCase().includes(words));
    return heading ? { beside: heading, where: spot.how === 'before-heading' ? 'before' : 'after', later: [] } : null;
}

const edge = (beside: Element, where: Found['where']) => {
    const box = beside.getBoundingClientRect();
    return where === 'before' || where === 'inside' ? box.top : box.bottom;
};

/** Has the owner kept a place for it that is as high as what comes into it is likely to be? */
const isKept = (found: Found) => found.where === 'inside' && found.beside.getBoundingClientRect().height > 100;

/**
 * Calls once something can be put there without moving what is being read: at once where its place was kept or is out of sight. Of
 * a place in sight the next one in the article is taken that is not; without any, it waits for the reader's next act.
 */
export function whenCalm(found: Found, put: (found: Found) => void): () => void {
    const outOfSight = (e: Element) => edge(e, found.where) > innerHeight || edge(e, found.where) < 0;
    const calm = [found.beside, ...found.later].find(outOfSight);
    if (calm || isKept(found)) {
        put({ ...found, beside: isKept(found) ? found.beside : calm! });
        return () => undefined;
    }
    const last = { ...found, beside: found.later.at(-1) ?? found.beside };
    const scrolls = document.documentElement.scrollHeight > innerHeight + 1;
    const events = ['pointerdown', 'keydown', scrolls ? 'scroll' : 'pointermove'] as const;
    const stop = () => events.forEach((e) => removeEventListener(e, once));
    function once(): void {
        stop();
        put(last);
    }
    events.forEach((e) => addEventListener(e, once, { passive: true }));
    return stop;
}
