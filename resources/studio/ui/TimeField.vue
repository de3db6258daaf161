<script setup lang="ts">
import type { TimeValue } from 'reka-ui';
import { TimeFieldInput, TimeFieldRoot } from 'reka-ui';
import { ref, shallowRef, useId, watch } from 'vue';
import { useSession } from '@/stores/session';
import { storedTime, timeOf } from '@/ui/wallClock';

/** A time of the day in the owner's own format, by 12 or 24 hours. Taken over once the field is left, not with each digit. */
const props = withDefaults(
    defineProps<{
        /** "18:00", '' for none. */
        modelValue: string;
        label: string;
        hideLabel?: boolean;
        /** Not to be emptied. */
        required?: boolean;
    }>(),
    { hideLabel: false, required: false },
);
const emit = defineEmits<{ 'update:modelValue': [string] }>();

const session = useSession();
const id = useId();
const box = ref<HTMLElement>();
const value = shallowRef<TimeValue | undefined>(timeOf(props.modelValue));
watch(
    () => props.modelValue,
    (words) => {
        if (words !== storedTime(value.value)) {
            value.value = timeOf(words);
        }
    },
);
function commit(): void {
    const words = storedTime(value.value);
    if (words === '' && props.required) {
        value.value = timeOf(props.modelValue);
    } else if (words !== props.modelValue) {
        emit('update:modelValue', words);
    }
}
function left(event: FocusEvent): void {
    if (!box.value?.contains(event.relatedTarget as Node | null)) {
        commit();
    }
}
</script>

<template>
    <div ref="box" @focusout="left" @keydown.enter="commit">
        <span :id="`${id}-l`" :class="hideLabel ? 'sr-only' : 'label'">{{ label }}</span>
        <TimeFieldRoot
            v-slot="{ segments }"
            v-model="value"
            :locale="session.locale"
            class="input flex items-center"
            :aria-labelledby="`${id}-l`"
        >
            <TimeFieldInput
                v-for="(segment, i) in segments"
                :key="segment.part + i"
                :part="segment.part"
                class="rounded-sm whitespace-pre focus:bg-lamp-pale focus:outline-2 focus:outline-offset-0"
                :class="segment.part === 'literal' || value === undefined ? 'text-soft' : 'px-px'"
                >{{ segment.value }}</TimeFieldInput
            >
        </TimeFieldRoot>
    </div>
</template>
