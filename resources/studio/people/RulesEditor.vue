<script setup lang="ts">
import { PlusIcon, XMarkIcon } from '@heroicons/vue/20/solid';
import { computed } from 'vue';
import type { Rule, Rules } from '@/api/types';
import { isGroup } from '@/people/ruleFields';
import RuleRow from '@/people/RuleRow.vue';

/** Rules about people, in groups within groups: all must hold, or any. */
const props = defineProps<{ modelValue: Rules; depth?: number }>();
const emit = defineEmits<{ 'update:modelValue': [Rules] }>();

const depth = computed(() => props.depth ?? 1);
function change(rules: Rules['rules'], all = props.modelValue.all): void {
    emit('update:modelValue', { all, rules });
}
const set = (i: number, item: Rule | Rules) => change(props.modelValue.rules.map((o, j) => (j === i ? item : o)));
const remove = (i: number) => change(props.modelValue.rules.filter((_, j) => j !== i));
const add = (item: Rule | Rules) => change([...props.modelValue.rules, item]);
const freshRule = (): Rule => ({ kind: 'tag', not: false, tag: '' });
</script>

<template>
    <div role="group" :aria-label="depth === 1 ? 'Rules' : 'Rules within rules'">
        <div
            v-if="modelValue.rules.length > 1"
            class="mb-2 flex items-center gap-1.5"
            role="radiogroup"
            aria-label="How the rules go together"
        >
            <button
                v-for="option in [
                    { all: true, label: 'All of these hold' },
                    { all: false, label: 'Any of these holds' },
                ]"
                :key="option.label"
                type="button"
                role="radio"
                class="btn-quiet min-h-8 border text-sm"
                :class="modelValue.all === option.all ? 'border-ink bg-raised text-ink' : 'border-transparent'"
                :aria-checked="modelValue.all === option.all"
                @click="change(modelValue.rules, option.all)"
            >
                {{ option.label }}
            </button>
        </div>
        <ol class="space-y-2">
            <li v-for="(item, i) in modelValue.rules" :key="i" class="flex items-start gap-1">
                <span class="w-9 shrink-0 pt-2 text-right text-sm text-soft">{{ i === 0 ? '' : modelValue.all ? 'and' : 'or' }}</span>
                <div v-if="isGroup(item)" class="min-w-0 flex-1 border-l-2 border-edge/50 py-1 pl-3">
                    <RulesEditor :model-value="item" :depth="depth + 1" @update:model-value="(r: Rules) => set(i, r)" />
                </div>
                <RuleRow v-else class="min-w-0 flex-1" :model-value="item" @update:model-value="(r: Rule) => set(i, r)" />
                <button type="button" class="btn-quiet px-1.5" aria-label="Remove this rule" @click="remove(i)">
                    <XMarkIcon class="size-5" aria-hidden="true" />
                </button>
            </li>
        </ol>
        <div class="mt-2 flex gap-1" :class="modelValue.rules.length > 0 ? 'pl-9' : '-ml-3'">
            <button type="button" class="btn-quiet" @click="add(freshRule())">
                <PlusIcon class="size-4" aria-hidden="true" />{{ modelValue.rules.length === 0 ? 'Only those who …' : 'Another rule' }}
            </button>
            <button
                v-if="depth < 4 && modelValue.rules.length > 0"
                type="button"
                class="btn-quiet"
                @click="add({ all: !modelValue.all, rules: [freshRule(), freshRule()] })"
            >
                <PlusIcon class="size-4" aria-hidden="true" />A group of rules
            </button>
        </div>
    </div>
</template>
