<script setup lang="ts">
import { computed } from 'vue';
import { useSession } from '@/stores/session';
import UiListbox from '@/ui/UiListbox.vue';

/** A look for a part alone, in place of the one around it. */
const props = defineProps<{ modelValue?: string; whose: string }>();
defineEmits<{ 'update:modelValue': [string | undefined] }>();

const session = useSession();
const options = computed(() => [{ value: '', label: props.whose }, ...session.looks.map((l) => ({ value: l.id, label: l.name }))]);
</script>

<template>
    <UiListbox
        :model-value="modelValue ?? ''"
        :options="options"
        label="Look"
        @update:model-value="(l: string) => $emit('update:modelValue', l || undefined)"
    />
</template>
