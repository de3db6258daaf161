<script setup lang="ts">
import { EllipsisHorizontalIcon, PlusIcon } from '@heroicons/vue/20/solid';
import { watchDebounced } from '@vueuse/core';
import { onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import { api, query } from '@/api/client';
import type { FunnelRow } from '@/api/types';
import { useToasts } from '@/stores/toasts';
import { usePulse } from '@/stores/pulse';
import { useSession } from '@/stores/session';
import { ago, count, interval, percent } from '@/ui/format';
import { newest } from '@/ui/newest';
import StateMark from '@/ui/StateMark.vue';
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
const states = [
    { value: '', label: 'All' },
    { value: 'live', label: 'Live' },
    { value: 'draft', label: 'Drafts' },
    { value: 'closed', label: 'Closed' },
    { value: 'archived', label: 'Archived' },
];

interface Answer {
    funnels: FunnelRow[];
    any: boolean;
}
const ask = newest<Answer>();

async function load(): Promise<void> {
    try {
        const answer = await ask(api.get<Answer>(`funnels?${query({ search: search.value, state: state.value, perPage: 100 })}`));
        if (!answer) {
            return;
        }
        funnels.value = answer.funnels;
        any.value = answer.any;
        loaded.value = true;
    } catch (error) {
        toasts.trouble(error);
    }
}

onMounted(load);
watchDebounced([search, state], load, { debounce: 150 });
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
        ? { label: 'Bring back', run: restore }
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
    return [{ label: 'Open', run: () => router.push(`/funnels/${funnel.id}`) }, duplicate, archive];
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
                <button v-if="search || state" type="button" class="link" @click="((search = ''), (state = ''))">Show all</button>
            </p>
            <table v-else-if="loaded" class="mt-4 w-full">
                <thead>
                    <tr class="border-b border-line text-left caption">
                        <th class="py-2 font-medium">Name</th>
                        <th class="py-2 font-medium">State</th>
                        <th class="py-2 text-right font-medium">Visitors</th>
                        <th class="py-2 text-right font-medium">Sign-ups</th>
                        <th class="py-2 text-right font-medium">Rate</th>
                        <th class="py-2 pl-8 font-medium">Sign-ups, 4 weeks</th>
                        <th class="py-2 font-medium">Last activity</th>
                        <th><span class="sr-only">Actions</span></th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="funnel in funnels" :key="funnel.id" class="border-b border-line hover:bg-raised">
                        <td class="max-w-72 py-3.5 pr-4">
                            <RouterLink
                                :to="`/funnels/${funnel.id}`"
                                class="block truncate font-display text-lg font-semibold hover:underline"
                                >{{ funnel.name }}</RouterLink
                            >
                            <span class="block truncate caption">/{{ funnel.address }}</span>
                        </td>
                        <td class="py-3.5"><StateMark :state="funnel.state" /></td>
                        <td class="py-3.5 text-right">{{ count(funnel.visitors) }}</td>
                        <td class="py-3.5 text-right">{{ count(funnel.signups) }}</td>
                        <td class="py-3.5 text-right" :title="`95 % sure: between ${interval(funnel.rate)}`">
                            {{ percent(funnel.rate.rate) }}
                        </td>
                        <td class="py-3.5 pl-8">
                            <TrendLine
                                v-if="funnel.trend.some((n) => n > 0)"
                                :values="funnel.trend"
                                :label="`${funnel.trend.reduce((a, b) => a + b, 0)} sign-ups in the last four weeks`"
                            /><span v-else class="text-soft">none</span>
                        </td>
                        <td class="py-3.5 whitespace-nowrap">{{ ago(funnel.lastActivity) }}</td>
                        <td class="py-3.5 text-right">
                            <UiMenu :label="`Actions for ${funnel.name}`" :items="menu(funnel)"
                                ><EllipsisHorizontalIcon class="size-5" aria-hidden="true"
                            /></UiMenu>
                        </td>
                    </tr>
                </tbody>
            </table>
        </template>
    </div>
</template>
