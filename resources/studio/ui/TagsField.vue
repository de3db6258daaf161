<script setup lang="ts">
import { ref, watch } from 'vue';
import TextField from '@/ui/TextField.vue';

/** Tags as words with commas between. */
const props = defineProps<{ modelValue: string[]; label: string; hint?: string }>();
const emit = defineEmits<{ 'update:modelValue': [string[]] }>();

const words = ref(props.modelValue.join(', '));
const read = (w: string) =>
    w
        .split(',')
        .map((t) => t.trim())
        .filter((t) => t !== '');
watch(
    () => props.modelValue,
    (now) => {
        if (read(words.value).join() !== now.join()) {
            words.value = now.join(', ');
        }
    },
);
</script>

<template>
    <TextField
        v-model="words"
        :label="label"
        :hint="hint ?? 'Several with commas between.'"
        @update:model-value="(w: string) => emit('update:modelValue', read(w))"
    />
</template>
