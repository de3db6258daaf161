import type { Rate } from '@/api/types';
import { count, counted } from '@/ui/format';

/** Of how many a rate is told, so that it is whole people: of a hundred, or of a thousand where few do it. */
const base = (rate: Rate): number => ((rate.rate ?? 0) < 0.02 && (rate.high ?? 0) < 0.1 ? 1000 : 100);

/** "35 of a hundred", "4 of a thousand"; '' where nobody was there to count. */
export function ofHundred(rate: Rate): string {
    return rate.rate === null ? '' : `${count(Math.round(rate.rate * base(rate)))} of ${base(rate) === 100 ? 'a hundred' : 'a thousand'}`;
}

/** "between 31 and 38 of a hundred": where the true rate lies, nineteen times out of twenty. */
export function betweenWords(rate: Rate): string {
    if (rate.low === null || rate.high === null) {
        return '';
    }
    const of = base(rate);
    const [low, high] = [Math.floor(rate.low * of), Math.ceil(rate.high * of)];
    return `between ${count(low)} and ${count(high)} of ${of === 100 ? 'a hundred' : 'a thousand'}`;
}

/** "18 seconds", "3 minutes", "2 hours", "4 days" */
export function spanWords(seconds: number | null): string {
    if (seconds === null) {
        return '–';
    }
    const units: [number, string][] = [
        [86_400, 'day'],
        [3600, 'hour'],
        [60, 'minute'],
        [1, 'second'],
    ];
    const [size, name] = units.find(([size]) => seconds >= size * 1.5) ?? [1, 'second'];
    return counted(Math.round(seconds / size), name);
}

/** How a number stands beside that of the period before: "+12 %", "−3 %"; '' where there is nothing to hold it against. */
export function against(now: number, before: number): string {
    if (before === 0) {
        return '';
    }
    const change = Math.round((now / before - 1) * 100);
    return change === 0 ? 'as before' : `${change > 0 ? '+' : '−'}${count(Math.abs(change))} %`;
}

/** Did a rate truly change, as far as can be said? Only where the two intervals do not touch. */
export function trulyChanged(now: Rate, before: Rate): 'up' | 'down' | null {
    if (now.low === null || before.low === null) {
        return null;
    }
    return now.low > before.high! ? 'up' : now.high! < before.low ? 'down' : null;
}
