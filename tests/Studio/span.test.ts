import { describe, expect, it } from 'vitest';
import { mostOf, spanAmount, spanOf, spanSide, spanUnit, type Span } from '../../resources/studio/ui/span';

describe('so long before or after', () => {
    it.each<[Span, boolean, string, number, string]>([
        [{}, true, 'minutes', 0, 'at'],
        [{ minutes: 30 }, true, 'minutes', 30, 'after'],
        [{ minutes: -90 }, false, 'minutes', 90, 'before'],
        [{ minutes: 120 }, false, 'hours', 2, 'after'],
        [{ minutes: -1440 }, false, 'days', 1, 'before'],
        [{ minutes: -1440 }, true, 'hours', 24, 'before'],
        [{ days: -3 }, true, 'days', 3, 'before'],
        [{ days: 0, minutes: 5 }, true, 'minutes', 5, 'after'],
    ])('%o is told in its largest whole unit', (span, calendar, unit, amount, side) => {
        expect([spanUnit(span, calendar), spanAmount(span, calendar), spanSide(span)]).toEqual([unit, amount, side]);
        expect(spanOf(amount, spanUnit(span, calendar), spanSide(span), calendar)).toEqual(
            Object.fromEntries(Object.entries(span).filter(([, n]) => n !== 0)),
        );
    });

    it('has no size at the moment itself, and fits into its bounds', () => {
        expect(spanOf(7, 'days', 'at', true)).toEqual({});
        const most = { minutes: 43_200, days: 365 };
        expect([
            mostOf('minutes', most, true),
            mostOf('hours', most, true),
            mostOf('days', most, true),
            mostOf('days', most, false),
        ]).toEqual([43_200, 720, 365, 30]);
    });
});
