/**
 * What a visitor's browser runs: remembers the browser by a random first-party id, reports the view, and lends the
 * form the visitor's time zone. Everything on the page works without it.
 */
const COOKIE = 'lantern_visitor';

function visitorId(): string {
    const found = document.cookie.match(/(?:^|; )lantern_visitor=([0-9a-f]{32})(?:;|$)/);
    const id = found?.[1] ?? Array.from(crypto.getRandomValues(new Uint8Array(16)), (b) => b.toString(16).padStart(2, '0')).join('');
    document.cookie = `${COOKIE}=${id}; path=/; max-age=31536000; SameSite=Lax`;
    return id;
}

/** Whose clock it is: pages say moments in it from the next visit on. */
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone ?? '';
if (/^[A-Za-z0-9_+/-]{1,60}$/.test(zone)) {
    document.cookie = `lantern_zone=${zone}; path=/; max-age=31536000; SameSite=Lax`;
}

function setField(form: HTMLFormElement, name: string, value: string): void {
    const field = form.elements.namedItem(name);
    if (field instanceof HTMLInputElement) {
        field.value = value;
    }
}

const { funnel, page, variant } = document.body.dataset;
const visitor = visitorId();
const source = location.search.slice(1, 2000);

for (const form of document.querySelectorAll<HTMLFormElement>('form.form')) {
    setField(form, 'zone', zone);
    setField(form, 'visitor', visitor);
    let sent = false;
    form.addEventListener('submit', (event) => {
        // A second press while the first is on its way; the server would know it anyway.
        if (sent) {
            event.preventDefault();
        }
        sent = true;
    });
    addEventListener('pageshow', () => {
        sent = false;
    });
}

/** Tells the server something in passing: it is never waited for, and a page that is left goes on. */
function tell(path: string, more: Record<string, string>): void {
    const body = new URLSearchParams({ funnel: funnel!, page: page!, visitor, ...more });
    if (variant) {
        body.set('variant', variant);
    }
    if (!navigator.sendBeacon(path, body)) {
        void fetch(path, { method: 'POST', body, keepalive: true });
    }
}

function report(): void {
    // Where something began by this view, it is recorded already.
    if (!funnel || !page || document.body.dataset.seen !== undefined) {
        return;
    }
    tell('/m/view', { source, from: document.referrer.slice(0, 500) });
}

// A page loaded ahead of time is counted when it is looked at.
if (document.visibilityState === 'visible') {
    report();
} else {
    document.addEventListener('visibilitychange', report, { once: true });
}

if (funnel && page && 'IntersectionObserver' in window) {
    // Which button was pressed: the block it stands in, by its place on the page.
    document.addEventListener('click', (event) => {
        const block = (event.target as Element).closest('a, button')?.closest<HTMLElement>('[data-b]');
        if (block) {
            tell('/m/did', { did: 'press', at: block.dataset.b! });
        }
    });
    // How far somebody reads: the last section of which a good piece came into sight.
    const sections = [...document.querySelectorAll('main > .section')];
    let furthest = -1;
    const watch = new IntersectionObserver(
        (seen) => seen.forEach((s) => s.isIntersecting && (furthest = Math.max(furthest, sections.indexOf(s.target)))),
        { rootMargin: '0px 0px -20% 0px' },
    );
    sections.forEach((s) => watch.observe(s));
    let told = false;
    addEventListener('pagehide', () => {
        // Once a view, also where the page is kept and comes back.
        if (furthest >= 0 && !told) {
            told = true;
            tell('/m/did', { did: 'read', at: String(furthest) });
        }
    });
}

// Pop-ups come when the page has nothing else to do: they are no part of its loading.
const popups = document.body.dataset.popups;
if (popups) {
    const load = () => document.head.append(Object.assign(document.createElement('script'), { src: popups, async: true }));
    addEventListener(
        'load',
        () => ('requestIdleCallback' in window ? requestIdleCallback(load, { timeout: 3000 }) : setTimeout(load, 500)),
        {
            once: true,
        },
    );
}
