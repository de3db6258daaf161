<script setup lang="ts">
import { computed } from 'vue';
import { usePeopleKit } from '@/stores/peopleKit';
import type { MergeField } from '@/ui/mergeFields';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';

/** The merge field that is selected: which it is, and what stands there where it is not known. */
const props = defineProps<{ field: MergeField; fields: { name: string; label: string }[] }>();
const emit = defineEmits<{ change: [Partial<MergeField>] }>();

const people = usePeopleKit();
const choices = computed(() => {
    const known = [
        ...people.kit.fields.filter((f) => f.name !== 'timezone').map((f) => ({ value: f.name, label: f.label })),
        ...props.fields.map((f) => ({ value: f.name, label: f.label })),
    ];
    return known.some((f) => f.value === props.field.name) ? known : [{ value: props.field.name, label: props.field.name }, ...known];
});
</script>

<template>
    <div class="grid gap-3 border-b border-line bg-lamp-pale px-3 py-2 sm:grid-cols-2">
        <UiListbox
            :model-value="field.name"
            label="Merge field"
            :options="choices"
            @update:model-value="(name: string) => emit('change', { name })"
        />
        <TextField
            :model-value="field.fallback ?? ''"
            label="Where it is not known"
            :maxlength="200"
            @update:model-value="(words: string) => emit('change', { fallback: words.replace(/[{}|]/g, '') })"
        />
    </div>
</template>
