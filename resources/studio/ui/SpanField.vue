<script setup lang="ts">
import { computed, useId } from 'vue';
import { useToasts } from '@/stores/toasts';
import UiListbox from '@/ui/UiListbox.vue';
import { vKept } from '@/ui/kept';
import { mostOf, spanAmount, spanOf, spanSide, spanUnit, type Span, type SpanSide, type SpanUnit } from '@/ui/span';

/** So long, or so long before or after something: "3 hours before". What is out of bounds is not taken, and says so. */
const props = withDefaults(
    defineProps<{
        modelValue: Span;
        label: string;
        hideLabel?: boolean;
        /** The most of it, in elapsed minutes and in calendar days. */
        most: Required<Span>;
        least?: number;
        /** Are days those of the calendar? Otherwise they are 24 hours each. */
        calendar?: boolean;
        /** On which sides of the moment it may lie; none where it is only a length. */
        sides?: SpanSide[];
    }>(),
    { least: 1, sides: () => [] },
);
const emit = defineEmits<{ 'update:modelValue': [Span] }>();

const id = useId();
const toasts = useToasts();
const unit = computed(() => spanUnit(props.modelValue, props.calendar));
const amount = computed(() => spanAmount(props.modelValue, props.calendar));
const side = computed(() => (props.sides.length === 0 ? 'after' : spanSide(props.modelValue)));
const units = computed(() =>
    (['minutes', 'hours', 'days'] as const).map((value) => ({ value, label: amount.value === 1 ? value.slice(0, -1) : value })),
);
const words: Record<SpanSide, string> = { before: 'before', at: 'at the moment', after: 'after' };

function put(n: number, u: SpanUnit, s: SpanSide): void {
    const most = mostOf(u, props.most, props.calendar);
    emit('update:modelValue', spanOf(Math.min(most, Math.max(props.least, n || 1)), u, s, props.calendar));
}
function setAmount(event: Event): void {
    const input = event.target as HTMLInputElement;
    const n = Number(input.value);
    const most = mostOf(unit.value, props.most, props.calendar);
    if (input.value !== '' && Number.isInteger(n) && n >= props.least && n <= most) {
        emit('update:modelValue', spanOf(n, unit.value, side.value, props.calendar));
    } else {
        input.value = String(amount.value);
        toasts.say(`A whole number from ${props.least} to ${most} is needed here.`);
    }
}
</script>

<template>
    <div>
        <label class="label" :class="{ 'sr-only': hideLabel }" :for="id">{{ label }}</label>
        <span class="flex flex-wrap items-center gap-2">
            <template v-if="side !== 'at'">
                <input :id="id" v-kept="amount" class="input w-20" type="number" :min="least" @change="setAmount" />
                <UiListbox
                    class="w-28"
                    :model-value="unit"
                    label="Unit"
                    hide-label
                    :options="units"
                    @update:model-value="(u: SpanUnit) => put(amount, u, side)"
                />
            </template>
            <UiListbox
                v-if="sides.length > 0"
                class="w-40"
                :model-value="side"
                label="Before or after"
                hide-label
                :options="sides.map((s) => ({ value: s, label: words[s] }))"
                @update:model-value="(s: SpanSide) => put(amount, unit, s)"
            />
        </span>
    </div>
</template>
