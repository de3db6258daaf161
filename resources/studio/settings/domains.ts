import type { Domain, DomainList } from '@/api/types';

/** What stands for “no funnel” in a list to choose from. */
export const NONE = '';

/** The address that a domain leads on to, where it is not itself the primary one of its pages. */
export function leads(list: DomainList, domain: Domain): string {
    const primary = (use: Domain['leadsTo'], funnel: string | null) =>
        list.domains.find((d) => d.primary && d.leadsTo === use && (use === 'business' || d.funnel === funnel));

    return (primary(domain.leadsTo, domain.funnel) ?? primary('business', null))?.url.replace(/\/$/, '') ?? list.site;
}

/** How a domain stands, in a word or two. */
export const stateWords: Record<Domain['state'], string> = {
    waiting: 'Does not lead here yet',
    working: 'Works',
    trouble: 'Does not lead here at the moment',
};
