<script setup lang="ts">
import { ArrowDownTrayIcon, ArrowUpTrayIcon, ChevronLeftIcon, MagnifyingGlassIcon } from '@heroicons/vue/20/solid';
import { computed, reactive, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, ApiError, query } from '@/api/client';
import type { PhraseImport, PhrasePlace, PhraseRow, Phrases } from '@/api/types';
import PhraseField from '@/settings/PhraseField.vue';
import { useToasts } from '@/stores/toasts';
import { useAutosave } from '@/ui/autosave';
import { counted } from '@/ui/format';
import { languageName } from '@/ui/languages';
import { useLeaving } from '@/ui/leaving';
import UiSwitch from '@/ui/UiSwitch.vue';
import VisitorLanguage from '@/ui/VisitorLanguage.vue';

/** What the application says to visitors, where they meet it, and in which words: of all funnels, or of one. */
const route = useRoute();
const router = useRouter();
const toasts = useToasts();

const funnel = computed(() => (typeof route.params.id === 'string' ? route.params.id : null));
const base = computed(() => (funnel.value === null ? 'settings/phrases' : `funnels/${funnel.value}/phrases`));
const phrases = ref<Phrases | null>(null);
const texts = reactive<Record<string, string>>({});
const errors = reactive(new Map<string, string>());
const place = ref('');
const words = ref('');
const changedOnly = ref(false);
const fileError = ref('');
const refused = ref<PhraseImport['refused']>([]);
/** More than these at once are too many to look through. */
const MOST = 60;

async function load(language: string): Promise<void> {
    try {
        const found = await api.get<Phrases>(`${base.value}?${query({ language })}`);
        for (const row of found.places.flatMap((p) => p.phrases)) {
            texts[row.key] = row.text;
        }
        errors.clear();
        phrases.value = found;
        if (!found.places.some((p) => p.place === place.value)) {
            place.value = found.places[0]?.place ?? '';
        }
    } catch (caught) {
        toasts.trouble(caught);
    }
}
watch(
    () => [funnel.value, route.query.language],
    async () => {
        await saving.flush();
        await load(typeof route.query.language === 'string' ? route.query.language : '');
    },
);
void load(typeof route.query.language === 'string' ? route.query.language : '');

function row(key: string): PhraseRow | undefined {
    return phrases.value?.places.flatMap((p) => p.phrases).find((r) => r.key === key);
}

/** Each by itself: one that cannot be said keeps no other from being saved. */
async function save(changed: Partial<Record<string, string>>, language: string): Promise<void> {
    let wrong: ApiError | null = null;
    for (const [key, text] of Object.entries(changed)) {
        try {
            const answer = await api.put<{ examples: Record<string, string> }>(base.value, { language, texts: { [key]: text ?? '' } });
            errors.delete(key);
            const shown = row(key);
            if (shown) {
                shown.text = text ?? '';
                shown.example = answer.examples[key] || shown.example;
            }
        } catch (caught) {
            if (!(caught instanceof ApiError) || caught.status !== 422) {
                throw caught;
            }
            errors.set(key, caught.field(`texts.${key}`) ?? caught.message);
            wrong = caught;
        }
    }
    if (wrong !== null) {
        throw wrong;
    }
}
const saving = useAutosave<Record<string, string>>((changed) => save(changed, phrases.value?.language ?? ''));
const { status, words: savedWords } = saving;
useLeaving({
    flush: saving.flush,
    saved: () => status.value === 'saved',
    trouble: () => (status.value === 'refused' ? 'A phrase cannot be said as it is: see what is marked.' : saving.trouble.value),
});

function write(key: string, text: string): void {
    texts[key] = text;
    saving.edit({ [key]: text });
}

const isChanged = (r: PhraseRow) => (texts[r.key] ?? '') !== '' || errors.has(r.key);
const changes = (p: PhrasePlace) => p.phrases.filter(isChanged).length;
const plain = (text: string) => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
const searching = computed(() => words.value.trim() !== '' || changedOnly.value);
/** Places with the phrases that are shown of them. */
const found = computed<PhrasePlace[]>(() => {
    const all = phrases.value?.places ?? [];
    if (!searching.value) {
        return all.filter((p) => p.place === place.value);
    }
    const wanted = plain(words.value.trim());
    const some: PhrasePlace[] = [];
    let left = MOST;
    for (const p of all) {
        const rows = p.phrases
            .filter((r) => (!changedOnly.value || isChanged(r)) && plain(`${r.english} ${r.ships} ${texts[r.key] ?? ''}`).includes(wanted))
            .slice(0, left);
        left -= rows.length;
        if (rows.length > 0) {
            some.push({ ...p, phrases: rows });
        }
    }
    return some;
});
const allChanges = computed(() => (phrases.value?.places ?? []).reduce((sum, p) => sum + changes(p), 0));
const exportUrl = computed(() => `/studio/api/${base.value}/export?${query({ language: phrases.value?.language })}`);

async function bring(event: Event): Promise<void> {
    const input = event.target as HTMLInputElement;
    const file = input.files?.[0];
    if (!file) {
        return;
    }
    fileError.value = '';
    refused.value = [];
    await saving.flush();
    const form = new FormData();
    form.append('file', file);
    try {
        const { language, changed, refused: bad, before } = await api.post<PhraseImport>(`${base.value}/import`, form);
        refused.value = bad;
        await router.replace({ query: { language } });
        await load(language);
        toasts.say(
            `${counted(changed, 'phrase')} in ${languageName(language)} ${changed === 1 ? 'is' : 'are'} said otherwise now.`,
            changed === 0
                ? undefined
                : {
                      label: 'Undo',
                      run: async () => {
                          await api.put(base.value, { language, texts: before });
                          await load(language);
                      },
                  },
        );
    } catch (caught) {
        fileError.value = caught instanceof ApiError ? (caught.field('file') ?? caught.message) : 'It could not be read. Please try again.';
    } finally {
        input.value = '';
    }
}
</script>

