/** Seconds as minutes and seconds, such as 40:00; with hours from one on. */
export function minutesOf(seconds: number): string {
    const [h, m, s] = [Math.floor(seconds / 3600), Math.floor((seconds % 3600) / 60), seconds % 60];
    const two = (n: number) => String(n).padStart(2, '0');
    return h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`;
}

/** What somebody typed, such as 40, 40:00 or 1:10:00; null for what is no such moment. */
export function secondsOf(typed: string): number | null {
    const parts = typed.trim().split(':');
    if (parts.length > 3 || !parts.every((p) => /^\d{1,3}$/.test(p))) {
        return null;
    }
    const numbers = parts.map(Number);
    if (numbers.slice(1).some((n) => n > 59)) {
        return null;
    }
    const seconds = numbers.length === 1 ? numbers[0]! * 60 : numbers.reduce((sum, n) => sum * 60 + n, 0);
    return seconds <= 43_200 ? seconds : null;
}
