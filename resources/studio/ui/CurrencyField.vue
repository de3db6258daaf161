<script setup lang="ts">
import { Combobox, ComboboxInput, ComboboxLabel, ComboboxOption, ComboboxOptions } from '@headlessui/vue';
import { computed, ref } from 'vue';
import { useSession } from '@/stores/session';

withDefaults(defineProps<{ modelValue: string; label?: string; hint?: string; error?: string }>(), {
    label: 'Currency',
    hint: '',
    error: '',
});
defineEmits<{ 'update:modelValue': [string] }>();

const session = useSession();
const typed = ref('');
const found = computed(() => {
    const words = typed.value.toLowerCase();
    return session.kit.currencies.filter((c) => `${c.code} ${c.name}`.toLowerCase().includes(words)).slice(0, 40);
});
const shown = (code: unknown) => {
    const known = session.kit.currencies.find((c) => c.code === code);
    return known ? `${known.code}, ${known.name}` : String(code);
};
</script>

<template>
    <Combobox as="div" class="relative" :model-value="modelValue" @update:model-value="(c: string) => $emit('update:modelValue', c)">
        <ComboboxLabel class="label">{{ label }}</ComboboxLabel>
        <ComboboxInput class="input" autocomplete="off" :display-value="shown" @change="typed = $event.target.value" />
        <ComboboxOptions class="absolute z-30 mt-1 max-h-56 w-full overflow-auto sheet p-1 shadow-lg">
            <li v-if="found.length === 0" class="px-3 py-2 text-soft">No currency is called that.</li>
            <ComboboxOption v-for="c in found" :key="c.code" v-slot="{ active }" :value="c.code" as="template">
                <li class="cursor-pointer rounded px-3 py-1.5" :class="{ 'bg-lamp-pale': active }">{{ c.code }}, {{ c.name }}</li>
            </ComboboxOption>
        </ComboboxOptions>
        <p v-if="error" class="mt-1 font-medium text-clay-deep">{{ error }}</p>
        <p v-else-if="hint" class="hint">{{ hint }}</p>
    </Combobox>
</template>
