<script setup lang="ts">
import { pageUrl } from '@/funnel/pageUrl';
import { PlusIcon } from '@heroicons/vue/24/outline';
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { api, ApiError, query } from '@/api/client';
import type { OrderRow, PersonRow, Version, FunnelSummary } from '@/api/types';
import OpeningTimes from '@/funnel/desk/OpeningTimes.vue';
import AddPopup from '@/funnel/desk/popup/AddPopup.vue';
import FunnelExtras from '@/funnel/desk/FunnelExtras.vue';
import { useFunnel } from '@/funnel/funnelStore';
import { kindsOfParts, partEntry, partPath, PARTS, partsOf } from '@/funnel/parts';
import { useSteps } from '@/funnel/steps';
import { useToasts } from '@/stores/toasts';
import { ago, count, counted, dateTime } from '@/ui/format';
import { languageName } from '@/ui/languages';
import TextField from '@/ui/TextField.vue';
import VisitorLanguage from '@/ui/VisitorLanguage.vue';

const props = defineProps<{ news: number }>();
defineEmits<{ publish: [] }>();

const store = useFunnel();
const steps = useSteps();
const router = useRouter();
const toasts = useToasts();
const people = ref<PersonRow[]>([]);
const total = ref(0);
const versions = ref<Version[]>([]);
const orders = ref<OrderRow[]>([]);
const name = ref(store.funnel?.name ?? '');
const address = ref(store.funnel?.address ?? '');
const error = ref<ApiError | null>(null);
const openOffers = computed(() => store.funnel?.offers.filter((o) => o.open).length ?? 0);
const offerWords = computed(() => store.funnel?.offers.map((o) => `${o.name} ${o.priceWords}`).join(' · ') ?? '');

watch(
    [() => props.news, () => store.funnel?.id, () => store.funnel?.liveVersion, () => store.funnel?.state],
    async () => {
        const funnel = store.funnel;
        if (!funnel) {
            return;
        }
        try {
            const [joined, published, bought] = await Promise.all([
                api.get<{ people: PersonRow[]; total: number }>(`people?${query({ funnel: funnel.id, perPage: 6 })}`),
                api.get<{ versions: Version[] }>(`funnels/${funnel.id}/versions`),
                funnel.offers.length > 0
                    ? api.get<{ orders: OrderRow[] }>(`orders?${query({ funnel: funnel.id })}`)
                    : Promise.resolve({ orders: [] }),
            ]);
            // Whoever has gone on to another funnel meanwhile, or to no funnel, is shown nothing of this one.
            if (store.funnel?.id !== funnel.id) {
                return;
            }
            people.value = joined.people;
            total.value = joined.total;
            versions.value = published.versions;
            orders.value = ['sell', 'launch'].includes(funnel.goal) ? bought.orders.slice(0, 7) : [];
        } catch (caught) {
            toasts.trouble(caught);
        }
    },
    { immediate: true },
);

async function rename(): Promise<void> {
    if (!store.funnel || (name.value === store.funnel.name && address.value === store.funnel.address)) {
        return;
    }
    error.value = null;
    try {
        const saved = await api.put<{ name: string; address: string; url: string; place: FunnelSummary['place'] }>(
            `funnels/${store.funnel.id}`,
            {
                name: name.value,
                address: address.value,
            },
        );
        Object.assign(store.funnel, { name: saved.name, address: saved.address, url: saved.url, place: saved.place });
        await store.refreshNumbers();
        toasts.say('Saved.');
    } catch (caught) {
        if (caught instanceof ApiError && caught.status === 422) {
            error.value = caught;
        } else {
            toasts.trouble(caught);
        }
    }
}

async function speak(language: string): Promise<void> {
    try {
        await store.flush();
        await api.put(`funnels/${store.funnel!.id}`, { language });
        await store.load(String(store.funnel!.id));
        toasts.say(`This funnel speaks ${languageName(language)} to its visitors, from the next version on.`);
    } catch (caught) {
        toasts.trouble(caught);
    }
}

async function run(work: () => Promise<unknown>, words: string): Promise<void> {
    try {
        await work();
        await store.refreshNumbers();
        toasts.say(words);
    } catch (caught) {
        toasts.trouble(caught);
    }
}

