<script setup lang="ts" generic="T extends number | null">
import { useId } from 'vue';
import { useToasts } from '@/stores/toasts';
import { vKept } from '@/ui/kept';

/** A whole number within bounds. What is outside of them is not taken, and says so. */
const props = defineProps<{
    modelValue: T;
    least: number;
    most: number;
    label: string;
    unit?: string;
    hideLabel?: boolean;
    hint?: string;
    /** What is wrong with it, as the server says. */
    error?: string;
    /** May it be empty? Then it stands for this. */
    empty?: T;
    placeholder?: string;
}>();
const emit = defineEmits<{ 'update:modelValue': [T] }>();

const id = useId();
const toasts = useToasts();
const shown = () => (props.empty !== undefined && props.modelValue === props.empty ? '' : String(props.modelValue));

function set(event: Event): void {
    const input = event.target as HTMLInputElement;
    const n = Number(input.value);
    if (input.value === '' && !input.validity.badInput && props.empty !== undefined) {
        emit('update:modelValue', props.empty);
    } else if (input.value !== '' && Number.isInteger(n) && n >= props.least && n <= props.most) {
        emit('update:modelValue', n as T);
    } else {
        input.value = shown();
        toasts.say(`A whole number from ${props.least} to ${props.most} is needed here.`);
    }
}
</script>

<template>
    <div>
        <label class="label" :class="{ 'sr-only': hideLabel }" :for="id">{{ label }}</label>
        <span class="flex items-center gap-2">
            <input
                :id="id"
                v-kept="shown()"
                class="input w-24"
                type="number"
                :min="least"
                :max="most"
                :placeholder="placeholder"
                :aria-invalid="error ? true : undefined"
                :aria-describedby="error || hint ? `${id}-more` : undefined"
                @change="set"
            />
            <span v-if="unit" class="text-soft">{{ unit }}</span>
        </span>
        <p v-if="error" :id="`${id}-more`" class="mt-1 font-medium text-clay-deep">{{ error }}</p>
        <p v-else-if="hint" :id="`${id}-more`" class="hint">{{ hint }}</p>
    </div>
</template>
