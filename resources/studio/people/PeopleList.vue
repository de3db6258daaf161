<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, query } from '@/api/client';
import type { PersonRow, Rules } from '@/api/types';
import ActsDialog from '@/people/ActsDialog.vue';
import BulkBar from '@/people/BulkBar.vue';
import SegmentExamples from '@/people/SegmentExamples.vue';
import RulesField from '@/people/RulesField.vue';
import { peopleTabs } from '@/people/tabs';
import { useToasts } from '@/stores/toasts';
import { usePagedList } from '@/stores/pagedList';
import { usePeopleKit } from '@/stores/peopleKit';
import { ago, counted, dateTime } from '@/ui/format';
import PageTurner from '@/ui/PageTurner.vue';
import ScreenTabs from '@/ui/ScreenTabs.vue';
import UiListbox from '@/ui/UiListbox.vue';
import UiMenu from '@/ui/UiMenu.vue';
import { copy } from '@/ui/patches';

interface Answer {
    total: number;
    page: number;
    pages: number;
    people: PersonRow[];
}

const route = useRoute();
const router = useRouter();
const toasts = useToasts();
const people = usePeopleKit();
const search = ref('');
const sort = ref('joined');
const segment = ref('');
/** The rules on the screen: a saved segment's, or some that are being tried. */
const rules = ref<Rules>({ all: true, rules: [] });
const building = ref(false);
const name = ref('');
const words = ref('');
const ruleTrouble = ref('');
const chosen = ref<string[]>([]);
const everybody = ref(false);
const showsActs = ref(false);
const funnel = computed(() => (typeof route.query.funnel === 'string' ? route.query.funnel : ''));

const ruled = computed(() => JSON.stringify(rules.value));
/** No number of other rules stands beside these. */
watch(ruled, () => {
    words.value = '';
});

const filters = computed(() => ({
    search: search.value,
    funnel: funnel.value,
    rules: rules.value.rules.length > 0 ? JSON.stringify(rules.value) : undefined,
}));

/** How many there are, in words, if the rules are still those that were counted. */
async function countAll(): Promise<void> {
    ruleTrouble.value = '';
    if (rules.value.rules.length > 0) {
        const of = ruled.value;
        const said = (await api.post<{ words: string }>('people/count', { rules: rules.value })).words;
        words.value = of === ruled.value ? said : words.value;
    }
}
const { answer, page, load } = usePagedList<Answer>('people', () => ({ ...filters.value, sort: sort.value, perPage: 25 }), {
    filtered: () => {
        chosen.value = [];
        everybody.value = false;
    },
    loaded: countAll,
    refused: (error) => {
        ruleTrouble.value = error.message;
    },
});
onMounted(() => people.load());
watch(segment, (id) => {
    const found = people.kit.segments.find((s) => s.id === id);
    rules.value = found ? copy(found.rules) : { all: true, rules: [] };
    name.value = found?.name ?? '';
    building.value = Boolean(found) || building.value;
});
function begin(given: Rules, called: string): void {
    rules.value = copy(given);
    name.value = called;
}
const filtered = computed(() => search.value !== '' || funnel.value !== '' || rules.value.rules.length > 0);
const standings: Record<string, string> = {
    unsubscribed: 'unsubscribed',
    unconfirmed: 'not confirmed yet',
    bounced: 'address does not work',
    complained: 'reported spam',
    'no-marketing': 'no news',
};

async function save(): Promise<void> {
    try {
        const given = { name: name.value, rules: rules.value };
        const saved = await (segment.value
            ? api.put<{ id: string; name: string }>(`segments/${segment.value}`, given)
            : api.post<{ id: string; name: string }>('segments', given));
        await people.load();
        segment.value = saved.id;
        toasts.say(`The segment “${saved.name}” is saved. Whoever fits it is in it, from one moment to the next.`);
    } catch (error) {
        toasts.trouble(error);
    }
}

