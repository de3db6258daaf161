import { computed } from 'vue';
import { useFunnel } from '@/funnel/funnelStore';
import { useSession } from '@/stores/session';

const isLink = (name: string) => name.endsWith('_link');

/** What an email of the funnel can speak of: links to its pages, and the words that differ for each reader. */
export function useEmailFields() {
    const store = useFunnel();
    const session = useSession();
    const ofSessions = (links: boolean) =>
        (store.funnel?.webinars.length ?? 0) > 0
            ? Object.entries(session.kit.sessionFields).filter(([name]) => isLink(name) === links)
            : [];
    const pages = computed(() => [
        ...ofSessions(true).map(([name, label]) => ({ field: `{{${name}}}`, name: label })),
        ...(store.funnel?.guides.map((g) => ({ field: `{{page_${g.id}}}`, name: `The guide “${g.name}”` })) ?? []),
        ...(store.funnel?.pages.map((p) => ({ field: `{{page_${p.id}}}`, name: p.name })) ?? []),
    ]);
    const fields = computed(() => [
        ...Object.entries(session.kit.ownerFields).map(([name, label]) => ({ name, label })),
        ...(store.funnel?.offers ?? []).map((o) => ({ name: `price_${o.id}`, label: `Price: ${o.name}` })),
        ...(store.funnel?.deadlines ?? []).flatMap((d) => [
            { name: `deadline_${d.id}`, label: `When it ends: ${d.name}` },
            { name: `deadline_left_${d.id}`, label: `What is left: ${d.name}` },
        ]),
        ...ofSessions(false).map(([name, label]) => ({ name, label })),
        ...Object.keys(store.funnel?.fields ?? {}).map((name) => ({ name, label: name.replaceAll('_', ' ') })),
    ]);
    return { pages, fields };
}
