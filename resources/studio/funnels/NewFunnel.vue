<script setup lang="ts">
import {
    BanknotesIcon,
    CalendarDaysIcon,
    DocumentTextIcon,
    GiftIcon,
    PencilSquareIcon,
    PlayCircleIcon,
    PlusCircleIcon,
    QueueListIcon,
    VideoCameraIcon,
} from '@heroicons/vue/24/outline';
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { api, ApiError } from '@/api/client';
import FileDrop from '@/ui/FileDrop.vue';
import { useSession } from '@/stores/session';
import { follow } from '@/ui/follow';
import { baseOf, languageName, plainTag } from '@/ui/languages';
import TextField from '@/ui/TextField.vue';
import VisitorLanguage from '@/ui/VisitorLanguage.vue';

const router = useRouter();
const session = useSession();
const goals = [
    {
        id: 'give-away',
        icon: GiftIcon,
        title: 'Give something away',
        words: 'A guide, a checklist, a recording: for an email address.',
        gets: 'Opt-in page, thank-you page with the download, form, welcome email',
        ask: 'What is the lead magnet called?',
        example: 'The Twelve-Minute Practice Plan',
        file: true,
    },
    {
        id: 'long-opt-in',
        icon: DocumentTextIcon,
        title: 'Give it away, at length',
        words: 'A long opt-in page, for those who want to know more first.',
        gets: 'Long opt-in page, thank-you page with the download, form, welcome email',
        ask: 'What is the lead magnet called?',
        example: 'The Twelve-Minute Practice Plan',
        file: true,
    },
    {
        id: 'waiting-list',
        icon: QueueListIcon,
        title: 'Gather a waiting list',
        words: 'For something that opens later.',
        gets: 'Opt-in page, thank-you page, form, welcome email',
        ask: 'What are they waiting for?',
        example: 'First Season, autumn',
    },
    {
        id: 'webinar',
        icon: VideoCameraIcon,
        title: 'Hold a webinar',
        words: 'From the registration to the offer afterwards.',
        gets: 'Registration, confirmation, room, replay, sales, delivery and closed page, form with the sessions, reminders, emails for those who came, left or missed it, a deadline on the offer',
        ask: 'What is the webinar called?',
        example: 'From Open Strings to Your First Melody',
        price: true,
        introductory: true,
        mode: true,
    },
    {
        id: 'video-series',
        icon: PlayCircleIcon,
        title: 'Run a video series',
        words: 'Three videos over five days, then the offer.',
        gets: 'Opt-in page, three video pages, sales, delivery and closed page, form, four emails',
        ask: 'What is the series called?',
        example: 'Your First Melody in Three Videos',
        price: true,
    },
    {
        id: 'sell',
        icon: BanknotesIcon,
        title: 'Sell a programme',
        words: 'With an extra offer, and a smaller one for those who decline.',
        gets: 'Sales, upsell, downsell, delivery and closed page, all connected',
        ask: 'What is the programme called?',
        example: 'First Season',
        price: true,
        introductory: true,
    },
    {
        id: 'launch',
        icon: CalendarDaysIcon,
        title: 'Hold a launch',
        words: 'It opens for everyone at once, for some days. A waiting list before and after.',
        gets: 'Introductory and regular sales page and checkout, upsell, downsell, delivery and closed page, form, opening and closing moments, seven emails',
        ask: 'What is the programme called?',
        example: 'First Season',
        price: true,
        introductory: true,
    },
    {
        id: 'form',
        icon: PencilSquareIcon,
        title: 'Just a form',
        words: 'One page with a form, to share its link.',
        gets: 'Form page, thank-you page, form, one email',
        ask: 'What is the form for? It is the headline.',
        example: 'Ask about a cello lesson',
    },
    {
        id: 'own',
        icon: PlusCircleIcon,
        title: 'Begin with nothing',
        words: 'An empty funnel, to put together page by page.',
        gets: 'An empty timeline. You add the first page to it',
    },
];
const goal = ref('');
const manners = [
    { value: 'live', label: 'Live: I speak at a set time' },
    { value: 'automated', label: 'Automated: a recording plays, again and again' },
];
const chosen = computed(() => goals.find((g) => g.id === goal.value));
const title = ref('');
const name = ref('');
/** It is called as visitors read it, until something else is typed. */
follow(
    () => title.value,
    () => name.value,
    (words) => (name.value = words),
);
const language = ref(session.business?.language ?? 'en');
const written = computed(() => session.kit.starterLanguages.includes(baseOf(language.value)));
const price = ref('');
const introductory = ref('');
const mode = ref('live');
const file = ref<File | null>(null);
const gives = ref('file');
const GIVES = [
    { value: 'file', label: 'A file to download' },
    { value: 'guide', label: 'A guide to read in the browser' },
    { value: 'both', label: 'Both' },
];
const error = ref<ApiError | null>(null);
const busy = ref(false);
const importError = ref('');

