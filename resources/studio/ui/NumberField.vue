<script setup lang="ts">
import { useId } from 'vue';
import { useToasts } from '@/stores/toasts';
import { vKept } from '@/ui/kept';

/** A whole number within bounds. What is outside of them is not taken, and says so. */
const props = defineProps<{ modelValue: number; least: number; most: number; label: string; unit?: string; hideLabel?: boolean }>();
const emit = defineEmits<{ 'update:modelValue': [number] }>();

const id = useId();
const toasts = useToasts();

function set(event: Event): void {
    const input = event.target as HTMLInputElement;
    const n = Number(input.value);
    if (input.value !== '' && Number.isInteger(n) && n >= props.least && n <= props.most) {
        emit('update:modelValue', n);
    } else {
        input.value = String(props.modelValue);
        toasts.say(`A whole number from ${props.least} to ${props.most} is needed here.`);
    }
}
</script>

<template>
    <div>
        <label class="label" :class="{ 'sr-only': hideLabel }" :for="id">{{ label }}</label>
        <span class="flex items-center gap-2">
            <input :id="id" v-kept="modelValue" class="input w-24" type="number" :min="least" :max="most" @change="set" />
            <span v-if="unit" class="text-soft">{{ unit }}</span>
        </span>
    </div>
</template>
