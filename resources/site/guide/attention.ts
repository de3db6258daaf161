/** A page, from and until a second since the guide was opened here, and how far down it was scrolled, in percent. */
export type Seen = [page: string, from: number, until: number, scrolled: number];

/** Without a sign from somebody for so long nobody reads, whatever lies open. Milliseconds. */
export const QUIET = 60_000;

const EVERY = 15_000;
/** What could not be sent waits, up to so many pieces. */
const MOST = 60;

/**
 * Which page was in view for somebody who was there, second by second. It knows nothing of a browser, so that it can be tried with any
 * clock.
 */
export class Watch {
    private page = '';
    private signed: number;
    private counted: number;
    private scrolled = 0;
    private pieces: Seen[] = [];

    /** @param opened when the guide was opened, in milliseconds of the clock that all else is told by */
    constructor(private readonly opened: number) {
        this.signed = opened;
        this.counted = opened;
    }

    turn(page: string, now: number): void {
        this.page = page;
        this.scrolled = 0;
        this.counted = now;
        this.signed = now;
    }

    /** Somebody is there: they moved, scrolled, typed or touched. */
    sign(now: number): void {
        if (now - this.signed > QUIET) {
            // Between the end of the quiet and now nobody was.
            this.counted = now;
        }
        this.signed = now;
    }

    /** Time goes by. Nothing counts in a tab behind, after a minute without a sign, or while the machine sleeps. */
    tick(now: number, visible: boolean, scrolled: number): void {
        const until = Math.min(now, this.signed + QUIET);
        const slept = now - this.counted > 10_000;
        if (visible && !slept && this.page !== '' && until > this.counted) {
            this.scrolled = Math.max(this.scrolled, Math.round(scrolled));
            this.add(this.second(this.counted), this.second(until));
        }
        this.counted = now;
    }

    /** What has not been told yet; it is taken away. */
    take(): Seen[] {
        const taken = this.pieces.filter((p) => p[2] > p[1]);
        // The last one goes on where it is.
        this.pieces = [];
        return taken;
    }

    /** What could not be told comes back. */
    keep(pieces: Seen[]): void {
        this.pieces = [...pieces, ...this.pieces].slice(-MOST);
    }

    seconds(now: number): number {
        return this.second(now);
    }

    private add(from: number, until: number): void {
        const last = this.pieces.at(-1);
        if (last && last[0] === this.page && from <= last[2]) {
            last[2] = Math.max(last[2], until);
            last[3] = Math.max(last[3], this.scrolled);
        } else {
            this.pieces.push([this.page, from, until, this.scrolled]);
        }
    }

    private second(at: number): number {
        return Math.floor((at - this.opened) / 1000);
    }
}

/** How far down a page somebody has come, in percent: all of it where it fits the screen. */
function depth(leaf: HTMLElement): number {
    const box = leaf.getBoundingClientRect();
    return box.height <= 0 ? 0 : Math.max(0, Math.min(100, ((innerHeight - box.top) / box.height) * 100));
}

/** The same on a page of ours: it listens, and tells the server every now and then. */
export class Attention {
    private readonly watch = new Watch(performance.now());
    private readonly sitting = Array.from(crypto.getRandomValues(new Uint8Array(8)), (b) => b.toString(16).padStart(2, '0')).join('');
    private leaf: HTMLElement | null = null;
    private sent = -Infinity;

    constructor(
        private readonly reading: string,
        private readonly seal: string,
    ) {
        for (const sign of ['pointermove', 'pointerdown', 'scroll', 'keydown', 'touchmove'] as const) {
            addEventListener(sign, () => this.watch.sign(performance.now()), { passive: true });
        }
        setInterval(() => this.tick(), 1000);
        document.addEventListener('visibilitychange', () => {
            this.tick(document.visibilityState === 'hidden');
            this.tell(true);
        });
        addEventListener('pagehide', () => {
            this.tick();
            this.tell(true);
        });
        addEventListener('online', () => this.tell(false));
        // When this began is told at once: the server keeps its own clock.
        this.tell(false, true);
    }

    turn(page: string, leaf: HTMLElement): void {
        this.tick();
        this.leaf = leaf;
        this.watch.turn(page === 'locked' ? '' : page, performance.now());
    }

    private tick(left = false): void {
        const now = performance.now();
        this.watch.tick(now, left || document.visibilityState === 'visible', this.leaf ? depth(this.leaf) : 0);
        if (now - this.sent > EVERY) {
            this.tell(false);
        }
    }

    private tell(leaving: boolean, first = false): void {
        const now = performance.now();
        const seen = this.watch.take();
        this.sent = now;
        if (seen.length === 0 && !first) {
            return;
        }
        const body = new URLSearchParams({
            reading: this.reading,
            seal: this.seal,
            report: JSON.stringify({ sitting: this.sitting, open: this.watch.seconds(now), seen }),
        });
        if (leaving && navigator.sendBeacon('/m/read', body)) {
            return;
        }
        fetch('/m/read', { method: 'POST', body, keepalive: true })
            .then((answer) => {
                if (answer.status === 429 || answer.status >= 500) {
                    this.watch.keep(seen);
                }
            })
            .catch(() => this.watch.keep(seen));
    }
}
