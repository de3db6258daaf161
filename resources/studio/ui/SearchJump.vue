<script setup lang="ts">
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions, Dialog, DialogPanel, DialogTitle } from '@headlessui/vue';
import { watchDebounced } from '@vueuse/core';
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { api, query } from '@/api/client';
import { useToasts } from '@/stores/toasts';
import { newest } from '@/ui/newest';

interface Found {
    kind: string;
    label: string;
    note: string;
    to: string;
}

defineProps<{ open: boolean }>();
const emit = defineEmits<{ close: [] }>();

const places: Found[] = [
    { kind: 'Go to', label: 'New funnel', note: '', to: '/funnels/new' },
    ...['Funnels', 'People', 'Emails', 'Results', 'Settings'].map((l) => ({
        kind: 'Go to',
        label: l,
        note: '',
        to: `/${l.toLowerCase()}`,
    })),
];
const router = useRouter();
const toasts = useToasts();
const typed = ref('');
const found = ref<Found[]>(places);

const ask = newest<{ found: Found[] }>();
watchDebounced(
    typed,
    async (words) => {
        const near = places.filter((p) => p.label.toLowerCase().includes(words.trim().toLowerCase()));
        if (words.trim() === '') {
            found.value = near;
            return;
        }
        try {
            const answer = await ask(api.get<{ found: Found[] }>(`search?${query({ q: words })}`));
            found.value = answer ? [...answer.found, ...near] : found.value;
        } catch (error) {
            toasts.trouble(error);
        }
    },
    { debounce: 150 },
);

function jump(to: Found | null): void {
    if (to) {
        typed.value = '';
        emit('close');
        void router.push(to.to);
    }
}
</script>

<template>
    <Dialog :open="open" class="relative z-50" @close="$emit('close')">
        <div class="fixed inset-0 bg-ink/40" aria-hidden="true"></div>
        <div class="fixed inset-0 p-4 pt-[12vh]">
            <DialogPanel class="mx-auto max-w-xl overflow-hidden rounded-xl bg-raised shadow-2xl">
                <DialogTitle class="sr-only">Find anything</DialogTitle>
                <Combobox :model-value="null" nullable @update:model-value="jump">
                    <ComboboxInput
                        class="w-full border-b border-line bg-transparent px-5 py-4 text-lg outline-none"
                        placeholder="A funnel, a page, a person, a message"
                        aria-label="Find a funnel, a page, a person or a message"
                        autocomplete="off"
                        :display-value="() => typed"
                        @change="typed = $event.target.value"
                    />
                    <ComboboxOptions static class="max-h-96 overflow-auto p-2">
                        <li v-if="found.length === 0" class="px-3 py-4 text-soft">Nothing is called that.</li>
                        <ComboboxOption v-for="item in found" :key="item.to" v-slot="{ active }" :value="item" as="template">
                            <li class="flex cursor-pointer items-baseline gap-3 rounded px-3 py-2" :class="{ 'bg-lamp-pale': active }">
                                <span class="w-18 shrink-0 caption">{{ item.kind }}</span>
                                <span class="truncate font-medium">{{ item.label }}</span>
                                <span class="ml-auto truncate caption">{{ item.note }}</span>
                            </li>
                        </ComboboxOption>
                    </ComboboxOptions>
                </Combobox>
            </DialogPanel>
        </div>
    </Dialog>
</template>
