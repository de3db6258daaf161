import type { Funnel, Page, PageOutcome } from '@/api/types';

/** Where a page stands: in which column, and in the row of the main way (0) or in one below it. */
export interface Place {
    page: Page;
    column: number;
    row: number;
    /** By whose outcome visitors come here, of those that can be said of the place; null where no way leads here. */
    from: { page: Page; outcome: PageOutcome } | null;
}

/** What is drawn of one outcome of a page. */
export interface Lead {
    page: Page;
    outcome: PageOutcome;
    to: Page | null;
    url: string | null;
    /** What the guide is called that it leads to. */
    guide?: string;
    /**
     * How it is drawn: as the arrow to the next page of the row, as the drop to a page that hangs below, or as a tag at the card for
     * whatever is elsewhere: another page, an outside address, or nowhere yet although it must lead somewhere.
     */
    as: 'arrow' | 'drop' | 'page' | 'outside' | 'nowhere';
}

/** What people do who go on; what happens to others leads aside. */
const ASIDE = ['declined', 'missed', 'time-ran-out'];

const outcomeOf = (page: Page, outcome: string): PageOutcome | undefined => page.outcomes.find((o) => o.outcome === outcome);

/** The pages in columns and rows: the main way first, what else may happen below the page from which it does. */
export class Places {
    readonly list: Place[] = [];
    /** How many columns and rows there are. */
    columns = 0;
    rows = 0;
    private readonly at = new Map<string, Place>();

    constructor(private readonly funnel: Pick<Funnel, 'pages' | 'ways'> & Partial<Pick<Funnel, 'guides'>>) {
        const pages = funnel.pages;
        const first = pages.find((p) => p.role !== 'closed') ?? pages[0];
        if (!first) {
            return;
        }
        this.chain(first).forEach((page, i) => this.put(page, i, 0, i === 0 ? null : this.between(this.inRow(0).at(-1)!.page, page)));
        for (let next = this.next(); next; next = this.next()) {
            this.hang(next);
        }
    }

    of(page: string | null | undefined): Place | undefined {
        return page ? this.at.get(page) : undefined;
    }

    inRow(row: number): Place[] {
        return this.list.filter((p) => p.row === row).sort((a, b) => a.column - b.column);
    }

    /** The page of the main way in a column. */
    main(column: number): Place | undefined {
        return this.list.find((p) => p.row === 0 && p.column === column);
    }

    /** Every outcome that leads somewhere, or must; each is drawn in one way. */
    leads(): Lead[] {
        return this.list.flatMap(({ page }) =>
            page.outcomes.flatMap((outcome): Lead[] => {
                const way = this.funnel.ways.find((w) => w.page === page.id && w.outcome === outcome.outcome);
                const to = this.of(way?.toPage)?.page ?? null;
                const lead = { page, outcome, to, url: way?.toUrl ?? null };
                const guide = this.funnel.guides?.find((g) => g.id === way?.toPage)?.name;
                if (guide) {
                    return [{ ...lead, guide, as: 'page' }];
                }
                if (!to) {
                    return way?.toUrl ? [{ ...lead, as: 'outside' }] : outcome.must ? [{ ...lead, as: 'nowhere' }] : [];
                }
                return [{ ...lead, as: this.shape(page, outcome, to) }];
            }),
        );
    }

    private shape(page: Page, outcome: PageOutcome, to: Page): Lead['as'] {
        const [a, b] = [this.of(page.id)!, this.of(to.id)!];
        if (b.from?.page.id !== page.id || b.from.outcome.outcome !== outcome.outcome) {
            return 'page';
        }
        return b.row === a.row ? 'arrow' : this.isBelow(b) ? 'drop' : 'page';
    }

    /** Does it hang right below the page it comes from, so that the drop says it all? */
    isBelow(place: Place): boolean {
        const from = this.of(place.from?.page.id);
        return from !== undefined && place.column === from.column && place.row === from.row + 1;
    }

    /** A page and those that follow it for whoever goes on, as far as they have no place yet. */
    private chain(first: Page): Page[] {
        const chain = [first];
        for (;;) {
            const page = chain.at(-1)!;
            const onward = page.outcomes.filter((o) => !ASIDE.includes(o.outcome)).map((o) => this.target(page, o.outcome));
            const next = onward.find((p) => p && p.role !== 'closed' && !this.at.has(p.id) && !chain.includes(p));
            if (!next) {
                return chain;
            }
            chain.push(next);
        }
    }

    private target(page: Page, outcome: string): Page | undefined {
        const way = this.funnel.ways.find((w) => w.page === page.id && w.outcome === outcome);
        return this.funnel.pages.find((p) => p.id === way?.toPage);
    }

    private between(from: Page, to: Page): Place['from'] {
        const way = this.funnel.ways
            .filter((w) => w.page === from.id && w.toPage === to.id)
            .sort(
                (a, b) => from.outcomes.findIndex((o) => o.outcome === a.outcome) - from.outcomes.findIndex((o) => o.outcome === b.outcome),
            )
            .find((w) => outcomeOf(from, w.outcome));
        return way ? { page: from, outcome: outcomeOf(from, way.outcome)! } : null;
    }

    /** What is placed next: whatever is reached from a page that has its place; then what no way leads to; the page for closing last. */
    private next(): Page | undefined {
        const open = this.funnel.pages.filter((p) => !this.at.has(p.id));
        const usual = open.filter((p) => p.role !== 'closed');
        return usual.find((p) => this.parents(p).length > 0) ?? usual[0] ?? open[0];
    }

    private parents(page: Page): Place[] {
        return this.list.filter((place) => this.between(place.page, page)).sort((a, b) => a.row - b.row || a.column - b.column);
    }

    private hang(page: Page): void {
        const chain = this.chain(page);
        const twin = this.list.find((p) => p.row === 0 && p.page.role === page.role);
        const before = this.of(this.funnel.pages[this.funnel.pages.indexOf(page) - 1]?.id);
        if (page.role === 'closed') {
            this.below(chain, 0, null, 1);
            return;
        }
        const parents = this.parents(page);
        // Beside the page it stands in for, else where the session is, else where it comes from first.
        const parent = parents.find((p) => p.page.role === page.role) ?? parents.find((p) => p.page.role === 'room') ?? parents[0] ?? null;
        if (parent) {
            this.below(chain, parent.column, this.between(parent.page, page), parent.row + 1);
        } else if (twin) {
            this.below(chain, twin.column, null, 1);
        } else if (before && before.row === 0 && before.column < this.columns - 1) {
            // Nothing leads here: below the page after which it was put.
            this.below(chain, before.column, null, 1);
        } else {
            // What comes after all others goes on in the main row, without an arrow.
            const begin = this.columns;
            chain.forEach((p, i) => this.put(p, begin + i, 0, i === 0 ? null : this.between(chain[i - 1]!, p)));
        }
    }

    /** Puts a chain into the first row below in which there is room for all of it. */
    private below(chain: Page[], column: number, from: Place['from'], least: number): void {
        const isTaken = (row: number) => this.list.some((p) => p.row === row && p.column >= column && p.column < column + chain.length);
        let row = least;
        while (isTaken(row)) {
            row++;
        }
        chain.forEach((p, i) => this.put(p, column + i, row, i === 0 ? from : this.between(chain[i - 1]!, p)));
    }

    private put(page: Page, column: number, row: number, from: Place['from']): void {
        const place = { page, column, row, from };
        this.list.push(place);
        this.at.set(page.id, place);
        this.columns = Math.max(this.columns, column + 1);
        this.rows = Math.max(this.rows, row + 1);
    }
}
