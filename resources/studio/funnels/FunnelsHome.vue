<script setup lang="ts">
import { ChevronDownIcon, ChevronUpIcon, EllipsisHorizontalIcon, PlusIcon } from '@heroicons/vue/20/solid';
import { StorageSerializers, useLocalStorage, watchDebounced } from '@vueuse/core';
import { computed, onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import { api, query } from '@/api/client';
import type { FunnelRow, NeedsOwner } from '@/api/types';
import GoalProgress from '@/results/GoalProgress.vue';
import LabelsDialog from '@/funnels/LabelsDialog.vue';
import WarmestThree from '@/people/WarmestThree.vue';
import { useToasts } from '@/stores/toasts';
import { usePulse } from '@/stores/pulse';
import { useSession } from '@/stores/session';
import { grouped, nextOrder, shareWords, sorted, successWords, type HomeColumn, type HomeOrder } from '@/funnels/homeList';
import { ago, count, interval } from '@/ui/format';
import { newest } from '@/ui/newest';
import StateMark from '@/ui/StateMark.vue';
import SvgPicture from '@/ui/SvgPicture.vue';
import TrendLine from '@/ui/TrendLine.vue';
import UiMenu, { type MenuEntry } from '@/ui/UiMenu.vue';

const router = useRouter();
const toasts = useToasts();
const session = useSession();
const funnels = ref<FunnelRow[]>([]);
const any = ref(true);
const loaded = ref(false);
const search = ref('');
const state = ref('');
const label = ref('');
const labels = ref<string[]>([]);
const today = ref<NeedsOwner[]>([]);
const labelling = ref<FunnelRow | null>(null);
const states = [
    { value: '', label: 'All' },
    { value: 'live', label: 'Live' },
    { value: 'draft', label: 'Drafts' },
    { value: 'closed', label: 'Closed' },
    { value: 'archived', label: 'Archived' },
];

/** In one list, or under their labels. */
const byLabel = useLocalStorage('lantern-home-by-label', false);
const groups = computed(() => {
    const list = sorted(funnels.value, order.value);
    return byLabel.value && labels.value.length > 0 ? grouped(list) : [{ label: '', funnels: list }];
});

/** The order that was chosen stays in this browser; without one the latest change comes first. */
const order = useLocalStorage<HomeOrder | null>('lantern-home-order', null, { serializer: StorageSerializers.object });
const columns: { column: HomeColumn; label: string; class: string }[] = [
    { column: 'name', label: 'Name', class: '' },
    { column: 'state', label: 'State', class: '' },
    { column: 'visitors', label: 'Visitors', class: 'pl-4 text-right' },
    { column: 'count', label: 'Result', class: 'pl-4 text-right' },
    { column: 'share', label: 'Rate or revenue', class: 'pl-4 text-right' },
    { column: 'lastActivity', label: 'Last activity', class: 'pl-6' },
];

interface Answer {
    funnels: FunnelRow[];
    any: boolean;
    labels: string[];
    today: NeedsOwner[];
}
const ask = newest<Answer>();

async function load(): Promise<void> {
    try {
        const answer = await ask(
            api.get<Answer>(`funnels?${query({ search: search.value, state: state.value, label: label.value, perPage: 100 })}`),
        );
        if (!answer) {
            return;
        }
        funnels.value = answer.funnels;
        any.value = answer.any;
        labels.value = answer.labels;
        today.value = answer.today;
        loaded.value = true;
    } catch (error) {
        toasts.trouble(error);
    }
}

onMounted(load);
watchDebounced([search, state, label], load, { debounce: 150 });
usePulse(load);

async function attempt(work: () => Promise<unknown>): Promise<void> {
    try {
        await work();
        await load();
    } catch (error) {
        toasts.trouble(error);
    }
}

function menu(funnel: FunnelRow): MenuEntry[] {
    const restore = () => attempt(() => api.post(`funnels/${funnel.id}/restore`));
    const duplicate: MenuEntry = {
        label: 'Duplicate',
        run: () =>
            attempt(async () => {
                const { id } = await api.post<{ id: string }>(`funnels/${funnel.id}/duplicate`);
                toasts.say(`“${funnel.name}” is duplicated as a draft.`, { label: 'Open it', run: () => router.push(`/funnels/${id}`) });
            }),
    };
    const archive: MenuEntry = funnel.archived
        ? { label: 'Restore', run: restore }
        : {
              label: 'Archive',
              trouble: true,
              run: () =>
                  attempt(async () => {
                      await api.post(`funnels/${funnel.id}/archive`);
                      toasts.say(`“${funnel.name}” is archived${funnel.state === 'live' ? ', and its pages are off the web' : ''}.`, {
                          label: 'Undo',
                          run: restore,
                      });
                  }),
          };
    return [
        { label: 'Open', run: () => router.push(`/funnels/${funnel.id}`) },
        { label: 'Labels', run: () => (labelling.value = funnel) },
        duplicate,
        archive,
    ];
}
</script>

<template>
    <div class="mx-auto max-w-6xl px-8 py-8">
        <template v-if="loaded && !any">
            <div class="mx-auto max-w-2xl py-16">
                <h1 class="text-4xl">Good to see you{{ session.session.user ? `, ${session.session.user.name.split(' ')[0]}` : '' }}.</h1>
                <p class="mt-4 text-lg">
                    Bring a file that helps the people you teach, and give it a title. The page, the form, the thank-you page and the
                    welcome email are made for you and already belong together.
                </p>
                <RouterLink to="/funnels/new" class="mt-6 btn-main text-lg">Make your first funnel</RouterLink>
            </div>
        </template>
        <template v-else>
            <div class="flex items-end justify-between gap-6">
                <h1 class="text-3xl">Funnels</h1>
                <RouterLink to="/funnels/new" class="btn-main"><PlusIcon class="size-5" aria-hidden="true" />New funnel</RouterLink>
            </div>
            <section v-if="today.length > 0" class="mt-5 rounded-lg border border-line bg-raised px-5 py-3" aria-labelledby="today">
                <h2 id="today" class="font-sans text-base font-semibold">What needs you today</h2>
                <ul class="divide-y divide-line">
                    <li v-for="item in today" :key="item.key" class="flex items-center justify-between gap-4 py-1.5">
                        <span>{{ item.words }}</span><RouterLink :to="item.to" class="shrink-0 link">{{ item.action }}</RouterLink>
                    </li>
                </ul>
            </section>
            <WarmestThree />
            <div class="mt-5 flex flex-wrap items-center justify-between gap-3">
                <div class="flex gap-1" role="group" aria-label="Which funnels to show">
                    <button
                        v-for="option in states"
                        :key="option.value"
                        type="button"
                        class="btn-quiet"
                        :class="{ 'bg-line/70 text-ink': state === option.value }"
                        :aria-pressed="state === option.value"
                        @click="state = option.value"
                    >
                        {{ option.label }}
                    </button>
                </div>
                <div v-if="labels.length > 0" class="flex flex-wrap items-center gap-1" role="group" aria-label="Labels">
                    <button
                        v-for="l in labels"
                        :key="l"
                        type="button"
                        class="rounded-full border px-2.5 py-0.5 text-sm font-medium"
                        :class="label === l ? 'border-ink bg-lamp-pale' : 'border-line text-soft hover:text-ink'"
                        :aria-pressed="label === l"
                        @click="label = label === l ? '' : l"
                    >
                        {{ l }}
                    </button>
                    <button type="button" class="btn-quiet" :aria-pressed="byLabel" @click="byLabel = !byLabel">
                        {{ byLabel ? 'In one list' : 'Group by label' }}
                    </button>
                </div>
                <input
                    v-model="search"
                    type="search"
                    class="input max-w-64"
                    placeholder="Search by name"
                    aria-label="Search funnels by name"
                />
            </div>

            <p v-if="loaded && funnels.length === 0" class="mt-6 border-t border-line py-10 text-soft">
                {{ search ? `No funnel is called “${search}” here.` : 'There is no funnel of this kind.' }}
                <button v-if="search || state || label" type="button" class="link" @click="((search = ''), (state = ''), (label = ''))">
                    Show all
                </button>
            </p>
            <table v-else-if="loaded" class="mt-4 w-full">
                <caption class="caption-bottom pt-3 text-left caption">
                    Visitors, results and rates are those of the last four weeks.
                </caption>
                <thead>
                    <tr class="border-b border-line text-left caption">
                        <th
                            v-for="c in columns"
                            :key="c.column"
                            class="py-1 font-medium"
                            :class="c.class"
                            :aria-sort="order?.column === c.column ? (order.down ? 'descending' : 'ascending') : 'none'"
                        >
                            <button
                                type="button"
                                class="inline-flex items-center gap-1 rounded py-1 hover:text-ink"
                                @click="order = nextOrder(order, c.column)"
                            >
                                {{ c.label
                                }}<component
                                    :is="order.down ? ChevronDownIcon : ChevronUpIcon"
                                    v-if="order?.column === c.column"
                                    class="size-4"
                                    aria-hidden="true"
                                />
                            </button>
                        </th>
                        <th class="hidden py-2 pl-6 font-medium xl:table-cell">4 weeks</th>
                        <th><span class="sr-only">Actions</span></th>
                    </tr>
                </thead>
                <tbody v-for="group in groups" :key="group.label">
                    <tr v-if="groups.length > 1 || group.label">
                        <th colspan="8" scope="rowgroup" class="pt-5 pb-1 text-left font-semibold">
                            {{ group.label || 'Without a label' }}
                        </th>
                    </tr>
                    <tr v-for="funnel in group.funnels" :key="funnel.id" class="border-b border-line hover:bg-raised">
                        <td class="max-w-72 py-2.5 pr-4 xl:max-w-80">
                            <span class="flex items-center gap-3">
                                <SvgPicture
                                    v-if="funnel.drawing"
                                    :svg="funnel.drawing"
                                    class="h-10.5 w-18 shrink-0 rounded border border-line object-cover object-top"
                                />
                                <span class="min-w-0">
                                    <RouterLink
                                        :to="`/funnels/${funnel.id}`"
                                        class="block truncate font-display text-lg font-semibold hover:underline"
                                        >{{ funnel.name }}</RouterLink
                                    >
                                    <span class="flex items-center gap-1.5 caption"
                                        ><span class="truncate">/{{ funnel.address }}</span
                                        ><span
                                            v-for="l in funnel.labels"
                                            :key="l"
                                            class="shrink-0 rounded-full bg-line/60 px-2 text-xs leading-5 text-ink"
                                            >{{ l }}</span
                                        ></span
                                    >
                                    <RouterLink v-if="funnel.planned" :to="`/results/${funnel.id}/plan`" class="mt-1 block"
                                        ><GoalProgress :goal="funnel.planned" small
                                    /></RouterLink>
                                </span>
                            </span>
                        </td>
                        <td class="py-3.5"><StateMark :state="funnel.state" /></td>
                        <td class="py-3.5 pl-4 text-right">{{ count(funnel.visitors) }}</td>
                        <td class="py-3.5 pl-4 text-right font-medium whitespace-nowrap" data-test="success">
                            {{ successWords(funnel.success) }}
                        </td>
                        <td
                            class="py-3.5 pl-4 text-right whitespace-nowrap"
                            :title="
                                'rate' in funnel.success && funnel.success.rate.trials > 0
                                    ? `95 % sure: between ${interval(funnel.success.rate)}`
                                    : ''
                            "
                        >
                            {{ shareWords(funnel.success) || '–' }}
                        </td>
                        <td class="py-3.5 pl-6 whitespace-nowrap">{{ ago(funnel.lastActivity) }}</td>
                        <td class="hidden py-3.5 pl-6 xl:table-cell">
                            <TrendLine
                                v-if="funnel.success.count > 0"
                                :values="funnel.success.trend"
                                :label="`${successWords(funnel.success)} in the last four weeks`"
                            /><span v-else class="text-soft">none</span>
                        </td>
                        <td class="py-3.5 pl-4 text-right">
                            <UiMenu :label="`Actions for ${funnel.name}`" :items="menu(funnel)"
                                ><EllipsisHorizontalIcon class="size-5" aria-hidden="true"
                            /></UiMenu>
                        </td>
                    </tr>
                </tbody>
            </table>
            <LabelsDialog :funnel="labelling" :known="labels" @close="labelling = null" @saved="load" />
        </template>
    </div>
</template>
