<script setup lang="ts">
import { computed } from 'vue';
import type { Rule, RuleField } from '@/api/types';
import { appliesTo, chosen, kindOf, withOption } from '@/people/ruleFields';
import { usePeopleKit } from '@/stores/peopleKit';
import DateField from '@/ui/DateField.vue';
import NumberField from '@/ui/NumberField.vue';
import UiListbox from '@/ui/UiListbox.vue';

/** One rule, read from left to right like a sentence, drawn from what its kind says it asks for. */
const props = defineProps<{ modelValue: Rule }>();
const emit = defineEmits<{ 'update:modelValue': [Rule] }>();

const people = usePeopleKit();
const rule = computed(() => props.modelValue);
const fields = computed(() => (kindOf(rule.value, people.kit)?.fields ?? []).filter((f) => appliesTo(f, rule.value)));
const set = (values: Partial<Rule>) => emit('update:modelValue', { ...rule.value, ...values } as Rule);

const kinds = computed(() => people.kit.rules.map((k) => ({ value: k.kind, label: k.label })));
function setKind(kind: string): void {
    const found = people.kit.rules.find((k) => k.kind === kind);
    if (found) {
        emit('update:modelValue', { ...found.fresh });
    }
}

/** The field of people that the rule speaks of. */
const field = computed(() => people.kit.fields.find((f) => f.name === rule.value.field));
const options = (f: RuleField) => f.options.filter((o) => !o.own || field.value?.own).map((o) => ({ value: o.label, label: o.label }));
function choose(f: RuleField, label: string): void {
    const option = f.options.find((o) => o.label === label);
    if (option) {
        emit('update:modelValue', withOption(rule.value, option, people.kit));
    }
}

interface Named {
    id: string;
    name: string;
    funnel?: string;
}
const named = (list: Named[]) => list.map((t) => ({ value: t.id, label: t.funnel ? `${t.name} · ${t.funnel}` : t.name }));
const plain = (f: RuleField) => f.options.map((o) => ({ value: String(o.sets[f.name]), label: o.label }));

/** What can be chosen in a field that is no choice of its own; nothing where it is typed. */
function list(f: RuleField): { value: string; label: string }[] | null {
    const value = String(rule.value[f.name] ?? '');
    switch (f.type) {
        case 'tag':
            return [
                ...(value && !people.kit.tags.some((t) => t.name === value) ? [{ value, label: value }] : []),
                ...people.kit.tags.map((t) => ({ value: t.name, label: t.name })),
            ];
        case 'mail':
            return [{ value: '', label: f.none }, ...named(people.kit.emails), ...named(people.kit.broadcasts)];
        case 'place':
            return [
                { value: '', label: f.none },
                ...named(people.kit.funnels.map((t) => ({ ...t, name: `${t.name} (funnel)` }))),
                ...named(people.kit.pages),
            ];
        case 'deadline':
            return named(people.kit.deadlines);
        case 'webinar':
            return named(people.kit.webinars);
        case 'guide':
            return named(people.kit.guides);
        case 'guide-page':
            return named(people.kit.guidePages);
        case 'field':
            return people.kit.fields.filter((p) => p.kind !== 'date').map((p) => ({ value: p.name, label: p.label }));
        case 'date':
            return [...plain(f), ...people.kit.fields.filter((p) => p.kind === 'date').map((p) => ({ value: p.name, label: p.label }))];
        case 'value':
            return field.value?.options.length && ['equal', 'other'].includes(String(rule.value.compare))
                ? field.value.options.map((o) => ({ value: o, label: o }))
                : null;
        default:
            return null;
    }
}
function setNamed(f: RuleField, value: string): void {
    // Another field is held against another value.
    set({ [f.name]: value, ...(f.type === 'field' ? { value: '' } : {}) });
}
const WIDTHS: Partial<Record<RuleField['type'], string>> = { choice: 'w-44', date: 'w-48', value: 'w-44', field: 'w-44', day: 'w-44' };
</script>

<template>
    <div class="flex flex-wrap items-center gap-2">
        <UiListbox
            class="w-52"
            :model-value="rule.kind"
            :options="kinds"
            label="What the rule is about"
            hide-label
            @update:model-value="setKind"
        />
        <template v-for="(f, i) in fields" :key="i">
            <UiListbox
                v-if="f.type === 'choice'"
                :class="f.options.some((o) => o.label.length > 12) ? 'w-56' : 'w-32'"
                :model-value="chosen(f, rule)?.label ?? ''"
                :options="options(f)"
                :label="f.label"
                hide-label
                @update:model-value="(label: string) => choose(f, label)"
            />
            <NumberField
                v-else-if="f.type === 'number'"
                :model-value="Number(rule[f.name] ?? 0)"
                :least="1"
                :most="f.name === 'share' ? 100 : 3650"
                :empty="f.optional ? 0 : undefined"
                :placeholder="f.optional ? 'ever' : ''"
                :label="f.label"
                hide-label
                :unit="f.label"
                @update:model-value="(days) => set({ [f.name]: days })"
            />
            <UiListbox
                v-else-if="list(f)"
                :class="WIDTHS[f.type] ?? 'w-64'"
                :model-value="String(rule[f.name] ?? '')"
                :options="list(f)!"
                :label="f.label"
                hide-label
                @update:model-value="(value: string) => setNamed(f, value)"
            />
            <DateField
                v-else-if="f.type === 'day'"
                class="w-44"
                :model-value="String(rule[f.name] ?? '')"
                :label="f.label"
                hide-label
                @update:model-value="(day) => set({ [f.name]: day })"
            />
            <input
                v-else
                type="text"
                class="input w-44"
                :value="rule[f.name] ?? ''"
                :aria-label="f.label"
                maxlength="300"
                @input="set({ [f.name]: ($event.target as HTMLInputElement).value })"
            />
        </template>
    </div>
</template>
