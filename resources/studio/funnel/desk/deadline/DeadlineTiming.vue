<script setup lang="ts">
import { computed } from 'vue';
import type { DeadlineMoment } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { useToasts } from '@/stores/toasts';
import UiListbox from '@/ui/UiListbox.vue';
import { vKept } from '@/ui/kept';

/** When an email goes out, told from a deadline: "1 day before “Introductory price” ends, at 09:00". */
const props = defineProps<{ moment: DeadlineMoment }>();
const emit = defineEmits<{ change: [DeadlineMoment] }>();

const store = useFunnel();
const toasts = useToasts();
const deadlines = computed(() => store.funnel?.deadlines.map((d) => ({ value: d.id, label: d.name })) ?? []);
const total = computed(() => (props.moment.days ?? 0) * 1440 + (props.moment.minutes ?? 0));
const unit = computed(() => (props.moment.days ? 'days' : total.value !== 0 && total.value % 60 === 0 ? 'hours' : 'minutes'));
const amount = computed(() => Math.abs(props.moment.days ?? (unit.value === 'hours' ? total.value / 60 : total.value)));
const side = computed(() => (total.value === 0 ? 'at' : total.value < 0 ? 'before' : 'after'));
const edges = [
    { value: 'end', label: 'ends' },
    { value: 'start', label: 'starts' },
];
const sides = computed(() => [
    ...(props.moment.edge === 'end' ? [{ value: 'before', label: 'before' }] : []),
    { value: 'at', label: 'at the moment' },
    { value: 'after', label: 'after' },
]);

function put(n: number, u: string, s: string, more: Partial<DeadlineMoment> = {}): void {
    const sign = s === 'before' ? -1 : 1;
    const size = s === 'at' ? 0 : n || 1;
    const { deadline, edge, hour } = { ...props.moment, ...more };
    emit('change', {
        deadline,
        edge,
        ...(u === 'days' ? { days: sign * size, ...(hour === undefined || size === 0 ? {} : { hour }) } : {}),
        ...(u === 'hours' ? { minutes: sign * size * 60 } : {}),
        ...(u === 'minutes' ? { minutes: sign * size } : {}),
    });
}
function setAmount(event: Event): void {
    const input = event.target as HTMLInputElement;
    const n = Math.round(Number(input.value));
    const most = { days: 365, hours: 720, minutes: 43_200 }[unit.value];
    if (n >= 1 && n <= most) {
        put(n, unit.value, side.value);
    } else {
        input.value = String(amount.value);
        toasts.say(`A number from 1 to ${most} is needed here.`);
    }
}
</script>

<template>
    <div class="flex flex-wrap items-end gap-2" data-test="by-deadline">
        <input
            v-if="side !== 'at'"
            v-kept="amount"
            class="input w-20"
            type="number"
            min="1"
            aria-label="How long before or after"
            @change="setAmount"
        />
        <UiListbox
            v-if="side !== 'at'"
            class="w-28"
            :model-value="unit"
            label="Unit"
            hide-label
            :options="[
                { value: 'minutes', label: 'minutes' },
                { value: 'hours', label: 'hours' },
                { value: 'days', label: 'days' },
            ]"
            @update:model-value="(u: string) => put(Math.min(amount, 365), u, side)"
        />
        <UiListbox
            class="w-40"
            :model-value="side"
            label="Before or after"
            hide-label
            :options="sides"
            @update:model-value="(s: string) => put(amount, unit, s)"
        />
        <UiListbox
            class="w-56"
            :model-value="moment.deadline"
            label="Which deadline"
            hide-label
            :options="deadlines"
            @update:model-value="(deadline: string) => put(amount, unit, side, { deadline })"
        />
        <UiListbox
            class="w-28"
            :model-value="moment.edge"
            label="Starts or ends"
            hide-label
            :options="edges"
            @update:model-value="
                (edge: string) =>
                    put(amount, unit, edge === 'start' && side === 'before' ? 'after' : side, { edge: edge as 'start' | 'end' })
            "
        />
        <UiListbox
            v-if="moment.days"
            class="w-44"
            :model-value="moment.hour ?? -1"
            label="At which hour"
            hide-label
            :options="[
                { value: -1, label: 'at its own hour' },
                ...Array.from({ length: 24 }, (_, h) => ({ value: h, label: `at ${String(h).padStart(2, '0')}:00` })),
            ]"
            @update:model-value="(hour: number) => put(amount, 'days', side, { hour: hour < 0 ? undefined : hour })"
        />
        <p class="hint w-full">
            It moves when the deadline moves, and does not go to those who have bought or for whom it would come too late.
        </p>
    </div>
</template>
