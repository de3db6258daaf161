<script setup lang="ts">
defineProps<{ modelValue?: string; label: string; fallback?: string }>();
defineEmits<{ 'update:modelValue': [string | undefined] }>();
</script>

<template>
    <div class="flex items-center gap-2">
        <label class="btn flex-1 justify-start">
            <input
                type="color"
                class="size-6 shrink-0 cursor-pointer border-0 p-0"
                :value="modelValue ?? fallback ?? '#000000'"
                @input="$emit('update:modelValue', ($event.target as HTMLInputElement).value)"
            />
            {{ label }}
        </label>
        <button
            v-if="modelValue"
            type="button"
            class="btn-quiet"
            :aria-label="`${label}: as the look has it`"
            @click="$emit('update:modelValue', undefined)"
        >
            As the look
        </button>
    </div>
</template>
