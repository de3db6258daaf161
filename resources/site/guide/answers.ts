/** What a reader writes and ticks: kept by the server as they go, and in the browser while there is no connection. */
type Answer = [block: string, item: number, value: string | boolean];

const WAIT = 800;

export class Answers {
    private readonly waiting = new Map<string, Answer>();
    private timer = 0;
    private busy = false;
    private readonly key: string;

    constructor(
        private readonly main: HTMLElement,
        private readonly reading: string,
        private readonly seal: string,
    ) {
        this.key = `lantern-answers-${reading}`;
        this.back();
        main.addEventListener('input', (event) => {
            const field = event.target;
            if (field instanceof HTMLTextAreaElement && field.dataset.answer) {
                this.note([field.dataset.answer, -1, field.value]);
                this.say(field, '');
            } else if (field instanceof HTMLInputElement && field.dataset.tick) {
                this.note([field.dataset.tick, Number(field.dataset.item), field.checked]);
            }
        });
        addEventListener('pagehide', () => {
            if (this.waiting.size > 0 && navigator.sendBeacon('/m/read', this.body([...this.waiting.values()]))) {
                this.waiting.clear();
                this.store();
            }
        });
        addEventListener('online', () => void this.send());
    }

    /** What was written without a connection is here again, and is sent. */
    private back(): void {
        try {
            const kept = JSON.parse(localStorage.getItem(this.key) ?? '[]') as Answer[];
            for (const answer of kept) {
                const [block, item, value] = answer;
                const field = this.field(block, item);
                if (field instanceof HTMLTextAreaElement && typeof value === 'string') {
                    field.value = value;
                    this.note(answer);
                } else if (field instanceof HTMLInputElement && typeof value === 'boolean') {
                    field.checked = value;
                    this.note(answer);
                }
            }
        } catch {
            // A browser that keeps nothing has nothing to bring back.
        }
    }

    private field(block: string, item: number): Element | null {
        const name = CSS.escape(block);
        return this.main.querySelector(item < 0 ? `[data-answer="${name}"]` : `[data-tick="${name}"][data-item="${item}"]`);
    }

    private note(answer: Answer): void {
        this.waiting.set(`${answer[0]} ${answer[1]}`, answer);
        this.store();
        clearTimeout(this.timer);
        this.timer = window.setTimeout(() => void this.send(), WAIT);
    }

    private store(): void {
        try {
            if (this.waiting.size === 0) {
                localStorage.removeItem(this.key);
            } else {
                localStorage.setItem(this.key, JSON.stringify([...this.waiting.values()]));
            }
        } catch {
            // It is sent in a moment, or said not to be kept.
        }
    }

    private body(answers: Answer[]): URLSearchParams {
        return new URLSearchParams({ reading: this.reading, seal: this.seal, answers: JSON.stringify(answers) });
    }

    private async send(): Promise<void> {
        const sent = [...this.waiting.entries()];
        if (sent.length === 0 || this.busy) {
            return;
        }
        this.busy = true;
        const kept = await fetch('/m/read', { method: 'POST', body: this.body(sent.map(([, a]) => a)) }).then(
            (answer) => answer.ok,
            () => false,
        );
        this.busy = false;
        for (const [key, answer] of sent) {
            const field = this.field(answer[0], answer[1]);
            if (kept && this.waiting.get(key) === answer) {
                this.waiting.delete(key);
            }
            if (field instanceof HTMLTextAreaElement) {
                const { kept: yes, notKept: no, offline } = this.main.dataset;
                this.say(field, (kept ? yes : navigator.onLine ? no : offline) ?? '');
            }
        }
        this.store();
        if (this.waiting.size > 0) {
            clearTimeout(this.timer);
            this.timer = window.setTimeout(() => void this.send(), kept ? WAIT : 10_000);
        }
    }

    private say(field: HTMLTextAreaElement, words: string): void {
        const place = field.parentElement?.querySelector('.reflection-kept');
        if (place) {
            place.textContent = words;
        }
    }
}