<template>
    <div class="mx-auto max-w-6xl px-8 py-10">
        <RouterLink :to="funnel === null ? '/settings' : `/funnels/${funnel}/settings`" class="-ml-2 btn-quiet"
            ><ChevronLeftIcon class="size-4" aria-hidden="true" />{{ funnel === null ? 'Settings' : phrases?.name }}</RouterLink
        >
        <div class="flex flex-wrap items-center gap-4">
            <h1 class="mr-auto text-3xl">What visitors are told</h1>
            <span class="caption" role="status" :class="{ 'font-medium text-clay-deep': ['refused', 'offline'].includes(status) }">{{
                status === 'refused' ? 'Not saved: see what is marked' : savedWords
            }}</span>
            <div v-if="phrases" class="flex gap-2">
                <a class="btn" :href="exportUrl" download><ArrowDownTrayIcon class="size-4" aria-hidden="true" />Save as a file</a>
                <label class="btn cursor-pointer has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-pine"
                    ><ArrowUpTrayIcon class="size-4" aria-hidden="true" />Bring a file<input
                        type="file"
                        class="sr-only"
                        accept=".po,.pot,text/x-gettext-translation"
                        aria-label="Bring a file of phrases (PO)"
                        @change="bring"
                /></label>
            </div>
        </div>
        <p class="mt-2 max-w-3xl text-soft">
            Beside your own words the application says some itself: labels, errors, receipts, whole pages.
            {{
                funnel === null
                    ? 'Say any of it in your words, for all your funnels; what is published shows it at once. A funnel can say it otherwise.'
                    : 'Say any of it in other words in this funnel; they go live with its next version. Elsewhere it stays as it is.'
            }}
        </p>
        <div v-if="phrases" class="mt-6 flex flex-wrap items-end gap-x-6 gap-y-3">
            <VisitorLanguage
                in-row
                :model-value="phrases.language"
                label="Language"
                @update:model-value="(tag: string) => router.replace({ query: { language: tag } })"
            />
            <div class="w-64">
                <label class="label" for="phrase-search">Find a phrase</label>
                <div class="relative">
                    <MagnifyingGlassIcon class="pointer-events-none absolute top-3 left-3 size-4 text-soft" aria-hidden="true" />
                    <input id="phrase-search" v-model="words" class="input pl-9" type="search" autocomplete="off" />
                </div>
            </div>
            <UiSwitch v-model="changedOnly" class="pb-2" :label="`Only what is changed (${allChanges})`" />
        </div>
        <p v-if="fileError" class="mt-3 font-medium text-clay-deep" role="alert">{{ fileError }}</p>
        <div v-if="refused.length > 0" class="mt-4 border-l-4 border-clay-deep pl-4" role="alert">
            <p class="font-medium">{{ counted(refused.length, 'text') }} of the file could not be taken over:</p>
            <ul class="mt-1 max-h-48 space-y-1 overflow-auto">
                <li v-for="r in refused" :key="r.key">
                    <span class="font-medium" dir="auto">“{{ r.text || r.key }}”</span> {{ r.why }}
                </li>
            </ul>
        </div>
        <div v-if="phrases" class="mt-6 grid gap-10 border-t border-line pt-6 md:grid-cols-[16rem_1fr]">
            <nav aria-label="Where visitors meet it" class="max-h-[70vh] overflow-auto md:sticky md:top-6">
                <ul>
                    <li v-for="p in phrases.places" :key="p.place">
                        <button
                            type="button"
                            class="flex w-full items-baseline justify-between gap-2 rounded px-2 py-1 text-left hover:bg-lamp-pale"
                            :class="{ 'bg-lamp-pale font-medium': !searching && p.place === place }"
                            :aria-current="!searching && p.place === place ? 'true' : undefined"
                            @click="
                                place = p.place;
                                words = '';
                                changedOnly = false;
                            "
                        >
                            <span>{{ p.title }}</span><span
                                v-if="changes(p) > 0"
                                class="caption"
                                :title="`${counted(changes(p), 'phrase')} in your words`"
                                >{{ changes(p) }}</span
                            >
                        </button>
                    </li>
                </ul>
            </nav>
            <div class="min-w-0">
                <p v-if="found.length === 0" class="text-soft">
                    {{ changedOnly ? 'Nothing is said in your own words here.' : 'No phrase has these words in it.' }}
                </p>
                <section v-for="p in found" :key="p.place" class="mb-8" :aria-label="p.title">
                    <h2 class="text-xl">{{ p.title }}</h2>
                    <p class="text-soft">{{ p.when }}</p>
                    <div class="mt-1 divide-y divide-line">
                        <PhraseField
                            v-for="r in p.phrases"
                            :key="`${phrases.language} ${r.key}`"
                            :phrase="r"
                            :text="texts[r.key] ?? ''"
                            :language="phrases.language"
                            :error="errors.get(r.key)"
                            @write="(text: string) => write(r.key, text)"
                        />
                    </div>
                </section>
            </div>
        </div>
    </div>
</template>
