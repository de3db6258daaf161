<script setup lang="ts">
import { PlusIcon, XMarkIcon } from '@heroicons/vue/20/solid';
import { computed } from 'vue';
import type { Recurrence, Schedule, ScheduleKind, Webinar } from '@/api/types';
import { written } from '@/funnel/desk/webinar/written';
import { useToasts } from '@/stores/toasts';
import DateField from '@/ui/DateField.vue';
import TimeField from '@/ui/TimeField.vue';
import NumberField from '@/ui/NumberField.vue';
import UiListbox from '@/ui/UiListbox.vue';
import UiSwitch from '@/ui/UiSwitch.vue';
import ZoneField from '@/ui/ZoneField.vue';

/** When the sessions are, read from left to right as a sentence, made by choosing its parts. */
const props = defineProps<{ webinar: Webinar }>();
const emit = defineEmits<{ edit: [values: Record<string, unknown>, label: string] }>();

const toasts = useToasts();
const schedule = computed(() => props.webinar.schedule);
const rule = computed<Recurrence>(
    () => schedule.value.recurrence ?? { every: 'week', days: [2], from: new Date().toISOString().slice(0, 10) },
);
const automated = computed(() => props.webinar.mode === 'automated');
const kinds = computed(() => [
    { value: 'dates', label: 'on certain dates' },
    { value: 'recurring', label: 'every week or month' },
    ...(automated.value
        ? [
              { value: 'soon', label: 'soon after registering' },
              { value: 'on-demand', label: 'whenever somebody likes' },
          ]
        : []),
]);
const days = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
const title = computed(() => `${automated.value ? 'Played' : 'Held live'} ${props.webinar.words}`);

const set = (values: Partial<Schedule>, label = 'when the sessions are') =>
    emit('edit', { schedule: written({ ...schedule.value, ...values }) }, label);
const setRule = (values: Partial<Recurrence>) => set({ recurrence: written({ ...rule.value, ...values }) });

function setKind(kind: ScheduleKind): void {
    set({
        kind,
        ...(kind === 'recurring' ? { recurrence: rule.value, times: schedule.value.times?.length ? schedule.value.times : ['18:00'] } : {}),
        ...(kind === 'soon' ? { step: schedule.value.step ?? 15 } : {}),
    });
}
function toggleDay(day: number): void {
    const now = rule.value.days ?? [];
    const next = now.includes(day) ? now.filter((d) => d !== day) : [...now, day].sort();
    if (next.length === 0) {
        toasts.say('At least one day is needed.');
        return;
    }
    setRule({ days: next });
}
function everyMonth(way: string): void {
    const { from, until, interval } = rule.value;
    const kept = { from, ...(until ? { until } : {}), ...(interval ? { interval } : {}) };
    set({
        recurrence:
            way === 'week'
                ? { every: 'week', days: rule.value.days?.length ? rule.value.days : [2], ...kept }
                : way === 'day'
                  ? { every: 'month', monthDay: rule.value.monthDay || 1, ...kept }
                  : { every: 'month', nth: rule.value.nth || 1, days: [rule.value.days?.[0] ?? 2], ...kept },
    });
}
const way = computed(() => (rule.value.every === 'week' ? 'week' : rule.value.nth ? 'nth' : 'day'));
const setAt = (list: 'dates' | 'times', i: number, value: string) => {
    const next = [...(schedule.value[list] ?? [])];
    if (value === '') {
        next.splice(i, 1);
    } else {
        next[i] = value;
    }
    set({ [list]: [...new Set(next)].sort() });
};
function addDate(): void {
    const last = schedule.value.dates?.at(-1);
    const day = new Date(Math.max(Date.now(), last ? Date.parse(`${last}Z`) : 0) + 7 * 86_400_000).toISOString().slice(0, 10);
    set({ dates: [...(schedule.value.dates ?? []), `${day}T${last?.slice(11) ?? '18:00'}`].sort() });
}
const addBlackout = () => {
    const day = new Date(Date.now() + 14 * 86_400_000).toISOString().slice(0, 10);
    set({ blackouts: [...(schedule.value.blackouts ?? []), { from: day }] }, 'days without a session');
};
function setBlackout(i: number, key: 'from' | 'until', value: string): void {
    const list = (schedule.value.blackouts ?? []).map((b, n) => {
        if (n !== i) return b;
        const next = { ...b, [key]: value };
        return !next.until || next.until <= next.from ? { from: next.from } : next;
    });
    set({ blackouts: list.filter((b) => b.from !== '') }, 'days without a session');
}
const hours = Array.from({ length: 24 }, (_, h) => ({ value: h, label: `${String(h).padStart(2, '0')}:00` }));
</script>

