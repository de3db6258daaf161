<script setup lang="ts">
import { XMarkIcon } from '@heroicons/vue/20/solid';
import { computed, onMounted, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, ApiError, query } from '@/api/client';
import type { Person, PersonRow } from '@/api/types';
import PersonDeadlines from '@/people/PersonDeadlines.vue';
import PersonFacts from '@/people/PersonFacts.vue';
import PersonHistory from '@/people/PersonHistory.vue';
import PersonReadings from '@/people/PersonReadings.vue';
import PersonWarmth from '@/people/PersonWarmth.vue';
import { useToasts } from '@/stores/toasts';
import { usePeopleKit } from '@/stores/peopleKit';
import { usePulse } from '@/stores/pulse';
import { counted, dateTime, day } from '@/ui/format';
import NotHere from '@/ui/NotHere.vue';
import UiDialog from '@/ui/UiDialog.vue';
import UiListbox from '@/ui/UiListbox.vue';
import UiMenu from '@/ui/UiMenu.vue';

const route = useRoute();
const router = useRouter();
const toasts = useToasts();
const people = usePeopleKit();
const person = ref<Person | null>(null);
const missing = ref(false);
const more = ref(0);
const asking = ref<'erase' | 'merge' | 'bought' | 'sequence' | null>(null);
const of = ref('');
const search = ref('');
const found = ref<PersonRow[]>([]);
const note = ref('');
const id = computed(() => String(route.params.id));

async function load(): Promise<void> {
    try {
        person.value = await api.get<Person>(`people/${id.value}?${query({ more: more.value })}`);
        missing.value = false;
    } catch (error) {
        missing.value = error instanceof ApiError && error.status === 404;
        if (!missing.value) {
            toasts.trouble(error);
        }
    }
}

onMounted(() => Promise.all([people.load(), load()]));
watch(
    () => route.params.id,
    (now) => now && load(),
);
usePulse(load);

/** Does something about this person, says so, and shows them as they are now. */
async function act(work: () => Promise<unknown>, words = '', undo?: () => Promise<unknown>): Promise<boolean> {
    try {
        await work();
        await load();
        if (words) {
            toasts.say(words, undo && { label: 'Undo', run: () => act(undo) });
        }
        return true;
    } catch (error) {
        toasts.trouble(error);
        return false;
    }
}

const setAllowed = (d: { id: string; title: string; revoked: boolean }) =>
    act(
        () => api.post(`deliveries/${d.id}/${d.revoked ? 'allow' : 'revoke'}`),
        d.revoked ? `The links to “${d.title}” work again.` : `The links to “${d.title}” no longer work for this person.`,
    );

async function addNote(): Promise<void> {
    if (note.value.trim() !== '' && (await act(() => api.post(`people/${id.value}/notes`, { text: note.value })))) {
        note.value = '';
    }
}

async function find(): Promise<void> {
    try {
        const answer = await api.get<{ people: PersonRow[] }>(`people?${query({ search: search.value, perPage: 8 })}`);
        found.value = answer.people.filter((p) => p.id !== id.value);
    } catch (error) {
        toasts.trouble(error);
    }
}
watch([search, asking], () => asking.value === 'merge' && find());

async function confirm(): Promise<void> {
    const kind = asking.value;
    asking.value = null;
    if (kind === 'erase') {
        try {
            await api.post(`people/${id.value}/erase`);
            toasts.say('This person is forgotten. The totals stay true.');
            await router.push('/people');
        } catch (error) {
            toasts.trouble(error);
        }
    } else if (kind === 'merge') {
        await act(() => api.post(`people/${id.value}/merge`, { with: of.value }), 'The two are one person now, with one history.');
    } else if (kind === 'bought') {
        await act(
            () => api.post(`people/${id.value}/bought`, { funnel: of.value }),
            'Noted that they bought. Sequences that end on buying have ended.',
        );
    } else if (kind === 'sequence') {
        await act(
            () => api.post(`people/${id.value}/sequences/${of.value}`),
            'They are in the sequence now.',
            () => api.delete(`people/${id.value}/sequences/${of.value}`),
        );
    }
}

