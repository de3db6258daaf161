<script setup lang="ts">
import { ref, useId, watch } from 'vue';
import { readMoney, typedMoney } from '@/ui/money';

/** An amount, typed as people write it. It is given on as smallest units, and only when it is an amount of the currency. */
const props = defineProps<{ modelValue: number; currency: string; label: string; hint?: string; error?: string }>();
const emit = defineEmits<{ 'update:modelValue': [number] }>();

const id = useId();
const typed = ref(props.modelValue === 0 ? '' : typedMoney(props.modelValue, props.currency));
const wrong = ref('');
watch(
    () => [props.modelValue, props.currency] as const,
    ([minor, currency]) => {
        if (readMoney(typed.value, currency) !== minor && !(minor === 0 && typed.value === '')) {
            typed.value = minor === 0 ? '' : typedMoney(minor, currency);
            wrong.value = '';
        }
    },
);

function type(text: string): void {
    typed.value = text;
    const minor = text.trim() === '' ? 0 : readMoney(text, props.currency);
    wrong.value = minor === null ? `An amount in ${props.currency} is written like ${typedMoney(4950, props.currency)}.` : '';
    if (minor !== null) {
        emit('update:modelValue', minor);
    }
}
</script>

<template>
    <div>
        <label class="label" :for="id">{{ label }}</label>
        <div class="flex items-center gap-2">
            <input
                :id="id"
                class="input min-w-0 flex-1"
                inputmode="decimal"
                autocomplete="off"
                maxlength="20"
                :value="typed"
                :aria-invalid="wrong || error ? 'true' : undefined"
                :aria-describedby="wrong || error ? `${id}-e` : undefined"
                @input="type(($event.target as HTMLInputElement).value)"
            />
            <span class="shrink-0 text-soft">{{ currency }}</span>
        </div>
        <p v-if="wrong || error" :id="`${id}-e`" class="mt-1 font-medium text-clay-deep">{{ wrong || error }}</p>
        <p v-else-if="hint" class="hint">{{ hint }}</p>
    </div>
</template>