/** A funnel that was exported, here or elsewhere, becomes a new draft. */
async function bring(event: Event): Promise<void> {
    const input = event.target as HTMLInputElement;
    const [archive] = input.files ?? [];
    if (!archive) {
        return;
    }
    busy.value = true;
    importError.value = '';
    try {
        const form = new FormData();
        form.set('archive', archive);
        const { id } = await api.post<{ id: string }>('funnels/import', form);
        await router.push(`/funnels/${id}`);
    } catch (caught) {
        importError.value = caught instanceof ApiError ? caught.message : 'It could not be uploaded. Please try again.';
    } finally {
        busy.value = false;
        input.value = '';
    }
}

async function create(): Promise<void> {
    busy.value = true;
    error.value = null;
    const form = new FormData();
    form.set('goal', goal.value);
    form.set('name', name.value);
    form.set('language', language.value);
    if (chosen.value?.ask) {
        form.set('title', title.value);
    }
    if (chosen.value?.price) {
        form.set('price', price.value);
    }
    if (chosen.value?.introductory) {
        form.set('introductory', introductory.value);
    }
    if (chosen.value?.mode) {
        form.set('mode', mode.value);
    }
    if (chosen.value?.file && gives.value !== 'file') {
        form.set('guide', '1');
    }
    if (file.value && chosen.value?.file && gives.value !== 'guide') {
        form.set('file', file.value);
    }
    try {
        const { id } = await api.post<{ id: string }>('funnels', form);
        await router.push(`/funnels/${id}`);
    } catch (caught) {
        error.value = caught instanceof ApiError ? caught : new ApiError(500, 'Something went wrong here. Please try again.');
    } finally {
        busy.value = false;
    }
}
</script>

