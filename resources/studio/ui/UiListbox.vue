<script setup lang="ts" generic="T extends string | number">
import { Listbox, ListboxButton, ListboxLabel, ListboxOption, ListboxOptions } from '@headlessui/vue';
import { CheckIcon, ChevronUpDownIcon } from '@heroicons/vue/20/solid';
import { computed } from 'vue';

const props = defineProps<{ modelValue: T; options: { value: T; label: string }[]; label: string; hideLabel?: boolean }>();
const emit = defineEmits<{ 'update:modelValue': [T] }>();

const shown = computed(() => props.options.find((o) => o.value === props.modelValue)?.label ?? 'Please choose');
</script>

<template>
    <Listbox :model-value="modelValue" as="div" class="relative" @update:model-value="(v: T) => emit('update:modelValue', v)">
        <ListboxLabel class="label" :class="{ 'sr-only': hideLabel }">{{ label }}</ListboxLabel>
        <ListboxButton class="input flex items-center justify-between gap-2 text-left">
            <span class="truncate">{{ shown }}</span>
            <ChevronUpDownIcon class="size-5 shrink-0 text-soft" aria-hidden="true" />
        </ListboxButton>
        <ListboxOptions class="absolute z-30 mt-1 max-h-72 w-full min-w-44 overflow-auto sheet p-1 shadow-lg">
            <ListboxOption v-for="option in options" :key="option.value" v-slot="{ active, selected }" :value="option.value" as="template">
                <li class="flex cursor-pointer items-center gap-2 rounded px-2 py-1.5" :class="{ 'bg-lamp-pale': active }">
                    <CheckIcon class="size-4 shrink-0" :class="{ invisible: !selected }" aria-hidden="true" />
                    <span>{{ option.label }}</span>
                </li>
            </ListboxOption>
        </ListboxOptions>
    </Listbox>
</template>
