<script setup lang="ts" generic="T extends string | number">
import { Listbox, ListboxButton, ListboxLabel, ListboxOption, ListboxOptions } from '@headlessui/vue';
import { CheckIcon, ChevronUpDownIcon } from '@heroicons/vue/20/solid';
import { computed } from 'vue';
import SvgPicture from '@/ui/SvgPicture.vue';

const props = defineProps<{
    modelValue: T;
    /** `svg`: a small picture of what is chosen, such as of a page. */
    options: { value: T; label: string; svg?: string }[];
    label: string;
    hideLabel?: boolean;
}>();
const emit = defineEmits<{ 'update:modelValue': [T] }>();

const chosen = computed(() => props.options.find((o) => o.value === props.modelValue));
const pictured = computed(() => props.options.some((o) => o.svg));
</script>

<template>
    <Listbox :model-value="modelValue" as="div" class="relative" @update:model-value="(v: T) => emit('update:modelValue', v)">
        <ListboxLabel class="label" :class="{ 'sr-only': hideLabel }">{{ label }}</ListboxLabel>
        <ListboxButton class="input flex items-center justify-between gap-2 text-left">
            <span class="flex min-w-0 items-center gap-2"
                ><SvgPicture
                    v-if="chosen?.svg"
                    class="h-6 w-9 shrink-0 border border-line object-cover object-top"
                    :svg="chosen.svg"
                /><span class="truncate">{{ chosen?.label ?? 'Please choose' }}</span></span
            >
            <ChevronUpDownIcon class="size-5 shrink-0 text-soft" aria-hidden="true" />
        </ListboxButton>
        <ListboxOptions class="absolute z-30 mt-1 max-h-72 w-full min-w-44 overflow-auto sheet p-1 shadow-lg">
            <ListboxOption v-for="option in options" :key="option.value" v-slot="{ active, selected }" :value="option.value" as="template">
                <li class="flex cursor-pointer items-center gap-2 rounded px-2 py-1.5" :class="{ 'bg-lamp-pale': active }">
                    <CheckIcon class="size-4 shrink-0" :class="{ invisible: !selected }" aria-hidden="true" />
                    <template v-if="pictured">
                        <SvgPicture
                            v-if="option.svg"
                            class="h-9 w-14 shrink-0 border border-line object-cover object-top"
                            :svg="option.svg"
                        />
                        <span v-else class="w-14 shrink-0"></span>
                    </template>
                    <span>{{ option.label }}</span>
                </li>
            </ListboxOption>
        </ListboxOptions>
    </Listbox>
</template>
