<script setup lang="ts" generic="T extends string">
import { Combobox, ComboboxInput, ComboboxLabel, ComboboxOption, ComboboxOptions } from '@headlessui/vue';
import { computed, ref } from 'vue';

/** One of many known values, found by typing some letters of its name. */
const props = withDefaults(
    defineProps<{
        modelValue: T;
        options: { value: T; label: string }[];
        label: string;
        hideLabel?: boolean;
        /** What is said where nothing is found. */
        none: string;
        hint?: string;
        error?: string;
        /** What the field shows of the chosen value, where that is not its label; for a picker that adds to a list, ''. */
        shown?: string;
    }>(),
    { hideLabel: false, hint: '', error: '', shown: undefined },
);
const emit = defineEmits<{ 'update:modelValue': [T] }>();

const MOST = 40;
const typed = ref('');
const plain = (words: string) => words.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase().replaceAll('_', ' ');
const found = computed(() => {
    const words = plain(typed.value.trim());
    return props.options.filter((o) => plain(o.label).includes(words) || o.value.toLowerCase() === words).slice(0, MOST);
});
const display = (value: unknown) => props.shown ?? props.options.find((o) => o.value === value)?.label ?? String(value);
function choose(value: T): void {
    typed.value = '';
    emit('update:modelValue', value);
}
</script>

<template>
    <Combobox as="div" class="relative" :model-value="modelValue" @update:model-value="choose">
        <ComboboxLabel :class="hideLabel ? 'sr-only' : 'label'">{{ label }}</ComboboxLabel>
        <ComboboxInput
            class="input"
            autocomplete="off"
            :display-value="display"
            @change="typed = $event.target.value"
            @focus="($event.target as HTMLInputElement).select()"
        />
        <ComboboxOptions class="absolute z-30 mt-1 max-h-56 w-full min-w-56 overflow-auto sheet p-1 shadow-lg">
            <li v-if="found.length === 0" class="px-3 py-2 text-soft">{{ none }}</li>
            <ComboboxOption v-for="o in found" :key="o.value" v-slot="{ active }" :value="o.value" as="template">
                <li class="cursor-pointer rounded px-3 py-1.5" :class="{ 'bg-lamp-pale': active }">{{ o.label }}</li>
            </ComboboxOption>
        </ComboboxOptions>
        <p v-if="error" class="mt-1 font-medium text-clay-deep">{{ error }}</p>
        <p v-else-if="hint" class="hint">{{ hint }}</p>
    </Combobox>
</template>
