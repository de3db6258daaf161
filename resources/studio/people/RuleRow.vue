<script setup lang="ts">
import { computed } from 'vue';
import type { Rule } from '@/api/types';
import { usePeopleKit } from '@/stores/peopleKit';
import UiListbox from '@/ui/UiListbox.vue';

/** One rule, read from left to right like a sentence. */
const props = defineProps<{ modelValue: Rule }>();
const emit = defineEmits<{ 'update:modelValue': [Rule] }>();

const people = usePeopleKit();
const rule = computed(() => props.modelValue);
const set = (values: Partial<Rule>) => emit('update:modelValue', { ...rule.value, ...values });

const whats = [
    { value: 'tag', label: 'Tag' },
    { value: 'did', label: 'What they did' },
    { value: 'field', label: 'A field' },
    { value: 'date', label: 'A date' },
    { value: 'standing', label: 'How they stand to you' },
];
const fresh: Record<string, Rule> = {
    tag: { what: 'tag', is: 'has', value: '' },
    did: { what: 'did', is: 'has', did: 'opened' },
    field: { what: 'field', is: 'equal', of: 'first_name', value: '' },
    date: { what: 'date', is: 'within', of: 'joined', within: 30 },
    standing: { what: 'standing', is: 'equal', value: 'subscribed' },
};
const yesOrNo = [
    { value: 'has', label: 'has' },
    { value: 'not', label: 'has not' },
];
const tags = computed(() => [
    ...(rule.value.value && !people.kit.tags.some((t) => t.name === rule.value.value)
        ? [{ value: rule.value.value, label: rule.value.value }]
        : []),
    ...people.kit.tags.map((t) => ({ value: t.name, label: t.name })),
]);
const did = computed(() => people.kit.dids.find((d) => d.id === rule.value.did));
const deeds = computed(() =>
    people.kit.dids.flatMap((d) => [
        { value: `${d.id}:has`, label: d.yes },
        { value: `${d.id}:not`, label: d.no },
    ]),
);
const things = computed(() => {
    const named = (list: { id: string; name: string; funnel?: string }[]) =>
        list.map((t) => ({ value: t.id, label: t.funnel ? `${t.name} · ${t.funnel}` : t.name }));
    return [
        { value: '', label: 'anything' },
        ...(did.value?.mail
            ? [...named(people.kit.emails), ...named(people.kit.broadcasts)]
            : [...named(people.kit.funnels.map((f) => ({ ...f, name: `${f.name} (funnel)` }))), ...named(people.kit.pages)]),
    ];
});
const fields = computed(() => people.kit.fields.filter((f) => f.kind !== 'date').map((f) => ({ value: f.name, label: f.label })));
const field = computed(() => people.kit.fields.find((f) => f.name === rule.value.of));
const comparisons = computed(() => [
    { value: 'equal', label: 'is' },
    { value: 'other', label: 'is not' },
    { value: 'contains', label: 'contains' },
    { value: 'without', label: 'does not contain' },
    { value: 'begins', label: 'begins with' },
    { value: 'filled', label: 'is known' },
    { value: 'empty', label: 'is not known' },
    ...(field.value?.own
        ? [
              { value: 'more', label: 'is more than' },
              { value: 'less', label: 'is less than' },
          ]
        : []),
]);
const dates = computed(() => [
    { value: 'joined', label: 'They joined' },
    { value: 'active', label: 'They were last active' },
    ...people.kit.fields.filter((f) => f.kind === 'date').map((f) => ({ value: f.name, label: f.label })),
]);
const dateIs = [
    { value: 'within', label: 'within the last' },
    { value: 'longer', label: 'more than … ago' },
    { value: 'before', label: 'before' },
    { value: 'after', label: 'after' },
];
const days = (event: Event) => Math.min(3650, Math.max(0, Math.round(Number((event.target as HTMLInputElement).value)) || 0));
</script>

