/** The same without what is not set: undefined, and with `alsoEmpty` empty words too. */
export function compact<T extends object>(values: T, alsoEmpty = false): T {
    return Object.fromEntries(Object.entries(values).filter(([, v]) => v !== undefined && !(alsoEmpty && v === ''))) as T;
}
