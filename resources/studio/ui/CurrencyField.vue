<script setup lang="ts">
import { computed } from 'vue';
import { useSession } from '@/stores/session';
import SearchPicker from '@/ui/SearchPicker.vue';

defineProps<{ modelValue: string; label?: string; hint?: string; error?: string }>();
defineEmits<{ 'update:modelValue': [string] }>();

const session = useSession();
const options = computed(() => session.kit.currencies.map((c) => ({ value: c.code, label: `${c.code}, ${c.name}` })));
</script>

<template>
    <SearchPicker
        :model-value="modelValue"
        :options="options"
        :label="label ?? 'Currency'"
        none="No currency is called that."
        :hint="hint"
        :error="error"
        @update:model-value="(code) => $emit('update:modelValue', code)"
    />
</template>
