<script setup lang="ts">
import { computed } from 'vue';
import type { PopupLimits } from '@/api/types';
import { useSession } from '@/stores/session';
import UiListbox from '@/ui/UiListbox.vue';
import DateField from '@/ui/DateField.vue';

/** From and until when, on which weekdays and between which hours; by the owner's clock. */
const props = defineProps<{ limits: PopupLimits }>();
const emit = defineEmits<{ change: [Partial<PopupLimits>] }>();

const session = useSession();
const DAYS = ['Mo', 'Tu', 'We', 'Th', 'Fr', 'Sa', 'Su'];
const NAMES = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
const hours = computed(() => props.limits.hours ?? { days: [1, 2, 3, 4, 5, 6, 7], from: 0, to: 24 });
const clock = (from: number, to: number) =>
    Array.from({ length: to - from + 1 }, (_, i) => ({ value: from + i, label: `${String(from + i).padStart(2, '0')}:00` }));

function toggle(day: number): void {
    const days = hours.value.days.includes(day) ? hours.value.days.filter((d) => d !== day) : [...hours.value.days, day].sort();
    // The last day that is left stays: without one it would never be shown.
    if (days.length > 0) {
        emit('change', { hours: { ...hours.value, days } });
    }
}
</script>

<template>
    <section class="space-y-3">
        <div class="grid gap-2">
            <DateField
                :model-value="limits.from ?? ''"
                time
                label="From"
                @update:model-value="(moment) => emit('change', { from: moment || undefined })"
            />
            <DateField
                :model-value="limits.until ?? ''"
                time
                label="Until"
                @update:model-value="(moment) => emit('change', { until: moment || undefined })"
            />
        </div>
        <div>
            <span class="label">On these days</span>
            <div class="flex gap-1" role="group" aria-label="On these days">
                <button
                    v-for="(day, i) in DAYS"
                    :key="day"
                    type="button"
                    class="flex size-9 items-center justify-center rounded border text-sm font-medium"
                    :class="hours.days.includes(i + 1) ? 'border-ink bg-lamp-pale' : 'border-line text-soft'"
                    :aria-pressed="hours.days.includes(i + 1)"
                    @click="toggle(i + 1)"
                >
                    {{ day }}<span class="sr-only">, {{ NAMES[i] }}</span>
                </button>
            </div>
        </div>
        <div class="grid grid-cols-2 gap-2">
            <UiListbox
                :model-value="hours.from"
                label="Between"
                :options="clock(0, hours.to - 1)"
                @update:model-value="(from) => emit('change', { hours: { ...hours, from } })"
            />
            <UiListbox
                :model-value="hours.to"
                label="and"
                :options="clock(hours.from + 1, 24)"
                @update:model-value="(to) => emit('change', { hours: { ...hours, to } })"
            />
        </div>
        <p class="hint">By your clock, {{ session.zone }}.</p>
    </section>
</template>
