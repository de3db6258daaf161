<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue';
import { ChevronDownIcon } from '@heroicons/vue/20/solid';
import { useDebounceFn } from '@vueuse/core';
import { ref, watch } from 'vue';
import { api, query } from '@/api/client';
import type { PersonRow } from '@/api/types';
import { useToasts } from '@/stores/toasts';

/** As whom an email is read: somebody of the list, or a made-up reader for ''. */
defineProps<{ modelValue: string; name: string }>();
const emit = defineEmits<{ 'update:modelValue': [string] }>();

const toasts = useToasts();
const search = ref('');
const found = ref<PersonRow[]>([]);
const find = useDebounceFn(async () => {
    try {
        found.value = (await api.get<{ people: PersonRow[] }>(`people?${query({ search: search.value, perPage: 6 })}`)).people;
    } catch (error) {
        toasts.trouble(error);
    }
}, 150);
watch(search, find);

function choose(id: string, close: () => void): void {
    emit('update:modelValue', id);
    search.value = '';
    close();
}
</script>

<template>
    <Popover class="relative">
        <PopoverButton class="btn-quiet max-w-60" @click="find"
            ><span class="truncate">As {{ name }} reads it</span><ChevronDownIcon class="size-4.5 shrink-0" aria-hidden="true"
        /></PopoverButton>
        <PopoverPanel v-slot="{ close }" class="absolute right-0 z-20 mt-1 w-72 sheet p-2 shadow-lg">
            <input v-model="search" type="search" class="input" placeholder="Whose email?" aria-label="Search for a reader" />
            <ul class="mt-1">
                <li>
                    <button type="button" class="w-full rounded px-2 py-1 text-left hover:bg-lamp-pale" @click="choose('', close)">
                        Robin Sample, made up
                    </button>
                </li>
                <li v-for="p in found" :key="p.id">
                    <button
                        type="button"
                        class="w-full truncate rounded px-2 py-1 text-left hover:bg-lamp-pale"
                        @click="choose(p.id, close)"
                    >
                        {{ `${p.firstName} ${p.lastName}`.trim() }} <span class="text-soft">{{ p.email }}</span>
                    </button>
                </li>
            </ul>
        </PopoverPanel>
    </Popover>
</template>
