import { computed } from 'vue';
import { sampleValues, type Fill } from '@/ui/mergeFields';
import { useFunnel } from '@/funnel/funnelStore';
import { useSession } from '@/stores/session';

/** What merge fields give a sample person of the funnel that is open, and which there are to choose from. */
export function useSampleReader() {
    const store = useFunnel();
    const session = useSession();

    const known = computed(() => {
        const values = sampleValues(session.business);
        const { personFields, ownerFields, sessionFields } = session.kit;
        const of = (labels: Record<string, string>) =>
            Object.entries(labels).map(([name, label]) => [name, { label, value: values[name] ?? '' }] as const);
        return new Map([
            ...of(personFields),
            ...of(ownerFields),
            ...of(sessionFields),
            ...Object.entries(store.funnel?.fields ?? {}).map(
                ([name, value]) => [name, { label: `This funnel’s ${name}`, value }] as const,
            ),
            ...(store.funnel?.parameters ?? []).map((name) => [name, { label: `From the address: ${name}`, value: '' }] as const),
            ...(store.funnel?.offers ?? []).map(
                (o) => [`price_${o.id}`, { label: `The price of “${o.name}”`, value: o.open ? '' : o.priceWords }] as const,
            ),
        ]);
    });
    const fill: Fill = (name) => known.value.get(name) ?? null;
    const choices = computed(() => [...known.value].map(([value, { label }]) => ({ value, label })));
    return { fill, choices };
}
