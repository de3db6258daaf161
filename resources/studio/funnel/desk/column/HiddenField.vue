<script setup lang="ts">
import UiListbox from '@/ui/UiListbox.vue';

defineProps<{ modelValue?: 'phone' | 'desktop' }>();
defineEmits<{ 'update:modelValue': ['phone' | 'desktop' | undefined] }>();

const options = [
    { value: '', label: 'Everywhere' },
    { value: 'phone', label: 'Not on phones' },
    { value: 'desktop', label: 'On phones only' },
];
</script>

<template>
    <UiListbox
        :model-value="modelValue ?? ''"
        :options="options"
        label="Shown"
        @update:model-value="(v: string) => $emit('update:modelValue', v === '' ? undefined : (v as 'phone' | 'desktop'))"
    />
</template>
