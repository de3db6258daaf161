import { leftWords } from './left';

/**
 * Countdowns that are true by the server's clock, whatever the visitor's says, and the last warning before an end. What is
 * drawn has the right figures and the moment in words; this keeps them right.
 */
const UNITS = { day: 86400, hour: 3600, minute: 60, second: 1 } as const;
type Unit = keyof typeof UNITS;
type Forms = Partial<Record<Intl.LDMLPluralRule, string>>;

/** The figures of what is left, in seconds, by unit. Where seconds are not shown, what has begun counts. */
export function figures(left: number, units: Unit[]): number[] {
    const smallest = UNITS[units[units.length - 1] ?? 'second'];
    let rest = Math.ceil(left / smallest) * smallest;
    return units.map((unit) => {
        const n = Math.floor(rest / UNITS[unit]);
        rest -= n * UNITS[unit];
        return n;
    });
}

/** How far the server's clock is ahead of the visitor's, in milliseconds: measured, or else as the page was sent. */
export class ServerClock {
    private ahead: number;
    /** How surely it is known: half of the time that asking took. */
    private within = Infinity;
    private seen = Date.now();
    private ran = performance.now();

    constructor(sent: number) {
        // A page that was on its way for a while shows a little more than is left, until the clock has been asked for.
        this.ahead = sent - Date.now();
    }

    now(): number {
        return Date.now() + this.ahead;
    }

    /** Was the visitor's clock set, or did the machine sleep, since this was asked last? */
    jumped(): boolean {
        const wall = Date.now() - this.seen;
        const run = performance.now() - this.ran;
        this.seen += wall;
        this.ran += run;
        const off = Math.abs(wall - run) > 1500;
        if (off) {
            this.within = Infinity;
        }
        return off;
    }

    async ask(): Promise<void> {
        try {
            const asked = performance.now();
            const answer = await fetch('/m/now', { cache: 'no-store' });
            const server = Number(await answer.text());
            const took = performance.now() - asked;
            if (answer.ok && Number.isFinite(server) && server > 0 && took / 2 < this.within) {
                this.within = took / 2;
                this.ahead = server + took / 2 - Date.now();
            }
        } catch {
            // Without an answer the moment at which the page was sent has to do.
        }
    }
}

class Countdown {
    readonly until: number;
    private readonly from: number;
    private readonly units: Unit[];
    private readonly forms: Record<Unit, Forms>;
    private readonly plural: Intl.PluralRules;
    private readonly language: string;
    private said = '';

    constructor(private readonly root: HTMLElement) {
        this.until = Number(root.dataset.until);
        this.from = Number(root.dataset.from);
        this.units = (root.dataset.units ?? '').split(' ').filter((u): u is Unit => u in UNITS);
        this.forms = JSON.parse(root.dataset.forms ?? '{}') as Record<Unit, Forms>;
        this.language = known(root.dataset.lang ?? 'en');
        this.plural = new Intl.PluralRules(this.language);
    }

    get leadsOn(): boolean {
        return this.root.dataset.then === 'lead';
    }

    private label(unit: Unit, n: number): string {
        const forms = this.forms[unit] ?? {};
        return forms[this.plural.select(n)] ?? forms.other ?? unit;
    }

    show(now: number): void {
        const left = Math.max(0, Math.ceil((this.until - now) / 1000));
        this.root.classList.toggle('is-over', left === 0);
        figures(left, this.units).forEach((n, i) => {
            const unit = this.units[i]!;
            const place = this.root.querySelector(`[data-unit=${unit}]`);
            const whole = { day: 30, hour: 24, minute: 60, second: 60 }[unit];
            set(place?.querySelector('b'), String(n).padStart(unit === 'day' && i === 0 ? 1 : 2, '0'));
            set(place?.querySelector('i'), this.label(unit, n));
            place?.querySelector('.arc')?.setAttribute('stroke-dasharray', `${Math.min(100, (n / whole) * 100).toFixed(1)} 100`);
        });
        const line = this.root.querySelector<HTMLElement>('[data-share]');
        if (line) {
            line.style.inlineSize = `${Math.max(0, Math.min(1, (this.until - now) / (this.until - this.from))) * 100}%`;
        }
        // For those who have it read to them: by the minute, and never on its own.
        const spoken = leftWords(left > 60 ? Math.ceil(left / 60) * 60 : left, this.language);
        if (spoken !== this.said && (left > 60 || left % 10 === 0)) {
            this.said = spoken;
            set(this.root.querySelector('[data-left]'), spoken);
        }
    }
}

