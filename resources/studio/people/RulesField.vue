<script setup lang="ts">
import { ref, watch } from 'vue';
import type { Rule, Rules } from '@/api/types';
import RulesEditor from '@/people/RulesEditor.vue';

/** Rules that are handed on only when nothing is missing in them, so that half a rule is never saved. */
const props = defineProps<{ modelValue: Rules }>();
const emit = defineEmits<{ 'update:modelValue': [Rules] }>();

const copy = (rules: Rules) => JSON.parse(JSON.stringify(rules)) as Rules;
const typed = ref(copy(props.modelValue));
watch(
    () => props.modelValue,
    (now) => {
        if (JSON.stringify(now) !== JSON.stringify(typed.value) && isWhole(typed.value)) {
            typed.value = copy(now);
        }
    },
);

function isWhole(item: Rule | Rules): boolean {
    if (!('what' in item)) {
        return item.of.every(isWhole);
    }
    const needsValue =
        item.what === 'tag' ||
        (item.what === 'field' && !['filled', 'empty'].includes(item.is)) ||
        (item.what === 'date' && ['before', 'after'].includes(item.is));
    return !needsValue || (item.value ?? '').trim() !== '';
}

function set(rules: Rules): void {
    typed.value = rules;
    if (isWhole(rules)) {
        emit('update:modelValue', copy(rules));
    }
}
</script>

<template>
    <div>
        <RulesEditor :model-value="typed" @update:model-value="set" />
        <p v-if="!isWhole(typed)" class="mt-1 pl-9 text-sm text-clay-deep" role="status">
            Something is still missing in a rule; until then it is not kept.
        </p>
    </div>
</template>
