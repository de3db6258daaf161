<script setup lang="ts">
import { useId } from 'vue';

defineProps<{
    modelValue: string;
    label: string;
    hint?: string;
    error?: string;
    type?: string;
    autocomplete?: string;
    maxlength?: number;
    lines?: number;
    placeholder?: string;
}>();
defineEmits<{ 'update:modelValue': [string] }>();

const id = useId();
</script>

<template>
    <div>
        <label class="label" :for="id">{{ label }}</label>
        <component
            :is="lines ? 'textarea' : 'input'"
            :id="id"
            class="input"
            :rows="lines"
            :type="lines ? undefined : (type ?? 'text')"
            :value="modelValue"
            :autocomplete="autocomplete"
            :maxlength="maxlength"
            :placeholder="placeholder"
            :aria-invalid="error ? 'true' : undefined"
            :aria-describedby="error ? `${id}-e` : hint ? `${id}-h` : undefined"
            @input="$emit('update:modelValue', ($event.target as HTMLInputElement).value)"
        />
        <p v-if="error" :id="`${id}-e`" class="mt-1 font-medium text-clay-deep">{{ error }}</p>
        <p v-else-if="hint" :id="`${id}-h`" class="hint">{{ hint }}</p>
    </div>
</template>
