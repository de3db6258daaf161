<script setup lang="ts">
import { computed } from 'vue';
import type { Webinar, WebinarOutcome } from '@/api/types';
import { written } from '@/funnel/desk/webinar/written';
import DateField from '@/ui/DateField.vue';
import TimeField from '@/ui/TimeField.vue';
import NumberField from '@/ui/NumberField.vue';
import SpanField from '@/ui/SpanField.vue';
import TagsField from '@/ui/TagsField.vue';
import UiListbox from '@/ui/UiListbox.vue';
import UiSwitch from '@/ui/UiSwitch.vue';

/** From when on somebody has attended, the replay, and tags by what became of each person. */
const props = defineProps<{ webinar: Webinar }>();
const emit = defineEmits<{ edit: [values: Record<string, unknown>, label: string, now?: boolean] }>();

const byMinutes = computed(() => 'minutes' in props.webinar.threshold);
const replay = computed(() => props.webinar.replay);
const set = (values: Partial<NonNullable<Webinar['replay']>>) =>
    emit('edit', { replay: written({ ...replay.value, ...values }) }, 'the replay');
const outcomes: { key: WebinarOutcome; label: string }[] = [
    { key: 'attended', label: 'attended' },
    { key: 'saw-offer', label: 'saw the offer' },
    { key: 'left-early', label: 'left early' },
    { key: 'missed', label: 'missed it' },
    { key: 'watched-replay', label: 'watched the replay' },
];
function tag(key: WebinarOutcome, tags: string[]): void {
    const next = written({ ...props.webinar.tags, [key]: tags.length === 0 ? undefined : tags });
    emit('edit', { tags: next }, 'tags by what became of a session', false);
}
</script>

<template>
    <section aria-labelledby="after" class="space-y-4">
        <h3 id="after" class="text-lg">Who has attended</h3>
        <div class="flex flex-wrap items-end gap-2">
            <UiListbox
                class="w-48"
                :model-value="byMinutes ? 'minutes' : 'percent'"
                label="Whoever saw at least"
                :options="[
                    { value: 'percent', label: 'a share of it' },
                    { value: 'minutes', label: 'so many minutes' },
                ]"
                @update:model-value="
                    (u: string) => emit('edit', { threshold: u === 'minutes' ? { minutes: 30 } : { percent: 60 } }, 'who has attended')
                "
            />
            <NumberField
                v-if="'minutes' in webinar.threshold"
                :model-value="webinar.threshold.minutes"
                :least="1"
                :most="720"
                label="Minutes"
                hide-label
                unit="minutes"
                @update:model-value="(minutes: number) => emit('edit', { threshold: { minutes } }, 'who has attended')"
            />
            <NumberField
                v-else
                :model-value="webinar.threshold.percent"
                :least="1"
                :most="100"
                label="Percent"
                hide-label
                unit="%"
                @update:model-value="(percent: number) => emit('edit', { threshold: { percent } }, 'who has attended')"
            />
        </div>
        <h3 class="text-lg">Replay</h3>
        <UiSwitch
            :model-value="replay !== null"
            label="There is a replay"
            @update:model-value="(on: boolean) => emit('edit', { replay: on ? { delay: 60, days: 3, time: '23:00' } : null }, 'the replay')"
        />
        <template v-if="replay">
            <SpanField
                :model-value="{ minutes: replay.delay }"
                :least="0"
                :most="{ minutes: 20_160, days: 14 }"
                label="It opens after the end of their session, by"
                @update:model-value="(span) => set({ delay: span.minutes ?? 0 })"
            />
            <div class="flex flex-wrap items-end gap-2">
                <NumberField
                    :model-value="replay.days ?? 0"
                    :least="0"
                    :most="365"
                    label="and is open for so many days (0 for no end)"
                    @update:model-value="
                        (days: number) => set(days === 0 ? { days: undefined, time: undefined } : { days, time: replay!.time ?? '23:00' })
                    "
                />
                <TimeField
                    v-if="replay.days"
                    class="w-28"
                    :model-value="replay.time ?? '23:00'"
                    label="until"
                    required
                    @update:model-value="(time) => set({ time })"
                />
            </div>
            <DateField
                class="max-w-64"
                :model-value="replay.until ?? ''"
                time
                label="At the latest, for everyone"
                @update:model-value="(until) => set({ until: until || undefined })"
            />
            <UiListbox
                :model-value="replay.for ?? 'registered'"
                label="Who may watch it"
                :options="[
                    { value: 'registered', label: 'everybody who registered' },
                    { value: 'not-attended', label: 'those who missed it or left early' },
                    { value: 'attended', label: 'those who attended' },
                ]"
                @update:model-value="(who: string) => set({ for: who === 'registered' ? undefined : who })"
            />
        </template>
        <details>
            <summary class="cursor-pointer font-medium">Tags by what became of each person</summary>
            <div class="mt-2 space-y-3">
                <TagsField
                    v-for="o in outcomes"
                    :key="o.key"
                    :model-value="webinar.tags[o.key] ?? []"
                    :label="`Who ${o.label} gets`"
                    hint=""
                    @update:model-value="(tags: string[]) => tag(o.key, tags)"
                />
            </div>
        </details>
    </section>
</template>