async function removeSegment(): Promise<void> {
    const id = segment.value;
    const was = people.kit.segments.find((s) => s.id === id)?.name ?? '';
    try {
        await api.delete(`segments/${id}`);
        segment.value = '';
        building.value = false;
        await people.load();
        toasts.say(`The segment “${was}” is removed.`, {
            label: 'Undo',
            run: async () => {
                await api.post(`segments/${id}/restore`);
                await people.load();
            },
        });
    } catch (error) {
        toasts.trouble(error);
    }
}

const download = (format: string) => location.assign(`/studio/api/people/export/${format}?${query(filters.value)}`);
const exports = [
    { label: 'As CSV, for spreadsheets', run: () => download('csv') },
    { label: 'As vCard, for address books', run: () => download('vcard') },
    { label: 'As JSON, for programs', run: () => download('json') },
];
const allOnPage = computed(() => (answer.value?.people.length ?? 0) > 0 && answer.value!.people.every((p) => chosen.value.includes(p.id)));

function choosePage(on: boolean): void {
    const ids = answer.value?.people.map((p) => p.id) ?? [];
    chosen.value = on ? [...new Set([...chosen.value, ...ids])] : chosen.value.filter((id) => !ids.includes(id));
    everybody.value = false;
}

async function done(): Promise<void> {
    chosen.value = [];
    everybody.value = false;
    await Promise.all([people.load(), load()]);
}
</script>

