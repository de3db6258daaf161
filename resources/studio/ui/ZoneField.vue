<script setup lang="ts">
import { computed } from 'vue';
import { useSession } from '@/stores/session';
import SearchPicker from '@/ui/SearchPicker.vue';

defineProps<{ modelValue: string; label?: string; hideLabel?: boolean; error?: string }>();
defineEmits<{ 'update:modelValue': [string] }>();

const session = useSession();
const options = computed(() => session.session.zones.map((z) => ({ value: z, label: z.replaceAll('_', ' ') })));
</script>

<template>
    <SearchPicker
        :model-value="modelValue"
        :options="options"
        :label="label ?? 'Time zone'"
        :hide-label="hideLabel"
        none="No zone is called that."
        :error="error"
        @update:model-value="(zone) => $emit('update:modelValue', zone)"
    />
</template>