const close = () => run(() => api.post(`funnels/${store.funnel!.id}/close`), 'The funnel is closed. Its links say so kindly.');
const switchTo = (v: Version) =>
    run(
        () => api.post(`funnels/${store.funnel!.id}/versions/${v.id}/live`),
        `Version ${v.number} is what visitors see now. Your draft is as it was.`,
    );
const adds = ['form', 'sequence', 'deadline', 'webinar', 'automation'] as const;
async function add(kind: (typeof adds)[number]): Promise<void> {
    try {
        const made = await steps.add(kind);
        await router.push(partPath(store.funnel!, kind, made.id));
    } catch (caught) {
        toasts.trouble(caught);
    }
}
const popping = ref(false);
/** What the funnel is made of beside its pages and emails, which the timeline shows; what it sells is one line. */
const belongs = computed(() => {
    const funnel = store.funnel;
    const parts = kindsOfParts.flatMap((kind) => {
        const { summary, icon, presses } = partEntry(kind);
        return summary && funnel
            ? partsOf(funnel, kind).map((p) => ({
                  icon,
                  presses,
                  name: p.name,
                  to: partPath(funnel, kind, p.id),
                  ...summary(p, funnel),
              }))
            : [];
    });
    const sold = {
        icon: PARTS.offer.icon,
        presses: false,
        name: counted(funnel?.offers.length ?? 0, 'offer'),
        to: `/funnels/${funnel?.id}/offers`,
        words: openOffers.value > 0 ? `${counted(openOffers.value, 'price')} still to fill in` : offerWords.value,
        lacking: openOffers.value > 0,
        aside: '',
    };
    return (funnel?.offers.length ?? 0) > 0 ? [...parts, sold] : parts;
});
</script>

