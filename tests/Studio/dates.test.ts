import { useSession } from '@/stores/session';
import DateField from '@/ui/DateField.vue';
import { calendarDay, count, dateTime, longAt, percent, sampleOf, shortAt, timeAt } from '@/ui/format';
import { languageName, nearestLocale } from '@/ui/languages';
import { showMoney } from '@/ui/money';
import TimeField from '@/ui/TimeField.vue';
import { dayOf, momentOf, storedDay, storedMoment, storedTime, timeOf, todayIn } from '@/ui/wallClock';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { nextTick } from 'vue';
import { mount } from './mount';

const ownedIn = (locale: string) => {
    const session = useSession();
    session.session = { ...session.session, signedIn: true, business: { locale, timezone: 'Europe/Berlin' } as never };
};

describe('days and moments as they are stored', () => {
    it.each([
        ['2027-03-31', '2027-03-31', '2027-03-31T00:00'],
        ['2027-03-31T18:05', '2027-03-31', '2027-03-31T18:05'],
        ['2027-03-28T02:30', '2027-03-28', '2027-03-28T02:30'], // an hour that Berlin's clocks leave out, whatever the browser's do
        ['2028-02-29T00:00:59', '2028-02-29', '2028-02-29T00:00'],
        ['0044-03-15', '0044-03-15', '0044-03-15T00:00'],
        ['2027-02-29', '', ''],
        ['tomorrow', '', ''],
        ['', '', ''],
    ])('reads %s', (words, day, moment) => {
        expect([storedDay(dayOf(words)), storedMoment(momentOf(words))]).toEqual([day, moment]);
    });
    it.each([
        ['18:00', '18:00'],
        ['07:05:30', '07:05'],
        ['25:00', ''],
        ['six', ''],
    ])('reads the time %s', (words, stored) => {
        expect(storedTime(timeOf(words))).toBe(stored);
    });
    it('knows which day it is somewhere', () => {
        const now = new Date('2026-12-31T23:30:00Z');
        expect([todayIn('Europe/Berlin', now), todayIn('America/New_York', now)].map(String)).toEqual(['2027-01-01', '2026-12-31']);
    });
});

describe('the owner’s way to write', () => {
    beforeEach(() => setActivePinia(createPinia()));
    it('tells a moment by the clock of somebody elsewhere', () => {
        ownedIn('en-GB');
        const at = '2027-04-17T18:30:00Z';
        const bare = (words: string) => words.replaceAll(',', '');
        expect([timeAt, shortAt, longAt].map((how) => bare(how(at, 'Pacific/Auckland')))).toEqual([
            '06:30',
            'Sun 18 Apr 06:30',
            'Sunday 18 April 2027 at 06:30',
        ]);
        ownedIn('de-DE');
        expect(timeAt(at, 'America/New_York')).toBe('14:30');
    });
    it.each([
        ['en-GB', '31 Dec 2026, 18:00', '1,234,567', '12.5 %', '€1,290', '31 Mar'],
        ['en-US', 'Dec 31, 2026, 06:00 PM', '1,234,567', '12.5 %', '€1,290', 'Mar 31'],
        ['de-DE', '31. Dez. 2026, 18:00', '1.234.567', '12,5 %', '1.290 €', '31. März'],
        // Its own calendar and digits are not what one types here.
        ['fa-IR', '۲۰۲۶', '', '', '', ''],
    ])('is that of %s', (locale, moment, number, share, money, day) => {
        ownedIn(locale);
        const plain = (words: string) => words.replace(/[\u00a0\u202f]/g, ' ');
        if (locale === 'fa-IR') {
            expect(dateTime('2026-12-31T17:00:00Z')).toContain('2026');
            expect(dateTime('2026-12-31T17:00:00Z')).not.toContain(moment);
            return;
        }
        expect(
            [dateTime('2026-12-31T17:00:00Z'), count(1_234_567), percent(0.125), showMoney(129_000, 'EUR'), calendarDay('2027-03-31')].map(
                plain,
            ),
        ).toEqual([moment, number, share, money, day]);
    });
    it('is shown where it is chosen, and proposed from the browser', () => {
        expect(sampleOf('de-DE')).toBe('31. Dez. 2026, 18:00 · 1.234,50');
        const known = ['de-DE', 'de-AT', 'en-GB', 'en-US', 'pt-BR'];
        expect(nearestLocale(['de-AT', 'en'], known)).toBe('de-AT');
        expect(nearestLocale(['tlh', 'de'], known)).toBe('de-DE');
        expect(nearestLocale(['en'], known)).toBe('en-US');
        expect(nearestLocale([], known)).toBe('en-GB');
    });
    it('names languages, and leaves what is none as it is', () => {
        expect([languageName('de'), languageName('pt-BR'), languageName('not a tag')]).toEqual([
            'German',
            'Portuguese (Brazil)',
            'not a tag',
        ]);
    });
});