function open(kind: 'erase' | 'merge' | 'bought' | 'sequence'): void {
    of.value = { bought: people.kit.funnels[0]?.id, sequence: people.kit.sequences[0]?.id, merge: '', erase: '' }[kind] ?? '';
    search.value = '';
    asking.value = kind;
}

const menu = computed(() => [
    {
        label: 'They replied',
        run: () => act(() => api.post(`people/${id.value}/replied`), 'Noted that they replied. What waits for that follows.'),
    },
    { label: 'They bought something', run: () => open('bought') },
    { label: 'Start a sequence', run: () => open('sequence') },
    { label: 'Merge with another person', run: () => open('merge') },
    ...(person.value?.subscription === 'bounced'
        ? [
              {
                  label: 'The address works: write to it again',
                  run: () => act(() => api.post(`people/${id.value}/lift`), 'Emails go to this address again.'),
              },
          ]
        : []),
    ...(person.value?.unsubscribed
        ? []
        : [{ label: 'Unsubscribe', run: () => act(() => api.post(`people/${id.value}/unsubscribe`), 'They get no more emails.') }]),
    { label: 'Everything about them, as one file', run: () => location.assign(`/studio/api/people/${id.value}/archive`) },
    { label: 'Their emails, as a mailbox', run: () => location.assign(`/studio/api/messages/mbox?person=${id.value}`) },
    { label: 'Forget this person', trouble: true, run: () => open('erase') },
]);
const titles = {
    erase: 'Forget this person?',
    merge: 'Who is the same person?',
    bought: 'What did they buy?',
    sequence: 'Which sequence starts for them?',
};
</script>

