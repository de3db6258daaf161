import type { FunnelSummary } from '@/api/types';

type Placed = Pick<FunnelSummary, 'address' | 'place'>;

/**
 * The whole address of a page of a funnel, as the core makes it (AddressForm); of its entry page where none is named.
 * `funnel` may hold an address that is only being typed.
 */
export function pageUrl(funnel: Placed | null, page = ''): string {
    if (!funnel) {
        return '';
    }
    const { front, form, reserved } = funnel.place;
    if (page === '') {
        return form === 'below' ? `${front}/${funnel.address}` : `${front}/`;
    }
    const short = form === 'alone' && page !== funnel.address && !reserved.includes(page);

    return short ? `${front}/${page}` : `${front}/${funnel.address}/${page}`;
}
