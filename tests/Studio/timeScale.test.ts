import { describe, expect, it } from 'vitest';
import type { Deadline, DeadlineMoment, Email, Page } from '../../resources/studio/api/types';
import { emailAt, moments, momentWords, sharesForEveryone, spanOf } from '../../resources/studio/funnel/timeScale';

const deadline = (more: Partial<Deadline> = {}) =>
    ({ id: 'd', duration: { days: 3 }, length: 4320, startsAt: 10_080, ...more }) as unknown as Deadline;
const email = (by: DeadlineMoment | null, offset = 0) =>
    ({ id: 'e', timing: by ? { from: 'deadline', ...by } : { from: 'joining' }, offset }) as unknown as Email;

describe('the time scale of a funnel', () => {
    it('places an email by its delay, or by the deadline it is told from', () => {
        expect(emailAt(email(null, 1440), [])).toBe(1440);
        expect(emailAt(email({ deadline: 'd', edge: 'end', days: -1 }), [deadline()])).toBe(10_080 + 4320 - 1440);
        expect(emailAt(email({ deadline: 'd', edge: 'start', minutes: 30 }), [deadline()])).toBe(10_110);
        expect(emailAt(email({ deadline: 'd', edge: 'end', days: -9 }), [deadline()])).toBe(10_080);
        expect(emailAt(email({ deadline: 'd', edge: 'end' }), [deadline({ startsAt: null })])).toBeNull();
        expect(emailAt(email({ deadline: 'gone', edge: 'end' }), [deadline()])).toBeNull();
    });

    it('knows the span of a deadline only where its start is known', () => {
        expect(spanOf(deadline())).toEqual({ from: 10_080, to: 14_400 });
        expect(spanOf(deadline({ startsAt: null }))).toBeNull();
        expect(spanOf(deadline({ duration: null }))).toBeNull();
    });

    it('has a place for each moment once, in order', () => {
        const funnel = { emails: [email(null, 1440), email(null, 0)], deadlines: [deadline()], pages: [{}, {}] as Page[] };
        expect(moments(funnel)).toEqual([1440, 10_080, 14_400]);
    });

    it('draws moments for everyone as long as they are beside each other, from the opening', () => {
        const until = (id: string, moment: string) => deadline({ id, duration: null, latest: { moment, zone: 'UTC' } });
        const funnel = {
            deadlines: [until('early', '2027-01-27T18:00'), until('doors', '2027-02-01T18:00'), deadline()],
            times: { opens: { moment: '2027-01-25T18:00', zone: 'UTC' } },
        };
        const shares = (now: string) => [...sharesForEveryone(funnel, new Date(now))];
        expect(shares('2027-01-01T00:00')).toEqual([
            ['early', 2 / 7],
            ['doors', 1],
        ]);
        expect(shares('2027-01-30T18:00')).toEqual([
            ['early', 0],
            ['doors', 1],
        ]);
        expect([...sharesForEveryone({ deadlines: [], times: {} }, new Date())]).toEqual([]);
    });

    it.each([
        [0, 'at once'],
        [90, '90 min later'],
        [120, '2 hours later'],
        [60, '1 hour later'],
        [4320, 'Day 3'],
        [4500, 'Day 3, 3 h later'],
    ])('calls %i minutes “%s”', (minutes, words) => expect(momentWords(minutes)).toBe(words));
});
