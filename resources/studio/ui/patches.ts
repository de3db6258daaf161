/** What differs between two states of a value, by path: what is kept of a change to take it back, instead of copies of the whole. */

type Path = (string | number)[];

/** A value at a path, or a run of entries in the list there, was `before` and is `after`. */
export type Patch = { path: Path; before: unknown; after: unknown } | { path: Path; at: number; removed: unknown[]; added: unknown[] };

type Holder = Record<string | number, unknown>;

export const copy = <T>(value: T): T => (value === undefined ? value : (JSON.parse(JSON.stringify(value)) as T));
export const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

const isHolder = (value: unknown): value is Holder => typeof value === 'object' && value !== null;

export function diff(before: unknown, after: unknown, path: Path = []): Patch[] {
    if (same(before, after)) {
        return [];
    }
    if (Array.isArray(before) && Array.isArray(after)) {
        return list(before, after, path);
    }
    if (isHolder(before) && isHolder(after) && !Array.isArray(before) && !Array.isArray(after)) {
        const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])];
        return keys.flatMap((key) => diff(before[key], after[key], [...path, key]));
    }
    return [{ path, before: copy(before), after: copy(after) }];
}

/** Entries at both ends that are the same stay; as many in between are compared one by one, others are exchanged. */
function list(before: unknown[], after: unknown[], path: Path): Patch[] {
    let start = 0;
    while (start < Math.min(before.length, after.length) && same(before[start], after[start])) {
        start++;
    }
    let end = 0;
    while (end < Math.min(before.length, after.length) - start && same(before.at(-1 - end), after.at(-1 - end))) {
        end++;
    }
    const removed = before.slice(start, before.length - end);
    const added = after.slice(start, after.length - end);
    return removed.length === added.length
        ? removed.flatMap((value, i) => diff(value, added[i], [...path, start + i]))
        : [{ path, at: start, removed: copy(removed), added: copy(added) }];
}

/** Carries patches out on a value, or takes them back. @returns the value as it is then; the one handed in is not touched */
export function patched<T>(value: T, patches: Patch[], back = false): T {
    const root: Holder = { root: copy(value) };
    for (const patch of back ? [...patches].reverse() : patches) {
        const path: Path = ['root', ...patch.path];
        const holder = path.slice(0, -1).reduce((at, key) => at[key] as Holder, root);
        const key = path.at(-1)!;
        if ('at' in patch) {
            const [gone, here] = back ? [patch.added, patch.removed] : [patch.removed, patch.added];
            (holder[key] as unknown[]).splice(patch.at, gone.length, ...copy(here));
        } else {
            const next = copy(back ? patch.before : patch.after);
            if (next === undefined) {
                Reflect.deleteProperty(holder, key);
            } else {
                holder[key] = next;
            }
        }
    }
    return root.root as T;
}

/** One after the other, as few as it takes: what is typed letter by letter in one place is one patch. */
export function joined(first: Patch[], then: Patch[]): Patch[] {
    const [last] = first.slice(-1);
    const [next] = then;
    return first.length === 1 && then.length === 1 && last && next && 'before' in last && 'before' in next && same(last.path, next.path)
        ? [{ path: last.path, before: last.before, after: next.after }]
        : [...first, ...then];
}
