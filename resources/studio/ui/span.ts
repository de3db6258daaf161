/** So long, before or after something: elapsed minutes, or calendar days. Below 0 is before. */
export interface Span {
    minutes?: number;
    days?: number;
}

export type SpanUnit = 'minutes' | 'hours' | 'days';
export type SpanSide = 'before' | 'at' | 'after';

/**
 * How it is told: in whole days or hours where it is such, else in minutes.
 *
 * @param calendar are days those of the calendar? Then 24 hours are hours, since a day may have 23 or 25 of them.
 */
export function spanUnit(span: Span, calendar: boolean): SpanUnit {
    const minutes = Math.abs(span.minutes ?? 0);
    if (span.days || (!calendar && minutes > 0 && minutes % 1440 === 0)) {
        return 'days';
    }
    return minutes > 0 && minutes % 60 === 0 ? 'hours' : 'minutes';
}

const MINUTES: Record<SpanUnit, number> = { minutes: 1, hours: 60, days: 1440 };

/** How many of its units; never below 0. */
export function spanAmount(span: Span, calendar: boolean): number {
    return Math.abs(span.days || (span.minutes ?? 0) / MINUTES[spanUnit(span, calendar)]);
}

export function spanSide(span: Span): SpanSide {
    const size = (span.days ?? 0) + (span.minutes ?? 0);
    return size === 0 ? 'at' : size < 0 ? 'before' : 'after';
}

/** @param calendar are days those of the calendar? Otherwise they are 24 hours each. */
export function spanOf(amount: number, unit: SpanUnit, side: SpanSide, calendar: boolean): Span {
    const size = side === 'at' ? 0 : side === 'before' ? -amount : amount;
    if (size === 0) {
        return {};
    }
    return unit === 'days' && calendar ? { days: size } : { minutes: size * MINUTES[unit] };
}

/** The most of a unit that fits into so many minutes, or so many calendar days. */
export function mostOf(unit: SpanUnit, most: Required<Span>, calendar: boolean): number {
    return unit === 'days' && calendar ? most.days : Math.floor(most.minutes / MINUTES[unit]);
}
