/** What is undefined is gone from the written form. */
export function written<T extends object>(values: T): T {
    return Object.fromEntries(Object.entries(values).filter(([, v]) => v !== undefined)) as T;
}
