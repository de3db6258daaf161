import { describe, expect, it } from 'vitest';
import { timingKey } from '@/funnel/desk/experiment/timings';

describe('two moments', () => {
    it.each([
        [{ from: 'joining', days: 1, hour: 9 } as const, { hour: 9, days: 1, from: 'joining' } as const, true],
        [{ from: 'joining' } as const, { from: 'joining', minutes: 0 } as const, true],
        [{ from: 'joining', days: 1 } as const, { from: 'joining', minutes: 1 } as const, false],
        [{ from: 'joining', days: 1, hour: 9 } as const, { from: 'joining', days: 1 } as const, false],
        [
            { from: 'deadline', deadline: 'd', edge: 'end', days: -1 } as const,
            { from: 'deadline', deadline: 'd', edge: 'start', days: -1 } as const,
            false,
        ],
    ])('%o and %o', (one, other, same) => {
        expect(timingKey(one) === timingKey(other)).toBe(same);
    });
});
