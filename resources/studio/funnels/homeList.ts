import type { FunnelRow, FunnelSuccess } from '@/api/types';
import { counted, percent } from '@/ui/format';

export type HomeColumn = 'name' | 'state' | 'visitors' | 'count' | 'share' | 'lastActivity';
export interface HomeOrder {
    column: HomeColumn;
    down: boolean;
}

/** "173 sign-ups", "34 registrations", "18 sales". */
export function successWords(s: FunnelSuccess): string {
    const one = { signups: 'sign-up', registrations: 'registration', sales: 'sale' }[s.kind];
    return counted(s.count, one);
}

/** How well it went: "33.4 % of visitors", "62 % came", "€3,325"; '' where there is nothing to tell. */
export function shareWords(s: FunnelSuccess): string {
    if (s.kind === 'sales') {
        return s.revenue;
    }
    if (s.rate.rate === null) {
        return '';
    }
    return s.kind === 'signups' ? `${percent(s.rate.rate)} of visitors` : `${percent(s.rate.rate, 0)} came`;
}

const ORDER: Record<string, number> = { live: 0, draft: 1, closed: 2 };
/** Shares and sums of money stand each among their own. */
const share = (s: FunnelSuccess): [number, number] => (s.kind === 'sales' ? [1, s.minor] : [0, s.rate.rate ?? -1]);
const values: Record<HomeColumn, (f: FunnelRow) => (string | number)[]> = {
    name: (f) => [f.name.toLocaleLowerCase()],
    state: (f) => [ORDER[f.state] ?? 3, f.name.toLocaleLowerCase()],
    visitors: (f) => [f.visitors],
    count: (f) => [f.success.count],
    share: (f) => share(f.success),
    lastActivity: (f) => [f.lastActivity ?? ''],
};

function compare(a: (string | number)[], b: (string | number)[]): number {
    const at = a.findIndex((value, i) => value !== b[i]);
    const [x, y] = [a[at], b[at]];
    return at < 0 ? 0 : typeof x === 'string' && typeof y === 'string' ? x.localeCompare(y) : Number(x) - Number(y);
}

/** By a column; what is the same there stays in the order it came in. */
export function sorted(funnels: FunnelRow[], order: HomeOrder | null): FunnelRow[] {
    if (order === null) {
        return funnels;
    }
    const by = values[order.column];
    return [...funnels].sort((a, b) => (order.down ? -1 : 1) * compare(by(a), by(b)));
}

export interface HomeGroup {
    label: string;
    funnels: FunnelRow[];
}

/** By their labels, those without any last; a funnel with several stands under each. */
export function grouped(funnels: FunnelRow[]): HomeGroup[] {
    const labels = [...new Set(funnels.flatMap((f) => f.labels))].sort((a, b) => a.localeCompare(b));
    const groups = labels.map((label) => ({ label, funnels: funnels.filter((f) => f.labels.includes(label)) }));
    const rest = funnels.filter((f) => f.labels.length === 0);
    return rest.length > 0 ? [...groups, { label: '', funnels: rest }] : groups;
}

/** A press on a heading: numbers begin with the most, words with the first; then the other way round. */
export function nextOrder(order: HomeOrder | null, column: HomeColumn): HomeOrder {
    return { column, down: order?.column === column ? !order.down : !['name', 'state'].includes(column) };
}
