import type { Asked, Popup, Shown, Answer } from './types';

/** Something that this browser keeps, as far as it keeps anything. */
function kept(key: string, value: () => string): string {
    for (const storage of ['localStorage', 'sessionStorage'] as const) {
        try {
            const found = window[storage].getItem(key);
            if (found && /^[0-9a-f]{32}$/.test(found)) {
                return found;
            }
            const made = value();
            window[storage].setItem(key, made);
            return made;
        } catch {
            // Switched off: the next one, or none at all, and then each view is a browser of its own.
        }
    }
    return value();
}

const random = () => Array.from(crypto.getRandomValues(new Uint8Array(16)), (b) => b.toString(16).padStart(2, '0')).join('');

/** On our pages the cookie that they keep; on another site an id of that site's own, since cookies of ours do not go there. */
function visitor(elsewhere: boolean): string {
    const cookie = elsewhere ? null : document.cookie.match(/(?:^|; )lantern_visitor=([0-9a-f]{32})(?:;|$)/);
    return cookie?.[1] ?? kept('lantern_visitor', random);
}

/** The server's side. Whatever goes wrong there, the page does not feel it: there is nothing to show. */
export class Client {
    private ticket = '';
    private began = performance.now();

    constructor(
        private readonly host: string,
        private readonly about: Record<string, string>,
    ) {}

    get elsewhere(): boolean {
        return 'site' in this.about;
    }

    async ask(): Promise<Asked> {
        this.began = performance.now();
        this.ticket = '';
        const answer = await this.post<Asked>('/w/ask', {
            ...this.about,
            address: location.pathname,
            title: document.title.slice(0, 300),
            visitor: visitor(this.elsewhere),
            source: location.search.slice(1, 2000),
            languages: (navigator.languages ?? [navigator.language]).slice(0, 10).join(','),
            phone: isPhone() ? '1' : '0',
        });
        this.ticket = answer?.ticket ?? '';
        // Whatever else came, such as the word of a proxy, is nothing to show.
        return answer && Array.isArray(answer.popups) ? answer : { popups: [] };
    }

    /** @param have is its content here already? */
    async show(popup: string, trigger: string, have: boolean): Promise<Shown> {
        const answer = this.ticket
            ? await this.post<Shown>('/w/show', {
                  ticket: this.ticket,
                  popup,
                  trigger,
                  after: String(Math.round(performance.now() - this.began)),
                  content: have ? '0' : '1',
              })
            : null;
        return answer?.show === true ? answer : { show: false };
    }

    report(popup: Popup, type: 'closed' | 'clicked'): void {
        void this.post('/w/report', { ticket: this.ticket, popup: popup.id, type }, true);
    }

    join(popup: Popup, filled: URLSearchParams): Promise<Answer | null> {
        filled.set('ticket', this.ticket);
        filled.set('popup', popup.id);
        return this.post<Answer>('/w/join', filled, false, 30_000);
    }

    private async post<T>(path: string, body: Record<string, string> | URLSearchParams, late = false, wait = 8000): Promise<T | null> {
        try {
            const answer = await fetch(this.host + path, {
                method: 'POST',
                body: new URLSearchParams(body),
                credentials: this.elsewhere ? 'omit' : 'same-origin',
                keepalive: late,
                signal: late ? undefined : AbortSignal.timeout(wait),
            });
            return answer.status === 204 ? null : ((await answer.json()) as T);
        } catch {
            return null;
        }
    }
}

/** A draft that is looked at: one pop-up is at hand, whatever its rules say, and nothing is sent anywhere. */
export class Preview extends Client {
    constructor(private readonly given: Asked) {
        super('', {});
    }

    override ask(): Promise<Asked> {
        return Promise.resolve(this.given);
    }

    override show(popup: string): Promise<Shown> {
        return Promise.resolve({ show: this.given.popups.some((p) => p.id === popup), token: 'preview' });
    }

    override report(): void {
        // Nothing is counted.
    }

    override join(popup: Popup): Promise<Answer> {
        return Promise.resolve(
            popup.steps.thanks === undefined ? { message: 'Here they would be led on. Nothing you do here is stored.' } : { thanks: true },
        );
    }
}

/** By the width of the window, and where it is touched by that of a large phone held sideways. */
export function isPhone(): boolean {
    return matchMedia('(max-width: 43rem), (pointer: coarse) and (max-height: 30rem)').matches;
}
