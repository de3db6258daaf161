import type { Funnel } from '@/api/types';

/** The kinds of parts of a funnel, each with the list that holds them, as the API names it. */
export const LISTS = {
    page: 'pages',
    form: 'forms',
    sequence: 'sequences',
    email: 'emails',
    'lead-magnet': 'leadMagnets',
    'shared-section': 'sharedSections',
    product: 'products',
    offer: 'offers',
    coupon: 'coupons',
    deadline: 'deadlines',
    popup: 'popups',
    webinar: 'webinars',
} as const satisfies Record<string, keyof Funnel>;

export type PartKind = keyof typeof LISTS;
/** A part, or the funnel itself. */
export type Kind = PartKind | 'funnel';

export type PartOf<K extends PartKind> = Funnel[(typeof LISTS)[K]][number];

export function findPart<K extends PartKind>(funnel: Funnel | null, kind: K, id: string): PartOf<K> | undefined {
    return (funnel?.[LISTS[kind]] as PartOf<K>[] | undefined)?.find((p) => p.id === id);
}