<template>
    <form class="mx-auto max-w-6xl px-8 py-7" novalidate @submit.prevent="create">
        <h1 class="text-3xl">New funnel</h1>
        <RadioGroup v-model="goal" class="mt-5">
            <RadioGroupLabel class="label">What is it for?</RadioGroupLabel>
            <div class="grid gap-2.5 sm:grid-cols-2 lg:grid-cols-3">
                <RadioGroupOption v-for="option in goals" :key="option.id" v-slot="{ checked }" :value="option.id" as="template">
                    <div
                        class="cursor-pointer sheet p-3.5"
                        :class="checked ? 'border-ink bg-lamp-pale ring-1 ring-ink' : 'hover:bg-lamp-pale'"
                    >
                        <div class="flex items-center gap-3">
                            <component :is="option.icon" class="size-6 text-pine" aria-hidden="true" />
                            <span class="font-display text-lg font-semibold">{{ option.title }}</span>
                        </div>
                        <p class="mt-1">{{ option.words }}</p>
                    </div>
                </RadioGroupOption>
            </div>
            <p v-if="error?.field('goal')" class="mt-1 font-medium text-clay-deep">{{ error.field('goal') }}</p>
        </RadioGroup>
        <div v-if="!chosen" class="mt-6 flex items-center gap-3">
            <span class="text-soft">Or</span>
            <label class="btn has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-pine">
                <input
                    type="file"
                    class="sr-only"
                    accept=".zip,application/zip"
                    :disabled="busy"
                    aria-label="Import an exported funnel"
                    @change="bring"
                />
                Import an exported funnel
            </label>
        </div>
        <p v-if="importError" role="alert" class="mt-2 font-medium text-clay-deep">{{ importError }} Nothing was imported.</p>
        <template v-if="chosen">
            <p class="mt-4 text-soft">You get: {{ chosen.gets }}.</p>
            <div class="mt-4 grid gap-4 sm:grid-cols-2">
                <TextField
                    v-if="chosen.ask"
                    v-model="title"
                    :label="chosen.ask"
                    :hint="`Visitors see it. For example: ${chosen.example}`"
                    :error="error?.field('title')"
                    autocomplete="off"
                />
                <TextField
                    v-model="name"
                    label="Private name"
                    hint="Only you see it, in your list of funnels."
                    :error="error?.field('name')"
                    autocomplete="off"
                />
            </div>
            <VisitorLanguage v-model="language" in-row class="mt-4" label="Language of its visitors" :error="error?.field('language')" />
            <p v-if="!written && chosen.id !== 'own'" class="hint" role="note">
                Its pages and emails begin in English, for you to translate: they are not written in
                {{ languageName(plainTag(language)) }} yet.
            </p>
            <fieldset v-if="chosen.mode" class="mt-4">
                <legend class="label">How is it held?</legend>
                <label v-for="m in manners" :key="m.value" class="mr-6 inline-flex items-center gap-2"
                    ><input v-model="mode" type="radio" name="mode" class="size-4.5 accent-pine" :value="m.value" />{{ m.label }}</label
                >
            </fieldset>
            <div v-if="chosen.price" class="mt-4 grid gap-4 sm:grid-cols-2">
                <TextField
                    v-model="price"
                    :label="chosen.introductory ? 'What does the programme cost, regularly?' : 'What does the programme cost?'"
                    :hint="`In ${session.business?.currency ?? 'EUR'}, such as 290. It can also come later.`"
                    :error="error?.field('price')"
                    autocomplete="off"
                />
                <TextField
                    v-if="chosen.introductory"
                    v-model="introductory"
                    label="And at first, while the deadline runs?"
                    hint="The introductory price, such as 190. It can also come later."
                    :error="error?.field('introductory')"
                    autocomplete="off"
                />
            </div>
            <fieldset v-if="chosen.file" class="mt-5">
                <legend class="label">What do they get?</legend>
                <label v-for="g in GIVES" :key="g.value" class="mr-6 inline-flex items-center gap-2"
                    ><input v-model="gives" type="radio" name="gives" class="size-4.5 accent-pine" :value="g.value" />{{ g.label }}</label
                >
                <p v-if="gives !== 'file'" class="hint">
                    It begins with six pages for you to fill in; a document of yours can become pages afterwards. You see how far each
                    person reads.
                </p>
            </fieldset>
            <div v-if="chosen.file && gives !== 'guide'" class="mt-4">
                <span class="label" aria-hidden="true">The file</span>
                <FileDrop
                    :file="file"
                    label="Choose the file, or drop it here"
                    hint="PDF, document, zip, picture, sound or MP4 video, up to 100 MB. It can also come later."
                    :error="error?.field('file')"
                    @choose="
                        file = $event;
                        error = null;
                    "
                />
            </div>
            <p v-if="error && Object.keys(error.errors).length === 0" role="alert" class="mt-4 font-medium text-clay-deep">
                {{ error.message }}
            </p>
            <div class="mt-6 flex items-center gap-4">
                <button type="submit" class="btn-main" :disabled="busy">{{ busy ? 'Making it …' : 'Make the funnel' }}</button>
                <span v-if="busy && file && gives !== 'guide'" class="text-soft" role="status">Your file is on its way.</span>
            </div>
        </template>
    </form>
</template>