/** A language that a browser can read; English for what is none. */
function known(language: string): string {
    try {
        return Intl.getCanonicalLocales(language)[0] ?? 'en';
    } catch {
        return 'en';
    }
}

function set(place: Element | null | undefined, text: string): void {
    if (place && place.textContent !== text) {
        place.textContent = text;
    }
}

/** Something that was kept in this browser; it may keep nothing. */
function kept(key: string, value?: string): string | null {
    try {
        if (value !== undefined) {
            localStorage.setItem(key, value);
        }
        return localStorage.getItem(key);
    } catch {
        return null;
    }
}

/** Shown once for each end, when it is near, until it is closed. */
function warn(warning: HTMLElement, now: number): void {
    const until = Number(warning.dataset.until);
    const left = until - now;
    const key = `lantern-warned-${warning.dataset.key}-${until}`;
    if (left <= 0) {
        warning.hidden = true;
    } else if (warning.hidden && left <= Number(warning.dataset.minutes) * 60000 && kept(key) === null) {
        warning.hidden = false;
        kept(key, '1');
        warning.querySelector('button')?.addEventListener('click', () => (warning.hidden = true), { once: true });
    }
}

/** Is somebody in the middle of filling something in? Then nothing is taken away under their hands. */
const isTyping = (): boolean => document.documentElement.dataset.typed === 'yes';

/** Countdowns in something that came after the page. They lead nowhere at their end. */
export function count(root: ParentNode): () => void {
    const countdowns = [...root.querySelectorAll<HTMLElement>('.countdown[data-until]')];
    const sent = Number(countdowns[0]?.dataset.now);
    if (!Number.isFinite(sent)) {
        return () => undefined;
    }
    const clock = new ServerClock(sent);
    const counted = countdowns.map((c) => new Countdown(c));
    const tick = () => counted.forEach((c) => c.show(clock.now()));
    tick();
    const timer = setInterval(tick, 500);
    return () => clearInterval(timer);
}

/** All that counts on a page of ours. */
export function start(): void {
    const countdowns = [...document.querySelectorAll<HTMLElement>('.countdown[data-until]')].map((root) => new Countdown(root));
    const warnings = [...document.querySelectorAll<HTMLElement>('.last-warning[data-until]')];
    const ends = [...document.querySelectorAll<HTMLElement>('[data-until][data-now]')];
    if (ends.length === 0) {
        return;
    }
    const clock = new ServerClock(Number(ends[0]!.dataset.now));
    const leading = ends.filter((e) => e.dataset.then === 'lead').map((e) => Number(e.dataset.until));
    let led = false;
    document.addEventListener('input', () => (document.documentElement.dataset.typed = 'yes'));

    function tick(): void {
        if (clock.jumped()) {
            void clock.ask();
        }
        const now = clock.now();
        countdowns.forEach((c) => c.show(now));
        warnings.forEach((w) => warn(w, now));
        if (!led && leading.length > 0 && now >= Math.min(...leading) + 300 && !isTyping()) {
            led = true;
            // Not all at the same moment: thousands may end in one second. The server says where to.
            setTimeout(() => location.reload(), Math.random() * 1500);
        }
    }
    // A page that was over when it came says so, and stays.
    if (leading.some((until) => until <= Number(ends[0]!.dataset.now))) {
        led = true;
    }
    void clock.ask().then(tick);
    tick();
    setInterval(tick, 500);
    for (const event of ['visibilitychange', 'focus', 'online'] as const) {
        (event === 'visibilitychange' ? document : window).addEventListener(event, () => void clock.ask().then(tick));
    }
    addEventListener('pageshow', (event) => {
        // By the back button, as it was when it was left: the server says what is here now.
        if (event.persisted && !isTyping()) {
            location.reload();
        }
    });
}