<template>
    <div class="flex flex-wrap items-center gap-2">
        <UiListbox
            class="w-52"
            :model-value="rule.what"
            :options="whats"
            label="What the rule is about"
            hide-label
            @update:model-value="(w: string) => emit('update:modelValue', { ...fresh[w]! })"
        />
        <template v-if="rule.what === 'tag'">
            <UiListbox
                class="w-28"
                :model-value="rule.is"
                :options="yesOrNo"
                label="Has or has not"
                hide-label
                @update:model-value="(is: string) => set({ is })"
            />
            <UiListbox
                class="w-64"
                :model-value="rule.value ?? ''"
                :options="tags"
                label="Tag"
                hide-label
                @update:model-value="(value: string) => set({ value })"
            />
        </template>
        <template v-else-if="rule.what === 'did'">
            <UiListbox
                class="w-44"
                :model-value="`${rule.did}:${rule.is}`"
                :options="deeds"
                label="What they did or did not do"
                hide-label
                @update:model-value="
                    (v: string) =>
                        set({
                            did: v.split(':')[0],
                            is: v.split(':')[1],
                            of: people.kit.dids.find((d) => d.id === v.split(':')[0])?.mail === did?.mail ? rule.of : '',
                        })
                "
            />
            <UiListbox
                class="w-64"
                :model-value="rule.of ?? ''"
                :options="things"
                label="With what"
                hide-label
                @update:model-value="(of: string) => set({ of })"
            />
            <label class="flex items-center gap-1.5 text-sm">
                <input
                    type="number"
                    min="0"
                    class="input w-20"
                    :value="rule.within || ''"
                    placeholder="ever"
                    @change="set({ within: days($event) })"
                />
                days back
            </label>
        </template>
        <template v-else-if="rule.what === 'field'">
            <UiListbox
                class="w-44"
                :model-value="rule.of ?? ''"
                :options="fields"
                label="Field"
                hide-label
                @update:model-value="(of: string) => set({ of, value: '' })"
            />
            <UiListbox
                class="w-40"
                :model-value="rule.is"
                :options="comparisons"
                label="How it is compared"
                hide-label
                @update:model-value="(is: string) => set({ is })"
            />
            <template v-if="!['filled', 'empty'].includes(rule.is)">
                <UiListbox
                    v-if="field?.options.length && ['equal', 'other'].includes(rule.is)"
                    class="w-44"
                    :model-value="rule.value ?? ''"
                    :options="field.options.map((o) => ({ value: o, label: o }))"
                    label="With what"
                    hide-label
                    @update:model-value="(value: string) => set({ value })"
                />
                <input
                    v-else
                    class="input w-44"
                    :value="rule.value"
                    aria-label="With what"
                    maxlength="300"
                    @input="set({ value: ($event.target as HTMLInputElement).value })"
                />
            </template>
        </template>
        <template v-else-if="rule.what === 'date'">
            <UiListbox
                class="w-48"
                :model-value="rule.of ?? ''"
                :options="dates"
                label="Date"
                hide-label
                @update:model-value="(of: string) => set({ of })"
            />
            <UiListbox
                class="w-44"
                :model-value="rule.is"
                :options="dateIs"
                label="How it is compared"
                hide-label
                @update:model-value="
                    (is: string) =>
                        set(
                            ['within', 'longer'].includes(is)
                                ? { is, value: '', within: rule.within || 30 }
                                : { is, within: 0, value: rule.value || new Date().toISOString().slice(0, 10) },
                        )
                "
            />
            <label v-if="['within', 'longer'].includes(rule.is)" class="flex items-center gap-1.5 text-sm">
                <input type="number" min="1" class="input w-20" :value="rule.within" @change="set({ within: Math.max(1, days($event)) })" />
                days
            </label>
            <input
                v-else
                type="date"
                class="input w-44"
                :value="rule.value"
                aria-label="Day"
                @change="set({ value: ($event.target as HTMLInputElement).value })"
            />
        </template>
        <template v-else>
            <UiListbox
                class="w-24"
                :model-value="rule.is"
                :options="[
                    { value: 'equal', label: 'is' },
                    { value: 'other', label: 'is not' },
                ]"
                label="Is or is not"
                hide-label
                @update:model-value="(is: string) => set({ is })"
            />
            <UiListbox
                class="w-64"
                :model-value="rule.value ?? ''"
                :options="people.kit.standings.map((s) => ({ value: s.id, label: s.label }))"
                label="How they stand to you"
                hide-label
                @update:model-value="(value: string) => set({ value })"
            />
        </template>
    </div>
</template>
