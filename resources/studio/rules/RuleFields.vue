<script setup lang="ts">
import { computed } from 'vue';
import type { AutomationRule, RuleWait, Rules } from '@/api/types';
import TriggerList from '@/funnel/TriggerList.vue';
import RulesField from '@/people/RulesField.vue';
import ActList from '@/rules/ActList.vue';
import type { Choices } from '@/rules/choices';
import SpanField from '@/ui/SpanField.vue';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';
import type { Span } from '@/ui/span';

/** A rule: what it is read as, and all that can be changed in it. */
const props = defineProps<{ rule: AutomationRule; choices: Choices }>();
const emit = defineEmits<{ edit: [values: Partial<AutomationRule>, label: string, now: boolean] }>();

const edit = (values: Partial<AutomationRule>, label: string, now = true) => emit('edit', values, label, now);
const SAME = '';
const times = [
    { value: SAME, label: 'at the time of day at which it happened' },
    ...Array.from({ length: 24 }, (_, h) => `${String(h).padStart(2, '0')}:00`).map((t) => ({ value: t, label: `at ${t}, their time` })),
];
const time = computed(() => props.rule.after?.time ?? SAME);
const timesHere = computed(() =>
    times.some((t) => t.value === time.value) ? times : [...times, { value: time.value, label: `at ${time.value}, their time` }],
);
const setAfter = (after: RuleWait | null) => edit({ after }, 'when the rule acts');
const setSpan = (span: Span) =>
    setAfter(span.days ? { days: span.days, ...(time.value ? { time: time.value } : {}) } : { minutes: span.minutes });
</script>

<template>
    <div class="space-y-6">
        <TextField
            :model-value="rule.name"
            label="Private name"
            :maxlength="120"
            @update:model-value="(name: string) => edit({ name }, 'the name of a rule', false)"
        />
        <div>
            <h3 class="label">When this happens</h3>
            <TriggerList
                :model-value="rule.when"
                :choices="choices"
                first="when"
                none="Choose what sets it off"
                more="Something else that sets it off"
                label="What sets it off"
                @update:model-value="(when) => edit({ when }, 'what sets the rule off')"
            />
        </div>
        <div>
            <h3 class="label">After so long</h3>
            <div class="flex flex-wrap items-center gap-2">
                <UiListbox
                    class="w-44"
                    :model-value="rule.after ? 'later' : 'now'"
                    label="When it acts"
                    hide-label
                    :options="[
                        { value: 'now', label: 'at once' },
                        { value: 'later', label: 'after' },
                    ]"
                    @update:model-value="(w: string) => setAfter(w === 'now' ? null : { days: 1 })"
                />
                <SpanField
                    v-if="rule.after"
                    :model-value="{ days: rule.after.days, minutes: rule.after.minutes }"
                    label="How long after it"
                    hide-label
                    calendar
                    :most="{ minutes: 525600, days: 365 }"
                    @update:model-value="setSpan"
                />
                <UiListbox
                    v-if="rule.after?.days"
                    class="w-72"
                    :model-value="time"
                    :options="timesHere"
                    label="At what time of the day"
                    hide-label
                    @update:model-value="(t: string) => setAfter({ days: rule.after?.days, ...(t ? { time: t } : {}) })"
                />
            </div>
        </div>
        <div>
            <h3 class="label">If this holds for them {{ rule.after ? 'then' : '' }}</h3>
            <RulesField :model-value="rule.only" @update:model-value="(only: Rules) => edit({ only }, 'for whom the rule acts')" />
        </div>
        <div>
            <h3 class="label">Do this</h3>
            <ActList :model-value="rule.acts" :choices="choices" @update:model-value="(acts) => edit({ acts }, 'what the rule does')" />
        </div>
        <fieldset>
            <legend class="label">How often</legend>
            <label
                v-for="often in [
                    { each: false, label: 'Once for each person' },
                    { each: true, label: 'Each time it happens' },
                ]"
                :key="often.label"
                class="mt-1 flex items-center gap-2"
                ><input
                    type="radio"
                    class="size-4.5 accent-pine"
                    :name="`often-${rule.id}`"
                    :checked="rule.eachTime === often.each"
                    @change="edit({ eachTime: often.each }, 'how often the rule acts')"
                />{{ often.label }}</label
            >
        </fieldset>
    </div>
</template>
