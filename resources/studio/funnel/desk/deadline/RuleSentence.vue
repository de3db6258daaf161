<script setup lang="ts">
import { XMarkIcon } from '@heroicons/vue/20/solid';
import { computed } from 'vue';
import type { Deadline, Duration } from '@/api/types';
import TriggerList from '@/funnel/TriggerList.vue';
import { useSession } from '@/stores/session';
import DateField from '@/ui/DateField.vue';
import TimeField from '@/ui/TimeField.vue';
import SpanField from '@/ui/SpanField.vue';
import UiListbox from '@/ui/UiListbox.vue';
import ZoneField from '@/ui/ZoneField.vue';
import type { Span } from '@/ui/span';

/** The rule, read from left to right as a sentence, made by choosing its parts. */
const props = defineProps<{ deadline: Deadline }>();
const emit = defineEmits<{ edit: [values: Record<string, unknown>, label: string] }>();

const session = useSession();

const set = (values: Partial<Deadline>, label: string) => emit('edit', values as Record<string, unknown>, label);
const personal = computed(() => props.deadline.duration !== null);
function setPersonal(on: string): void {
    const latest = props.deadline.latest ?? { moment: inDays(7), zone: session.zone };
    set(on === 'person' ? { duration: { days: 3, time: '20:00' } } : { duration: null, latest }, 'for whom it ends');
}
function inDays(days: number): string {
    return `${new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10)}T20:00`;
}

const span = computed<Span>(() => props.deadline.duration ?? {});
const time = computed(() => (props.deadline.duration && 'days' in props.deadline.duration ? (props.deadline.duration.time ?? '') : ''));
function last({ minutes, days }: Span, t = time.value): void {
    const duration: Duration = days ? { days, ...(t ? { time: t } : {}) } : { minutes: minutes ?? 1 };
    set({ duration }, 'how long it lasts');
}
const setTime = (words: string) => last(span.value, words);
const setLatest = (moment: string) => {
    if (moment !== '' || personal.value) {
        set({ latest: moment === '' ? null : { moment, zone: props.deadline.latest?.zone ?? session.zone } }, 'when it ends at the latest');
    }
};
const setZone = (zone: string) => props.deadline.latest && set({ latest: { ...props.deadline.latest, zone } }, 'in which zone it ends');
</script>

<template>
    <section aria-labelledby="rule">
        <h2 id="rule" class="text-2xl leading-snug" data-test="rule">{{ deadline.words }}</h2>
        <div class="mt-4 space-y-3 rounded-md border border-line bg-raised p-4">
            <UiListbox
                class="w-84"
                :model-value="personal ? 'person' : 'everyone'"
                label="It ends"
                :options="[
                    { value: 'person', label: 'at a moment of each person’s own' },
                    { value: 'everyone', label: 'at one moment for everyone' },
                ]"
                @update:model-value="setPersonal"
            />
            <template v-if="personal">
                <TriggerList
                    :model-value="deadline.starts"
                    first="Starts when"
                    none="Choose what starts it"
                    more="Something else that starts it"
                    label="What starts it"
                    @update:model-value="(starts) => set({ starts }, 'what starts it')"
                />
                <div class="flex flex-wrap items-center gap-2">
                    <span class="w-24 whitespace-nowrap text-soft" aria-hidden="true">lasts</span>
                    <SpanField
                        :model-value="span"
                        label="How long it lasts"
                        hide-label
                        calendar
                        :most="{ minutes: 525_600, days: 365 }"
                        data-test="lasts"
                        @update:model-value="last"
                    />
                    <template v-if="span.days">
                        <span class="text-soft" aria-hidden="true">until</span>
                        <TimeField class="w-28" :model-value="time" label="Until this time" hide-label @update:model-value="setTime" />
                        <button v-if="time" type="button" class="-mx-1 btn-quiet px-1" aria-label="Remove the hour" @click="setTime('')">
                            <XMarkIcon class="size-4.5" aria-hidden="true" />
                        </button>
                        <span class="text-soft">{{ time ? 'their time' : 'the hour at which it started' }}</span>
                    </template>
                </div>
            </template>
            <div class="flex flex-wrap items-start gap-2">
                <span class="w-24 pt-2 whitespace-nowrap text-soft" aria-hidden="true">{{ personal ? 'at the latest' : 'on' }}</span>
                <DateField
                    class="w-64"
                    :model-value="deadline.latest?.moment ?? ''"
                    time
                    :label="personal ? 'At the latest' : 'On'"
                    hide-label
                    :required="!personal"
                    data-test="latest"
                    @update:model-value="setLatest"
                />
                <div v-if="deadline.latest" class="w-64">
                    <ZoneField :model-value="deadline.latest.zone" hide-label @update:model-value="setZone" />
                </div>
                <span v-else class="pt-2 text-soft">with no latest moment</span>
            </div>
        </div>
        <p v-if="personal && span.days" class="hint">
            Days are days of the calendar where each person is; across a change of the clocks the hour on their wall stays the same.
        </p>
    </section>
</template>
