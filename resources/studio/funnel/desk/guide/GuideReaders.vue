<script setup lang="ts">
import { watchDebounced } from '@vueuse/core';
import { computed, onMounted, ref } from 'vue';
import { api, query } from '@/api/client';
import type { Guide, GuideNumbers, GuideReader } from '@/api/types';
import { againSentence, readingSentence, stopSentence, timeWords } from '@/funnel/desk/guide/words';
import CsvLink from '@/results/CsvLink.vue';
import { useToasts } from '@/stores/toasts';
import { ago, count } from '@/ui/format';
import PageTurner from '@/ui/PageTurner.vue';
import UiListbox from '@/ui/UiListbox.vue';

/** How a guide is read: by how many, how far, for how long; and by whom. */
const props = defineProps<{ guide: Guide }>();

const toasts = useToasts();
const numbers = ref<GuideNumbers | null>(null);
const readers = ref<GuideReader[]>([]);
const total = ref(0);
const page = ref(1);
const pages = ref(1);
const list = ref('all');
const search = ref('');
const LISTS = [
    { value: 'all', label: 'All who may read it' },
    { value: 'reading', label: 'Began, and have not finished' },
    { value: 'finished', label: 'Finished' },
    { value: 'not-begun', label: 'Have not begun' },
];
const asked = computed(() => query({ list: list.value, search: search.value, page: page.value }));

async function load(): Promise<void> {
    try {
        const found = await api.get<{ readers: GuideReader[]; total: number; pages: number }>(
            `guides/${props.guide.id}/readers?${asked.value}`,
        );
        [readers.value, total.value, pages.value] = [found.readers, found.total, found.pages];
    } catch (error) {
        toasts.trouble(error);
    }
}
onMounted(async () => {
    void load();
    try {
        numbers.value = await api.get<GuideNumbers>(`guides/${props.guide.id}/numbers`);
    } catch (error) {
        toasts.trouble(error);
    }
});
watchDebounced([list, search], () => (page.value === 1 ? load() : (page.value = 1)), { debounce: 200 });
watchDebounced(page, load, { debounce: 0 });
const share = (n: number) => (numbers.value && numbers.value.begun > 0 ? Math.round((100 * n) / numbers.value.begun) : 0);
</script>

<template>
    <div class="mx-auto max-w-4xl space-y-7 px-8 py-6">
        <section v-if="numbers" data-test="guide-numbers">
            <h2 class="text-xl">How it is read</h2>
            <p class="mt-1 text-lg">{{ readingSentence(numbers) }}</p>
            <template v-if="numbers.begun > 0">
                <p class="mt-1">{{ stopSentence(numbers) }} {{ againSentence(numbers) }}</p>
                <table class="mt-4 w-full">
                    <thead>
                        <tr class="border-b border-line text-left caption">
                            <th class="py-1.5 font-medium" colspan="2">Page</th>
                            <th class="w-2/5 font-medium">Came as far</th>
                            <th class="text-right font-medium">Read it</th>
                            <th class="text-right font-medium">Again</th>
                            <th class="text-right font-medium">Median time</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="(p, i) in numbers.pages" :key="p.id" class="border-b border-line">
                            <td class="w-7 py-1.5 text-soft">{{ i + 1 }}</td>
                            <td class="max-w-52 truncate pr-4">{{ p.name }}</td>
                            <td>
                                <span class="flex items-center gap-2"
                                    ><span
                                        class="h-3.5 rounded-xs bg-pine"
                                        :style="{ width: `${Math.max(0.5, share(p.reached) * 0.78)}%` }"
                                    ></span
                                    ><span class="text-sm whitespace-nowrap">{{ count(p.reached) }} · {{ share(p.reached) }} %</span></span
                                >
                            </td>
                            <td class="text-right">{{ count(p.read) }}</td>
                            <td class="text-right">{{ count(p.again) }}</td>
                            <td class="text-right whitespace-nowrap">{{ timeWords(p.median) }}</td>
                        </tr>
                    </tbody>
                </table>
                <CsvLink
                    name="guide"
                    :head="['page', 'came as far', 'looked at it', 'read it', 'came back to it', 'median seconds']"
                    :rows="numbers.pages.map((p) => [p.name, p.reached, p.seen, p.read, p.again, p.median])"
                />
            </template>
        </section>
        <section aria-labelledby="readers">
            <div class="flex flex-wrap items-end justify-between gap-3">
                <h2 id="readers" class="text-xl">
                    Readers <span class="font-sans text-base font-normal text-soft">{{ count(total) }}</span>
                </h2>
                <div class="flex items-end gap-2">
                    <input v-model="search" type="search" class="input w-48" placeholder="Name or address" aria-label="Find a reader" />
                    <UiListbox v-model="list" class="w-64" :options="LISTS" label="How far they have come" hide-label />
                    <a class="btn-quiet" :href="`/studio/api/guides/${guide.id}/readers/export?${asked}`">Export as CSV</a>
                </div>
            </div>
            <p v-if="readers.length === 0" class="mt-3 text-soft">Nobody here.</p>
            <table v-else class="mt-3 w-full" data-test="readers">
                <thead>
                    <tr class="border-b border-line text-left caption">
                        <th class="py-1.5 font-medium">Who</th>
                        <th class="w-1/3 font-medium">Read</th>
                        <th class="text-right font-medium">Time</th>
                        <th class="text-right font-medium">Last</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="r in readers" :key="r.id" class="border-b border-line">
                        <td class="max-w-60 truncate py-2 pr-3">
                            <RouterLink class="link" :to="`/people/${r.id}`">{{ r.name || r.email }}</RouterLink>
                        </td>
                        <td>
                            <span class="flex items-center gap-2"
                                ><span class="h-2 w-24 shrink-0 overflow-hidden rounded-full bg-line"
                                    ><span class="block h-full bg-pine" :style="{ width: `${r.share}%` }"></span></span
                                ><span class="truncate text-sm">{{
                                    r.finishedAt ? 'finished' : r.begunAt ? `${r.share} % · at “${r.lastPage}”` : 'not begun'
                                }}</span></span
                            >
                        </td>
                        <td class="text-right whitespace-nowrap">{{ r.seconds > 0 ? timeWords(r.seconds) : '–' }}</td>
                        <td class="text-right whitespace-nowrap text-soft">{{ r.lastAt ? ago(r.lastAt) : '–' }}</td>
                    </tr>
                </tbody>
            </table>
            <PageTurner :page="page" :pages="pages" :total="total" one="person" many="people" @turn="page = $event" />
        </section>
    </div>
</template>
