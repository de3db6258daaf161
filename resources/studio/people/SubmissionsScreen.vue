<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { useRoute } from 'vue-router';
import { query } from '@/api/client';
import type { SubmissionRow } from '@/api/types';
import { peopleTabs } from '@/people/tabs';
import { usePagedList } from '@/stores/pagedList';
import { usePeopleKit } from '@/stores/peopleKit';
import { dateTime } from '@/ui/format';
import PageTurner from '@/ui/PageTurner.vue';
import ScreenTabs from '@/ui/ScreenTabs.vue';
import DateField from '@/ui/DateField.vue';
import UiListbox from '@/ui/UiListbox.vue';

interface Answer {
    total: number;
    page: number;
    pages: number;
    submissions: SubmissionRow[];
}

const route = useRoute();
const people = usePeopleKit();
const search = ref('');
const funnel = ref(typeof route.query.funnel === 'string' ? route.query.funnel : '');
const form = computed(() => (typeof route.query.form === 'string' ? route.query.form : ''));
const state = ref('');
const from = ref('');
const until = ref('');
const filters = computed(() => ({
    search: search.value,
    funnel: funnel.value,
    form: form.value,
    state: state.value,
    from: from.value,
    until: until.value,
}));

const { answer, page } = usePagedList<Answer>('submissions', filters);
onMounted(people.load);
</script>

<template>
    <div class="mx-auto max-w-6xl px-8 py-6">
        <div class="flex items-end justify-between gap-4">
            <h1 class="text-3xl">People</h1>
            <a class="btn" :href="`/studio/api/submissions/export?${query(filters)}`" download>Export as CSV</a>
        </div>
        <ScreenTabs class="mt-3" :tabs="peopleTabs" />
        <div class="mt-4 grid gap-3 sm:grid-cols-2 lg:grid-cols-[1fr_13rem_11rem_11rem_11rem]">
            <input v-model="search" type="search" class="input" placeholder="Search in the answers" aria-label="Search in the answers" />
            <UiListbox
                v-model="funnel"
                label="Funnel"
                hide-label
                :options="[{ value: '', label: 'Every funnel' }, ...people.kit.funnels.map((f) => ({ value: f.id, label: f.name }))]"
            />
            <UiListbox
                v-model="state"
                label="State"
                hide-label
                :options="[
                    { value: '', label: 'In any state' },
                    { value: 'taken', label: 'Accepted' },
                    { value: 'waiting', label: 'Not confirmed yet' },
                ]"
            />
            <DateField v-model="from" label="From this day on" hide-label />
            <DateField v-model="until" label="Until this day" hide-label />
        </div>
        <template v-if="answer">
            <p v-if="answer.submissions.length === 0" class="mt-6 border-t border-line py-10 text-soft">
                No form was filled in {{ search || funnel || state || from || until || form ? 'that matches this' : 'yet' }}.
            </p>
            <ul v-else class="mt-3 divide-y divide-line border-t border-line">
                <li v-for="row in answer.submissions" :key="row.id" class="grid gap-x-6 py-3 sm:grid-cols-[13rem_1fr_1fr]">
                    <div>
                        <RouterLink :to="`/people/${row.person.id}`" class="block truncate font-medium hover:underline">{{
                            row.person.name
                        }}</RouterLink>
                        <span class="block caption">{{ dateTime(row.at) }}</span>
                        <span v-if="row.state === 'waiting'" class="block text-sm font-medium text-clay-deep">not confirmed yet</span>
                    </div>
                    <dl class="min-w-0">
                        <div v-for="a in row.answers" :key="a.label" class="flex gap-2">
                            <dt class="shrink-0 text-soft">{{ a.label }}</dt>
                            <dd class="min-w-0 break-words whitespace-pre-line">{{ a.value }}</dd>
                        </div>
                    </dl>
                    <div class="min-w-0 text-sm text-soft">
                        <p>{{ row.funnel }} · {{ row.form }} · version {{ row.version }}</p>
                        <p v-if="row.consentWords">{{ row.consented ? 'Agreed to' : 'Did not agree to' }}: “{{ row.consentWords }}”</p>
                        <p v-if="row.marketingWords">{{ row.marketing ? 'Agreed to' : 'Did not agree to' }}: “{{ row.marketingWords }}”</p>
                        <p>
                            {{ row.ip ? `from ${row.ip}` : '' }}{{ row.source.utm_source ? `, came by ${row.source.utm_source}` : ''
                            }}{{ row.confirmedAt ? `, confirmed ${dateTime(row.confirmedAt)}` : '' }}
                        </p>
                    </div>
                </li>
            </ul>
            <PageTurner
                :page="answer.page"
                :pages="answer.pages"
                :total="answer.total"
                one="submission"
                many="submissions"
                @turn="page = $event"
            />
        </template>
    </div>
</template>
