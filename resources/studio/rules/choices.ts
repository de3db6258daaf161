import type { Funnel, PeopleKit } from '@/api/types';
import { OUTCOMES } from '@/funnel/triggers';
import type { Option } from '@/funnel/triggerKit';

/** What can be chosen of a kind of thing, such as a page. */
export type Choices = (what: string) => Option[];

/** What is the same wherever one chooses. */
function common(what: string, kit: PeopleKit): Option[] {
    switch (what) {
        case 'outcome':
            return OUTCOMES;
        case 'tag':
            return kit.tags.map((t) => ({ value: t.name, label: t.name }));
        case 'date-field':
            return kit.fields.filter((f) => f.own && f.kind === 'date').map((f) => ({ value: f.name, label: f.label }));
        case 'field':
            return kit.fields.filter((f) => f.own).map((f) => ({ value: f.name, label: f.label }));
        default:
            return [];
    }
}

/** Of one funnel. */
export function choicesOfFunnel(draft: Funnel | null, kit: PeopleKit): Choices {
    const lists: Record<string, { id: string; name: string }[] | undefined> = {
        page: draft?.pages,
        form: draft?.forms,
        email: draft?.emails,
        sequence: draft?.sequences,
        offer: draft?.offers,
        product: draft?.products,
        webinar: draft?.webinars,
        deadline: draft?.deadlines,
        guide: draft?.guides,
        'guide-page': draft?.guidePages,
    };
    return (what) => lists[what]?.map((p) => ({ value: p.id, label: p.name })) ?? common(what, kit);
}

/** Of all funnels of the business, each with the name of its funnel. */
export function choicesOfBusiness(kit: PeopleKit): Choices {
    const lists: Record<string, { id: string; name: string; funnel?: string }[]> = {
        page: kit.pages,
        form: kit.forms,
        email: kit.emails,
        sequence: kit.sequences,
        offer: kit.offers,
        product: kit.products,
        webinar: kit.webinars,
        deadline: kit.deadlines,
        guide: kit.guides,
        'guide-page': kit.guidePages,
    };
    return (what) => lists[what]?.map((p) => ({ value: p.id, label: p.funnel ? `${p.name} · ${p.funnel}` : p.name })) ?? common(what, kit);
}