<template>
    <div v-if="store.funnel" class="grid gap-x-10 gap-y-6 px-6 py-6 lg:grid-cols-[1.2fr_1fr_1fr]">
        <section v-if="orders.length > 0" aria-labelledby="bought">
            <h2 id="bought" class="text-xl">Latest orders</h2>
            <ul class="mt-2 divide-y divide-line">
                <li v-for="order in orders" :key="order.id">
                    <RouterLink
                        :to="`/sales/orders/${order.id}`"
                        class="flex items-baseline justify-between gap-3 rounded py-2 hover:bg-raised"
                    >
                        <span class="min-w-0 truncate"
                            ><span class="font-medium">{{ order.name || order.email }}</span>
                            <span class="ml-1.5 text-soft">{{ order.items.join(', ') }}</span></span
                        >
                        <span class="shrink-0">{{ order.total }}</span>
                    </RouterLink>
                </li>
            </ul>
            <RouterLink to="/sales/orders" class="mt-2 inline-block link">All orders</RouterLink>
        </section>
        <section v-else aria-labelledby="joined">
            <h2 id="joined" class="text-xl">
                Who joined <span v-if="total" class="font-sans text-base font-normal text-soft">{{ count(total) }}</span>
            </h2>
            <p v-if="people.length === 0" class="mt-2 text-soft">
                {{
                    store.funnel.state === 'live'
                        ? 'Nobody yet. Share the link; new people appear here by themselves.'
                        : 'Nobody can join yet: publish the funnel first.'
                }}
                <button v-if="store.funnel.state === 'draft'" type="button" class="link" @click="$emit('publish')">Publish it</button>
            </p>
            <ul v-else class="mt-2 divide-y divide-line" data-test="joined">
                <li v-for="person in people" :key="person.id">
                    <RouterLink :to="`/people/${person.id}`" class="flex items-baseline justify-between gap-3 rounded py-2 hover:bg-raised">
                        <span class="min-w-0 truncate"
                            ><span class="font-medium">{{ `${person.firstName} ${person.lastName}`.trim() || person.email }}</span>
                            <span v-if="person.firstName" class="ml-1.5 text-soft">{{ person.email }}</span></span
                        >
                        <span class="shrink-0 caption"
                            >{{ person.ownerTry ? 'you, trying · ' : ''
                            }}{{ person.subscription === 'unconfirmed' ? 'not confirmed yet · ' : '' }}{{ ago(person.joinedAt) }}</span
                        >
                    </RouterLink>
                </li>
            </ul>
            <RouterLink v-if="total > people.length" :to="`/people?funnel=${store.funnel.id}`" class="mt-2 inline-block link"
                >See all {{ count(total) }}</RouterLink
            >
        </section>

        <section aria-labelledby="parts">
            <h2 id="parts" class="text-xl">What belongs to it</h2>
            <ul class="mt-2 space-y-2">
                <li v-for="item in belongs" :key="item.to">
                    <RouterLink :to="item.to" class="flex items-start gap-3 rounded p-1.5 hover:bg-raised">
                        <component
                            :is="item.icon"
                            class="mt-0.5 size-5 shrink-0"
                            :class="item.presses ? 'text-clay' : 'text-pine'"
                            aria-hidden="true"
                        />
                        <span class="min-w-0"
                            ><span class="block font-medium"
                                >{{ item.name }}<span v-if="item.aside" class="font-normal text-soft"> · {{ item.aside }}</span></span
                            ><span class="caption" :class="{ 'text-clay-deep': item.lacking }">{{ item.words }}</span></span
                        >
                    </RouterLink>
                </li>
            </ul>
            <div class="mt-2 flex flex-wrap gap-1">
                <button v-for="kind in adds" :key="kind" type="button" class="btn-quiet" @click="add(kind)">
                    <PlusIcon class="size-4.5" aria-hidden="true" />A {{ partEntry(kind).label }}
                </button>
                <button type="button" class="btn-quiet" @click="popping = true">
                    <PlusIcon class="size-4.5" aria-hidden="true" />A pop-up
                </button>
                <RouterLink v-if="store.funnel.offers.length === 0" class="btn-quiet" :to="`/funnels/${store.funnel.id}/offers`"
                    ><PlusIcon class="size-4.5" aria-hidden="true" />An offer</RouterLink
                >
            </div>
            <AddPopup :open="popping" @close="popping = false" />
            <FunnelExtras class="mt-5" />
            <form class="mt-5 space-y-4" novalidate @submit.prevent="rename">
                <TextField v-model="name" label="Private name" :error="error?.field('name')" @focusout="rename" />
                <TextField
                    v-model="address"
                    label="Web address"
                    :hint="pageUrl(store.funnel && { ...store.funnel, address })"
                    :error="error?.field('address')"
                    @focusout="rename"
                />
                <VisitorLanguage
                    :model-value="store.funnel.language"
                    label="Language of its visitors"
                    hint="What the application itself says: labels, errors, receipts, the feet of emails. Your own words stay yours."
                    @update:model-value="speak"
                />
                <RouterLink :to="`/funnels/${store.funnel.id}/phrases`" class="-mt-2 -ml-2 btn-quiet"
                    >Say it in words of your own</RouterLink
                >
            </form>
        </section>

        <section aria-labelledby="versions">
            <h2 id="versions" class="text-xl">Versions</h2>
            <p v-if="versions.length === 0" class="mt-2 text-soft">
                Nothing is published yet. What you change here is a draft until you publish it.
            </p>
            <ol v-else class="mt-2 max-h-60 divide-y divide-line overflow-auto">
                <li v-for="version in versions" :key="version.id" class="flex items-start justify-between gap-3 py-2">
                    <span class="min-w-0"
                        ><span class="font-medium">Version {{ version.number }}</span>
                        <span v-if="version.live" class="ml-1.5 rounded bg-lamp-pale px-1.5 py-0.5 text-sm font-medium">live</span
                        ><span class="block caption">{{ dateTime(version.publishedAt) }}</span
                        ><span v-if="version.note" class="block truncate">{{ version.note }}</span></span
                    >
                    <button v-if="!version.live" type="button" class="btn-quiet" @click="switchTo(version)">Make live</button>
                </li>
            </ol>
            <button v-if="store.funnel.state === 'live'" type="button" class="mt-4 btn" @click="close">Close the funnel</button>
            <OpeningTimes class="mt-6" />
        </section>
    </div>
</template>
