<script setup lang="ts">
import { computed } from 'vue';
import { useSession } from '@/stores/session';
import { sampleOf } from '@/ui/format';
import { languageOptions } from '@/ui/languages';
import SearchPicker from '@/ui/SearchPicker.vue';

/** How dates, numbers and money are written in the Studio; the hint shows it. */
defineProps<{ modelValue: string; error?: string }>();
defineEmits<{ 'update:modelValue': [string] }>();

const session = useSession();
const options = computed(() => languageOptions(session.session.locales));
</script>

<template>
    <SearchPicker
        :model-value="modelValue"
        :options="options"
        label="Dates and numbers as in"
        none="Nothing is called that."
        :hint="`Such as ${sampleOf(modelValue)}`"
        :error="error"
        @update:model-value="(tag) => $emit('update:modelValue', tag)"
    />
</template>
