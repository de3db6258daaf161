import type { Trigger } from './types';

/** Takes its listeners away again. */
type Stop = () => void;

function on<T extends EventTarget>(target: T, events: string, listener: (event: Event) => void, options?: AddEventListenerOptions): Stop {
    const names = events.split(' ');
    names.forEach((name) => target.addEventListener(name, listener, { passive: true, ...options }));
    return () => names.forEach((name) => target.removeEventListener(name, listener, options));
}

const looking = () => document.visibilityState === 'visible';

/** Seconds in which the page is looked at; a tab in the background does not count. */
function afterSeconds(seconds: number, fire: () => void): Stop {
    let passed = 0;
    let last = performance.now();
    const timer = setInterval(() => {
        const now = performance.now();
        // A machine that slept did not look at anything.
        passed += looking() ? Math.min(now - last, 1000) : 0;
        last = now;
        if (passed >= seconds * 1000) {
            clearInterval(timer);
            fire();
        }
    }, 250);
    return () => clearInterval(timer);
}

/** Seconds without a movement, a key, a touch or a scroll. */
function whenIdle(seconds: number, fire: () => void): Stop {
    let stop = afterSeconds(seconds, fire);
    const again = () => {
        stop();
        stop = afterSeconds(seconds, fire);
    };
    const listening = on(document, 'pointermove pointerdown keydown touchstart wheel', again);
    const scrolling = on(window, 'scroll', again);
    return () => {
        stop();
        listening();
        scrolling();
    };
}

/** How far down it has been scrolled, in hundredths of the page. */
function depth(): number {
    const root = document.scrollingElement ?? document.documentElement;
    return ((root.scrollTop + innerHeight) / Math.max(1, root.scrollHeight)) * 100;
}

/** By scrolling alone: a page that is short enough to be seen at once was not scrolled. */
function atDepth(amount: number, fire: () => void): Stop {
    const look = (): void => {
        // Some screens stop a fraction of a pixel before the end.
        if (scrollY > 0 && depth() >= Math.min(amount, 99.5)) {
            fire();
        }
    };
    // Whoever reads fast is there before anybody listens.
    const already = setTimeout(look);
    const stop = on(window, 'scroll', look);
    return () => {
        clearTimeout(already);
        stop();
    };
}

function atSection(section: string, fire: () => void): Stop {
    const found = document.getElementById(`s-${section}`);
    if (!found) {
        return () => undefined;
    }
    const observer = new IntersectionObserver((seen) => seen.some((s) => s.isIntersecting) && fire(), { threshold: 0.2 });
    observer.observe(found);
    return () => observer.disconnect();
}

/** With a pointer: it goes out of the window over its top edge, where tabs and addresses are. */
function whenPointerLeaves(fire: () => void): Stop {
    return on(document.documentElement, 'mouseleave', (event) => {
        if ((event as MouseEvent).clientY <= 0) {
            fire();
        }
    });
}

/**
 * Without a pointer there are three signs: coming back to the page by the back button, a fast scroll up from deep down, and
 * switching away for a while and back. Nothing is kept from anybody: the history is left as it is.
 */
function whenPhoneLeaves(fire: () => void): Stop {
    const stops: Stop[] = [];
    const came = performance.getEntriesByType('navigation')[0] as PerformanceNavigationTiming | undefined;
    if (came?.type === 'back_forward') {
        const timer = setTimeout(fire, 600);
        stops.push(() => clearTimeout(timer));
    }
    stops.push(on(window, 'pageshow', (event) => (event as PageTransitionEvent).persisted && fire()));
    let away = 0;
    stops.push(
        on(document, 'visibilitychange', () => {
            if (!looking()) {
                away = performance.now();
            } else if (away > 0 && performance.now() - away > 3000) {
                fire();
            }
        }),
    );
    let [top, at, deep] = [scrollY, performance.now(), false];
    stops.push(
        on(window, 'scroll', () => {
            const now = performance.now();
            deep ||= depth() >= 50;
            // Nine tenths of the screen within three tenths of a second.
            if (now - at > 300 || scrollY > top) {
                [top, at] = [scrollY, now];
            } else if (deep && top - scrollY > innerHeight * 0.9) {
                fire();
            }
        }),
    );
    return () => stops.forEach((stop) => stop());
}

/** A pointer says so by itself, where there is one; a touch never leaves over the top. */
function whenLeaving(fire: () => void): Stop {
    const stops = [whenPointerLeaves(fire), ...(hasPointer() ? [] : [whenPhoneLeaves(fire)])];
    return () => stops.forEach((stop) => stop());
}

const hasPointer = () => matchMedia('(hover: hover) and (pointer: fine)').matches;

/** Waits for a trigger; what it fires may come more than once. Clicks are heard for the whole page, elsewhere. */
export function arm(trigger: Trigger, fire: () => void): Stop {
    switch (trigger.kind) {
        case 'leaving':
            return whenLeaving(fire);
        case 'seconds':
            return afterSeconds(trigger.amount ?? 0, fire);
        case 'depth':
            return atDepth(trigger.amount ?? 100, fire);
        case 'section':
            return atSection(trigger.section ?? '', fire);
        case 'idle':
            return whenIdle(trigger.amount ?? 30, fire);
        case 'click':
            return () => undefined;
    }
}

/** What a click opens: a link to a pop-up, or anything with its id as `data-lantern-open`. */
export function opened(event: MouseEvent): string | null {
    if (event.defaultPrevented || event.button !== 0 || event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) {
        return null;
    }
    const target = event.target instanceof Element ? event.target : null;
    const named = target?.closest<HTMLElement>('[data-lantern-open]')?.dataset.lanternOpen;
    const link = target
        ?.closest('a')
        ?.getAttribute('href')
        ?.match(/(?:^|\/)p\/([0-9a-z]{26})(?:[?#]|$)/);
    return named ?? link?.[1] ?? null;
}
