import { useSession } from '@/stores/session';
import { money } from '@/ui/format';

const decimalsOf = (currency: string): number => useSession().kit.currencies.find((c) => c.code === currency)?.decimals ?? 2;

/** An amount in smallest units as somebody types it: "290", "49.50". */
export function typedMoney(minor: number, currency: string): string {
    const decimals = decimalsOf(currency);
    return (minor / 10 ** decimals).toFixed(minor % 10 ** decimals === 0 ? 0 : decimals);
}

/** What is typed as smallest units; null where it is no amount of the currency. A point or a comma stands before decimals. */
export function readMoney(text: string, currency: string): number | null {
    const decimals = decimalsOf(currency);
    const found = text.trim().match(/^(\d{1,10})(?:[.,](\d+))?$/);
    if (!found || (found[2] ?? '').length > decimals) {
        return null;
    }
    return Number(found[1] ?? 0) * 10 ** decimals + Number((found[2] ?? '').padEnd(decimals, '0') || 0);
}

/** As its owner reads it: "€290", "290 €". */
export function showMoney(minor: number, currency: string): string {
    const decimals = decimalsOf(currency);
    return money(minor / 10 ** decimals, currency, minor % 10 ** decimals === 0 ? 0 : decimals);
}
