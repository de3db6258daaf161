<script setup lang="ts">
import { computed } from 'vue';
import { useSession } from '@/stores/session';
import { languageName, languageOptions } from '@/ui/languages';
import SearchPicker from '@/ui/SearchPicker.vue';

const props = defineProps<{ modelValue: string; label?: string; hint?: string }>();
defineEmits<{ 'update:modelValue': [string] }>();

const session = useSession();
const options = computed(() => {
    const known = languageOptions(session.kit.languages);
    // A language that came with an import may be finer than the list.
    return known.some((o) => o.value === props.modelValue)
        ? known
        : [{ value: props.modelValue, label: languageName(props.modelValue) }, ...known];
});
</script>

<template>
    <SearchPicker
        :model-value="modelValue"
        :options="options"
        :label="label ?? 'Language'"
        none="No language is called that."
        :hint="hint"
        @update:model-value="(tag) => $emit('update:modelValue', tag)"
    />
</template>