<template>
    <section aria-labelledby="schedule">
        <h2 id="schedule" class="text-2xl leading-snug" data-test="schedule">{{ title }}</h2>
        <slot />
        <div class="mt-4 space-y-3 rounded-md border border-line bg-raised p-4">
            <div class="flex flex-wrap items-end gap-2">
                <UiListbox
                    class="w-60"
                    :model-value="schedule.kind"
                    label="It is"
                    :options="kinds"
                    @update:model-value="(k: string) => setKind(k as ScheduleKind)"
                />
                <UiListbox
                    v-if="schedule.kind === 'recurring'"
                    class="w-52"
                    :model-value="way"
                    label="Which days"
                    :options="[
                        { value: 'week', label: 'days of the week' },
                        { value: 'day', label: 'a day of the month' },
                        { value: 'nth', label: 'a weekday of the month' },
                    ]"
                    @update:model-value="everyMonth"
                />
                <NumberField
                    v-if="schedule.kind === 'recurring'"
                    :model-value="rule.interval ?? 1"
                    :least="1"
                    :most="12"
                    :label="rule.every === 'week' ? 'Every so many weeks' : 'Every so many months'"
                    @update:model-value="(interval: number) => setRule({ interval })"
                />
                <UiListbox
                    v-if="schedule.kind === 'soon'"
                    class="w-60"
                    :model-value="schedule.step ?? 15"
                    label="It begins at the next"
                    :options="[
                        { value: 15, label: 'quarter of an hour' },
                        { value: 30, label: 'half hour' },
                        { value: 60, label: 'full hour' },
                    ]"
                    @update:model-value="(step: number) => set({ step })"
                />
            </div>
            <template v-if="schedule.kind === 'recurring'">
                <div v-if="way !== 'day'" class="flex flex-wrap items-center gap-1.5" role="group" aria-label="Days of the week">
                    <UiListbox
                        v-if="way === 'nth'"
                        class="w-32"
                        :model-value="rule.nth ?? 1"
                        label="Which one of the month"
                        hide-label
                        :options="[
                            { value: 1, label: 'first' },
                            { value: 2, label: 'second' },
                            { value: 3, label: 'third' },
                            { value: 4, label: 'fourth' },
                            { value: -1, label: 'last' },
                        ]"
                        @update:model-value="(nth: number) => setRule({ nth })"
                    />
                    <button
                        v-for="(name, i) in days"
                        :key="name"
                        type="button"
                        class="btn min-w-13 justify-center px-2"
                        :class="{ 'border-ink bg-lamp-pale font-bold': rule.days?.includes(i + 1) }"
                        :aria-pressed="rule.days?.includes(i + 1) ?? false"
                        @click="way === 'nth' ? setRule({ days: [i + 1] }) : toggleDay(i + 1)"
                    >
                        {{ name }}
                    </button>
                </div>
                <NumberField
                    v-else
                    :model-value="rule.monthDay ?? 1"
                    :least="-1"
                    :most="31"
                    label="Day of the month (-1 for the last)"
                    @update:model-value="(monthDay: number) => setRule({ monthDay: monthDay === 0 ? 1 : monthDay })"
                />
                <div class="flex flex-wrap items-center gap-2">
                    <span class="w-10 text-soft">at</span>
                    <div v-for="(time, i) in schedule.times" :key="time" class="flex items-center">
                        <TimeField
                            class="w-28"
                            :model-value="time"
                            :label="`Time ${i + 1}`"
                            hide-label
                            required
                            @update:model-value="(words) => setAt('times', i, words)"
                        />
                        <button
                            v-if="schedule.times!.length > 1"
                            type="button"
                            class="btn-quiet px-1.5"
                            :aria-label="`Remove time ${i + 1}`"
                            @click="setAt('times', i, '')"
                        >
                            <XMarkIcon class="size-5" aria-hidden="true" />
                        </button>
                    </div>
                    <button
                        v-if="(schedule.times?.length ?? 0) < 8"
                        type="button"
                        class="btn-quiet"
                        @click="set({ times: [...(schedule.times ?? []), '20:00'].filter((t, i, all) => all.indexOf(t) === i).sort() })"
                    >
                        <PlusIcon class="size-4.5" aria-hidden="true" />Another time
                    </button>
                </div>
                <div class="flex flex-wrap items-center gap-2">
                    <span class="w-10 text-soft" aria-hidden="true">from</span>
                    <DateField
                        class="w-44"
                        :model-value="rule.from"
                        label="From this day"
                        hide-label
                        required
                        @update:model-value="(from) => setRule({ from })"
                    />
                    <span class="text-soft" aria-hidden="true">until</span>
                    <DateField
                        class="w-44"
                        :model-value="rule.until ?? ''"
                        label="Until this day"
                        hide-label
                        @update:model-value="(until) => setRule({ until: until || undefined })"
                    />
                    <span v-if="!rule.until" class="text-soft">with no end</span>
                </div>
            </template>
            <template v-if="schedule.kind === 'dates'">
                <div v-for="(date, i) in schedule.dates" :key="date" class="flex items-center gap-2">
                    <DateField
                        class="w-64"
                        :model-value="date"
                        time
                        :label="`Session ${i + 1}`"
                        hide-label
                        required
                        @update:model-value="(moment) => setAt('dates', i, moment)"
                    />
                    <button
                        type="button"
                        class="btn-quiet px-1.5"
                        :aria-label="`Remove session ${i + 1}`"
                        @click="set({ dates: schedule.dates?.filter((d) => d !== date) })"
                    >
                        <XMarkIcon class="size-5" aria-hidden="true" />
                    </button>
                </div>
                <button type="button" class="-ml-2 btn-quiet" @click="addDate">
                    <PlusIcon class="size-4.5" aria-hidden="true" />Another date
                </button>
            </template>
            <div v-if="schedule.kind === 'soon'" class="flex flex-wrap items-end gap-2">
                <UiListbox
                    class="w-44"
                    :model-value="schedule.quietFrom ?? -1"
                    label="Quiet from"
                    :options="[{ value: -1, label: 'never' }, ...hours]"
                    @update:model-value="
                        (h: number) =>
                            set(
                                h < 0
                                    ? { quietFrom: undefined, quietUntil: undefined }
                                    : { quietFrom: h, quietUntil: schedule.quietUntil ?? 7 },
                            )
                    "
                />
                <UiListbox
                    v-if="(schedule.quietFrom ?? -1) >= 0"
                    class="w-36"
                    :model-value="schedule.quietUntil ?? 7"
                    label="until"
                    :options="hours"
                    @update:model-value="(quietUntil: number) => set({ quietUntil })"
                />
            </div>
            <div v-if="schedule.kind === 'dates' || schedule.kind === 'recurring'" class="flex flex-wrap items-end gap-3">
                <div class="w-64"><ZoneField :model-value="schedule.zone" @update:model-value="(zone: string) => set({ zone })" /></div>
                <UiSwitch
                    v-if="automated"
                    :model-value="schedule.theirs ?? false"
                    label="at that time where each visitor is"
                    @update:model-value="(theirs: boolean) => set({ theirs: theirs || undefined })"
                />
            </div>
        </div>
        <details class="mt-3">
            <summary class="cursor-pointer font-medium">How long, how many, and days without a session</summary>
            <div class="mt-3 grid gap-4 sm:grid-cols-3">
                <NumberField
                    :model-value="schedule.minutes"
                    :least="1"
                    :most="720"
                    label="A session takes"
                    unit="minutes"
                    @update:model-value="(minutes: number) => set({ minutes }, 'how long a session takes')"
                />
                <NumberField
                    :model-value="schedule.offered"
                    :least="1"
                    :most="12"
                    label="Offered at once"
                    unit="sessions"
                    @update:model-value="(offered: number) => set({ offered }, 'how many sessions are offered')"
                />
                <NumberField
                    :model-value="schedule.ahead"
                    :least="1"
                    :most="400"
                    label="As far ahead as"
                    unit="days"
                    @update:model-value="(ahead: number) => set({ ahead }, 'how far ahead sessions are offered')"
                />
                <NumberField
                    :model-value="schedule.closes ?? 0"
                    :least="-720"
                    :most="20160"
                    label="Registration closes before"
                    unit="minutes"
                    @update:model-value="(closes: number) => set({ closes }, 'when registration closes')"
                />
                <NumberField
                    :model-value="schedule.places ?? 0"
                    :least="0"
                    :most="100000"
                    label="Places (0 for any number)"
                    @update:model-value="(places: number) => set({ places: places || undefined }, 'the places of a session')"
                />
                <UiSwitch
                    v-if="schedule.places"
                    :model-value="webinar.showsPlaces"
                    label="Show how many are left"
                    @update:model-value="(showsPlaces: boolean) => emit('edit', { showsPlaces }, 'whether places are shown')"
                />
            </div>
            <div class="mt-4 space-y-2">
                <div v-for="(b, i) in schedule.blackouts" :key="i" class="flex flex-wrap items-center gap-2">
                    <span class="text-soft">no session from</span>
                    <DateField
                        class="w-44"
                        :model-value="b.from"
                        label="No session from"
                        hide-label
                        required
                        @update:model-value="(day) => setBlackout(i, 'from', day)"
                    />
                    <span class="text-soft">to</span>
                    <DateField
                        class="w-44"
                        :model-value="b.until ?? b.from"
                        label="To"
                        hide-label
                        required
                        @update:model-value="(day) => setBlackout(i, 'until', day)"
                    />
                    <button
                        type="button"
                        class="btn-quiet px-1.5"
                        aria-label="Remove these days"
                        @click="set({ blackouts: schedule.blackouts?.filter((_, n) => n !== i) }, 'days without a session')"
                    >
                        <XMarkIcon class="size-5" aria-hidden="true" />
                    </button>
                </div>
                <button type="button" class="-ml-2 btn-quiet" @click="addBlackout">
                    <PlusIcon class="size-4.5" aria-hidden="true" />Days without a session
                </button>
            </div>
        </details>
    </section>
</template>
