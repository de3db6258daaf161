<script setup lang="ts">
import { computed } from 'vue';
import type { EmailTiming } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import SpanField from '@/ui/SpanField.vue';
import UiListbox from '@/ui/UiListbox.vue';
import type { Span } from '@/ui/span';

/** When an email goes out: so long after joining, or before or after a deadline or a session of its reader. */
const props = defineProps<{ timing: EmailTiming }>();
const emit = defineEmits<{ change: [EmailTiming] }>();

const store = useFunnel();
const deadlines = computed(() => store.funnel?.deadlines.map((d) => ({ value: d.id, label: d.name })) ?? []);
const webinars = computed(() => store.funnel?.webinars.map((w) => ({ value: w.id, label: w.name })) ?? []);
const span = computed<Span>(() => ({ minutes: props.timing.minutes, days: 'days' in props.timing ? props.timing.days : undefined }));
const isAtOnce = computed(() => props.timing.from === 'joining' && !props.timing.minutes && !props.timing.days);
const hour = computed(() => ('hour' in props.timing ? props.timing.hour : undefined));
const kind = computed(() => (isAtOnce.value ? 'at-once' : props.timing.from));
const kinds = computed(() => [
    { value: 'at-once', label: 'At once' },
    { value: 'joining', label: 'After joining' },
    ...(deadlines.value.length > 0 ? [{ value: 'deadline', label: 'By a deadline' }] : []),
    ...(webinars.value.length > 0 ? [{ value: 'session', label: 'By their session' }] : []),
]);
const hours = computed(() => [
    { value: -1, label: props.timing.from === 'joining' ? 'at the hour of joining' : 'at its own hour' },
    ...Array.from({ length: 24 }, (_, h) => ({ value: h, label: `at ${String(h).padStart(2, '0')}:00` })),
]);
const anchors = [
    { value: 'before-start', label: 'before their session starts' },
    { value: 'start', label: 'when their session starts' },
    { value: 'after-end', label: 'after their session ends' },
    { value: 'before-replay-ends', label: 'before their replay ends' },
];

const fresh: Record<string, () => EmailTiming> = {
    'at-once': () => ({ from: 'joining' }),
    joining: () => ({ from: 'joining', days: 1, hour: 9 }),
    deadline: () => ({ from: 'deadline', deadline: deadlines.value[0]!.value, edge: 'end', days: -1 }),
    session: () => ({ from: 'session', anchor: 'before-start', minutes: 60, webinar: webinars.value[0]!.value }),
};

/** The hour of the day is kept where days are told. */
function setSpan(next: Span): void {
    const t = props.timing;
    const at = next.days && hour.value !== undefined ? { hour: hour.value } : {};
    if (t.from === 'joining') {
        emit('change', { from: 'joining', ...next, ...at });
    } else if (t.from === 'deadline') {
        emit('change', { from: 'deadline', deadline: t.deadline, edge: t.edge, ...next, ...at });
    } else {
        emit('change', { from: 'session', anchor: t.anchor, webinar: t.webinar, ...next });
    }
}
function setHour(h: number): void {
    const rest = { ...props.timing } as { hour?: number } & EmailTiming;
    delete rest.hour;
    emit('change', { ...rest, ...(h < 0 ? {} : { hour: h }) } as EmailTiming);
}
/** Nobody knows beforehand when a deadline starts for somebody. */
function setEdge(edge: 'start' | 'end'): void {
    const t = props.timing;
    if (t.from === 'deadline') {
        const after = (n?: number) => (n === undefined ? undefined : edge === 'start' ? Math.abs(n) : n);
        emit('change', { ...t, edge, ...(t.days ? { days: after(t.days) } : {}), ...(t.minutes ? { minutes: after(t.minutes) } : {}) });
    }
}
function setAnchor(anchor: string): void {
    const t = props.timing;
    if (t.from === 'session') {
        const minutes = anchor === 'start' ? {} : { minutes: t.minutes || 60 };
        emit('change', { from: 'session', anchor: anchor as typeof t.anchor, webinar: t.webinar, ...minutes });
    }
}
</script>

<template>
    <div class="flex flex-wrap items-end gap-2" :data-test="`timing-${timing.from}`">
        <UiListbox
            class="w-44"
            :model-value="kind"
            :options="kinds"
            label="When"
            @update:model-value="(k: string) => emit('change', fresh[k]!())"
        />
        <SpanField
            v-if="timing.from === 'joining' && !isAtOnce"
            :model-value="span"
            label="How long after joining"
            hide-label
            calendar
            :most="{ minutes: 43_200, days: 365 }"
            @update:model-value="setSpan"
        />
        <SpanField
            v-if="timing.from === 'deadline'"
            :model-value="span"
            label="How long before or after"
            hide-label
            calendar
            :most="{ minutes: 43_200, days: 365 }"
            :sides="timing.edge === 'end' ? ['before', 'at', 'after'] : ['at', 'after']"
            @update:model-value="setSpan"
        />
        <SpanField
            v-if="timing.from === 'session' && timing.anchor !== 'start'"
            :model-value="span"
            label="How long before or after"
            hide-label
            :least="timing.anchor === 'after-end' ? 0 : 1"
            :most="{ minutes: 40_320, days: 28 }"
            @update:model-value="setSpan"
        />
        <template v-if="timing.from === 'deadline'">
            <UiListbox
                class="w-56"
                :model-value="timing.deadline"
                label="Which deadline"
                hide-label
                :options="deadlines"
                @update:model-value="(deadline: string) => timing.from === 'deadline' && emit('change', { ...timing, deadline })"
            />
            <UiListbox
                class="w-28"
                :model-value="timing.edge"
                label="Starts or ends"
                hide-label
                :options="[
                    { value: 'end', label: 'ends' },
                    { value: 'start', label: 'starts' },
                ]"
                @update:model-value="setEdge"
            />
        </template>
        <template v-if="timing.from === 'session'">
            <UiListbox
                class="w-64"
                :model-value="timing.anchor"
                label="From what"
                hide-label
                :options="anchors"
                @update:model-value="setAnchor"
            />
            <UiListbox
                v-if="webinars.length > 1 || timing.webinar !== webinars[0]?.value"
                class="w-48"
                :model-value="timing.webinar ?? ''"
                label="Which webinar"
                hide-label
                :options="webinars"
                @update:model-value="(webinar: string) => timing.from === 'session' && emit('change', { ...timing, webinar })"
            />
        </template>
        <UiListbox
            v-if="span.days"
            class="w-48"
            :model-value="hour ?? -1"
            :options="hours"
            label="At which hour"
            hide-label
            @update:model-value="setHour"
        />
        <p v-if="timing.from === 'joining' && span.days" class="hint w-full">In the reader's own time zone.</p>
        <p v-if="timing.from === 'deadline'" class="hint w-full">
            It moves when the deadline moves, and does not go to those who have bought or for whom it would come too late.
        </p>
        <p v-if="timing.from === 'session'" class="hint w-full">
            It moves with their session. Whoever registers too late for it does not get it, and nobody gets it when it would come too late.
        </p>
    </div>
</template>
