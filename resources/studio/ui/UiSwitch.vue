<script setup lang="ts">
import { Switch, SwitchGroup, SwitchLabel } from '@headlessui/vue';

defineProps<{ modelValue: boolean; label: string; disabled?: boolean; hideLabel?: boolean }>();
defineEmits<{ 'update:modelValue': [boolean] }>();
</script>

<template>
    <SwitchGroup as="div" class="flex items-center gap-2.5">
        <Switch
            :model-value="modelValue"
            :disabled="disabled"
            class="relative h-6 w-11 shrink-0 rounded-full border transition-colors disabled:opacity-50"
            :class="modelValue ? 'border-pine bg-pine' : 'border-edge bg-edge'"
            @update:model-value="(v: boolean) => $emit('update:modelValue', v)"
        >
            <span
                class="absolute top-0.5 left-0.5 block size-4.5 rounded-full bg-raised transition-transform"
                :class="{ 'translate-x-5': modelValue }"
            ></span>
        </Switch>
        <SwitchLabel class="cursor-pointer" :class="{ 'sr-only': hideLabel }">{{ label }}</SwitchLabel>
    </SwitchGroup>
</template>
