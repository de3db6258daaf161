<script setup lang="ts">
import { ref, watch } from 'vue';
import type { Rules } from '@/api/types';
import { isWhole } from '@/people/ruleFields';
import RulesEditor from '@/people/RulesEditor.vue';
import { usePeopleKit } from '@/stores/peopleKit';
import { copy } from '@/ui/patches';

/** Rules that are handed on only when nothing is missing in them, so that half a rule is never saved. */
const props = defineProps<{ modelValue: Rules }>();
const emit = defineEmits<{ 'update:modelValue': [Rules] }>();

const people = usePeopleKit();
const typed = ref(copy(props.modelValue));
const whole = () => isWhole(typed.value, people.kit);
watch(
    () => props.modelValue,
    (now) => {
        if (JSON.stringify(now) !== JSON.stringify(typed.value) && whole()) {
            typed.value = copy(now);
        }
    },
);

function set(rules: Rules): void {
    typed.value = rules;
    if (isWhole(rules, people.kit)) {
        emit('update:modelValue', copy(rules));
    }
}
</script>

<template>
    <div>
        <RulesEditor :model-value="typed" @update:model-value="set" />
        <p v-if="!whole()" class="mt-1 pl-9 text-sm text-clay-deep" role="status">
            Something is still missing in a rule; until then it is not kept.
        </p>
    </div>
</template>
