import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it } from 'vitest';
import { useSession } from '@/stores/session';
import { readMoney, showMoney, typedMoney } from '@/ui/money';

beforeEach(() => {
    setActivePinia(createPinia());
    Object.assign(useSession().kit, {
        currencies: [
            { code: 'EUR', name: 'Euro', decimals: 2 },
            { code: 'JPY', name: 'Yen', decimals: 0 },
            { code: 'KWD', name: 'Dinar', decimals: 3 },
        ],
    });
});

describe('amounts', () => {
    it.each([
        ['290', 'EUR', 29000],
        ['49,5', 'EUR', 4950],
        ['49.50', 'EUR', 4950],
        [' 0.05 ', 'EUR', 5],
        ['1.234', 'EUR', null],
        ['1,500', 'JPY', null],
        ['1500', 'JPY', 1500],
        ['1.234', 'KWD', 1234],
        ['-5', 'EUR', null],
        ['', 'EUR', null],
        ['five', 'EUR', null],
        ['99999999999', 'EUR', null],
    ])('reads “%s” in %s', (typed, currency, minor) => {
        expect(readMoney(typed, currency)).toBe(minor);
    });

    it.each([
        [29000, 'EUR', '290', '€290'],
        [4950, 'EUR', '49.50', '€49.50'],
        [1500, 'JPY', '1500', 'JP¥1,500'],
        [5, 'KWD', '0.005', 'KWD 0.005'],
    ])('shows %d of %s', (minor, currency, typed, shown) => {
        expect([typedMoney(minor, currency), showMoney(minor, currency).replace(/\u00a0/g, ' ')]).toEqual([typed, shown]);
        expect(readMoney(typed, currency)).toBe(minor);
    });
});