<template>
    <div class="mx-auto max-w-6xl px-8 py-6">
        <div class="flex items-end justify-between gap-4">
            <h1 class="text-3xl">People</h1>
            <div class="flex gap-2">
                <RouterLink to="/people/imports" class="btn">Import people</RouterLink>
                <UiMenu label="Export" :items="exports" button-class="btn">Export</UiMenu>
            </div>
        </div>
        <ScreenTabs class="mt-3" :tabs="peopleTabs" />
        <div class="mt-4 grid gap-3 sm:grid-cols-[1fr_15rem_13rem_11rem]">
            <input
                v-model="search"
                type="search"
                class="input"
                placeholder="Search by name or address"
                aria-label="Search people by name or address"
            />
            <UiListbox
                v-model="segment"
                label="Segment"
                hide-label
                :options="[
                    { value: '', label: building ? 'New segment' : 'Everybody' },
                    ...people.kit.segments.map((s) => ({ value: s.id, label: s.name })),
                ]"
            />
            <UiListbox
                :model-value="funnel"
                label="Funnel"
                hide-label
                :options="[{ value: '', label: 'From every funnel' }, ...people.kit.funnels.map((f) => ({ value: f.id, label: f.name }))]"
                @update:model-value="(f: string) => router.replace({ query: f ? { funnel: f } : {} })"
            />
            <UiListbox
                v-model="sort"
                label="Order"
                hide-label
                :options="[
                    { value: 'joined', label: 'Newest first' },
                    { value: 'active', label: 'Last active first' },
                    { value: 'name', label: 'By name' },
                    { value: 'email', label: 'By address' },
                ]"
            />
        </div>
        <div class="mt-1 flex justify-between">
            <button type="button" class="btn-quiet" :class="{ invisible: building }" @click="building = true">Find people by rules</button>
            <button type="button" class="btn-quiet" @click="showsActs = true">Recent bulk actions</button>
        </div>
        <ActsDialog :open="showsActs" @close="showsActs = false" @undone="done" />
        <section v-if="building" class="mt-3 border-y border-line bg-raised px-4 py-3" aria-label="Segment">
            <SegmentExamples v-if="rules.rules.length === 0" class="mb-3" @choose="begin" />
            <RulesField :key="segment" v-model="rules" />
            <p v-if="ruleTrouble" class="mt-2 pl-9 font-medium text-clay-deep" role="status">{{ ruleTrouble }}</p>
            <p v-else-if="rules.rules.length > 0 && words === ''" class="mt-2 pl-9 text-soft">Counting …</p>
            <p v-else-if="rules.rules.length > 0" class="mt-2 pl-9" role="status" data-test="segment-count">
                <strong>{{ counted(answer?.total ?? 0, 'person fits', 'people fit') }}</strong>: <span class="text-soft">{{ words }}</span>
            </p>
            <form class="mt-3 flex items-center gap-2 pl-9" @submit.prevent="save">
                <input
                    v-model="name"
                    class="input max-w-72"
                    placeholder="Name of the segment"
                    aria-label="Name of the segment"
                    maxlength="120"
                />
                <button type="submit" class="btn" :disabled="rules.rules.length === 0 || name.trim() === ''">Save segment</button>
                <button v-if="segment" type="button" class="btn-quiet text-clay-deep" @click="removeSegment">Remove</button>
                <button
                    type="button"
                    class="ml-auto btn-quiet"
                    @click="
                        building = false;
                        segment = '';
                        rules = { all: true, rules: [] };
                    "
                >
                    Close
                </button>
            </form>
        </section>
        <template v-if="answer">
            <p v-if="answer.people.length === 0" class="mt-6 border-t border-line py-10 text-soft">
                {{
                    filtered
                        ? 'Nobody matches this.'
                        : 'Nobody has joined yet. Publish a funnel and share its link, or import a list you have.'
                }}
            </p>
            <template v-else>
                <BulkBar
                    v-if="chosen.length > 0"
                    v-model:everybody="everybody"
                    class="mt-3"
                    :chosen="chosen"
                    :total="answer.total"
                    :filters="filters"
                    @done="done"
                    @clear="chosen = []"
                />
                <table class="mt-3 w-full table-fixed">
                    <thead>
                        <tr class="border-b border-line text-left caption">
                            <th class="w-9 py-2">
                                <input
                                    type="checkbox"
                                    class="size-4 accent-pine"
                                    aria-label="Select everybody on this page"
                                    :checked="allOnPage"
                                    @change="choosePage(($event.target as HTMLInputElement).checked)"
                                />
                            </th>
                            <th class="w-[17%] py-2 font-medium">Name</th>
                            <th class="w-[27%] py-2 font-medium">Address</th>
                            <th class="py-2 font-medium">Tags</th>
                            <th class="w-[15%] py-2 font-medium">From</th>
                            <th class="w-[12%] py-2 font-medium">{{ sort === 'active' ? 'Active' : 'Joined' }}</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="person in answer.people" :key="person.id" class="border-b border-line hover:bg-raised">
                            <td class="py-2">
                                <input
                                    v-model="chosen"
                                    type="checkbox"
                                    class="size-4 accent-pine"
                                    :value="person.id"
                                    :aria-label="`Choose ${person.email}`"
                                    @change="everybody = false"
                                />
                            </td>
                            <td class="truncate py-2 pr-3">
                                <RouterLink :to="`/people/${person.id}`" class="font-medium hover:underline">{{
                                    `${person.firstName} ${person.lastName}`.trim() || 'No name given'
                                }}</RouterLink>
                                <span v-if="person.ownerTry" class="ml-1 caption"> · you, trying</span>
                            </td>
                            <td class="truncate py-2 pr-3">
                                {{ person.email }}
                                <span v-if="standings[person.subscription]" class="text-sm text-clay-deep">{{
                                    standings[person.subscription]
                                }}</span>
                            </td>
                            <td class="truncate py-2 pr-3">
                                <span v-for="t in person.tags" :key="t" class="mr-1 rounded bg-pine-pale px-1.5 py-0.5 text-sm text-pine">{{
                                    t
                                }}</span>
                            </td>
                            <td class="truncate py-2 pr-3">{{ person.from }}</td>
                            <td class="truncate py-2" :title="dateTime(sort === 'active' ? person.activeAt : person.joinedAt)">
                                {{ ago(sort === 'active' ? person.activeAt : person.joinedAt) }}
                            </td>
                        </tr>
                    </tbody>
                </table>
                <PageTurner
                    :page="answer.page"
                    :pages="answer.pages"
                    :total="answer.total"
                    one="person"
                    many="people"
                    @turn="page = $event"
                />
            </template>
        </template>
    </div>
</template>