describe('a field for a day and a time', () => {
    let m: ReturnType<typeof mount<string>>;
    const part = (name: string) =>
        m.host.querySelector<HTMLElement>(`[data-reka-date-field-segment=${name}], [data-reka-time-field-segment=${name}]`)!;
    const shown = () =>
        m.host
            .querySelector('[role=group]')!
            .textContent!.replace(/[\u200e\u2066-\u2069]/g, '')
            .trim();
    const key = async (name: string, pressed: string) => {
        part(name).focus();
        part(name).dispatchEvent(new KeyboardEvent('keydown', { key: pressed, bubbles: true, cancelable: true }));
        await nextTick();
    };
    const leave = async () => {
        m.host
            .querySelector('[role=spinbutton]')!
            .dispatchEvent(new FocusEvent('focusout', { bubbles: true, relatedTarget: document.body }));
        await nextTick();
    };
    const on = async (component: object, props: Record<string, unknown>, locale = 'en-GB') => {
        m = mount(component as never, props);
        ownedIn(locale);
        await m.show();
    };
    afterEach(() => m.end());

    it.each([
        ['en-GB', '31/03/2027, 18:00'],
        ['en-US', '3/31/2027, 6:00 PM'],
        ['de-DE', '31.3.2027, 18:00'],
    ])('shows it as in %s', async (locale, words) => {
        await on(DateField, { modelValue: '2027-03-31T18:00', time: true, label: 'Closes' }, locale);
        expect(shown().replace(/[\u00a0\u202f]/g, ' ')).toBe(words);
    });
    it('is taken over once it is left, not with each key', async () => {
        await on(DateField, { modelValue: '2027-03-31T18:00', time: true, label: 'Closes' });
        await key('day', 'ArrowDown');
        await key('minute', '4');
        await key('minute', '5');
        expect(m.emitted.modelValue).toBeUndefined();
        await leave();
        expect(m.emitted.modelValue).toEqual(['2027-03-30T18:45']);
    });
    it('can be emptied, unless it is needed', async () => {
        await on(DateField, { modelValue: '2027-03-31', label: 'Until' });
        await m.press('Clear: Until');
        expect(m.emitted.modelValue).toEqual(['']);
        m.end();
        await on(DateField, { modelValue: '2027-03-31', label: 'Until', required: true });
        expect(m.buttons()).toEqual(['Calendar: Until']);
        await key('day', 'Backspace');
        await key('day', 'Backspace');
        await leave();
        expect(m.emitted.modelValue).toBeUndefined();
        expect(shown()).toBe('31/03/2027');
    });
    it('half of a day is none, and does not empty it', async () => {
        await on(DateField, { modelValue: '2027-03-31', label: 'Until' });
        await key('month', 'Backspace');
        await key('month', 'Backspace');
        expect(shown()).toBe('31/mm/2027');
        await leave();
        expect([m.emitted.modelValue, shown()]).toEqual([undefined, '31/03/2027']);
    });
    it('follows what is changed elsewhere', async () => {
        await on(DateField, { modelValue: '2027-03-31', label: 'Until' });
        await m.set({ modelValue: '2027-04-01' });
        expect(shown()).toBe('01/04/2027');
        await m.set({ modelValue: '' });
        expect(shown()).toMatch(/^dd/);
    });
    it('takes a time of the day by itself', async () => {
        await on(TimeField, { modelValue: '18:00', label: 'Until', required: true }, 'en-US');
        expect(shown().replace(/[\u00a0\u202f]/g, ' ')).toBe('6:00 PM');
        await key('hour', '7');
        await leave();
        expect(m.last()).toBe('19:00');
    });
});
