<script setup lang="ts">
import type { Entrance } from '@/api/types';
import UiListbox from '@/ui/UiListbox.vue';

defineProps<{ modelValue?: Entrance }>();
defineEmits<{ 'update:modelValue': [Entrance | undefined] }>();

const options = [
    { value: '', label: 'Stands still' },
    { value: 'fade', label: 'Fades in' },
    { value: 'rise', label: 'Rises in' },
    { value: 'slide', label: 'Slides in from the left' },
];
</script>

<template>
    <div>
        <UiListbox
            :model-value="modelValue ?? ''"
            :options="options"
            label="When scrolled to"
            @update:model-value="(v: string) => $emit('update:modelValue', v === '' ? undefined : (v as Entrance))"
        />
        <p v-if="modelValue" class="hint">Once, for those who see it by scrolling. Not for whoever asked for less motion.</p>
    </div>
</template>
