import { Attention } from './guide/attention';
import { Answers } from './guide/answers';

/**
 * A guide, read page by page: turned by buttons, keys and swipes, with what was read told to the server for whoever is known to read it.
 * Without this script all of it stands below one another.
 */
const main = document.querySelector<HTMLElement>('main')!;
const leaves = [...document.querySelectorAll<HTMLElement>('.leaf')];
const progress = document.querySelector<HTMLProgressElement>('.guide-progress');
const contents = document.querySelector<HTMLDetailsElement>('.guide-contents');
const { reading, seal } = document.body.dataset;

const attention = reading && seal ? new Attention(reading, seal) : null;
if (reading && seal) {
    new Answers(main, reading, seal);
}

let here = Math.max(
    0,
    leaves.findIndex((leaf) => leaf.dataset.here !== undefined),
);

function show(index: number, how: 'first' | 'turn' | 'back'): void {
    const leaf = leaves[index];
    if (!leaf) {
        return;
    }
    leaves.forEach((l) => l.toggleAttribute('data-here', l === leaf));
    here = index;
    if (progress) {
        progress.value = index + 1;
    }
    contents?.querySelectorAll('a').forEach((a) => {
        if (a.hash === `#${leaf.id}`) {
            a.setAttribute('aria-current', 'page');
        } else {
            a.removeAttribute('aria-current');
        }
    });
    attention?.turn(leaf.dataset.leaf ?? '', leaf);
    if (how === 'first') {
        return;
    }
    if (how === 'turn') {
        history.pushState(null, '', `#${leaf.id}`);
    }
    scrollTo({ top: 0, behavior: 'instant' });
    leaf.focus({ preventScroll: true });
}

const at = (hash: string): number => leaves.findIndex((l) => `#${l.id}` === hash);

document.addEventListener('click', (event) => {
    const link = (event.target as Element).closest<HTMLAnchorElement>('a[href^="#"]');
    if (!link || event.ctrlKey || event.metaKey || event.shiftKey) {
        return;
    }
    // A link to a section leads to the page it stands on.
    const target = document.querySelector<HTMLElement>(link.hash || '#none');
    const leaf = target?.closest<HTMLElement>('.leaf');
    if (!target || !leaf) {
        return;
    }
    event.preventDefault();
    if (contents) {
        contents.open = false;
    }
    if (leaf !== leaves[here]) {
        show(leaves.indexOf(leaf), 'turn');
    }
    if (target !== leaf) {
        target.scrollIntoView();
    }
});
addEventListener('popstate', () => show(Math.max(0, at(location.hash)), 'back'));

const isTyping = (target: EventTarget | null): boolean =>
    target instanceof Element && target.closest('input, textarea, select, [contenteditable], video, iframe') !== null;
const forward = document.dir === 'rtl' ? 'ArrowLeft' : 'ArrowRight';
const backward = document.dir === 'rtl' ? 'ArrowRight' : 'ArrowLeft';
addEventListener('keydown', (event) => {
    if (event.altKey || event.ctrlKey || event.metaKey || isTyping(event.target)) {
        return;
    }
    if (event.key === forward || event.key === backward) {
        event.preventDefault();
        show(here + (event.key === forward ? 1 : -1), 'turn');
    } else if (event.key === 'Escape' && contents?.open) {
        contents.open = false;
        contents.querySelector('summary')?.focus();
    }
});

let from: { x: number; y: number } | null = null;
main.addEventListener(
    'touchstart',
    (event) => {
        const touch = event.touches[0];
        from = event.touches.length === 1 && touch && !isTyping(event.target) ? { x: touch.clientX, y: touch.clientY } : null;
    },
    { passive: true },
);
main.addEventListener(
    'touchend',
    (event) => {
        const touch = event.changedTouches[0];
        if (!from || !touch) {
            return;
        }
        const [x, y] = [touch.clientX - from.x, touch.clientY - from.y];
        from = null;
        // Across, far enough, and no way of scrolling or choosing words.
        if (Math.abs(x) > 60 && Math.abs(x) > 2.5 * Math.abs(y) && (getSelection()?.isCollapsed ?? true)) {
            show(here + (x < 0 === (document.dir !== 'rtl') ? 1 : -1), 'turn');
        }
    },
    { passive: true },
);

const save = document.querySelector<HTMLButtonElement>('[data-save]');
if (save) {
    save.hidden = false;
    save.addEventListener('click', () => print());
}
// Pictures of pages that were not shown yet are wanted on paper.
addEventListener('beforeprint', () => main.querySelectorAll('img').forEach((img) => (img.loading = 'eager')));

const wanted = at(location.hash);
show(wanted >= 0 ? wanted : here, 'first');
if (wanted >= 0) {
    scrollTo({ top: 0, behavior: 'instant' });
}
