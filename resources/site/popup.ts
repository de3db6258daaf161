/**
 * The script of pop-ups, on our pages and on the owner's other sites. It reports what happens and shows what it is told to. It
 * comes when the page is idle, and when our server is away the page does not feel it.
 */
import { Client, isPhone, Preview } from './popups/client';
import { find, whenCalm } from './popups/place';
import { isBusy, loadFonts, Stage } from './popups/stage';
import { arm, opened } from './popups/triggers';
import type { Asked, Popup, Shown, Styles } from './popups/types';

/** On another site the server says which one it is; on our pages the page does. */
declare const lantern: { site: string; host: string } | undefined;

class Popups {
    /** Takes away what waits for a trigger; likewise, what is placed in the page. */
    private readonly armed: (() => void)[] = [];
    private readonly placed: (() => void)[] = [];
    private open: Stage | null = null;
    private asking = false;
    private known: Popup[] = [];
    private styles: Styles = {};
    /** Which page is looked at: what comes late for another one is dropped. */
    private view = 0;

    constructor(private readonly client: Client) {
        document.addEventListener('click', (event) => this.clicked(event));
    }

    /** A page comes: what is there goes, and what may be shown is asked anew. */
    async begin(): Promise<void> {
        const view = ++this.view;
        [...this.armed.splice(0), ...this.placed.splice(0)].forEach((stop) => stop());
        this.open?.close();
        const answer = await this.client.ask();
        if (view !== this.view) {
            return;
        }
        this.known = answer.popups;
        this.styles = answer;
        loadFonts(answer);
        for (const popup of answer.popups) {
            if (popup.placed) {
                this.place(popup);
            } else {
                popup.triggers.forEach((t) => this.armed.push(arm(t, () => void this.fire(popup, t.kind))));
            }
        }
    }

    /** A trigger came. Where it would cover something that asks, it waits for another one. */
    private async fire(popup: Popup, trigger: string): Promise<void> {
        if (this.asking || this.open || document.visibilityState !== 'visible') {
            return;
        }
        if (isBusy((isPhone() ? popup.phone : popup.wide).dialog)) {
            if (['seconds', 'depth', 'section', 'idle'].includes(trigger)) {
                const timer = setTimeout(() => void this.fire(popup, trigger), 3000);
                this.armed.push(() => clearTimeout(timer));
            }
            return;
        }
        this.asking = true;
        const view = this.view;
        const answer = await this.client.show(popup.id, trigger, true);
        this.asking = false;
        if (answer.show && view === this.view) {
            this.show(popup, this.styles, answer);
        }
    }

    private show(popup: Popup, styles: Styles, answer: Shown): void {
        this.armed.splice(0).forEach((stop) => stop());
        const stage = new Stage(
            popup,
            styles,
            this.client,
            () => Promise.resolve(answer.token ?? ''),
            () => (this.open = null),
        );
        this.open = stage;
        stage.open();
    }

    private place(popup: Popup): void {
        const found = popup.spot && find(popup.spot);
        if (!found) {
            return;
        }
        let token: Promise<Shown> | null = null;
        const shown = () => (token ??= this.client.show(popup.id, '', true));
        const stage = new Stage(popup, this.styles, this.client, async () => (await shown()).token ?? '');
        const watch = new IntersectionObserver(
            (seen) => {
                if (seen.some((s) => s.isIntersecting)) {
                    watch.disconnect();
                    void shown();
                }
            },
            { threshold: 0.3 },
        );
        const stop = whenCalm(found, (at) => {
            stage.put(at.beside, at.where);
            watch.observe(stage.host);
        });
        this.placed.push(() => {
            stop();
            watch.disconnect();
            stage.host.remove();
        });
    }

    private clicked(event: MouseEvent): void {
        const id = opened(event);
        if (id === null || this.asking) {
            return;
        }
        const target = event.target as Element;
        event.preventDefault();
        this.asking = true;
        const known = this.known.find((p) => p.id === id);
        void this.client.show(id, 'click', known !== undefined).then((answer) => {
            this.asking = false;
            const popup = known ?? answer.popup;
            if (answer.show && popup && !popup.placed) {
                loadFonts(answer);
                this.open?.close();
                this.show(popup, known ? this.styles : answer, answer);
            } else {
                // Not to be had here: the page of its own may have it.
                const link = target.closest('a');
                if (link?.href) {
                    location.href = link.href;
                }
            }
        });
    }
}

/** Sites that change their pages without loading one: told apart by their address, and nothing of theirs is touched. */
function watchAddress(changed: () => void): void {
    const now = () => location.pathname + location.search;
    let last = now();
    setInterval(() => {
        if (document.visibilityState === 'visible' && now() !== last) {
            last = now();
            changed();
        }
    }, 700);
}

function begin(): void {
    const given = typeof lantern === 'undefined' ? null : lantern;
    const { funnel, page } = document.body.dataset;
    // Two scripts of ours on one page are one.
    const key = Symbol.for('lantern.popups');
    const taken = window as unknown as Record<symbol, boolean | undefined>;
    if (taken[key] || (!given && !(funnel && page))) {
        return;
    }
    taken[key] = true;
    const shown = document.getElementById('lantern-preview')?.textContent;
    const client = shown
        ? new Preview(JSON.parse(shown) as Asked)
        : given
          ? new Client(given.host, { site: given.site })
          : new Client('', { funnel: funnel!, page: page! });
    const popups = new Popups(client);
    void popups.begin();
    if (given) {
        watchAddress(() => void popups.begin());
    }
}

/** When the page has loaded and has nothing else to do. */
function whenIdle(run: () => void): void {
    const soon = () => ('requestIdleCallback' in window ? requestIdleCallback(run, { timeout: 3000 }) : setTimeout(run, 200));
    if (document.readyState === 'complete') {
        soon();
    } else {
        addEventListener('load', soon, { once: true });
    }
}

whenIdle(begin);
