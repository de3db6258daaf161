<script setup lang="ts">
import { GiftIcon, QueueListIcon } from '@heroicons/vue/24/outline';
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { api, ApiError } from '@/api/client';
import FileDrop from '@/ui/FileDrop.vue';
import TextField from '@/ui/TextField.vue';

const router = useRouter();
const goals = [
    {
        id: 'give-away',
        icon: GiftIcon,
        title: 'Give something away',
        words: 'A guide, a checklist, a recording: for an email address.',
        gets: 'Opt-in page, thank-you page with the download, form, welcome email',
        ask: 'What is the gift called?',
        example: 'The Twelve-Minute Practice Plan',
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
];
const goal = ref('');
const chosen = computed(() => goals.find((g) => g.id === goal.value));
const name = ref('');
const title = ref('');
const file = ref<File | null>(null);
const error = ref<ApiError | null>(null);
const busy = ref(false);

async function create(): Promise<void> {
    busy.value = true;
    error.value = null;
    const form = new FormData();
    form.set('goal', goal.value);
    form.set('name', name.value);
    form.set('title', title.value);
    if (file.value && goal.value === 'give-away') {
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
    <form class="mx-auto max-w-3xl px-8 py-8" novalidate @submit.prevent="create">
        <h1 class="text-3xl">New funnel</h1>
        <RadioGroup v-model="goal" class="mt-5">
            <RadioGroupLabel class="label">What is it for?</RadioGroupLabel>
            <div class="grid gap-3 sm:grid-cols-2">
                <RadioGroupOption v-for="option in goals" :key="option.id" v-slot="{ checked }" :value="option.id" as="template">
                    <div
                        class="cursor-pointer sheet p-4"
                        :class="checked ? 'border-ink bg-lamp-pale ring-1 ring-ink' : 'hover:bg-lamp-pale'"
                    >
                        <div class="flex items-center gap-3">
                            <component :is="option.icon" class="size-6 text-pine" aria-hidden="true" />
                            <span class="font-display text-lg font-semibold">{{ option.title }}</span>
                        </div>
                        <p class="mt-1">{{ option.words }}</p>
                        <p class="mt-1 caption">You get: {{ option.gets }}</p>
                    </div>
                </RadioGroupOption>
            </div>
            <p v-if="error?.field('goal')" class="mt-1 font-medium text-clay-deep">{{ error.field('goal') }}</p>
        </RadioGroup>
        <template v-if="chosen">
            <div class="mt-6 grid gap-4 sm:grid-cols-2">
                <TextField
                    v-model="name"
                    label="Private name"
                    hint="Only you see it, in your list of funnels."
                    :error="error?.field('name')"
                    autocomplete="off"
                />
                <TextField
                    v-model="title"
                    :label="chosen.ask"
                    :hint="`Visitors see it. For example: ${chosen.example}`"
                    :error="error?.field('title')"
                    autocomplete="off"
                />
            </div>
            <div v-if="chosen.id === 'give-away'" class="mt-5">
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
                <span v-if="busy && file" class="text-soft" role="status">Your file is on its way.</span>
            </div>
        </template>
    </form>
</template>
