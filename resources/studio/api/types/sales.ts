/** Products, offers, coupons and orders. As the API gives it. */
import type { Rate } from '@/api/types/shared';

export interface MoneyAmount {
    amount: number;
    currency: string;
}

export interface ProductFile {
    id: string;
    name: string;
    mime: string;
    bytes: number;
}

export interface Product {
    id: string;
    name: string;
    revision: number;
    line: string;
    tags: string[];
    sequence: string | null;
    page: string | null;
    url: string;
    files: ProductFile[];
}

export type PriceKind = 'once' | 'payments' | 'free' | 'named';

export interface Price extends MoneyAmount {
    kind: PriceKind;
    payments: number;
    every: 'week' | 'month';
    taxOnTop: boolean;
}

export interface Offer {
    id: string;
    name: string;
    revision: number;
    product: string;
    price: Price;
    priceWords: string;
    open: boolean;
    places: number | null;
    oncePerPerson: boolean;
    from: string;
    until: string;
    bumps: { offer: string; text: string }[];
    sold: number;
}

export interface Coupon {
    id: string;
    name: string;
    revision: number;
    code: string;
    percent: number;
    off: MoneyAmount | null;
    offers: string[];
    from: string;
    until: string;
    uses: number | null;
    usesPerPerson: number;
    words: string;
    used: number;
    codes: number;
}

export interface OrderRow {
    id: string;
    number: number | null;
    state: string;
    stateLabel: string;
    arrears: boolean;
    email: string;
    name: string;
    person: string;
    funnel: string;
    funnelId: string;
    at: string;
    items: string[];
    total: string;
    paid: string;
    refunded: string;
    currency: string;
    coupon: string | null;
    owner: boolean;
}

export interface OrderLine {
    number: number;
    name: string;
    kind: string;
    state: string;
    total: string;
    offerName: string;
    discount: string;
    tax: string;
    left: number;
    leftWords: string;
    payments: number;
}

export interface Order extends OrderRow {
    placedAt: string;
    method: string | null;
    source: string | null;
    decimals: number;
    refundable: number;
    refundableWords: string;
    lines: OrderLine[];
    payments: {
        key: string;
        number: number;
        try: number;
        amount: string;
        state: string;
        stateLabel: string;
        due: string;
        settled: string | null;
        trouble: string | null;
    }[];
    refunds: { amount: string; state: string; why: string; at: string }[];
    receipts: { id: string; number: number; label: string; at: string; url: string }[];
    access: { id: string; product: string; name: string; state: string; stateLabel: string; opened: number }[];
    purchases: string;
    /** Is it sure that it is its person’s? */
    joined: boolean;
    facts: { at: string; label: string; amount: string; words: string }[];
}

export interface SalesSum {
    currency: string;
    orders: number;
    revenue: string;
    paid: string;
    refunded: string;
    average: string;
    perVisitor: string;
    visitors: number;
}

export interface SalesResults {
    sums: SalesSum[];
    days: { day: string; orders: number; revenue: Record<string, number> }[];
    extras: { kind: string; name: string; taken: number; could: number; rate: Rate }[];
    /** Of one funnel alone: around the end of each deadline under which, or after which, something was sold. */
    deadlines?: (import('@/api/types/deadlines').DeadlineSales & { id: string; name: string })[];
    currency?: string;
}

export interface Charge {
    key: string;
    at: string;
    amount: string;
    refunded: string;
    state: string;
    disputed: boolean;
    trouble: string;
    card: string;
    order: string;
    number: number | null;
    email: string;
    ours: string;
}