<template>
    <NotHere v-if="missing" />
    <div v-else-if="person" class="mx-auto grid max-w-6xl gap-x-10 gap-y-6 px-8 py-6 lg:grid-cols-[1fr_1.25fr]">
        <header class="flex flex-wrap items-start justify-between gap-4 lg:col-span-2">
            <div class="min-w-0">
                <RouterLink to="/people" class="link">All people</RouterLink>
                <h1 class="mt-1 text-3xl break-words">{{ `${person.firstName} ${person.lastName}`.trim() || person.email }}</h1>
                <p class="mt-0.5 text-lg break-all">
                    <span v-if="`${person.firstName}${person.lastName}` !== ''" class="mr-2">{{ person.email }}</span>
                    <span
                        class="rounded px-2 py-0.5 align-middle text-base"
                        :class="person.subscription === 'subscribed' ? 'bg-pine-pale text-pine' : 'bg-clay-pale text-clay-deep'"
                        data-test="subscription"
                        >{{ person.subscriptionWords }}</span
                    >
                </p>
                <p v-if="person.quietUntil && new Date(person.quietUntil) > new Date()" class="mt-1 text-soft">
                    Paused all emails until {{ dateTime(person.quietUntil) }}.
                </p>
            </div>
            <UiMenu label="Actions for this person" :items="menu" button-class="btn">Actions</UiMenu>
            <p v-if="person.ownerTry" class="w-full rounded bg-lamp-pale px-3 py-2">
                This is you, trying things out in your own browser. Nothing of it is counted.
            </p>
        </header>
        <div class="min-w-0 space-y-7">
            <PersonFacts :person="person" @changed="load" />
            <PersonWarmth :warmth="person.warmth" />
            <PersonReadings :key="person.id" :person="person.id" />
            <section aria-labelledby="notes">
                <h2 id="notes" class="text-xl">Notes</h2>
                <form class="mt-2 flex items-start gap-2" @submit.prevent="addNote">
                    <textarea
                        v-model="note"
                        class="input"
                        rows="1"
                        maxlength="4000"
                        aria-label="A new note"
                        placeholder="Only you read this"
                    ></textarea>
                    <button type="submit" class="btn" :disabled="note.trim() === ''">Save</button>
                </form>
                <article v-for="n in person.notes" :key="n.id" class="flex items-start justify-between gap-2 border-b border-line py-2">
                    <p class="min-w-0 break-words whitespace-pre-line">
                        {{ n.text }} <span class="block caption">{{ dateTime(n.at) }}</span>
                    </p>
                    <button
                        type="button"
                        class="btn-quiet px-1.5"
                        aria-label="Remove this note"
                        @click="
                            act(
                                () => api.delete(`people/${id}/notes/${n.id}`),
                                'The note is removed.',
                                () => api.post(`people/${id}/notes/${n.id}/restore`),
                            )
                        "
                    >
                        <XMarkIcon class="size-4.5" aria-hidden="true" />
                    </button>
                </article>
            </section>
            <section v-if="person.sequences.length > 0" aria-labelledby="sequences">
                <h2 id="sequences" class="text-xl">Sequences</h2>
                <div v-for="s in person.sequences" :key="s.id" class="flex items-center justify-between gap-3 border-b border-line py-2">
                    <span class="min-w-0"
                        ><RouterLink class="font-medium hover:underline" :to="`/funnels/${s.funnelId}/sequence/${s.id}`">{{
                            s.name
                        }}</RouterLink>
                        <span class="ml-1.5 text-soft">{{ s.funnel }}</span>
                        <span class="block caption"
                            >since {{ dateTime(s.at)
                            }}{{ s.endedAt ? ` · ended: ${s.endedWhy}` : s.through ? ' · the last email has gone' : '' }}</span
                        ></span
                    >
                    <button
                        v-if="!s.endedAt"
                        type="button"
                        class="btn-quiet"
                        @click="act(() => api.delete(`people/${id}/sequences/${s.id}`), `They get nothing more of “${s.name}”.`)"
                    >
                        End it
                    </button>
                </div>
            </section>
            <PersonDeadlines :person="person" @act="act" />
            <section v-if="person.purchases.orders.length > 0" aria-labelledby="purchases">
                <h2 id="purchases" class="text-xl">
                    Purchases
                    <span v-for="s in person.purchases.sums" :key="s.currency" class="ml-1.5 font-sans text-base font-normal text-soft">{{
                        s.revenue
                    }}</span>
                </h2>
                <RouterLink
                    v-for="o in person.purchases.orders"
                    :key="o.id"
                    :to="`/sales/orders/${o.id}`"
                    class="flex items-baseline justify-between gap-3 border-b border-line py-2 hover:bg-raised"
                >
                    <span class="min-w-0"
                        ><span class="font-medium">{{ o.items.join(', ') }}</span>
                        <span class="block caption"
                            >{{ o.number === null ? 'Not paid' : `Order ${o.number}` }} · {{ dateTime(o.at) }} · {{ o.stateLabel
                            }}{{ o.arrears ? ', in arrears' : '' }}</span
                        ><span v-if="o.toCome > 0 && o.next" class="block caption"
                            >{{ counted(o.toCome, 'payment') }} to come, the next on {{ day(o.next) }}</span
                        ></span
                    >
                    <span class="shrink-0">{{ o.total }}</span>
                </RouterLink>
            </section>
            <section aria-labelledby="downloads">
                <h2 id="downloads" class="text-xl">Downloads</h2>
                <p v-if="person.deliveries.length === 0" class="mt-1 text-soft">None.</p>
                <div v-for="d in person.deliveries" :key="d.id" class="flex items-center justify-between gap-3 border-b border-line py-2">
                    <span
                        >{{ d.title }}
                        <span class="caption">{{ d.revoked ? 'blocked' : `downloaded ${counted(d.downloads, 'time')}` }}</span></span
                    >
                    <button type="button" class="btn-quiet" @click="setAllowed(d)">{{ d.revoked ? 'Allow again' : 'Block' }}</button>
                </div>
            </section>
            <section aria-labelledby="consent">
                <div class="flex items-baseline justify-between gap-3">
                    <h2 id="consent" class="text-xl">Sign-ups and consent</h2>
                    <a v-if="person.consent.length > 0" class="text-sm link" :href="`/studio/api/people/${id}/consent`" download
                        >Download the consent record</a
                    >
                </div>
                <p v-if="person.consent.length === 0" class="mt-1 text-soft">
                    They were imported from a list; they agreed to nothing here.
                </p>
                <article v-for="c in person.consent" :key="c.submission" class="border-b border-line py-2.5">
                    <p class="font-medium">
                        {{ c.funnel }} <span class="caption font-normal">{{ c.page }}, version {{ c.version }} · {{ dateTime(c.at) }}</span>
                    </p>
                    <p v-if="c.words" class="mt-0.5 text-soft">{{ c.agreed ? 'Agreed to' : 'Did not agree to' }}: “{{ c.words }}”</p>
                    <p v-if="c.marketingWords" class="mt-0.5 text-soft">
                        {{ c.marketing ? 'Agreed to' : 'Did not agree to' }}: “{{ c.marketingWords }}”
                    </p>
                    <p class="caption">
                        {{ c.source.utm_source ? `came from ${c.source.utm_source} · ` : '' }}{{ c.address ? `address ${c.address}` : ''
                        }}{{ c.confirmedAt ? ` · confirmed ${dateTime(c.confirmedAt)}` : '' }}
                    </p>
                </article>
            </section>
        </div>
        <PersonHistory
            :history="person.history"
            @more="
                more += 200;
                load();
            "
        />
        <UiDialog :open="asking !== null" :title="asking ? titles[asking] : ''" @close="asking = null">
            <div class="mt-4">
                <p v-if="asking === 'erase'">
                    Name, address, answers, notes and emails go for good, and nothing brings them back. What happened stays in your totals
                    as numbers. If they unsubscribed, that is kept under a seal, so that no list brings them back.
                </p>
                <template v-else-if="asking === 'merge'">
                    <p class="text-soft">
                        {{ person.email }} stays. What is not known here comes from the other one, whose history becomes this one’s. This
                        cannot be undone.
                    </p>
                    <input
                        v-model="search"
                        type="search"
                        class="mt-3 input"
                        placeholder="Search by name or address"
                        aria-label="Search for the other person"
                    />
                    <ul class="mt-2 max-h-60 divide-y divide-line overflow-auto">
                        <li v-for="p in found" :key="p.id">
                            <label class="flex cursor-pointer items-center gap-2.5 py-2 hover:bg-lamp-pale"
                                ><input v-model="of" type="radio" name="other" :value="p.id" class="size-4 accent-pine" /><span
                                    class="truncate"
                                    >{{ `${p.firstName} ${p.lastName}`.trim() }} <span class="text-soft">{{ p.email }}</span></span
                                ></label
                            >
                        </li>
                    </ul>
                </template>
                <UiListbox
                    v-else-if="asking === 'bought'"
                    v-model="of"
                    label="Through which funnel"
                    :options="people.kit.funnels.map((f) => ({ value: f.id, label: f.name }))"
                />
                <UiListbox
                    v-else
                    v-model="of"
                    label="Sequence"
                    :options="people.kit.sequences.map((s) => ({ value: s.id, label: `${s.name} · ${s.funnel}` }))"
                />
                <div class="mt-5 flex gap-2">
                    <button
                        type="button"
                        :class="asking === 'erase' ? 'btn text-clay-deep' : 'btn-main'"
                        :disabled="asking !== 'erase' && of === ''"
                        @click="confirm"
                    >
                        {{
                            { erase: 'Forget them for good', merge: 'Merge', bought: 'They bought it', sequence: 'Start it' }[
                                asking ?? 'bought'
                            ]
                        }}
                    </button>
                    <button type="button" class="btn-quiet" @click="asking = null">Not now</button>
                </div>
            </div>
        </UiDialog>
    </div>
</template>
