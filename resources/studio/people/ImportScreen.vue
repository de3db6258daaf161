<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core';
import { computed, onMounted, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, ApiError } from '@/api/client';
import type { ImportRow } from '@/api/types';
import { peopleTabs } from '@/people/tabs';
import { useToasts } from '@/stores/toasts';
import { usePeopleKit } from '@/stores/peopleKit';
import FileDrop from '@/ui/FileDrop.vue';
import { count, counted, dateTime } from '@/ui/format';
import ScreenTabs from '@/ui/ScreenTabs.vue';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';
import UiSwitch from '@/ui/UiSwitch.vue';

const route = useRoute();
const router = useRouter();
const toasts = useToasts();
const people = usePeopleKit();
const file = ref<File | null>(null);
const error = ref('');
const imports = ref<ImportRow[]>([]);
const open = ref<ImportRow | null>(null);
const columns = ref<string[]>([]);
const known = ref('fill');
const tags = ref('');
const marketing = ref(true);
const agreed = ref(false);
const fresh = ref<Record<number, string>>({});
const refused = ref<ApiError | null>(null);
const done = computed(() =>
    open.value && open.value.lines > 0 ? Math.min(100, Math.round((open.value.done / open.value.lines) * 100)) : 0,
);

async function load(): Promise<void> {
    try {
        imports.value = (await api.get<{ imports: ImportRow[] }>('imports')).imports;
    } catch (caught) {
        toasts.trouble(caught);
    }
}

async function show(id: unknown): Promise<void> {
    if (typeof id !== 'string' || id === '') {
        open.value = null;
        await load();
        return;
    }
    try {
        const found = await api.get<ImportRow>(`imports/${id}`);
        if (open.value?.id !== found.id) {
            columns.value = [...found.reading.guess];
            fresh.value = {};
            agreed.value = false;
            tags.value = '';
            refused.value = null;
        }
        open.value = found;
    } catch (caught) {
        toasts.trouble(caught);
        await router.replace('/people/imports');
    }
}
onMounted(() => people.load());
watch(() => route.params.id, show, { immediate: true });
useIntervalFn(() => ['running', 'undoing'].includes(open.value?.state ?? '') && void show(open.value?.id), 700);

async function bring(given: File): Promise<void> {
    file.value = given;
    error.value = '';
    const form = new FormData();
    form.append('file', given);
    try {
        const made = await api.post<ImportRow>('imports', form);
        await router.push(`/people/imports/${made.id}`);
    } catch (caught) {
        error.value = caught instanceof ApiError ? caught.message : 'It could not be uploaded. Please try again.';
    } finally {
        file.value = null;
    }
}

const targets = computed(() => [
    { value: '', label: 'Leave it out' },
    { value: 'email', label: 'Email address' },
    { value: 'first_name', label: 'First name' },
    { value: 'last_name', label: 'Last name' },
    { value: 'full_name', label: 'Whole name' },
    { value: 'phone', label: 'Phone' },
    { value: 'tags', label: 'Tags' },
    { value: 'timezone', label: 'Time zone' },
    { value: 'language', label: 'Language' },
    { value: 'standing', label: 'Whether they may be written to' },
    { value: 'joined', label: 'Day they joined' },
    ...people.kit.fields.filter((f) => f.own).map((f) => ({ value: f.name, label: f.label })),
    { value: '+', label: 'A new field of yours' },
]);
/** A new field is called what its column is called. */
const nameOf = (i: number): string =>
    (open.value?.reading.headings[i] ?? `column ${i + 1}`)
        .toLowerCase()
        .normalize('NFD')
        .replace(/[^a-z0-9]+/g, '_')
        .replace(/^[^a-z]+|_+$/g, '')
        .slice(0, 40) || `column_${i + 1}`;

function setColumn(i: number, to: string): void {
    columns.value[i] = to === '+' ? nameOf(i) : to;
    fresh.value[i] = to === '+' ? nameOf(i) : '';
}
const optionsFor = (i: number) =>
    fresh.value[i] ? [...targets.value, { value: fresh.value[i]!, label: `New: ${open.value?.reading.headings[i]}` }] : targets.value;

async function start(): Promise<void> {
    refused.value = null;
    try {
        open.value = await api.post<ImportRow>(`imports/${open.value!.id}/start`, {
            columns: columns.value,
            known: known.value,
            marketing: marketing.value,
            agreed: agreed.value,
            tags: tags.value
                .split(',')
                .map((t) => t.trim())
                .filter((t) => t !== ''),
        });
    } catch (caught) {
        if (caught instanceof ApiError && caught.status === 422) {
            refused.value = caught;
        } else {
            toasts.trouble(caught);
        }
    }
}

