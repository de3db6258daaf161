/** One field: quoted where it must be, and never read as a formula by a spreadsheet. */
function field(value: string | number | null): string {
    if (typeof value === 'number') {
        return String(value);
    }
    const text = value ?? '';
    const safe = /^[=+\-@\t\r]/.test(text) ? `'${text}` : text;
    return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
}

/** A link that holds a table as CSV, in UTF-8. */
export function csvLink(head: string[], rows: (string | number | null)[][]): string {
    const text = [head, ...rows].map((row) => row.map(field).join(',')).join('\r\n');
    return `data:text/csv;charset=utf-8,${encodeURIComponent(text)}`;
}
