export type Interval = [number, number];

/**
 * Which seconds were really played since the last report. A position is told again and again; only what passed at the pace of a
 * clock counts: not a jump, and not the time for which a sleeping device told nothing.
 */
export class Played {
    private intervals: Interval[] = [];
    private last: { position: number; at: number } | null = null;

    /** The position in seconds, at a moment in milliseconds. */
    tell(position: number, at: number): void {
        const before = this.last;
        this.last = { position, at };
        if (!before) {
            return;
        }
        const moved = position - before.position;
        const passed = (at - before.at) / 1000;
        if (moved > 0 && passed <= 5 && moved <= passed * 2 + 1) {
            this.add(before.position, position);
        }
    }

    /** It stands still, or jumps: what comes next begins anew. */
    stop(): void {
        this.last = null;
    }

    /** Whole seconds, merged; what is taken is gone unless it is given back. */
    take(): Interval[] {
        const taken = this.intervals.map(([a, b]): Interval => [Math.floor(a), Math.ceil(b)]);
        this.intervals = [];
        return taken;
    }

    /** A report that did not arrive is told again with the next. */
    back(intervals: Interval[]): void {
        intervals.forEach(([a, b]) => this.add(a, b));
    }

    private add(from: number, until: number): void {
        const merged: Interval[] = [];
        let [a, b]: Interval = [from, until];
        for (const [c, d] of this.intervals) {
            if (d < a - 0.01 || c > b + 0.01) {
                merged.push([c, d]);
            } else {
                [a, b] = [Math.min(a, c), Math.max(b, d)];
            }
        }
        this.intervals = [...merged, [a, b] as Interval].sort((x, y) => x[0] - y[0]);
    }
}
