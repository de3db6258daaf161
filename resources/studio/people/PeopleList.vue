<script setup lang="ts">
import { watchDebounced } from '@vueuse/core';
import { computed, onMounted, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, query } from '@/api/client';
import type { PersonRow } from '@/api/types';
import { useNotices } from '@/stores/notices';
import { usePulse } from '@/stores/pulse';
import { ago, dateTime } from '@/ui/format';
import { newest } from '@/ui/newest';
import PageTurner from '@/ui/PageTurner.vue';
import UiListbox from '@/ui/UiListbox.vue';

interface Answer {
    total: number;
    page: number;
    pages: number;
    people: PersonRow[];
    tags: { id: number; name: string }[];
    funnels: { id: string; name: string }[];
}

const route = useRoute();
const router = useRouter();
const notices = useNotices();
const answer = ref<Answer | null>(null);
const search = ref('');
const tag = ref(0);
const sort = ref('joined');
const page = ref(1);
const funnel = computed(() => (typeof route.query.funnel === 'string' ? route.query.funnel : ''));

const ask = newest<Answer>();

async function load(): Promise<void> {
    try {
        const fresh = await ask(
            api.get<Answer>(
                `people?${query({ search: search.value, tag: tag.value || undefined, funnel: funnel.value, sort: sort.value, page: page.value, perPage: 25 })}`,
            ),
        );
        answer.value = fresh ?? answer.value;
    } catch (error) {
        notices.trouble(error);
    }
}

onMounted(load);
usePulse(load);
watchDebounced(
    [search, tag, sort, funnel],
    () => {
        page.value = 1;
        void load();
    },
    { debounce: 150 },
);
watch(page, load);
const filtered = computed(() => search.value !== '' || tag.value !== 0 || funnel.value !== '');
</script>

<template>
    <div class="mx-auto max-w-6xl px-8 py-8">
        <h1 class="text-3xl">People</h1>
        <div class="mt-5 grid gap-3 sm:grid-cols-[1fr_13rem_13rem_11rem]">
            <input
                v-model="search"
                type="search"
                class="input"
                placeholder="Search by name or address"
                aria-label="Search people by name or address"
            />
            <UiListbox
                :model-value="funnel"
                label="Funnel"
                hide-label
                :options="[
                    { value: '', label: 'From every funnel' },
                    ...(answer?.funnels.map((f) => ({ value: f.id, label: f.name })) ?? []),
                ]"
                @update:model-value="(f: string) => router.replace({ query: f ? { funnel: f } : {} })"
            />
            <UiListbox
                v-model="tag"
                label="Tag"
                hide-label
                :options="[{ value: 0, label: 'With any tag' }, ...(answer?.tags.map((t) => ({ value: t.id, label: t.name })) ?? [])]"
            />
            <UiListbox
                v-model="sort"
                label="Order"
                hide-label
                :options="[
                    { value: 'joined', label: 'Newest first' },
                    { value: 'name', label: 'By name' },
                    { value: 'email', label: 'By address' },
                ]"
            />
        </div>
        <template v-if="answer">
            <p v-if="answer.people.length === 0" class="mt-6 border-t border-line py-10 text-soft">
                {{
                    filtered
                        ? 'Nobody matches this.'
                        : 'Nobody has joined yet. Publish a funnel and share its link; whoever signs up appears here by themselves.'
                }}
            </p>
            <template v-else>
                <table class="mt-4 w-full table-fixed">
                    <thead>
                        <tr class="border-b border-line text-left caption">
                            <th class="w-[17%] py-2 font-medium">Name</th>
                            <th class="w-[26%] py-2 font-medium">Address</th>
                            <th class="py-2 font-medium">Tags</th>
                            <th class="w-[15%] py-2 font-medium">From</th>
                            <th class="w-[12%] py-2 font-medium">Joined</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="person in answer.people" :key="person.id" class="border-b border-line hover:bg-raised">
                            <td class="truncate py-2.5 pr-3">
                                <RouterLink :to="`/people/${person.id}`" class="font-medium hover:underline">{{
                                    `${person.firstName} ${person.lastName}`.trim() || 'No name given'
                                }}</RouterLink>
                                <span v-if="person.ownerTry" class="ml-1 caption"> · you, trying</span>
                            </td>
                            <td class="truncate py-2.5 pr-3">
                                {{ person.email }} <span v-if="person.unsubscribed" class="text-sm text-clay-deep">unsubscribed</span>
                            </td>
                            <td class="truncate py-2.5 pr-3">
                                <span v-for="t in person.tags" :key="t" class="mr-1 rounded bg-pine-pale px-1.5 py-0.5 text-sm text-pine">{{
                                    t
                                }}</span>
                            </td>
                            <td class="truncate py-2.5 pr-3">{{ person.from }}</td>
                            <td class="truncate py-2.5" :title="dateTime(person.joinedAt)">{{ ago(person.joinedAt) }}</td>
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