async function run(verb: 'undo' | 'stop'): Promise<void> {
    try {
        const answer = await api.post<ImportRow>(`imports/${open.value!.id}/${verb}`);
        await show(answer.id);
    } catch (caught) {
        toasts.trouble(caught);
    }
}
const states: Record<ImportRow['state'], string> = {
    new: 'not begun',
    running: 'running',
    done: 'done',
    stopped: 'stopped',
    undoing: 'being undone',
    undone: 'undone',
};
const stateWords = computed(() => {
    switch (open.value?.state) {
        case 'stopped':
            return 'Stopped before the end.';
        case 'undoing':
            return 'Being undone … You can leave; it goes on by itself.';
        case 'undone':
            return open.value.stayed
                ? `Undone. ${counted(open.value.stayed, 'person stays', 'people stay')}: something has happened with them since.`
                : 'Undone. Everybody is as they were.';
        default:
            return 'All lines are read.';
    }
});
</script>

<template>
    <div class="mx-auto max-w-6xl px-8 py-6">
        <h1 class="text-3xl">People</h1>
        <ScreenTabs class="mt-3" :tabs="peopleTabs" />

        <div v-if="!open" class="mt-6 grid gap-10 lg:grid-cols-[1.2fr_1fr]">
            <section aria-labelledby="bring">
                <h2 id="bring" class="text-xl">Import a list</h2>
                <p class="mt-1 mb-4 text-soft">
                    A list from a spreadsheet or an address book. You see what is in it before anything is stored.
                </p>
                <FileDrop
                    :file="file"
                    :label="file ? 'Looking at it …' : 'Choose a list, or drop it here'"
                    hint="CSV, vCard or JSON, up to 100 MB, in any encoding."
                    accept=".csv,.tsv,.txt,.vcf,text/csv,text/vcard"
                    :error="error"
                    @choose="bring"
                />
            </section>
            <section aria-labelledby="earlier">
                <h2 id="earlier" class="text-xl">Imported so far</h2>
                <p v-if="imports.length === 0" class="mt-2 text-soft">No list yet.</p>
                <ul class="mt-2 divide-y divide-line">
                    <li v-for="row in imports" :key="row.id">
                        <RouterLink
                            :to="`/people/imports/${row.id}`"
                            class="flex items-baseline justify-between gap-3 py-2 hover:bg-raised"
                        >
                            <span class="min-w-0 truncate font-medium">{{ row.name }}</span>
                            <span class="shrink-0 caption"
                                >{{ count(row.added) }} added{{ row.refused ? `, ${count(row.refused)} refused` : '' }} ·
                                {{ states[row.state] }} · {{ dateTime(row.at) }}</span
                            >
                        </RouterLink>
                    </li>
                </ul>
            </section>
        </div>

        <section v-else-if="open.state === 'new'" class="mt-6" aria-labelledby="columns">
            <RouterLink to="/people/imports" class="link">Another list</RouterLink>
            <h2 id="columns" class="mt-2 text-xl">{{ open.name }}: {{ counted(open.lines, 'line') }}</h2>
            <p class="mt-1 text-soft">
                {{ open.reading.format }}, written in {{ open.reading.encoding }}. Say which column is what; the first lines stand below.
            </p>
            <div class="mt-4 overflow-x-auto border-y border-line">
                <table class="min-w-full">
                    <thead>
                        <tr class="align-bottom">
                            <th v-for="(heading, i) in open.reading.headings" :key="i" class="min-w-44 p-2 text-left font-normal">
                                <span class="mb-1 block truncate font-medium">{{ heading }}</span>
                                <select
                                    class="input"
                                    :value="columns[i]"
                                    :aria-label="`What “${heading}” is`"
                                    @change="setColumn(i, ($event.target as HTMLSelectElement).value)"
                                >
                                    <option v-for="o in optionsFor(i)" :key="o.value" :value="o.value">{{ o.label }}</option>
                                </select>
                            </th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="(row, r) in open.reading.rows" :key="r" class="border-t border-line">
                            <td
                                v-for="(_, i) in open.reading.headings"
                                :key="i"
                                class="max-w-60 truncate px-2 py-1.5"
                                :class="{ 'text-soft line-through': !columns[i] }"
                            >
                                {{ row[i] }}
                            </td>
                        </tr>
                    </tbody>
                </table>
            </div>
            <form class="mt-5 grid gap-5 lg:grid-cols-2" novalidate @submit.prevent="start">
                <div class="space-y-4">
                    <UiListbox
                        v-model="known"
                        label="People who are there already"
                        :options="[
                            { value: 'fill', label: 'Fill in what is not known of them' },
                            { value: 'replace', label: 'Replace what is known of them' },
                            { value: 'skip', label: 'Leave them as they are' },
                        ]"
                    />
                    <TextField v-model="tags" label="Tags for everybody on this list" hint="Several with commas between." />
                </div>
                <div class="space-y-4">
                    <UiSwitch v-model="marketing" label="They agreed to news now and then, not only to one thing" />
                    <label class="flex items-start gap-2.5">
                        <input v-model="agreed" type="checkbox" class="mt-1 size-4.5 accent-pine" />
                        <span>These people agreed to hear from me, and I can show it.</span>
                    </label>
                    <p class="hint">Importing people starts no sequence and sends nothing. Whoever unsubscribed stays unsubscribed.</p>
                    <p v-if="refused" class="font-medium text-clay-deep" role="alert">{{ refused.message }}</p>
                    <button type="submit" class="btn-main">Import {{ counted(open.lines, 'line') }}</button>
                </div>
            </form>
        </section>

        <section v-else class="mt-6" aria-labelledby="result">
            <RouterLink to="/people/imports" class="link">All lists</RouterLink>
            <h2 id="result" class="mt-2 text-xl">{{ open.name }}</h2>
            <div v-if="open.state === 'running'" class="mt-3 max-w-xl">
                <div
                    class="h-3 overflow-hidden rounded-full bg-line"
                    role="progressbar"
                    :aria-valuenow="done"
                    aria-valuemin="0"
                    aria-valuemax="100"
                    aria-label="How far it is"
                >
                    <div class="h-full bg-lamp transition-all" :style="{ width: `${done}%` }"></div>
                </div>
                <p class="mt-2 text-soft" role="status">
                    {{ count(open.done) }} of {{ count(open.lines) }} lines. You can leave; it goes on by itself.
                </p>
                <button type="button" class="mt-2 btn" @click="run('stop')">Stop here</button>
            </div>
            <template v-else>
                <p class="mt-1 text-soft" role="status" data-test="import-state">
                    {{ stateWords }}
                </p>
                <dl class="mt-3 flex gap-10">
                    <div
                        v-for="[label, n] in [
                            ['added', open.added],
                            ['changed', open.updated],
                            ['there already', open.same],
                            ['refused', open.refused],
                        ] as [string, number][]"
                        :key="label"
                    >
                        <dd class="font-display text-3xl font-semibold" :class="{ 'text-clay-deep': label === 'refused' && n > 0 }">
                            {{ count(n) }}
                        </dd>
                        <dt class="text-soft">{{ label }}</dt>
                    </div>
                </dl>
                <div class="mt-4 flex gap-2">
                    <RouterLink to="/people" class="btn-main">See everybody</RouterLink>
                    <button v-if="['done', 'stopped'].includes(open.state)" type="button" class="btn" @click="run('undo')">
                        Undo this import
                    </button>
                </div>
            </template>
            <template v-if="open.refused + open.noted > 0">
                <div class="mt-8 flex items-end justify-between gap-4">
                    <h3 class="text-lg">{{ open.noted > 0 ? 'Lines to look at' : 'Refused lines' }}</h3>
                    <a class="btn" :href="`/studio/api/imports/${open.id}/report`" download>All of them as CSV</a>
                </div>
                <table class="mt-2 w-full table-fixed">
                    <thead>
                        <tr class="border-b border-line text-left caption">
                            <th class="w-20 py-2 font-medium">Line</th>
                            <th class="w-[40%] py-2 font-medium">Why</th>
                            <th class="py-2 font-medium">What stood there</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="row in open.refusals ?? []" :key="row.line" class="border-b border-line align-top">
                            <td class="py-1.5">{{ count(row.line) }}</td>
                            <td class="py-1.5 pr-4">{{ row.why }}</td>
                            <td class="truncate py-1.5 font-mono text-sm">{{ row.raw }}</td>
                        </tr>
                    </tbody>
                </table>
            </template>
        </section>
    </div>
</template>
