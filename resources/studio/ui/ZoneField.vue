<script setup lang="ts">
import { Combobox, ComboboxInput, ComboboxLabel, ComboboxOption, ComboboxOptions } from '@headlessui/vue';
import { computed, ref } from 'vue';
import { useSession } from '@/stores/session';

defineProps<{ modelValue: string; error?: string }>();
defineEmits<{ 'update:modelValue': [string] }>();

const session = useSession();
const typed = ref('');
const found = computed(() => {
    const words = typed.value.toLowerCase().replaceAll(' ', '_');
    return session.session.zones.filter((z) => z.toLowerCase().includes(words)).slice(0, 40);
});
</script>

<template>
    <Combobox as="div" class="relative" :model-value="modelValue" @update:model-value="(z: string) => $emit('update:modelValue', z)">
        <ComboboxLabel class="label">Time zone</ComboboxLabel>
        <ComboboxInput class="input" autocomplete="off" :display-value="(z) => String(z)" @change="typed = $event.target.value" />
        <ComboboxOptions class="absolute z-30 mt-1 max-h-56 w-full overflow-auto sheet p-1 shadow-lg">
            <li v-if="found.length === 0" class="px-3 py-2 text-soft">No zone is called that.</li>
            <ComboboxOption v-for="zone in found" :key="zone" v-slot="{ active }" :value="zone" as="template">
                <li class="cursor-pointer rounded px-3 py-1.5" :class="{ 'bg-lamp-pale': active }">{{ zone.replaceAll('_', ' ') }}</li>
            </ComboboxOption>
        </ComboboxOptions>
        <p v-if="error" class="mt-1 font-medium text-clay-deep">{{ error }}</p>
    </Combobox>
</template>
