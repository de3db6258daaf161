<script setup lang="ts">
import { calendarDay } from '@/ui/format';
import { useDebounceFn } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { api } from '@/api/client';
import type { Deadline, DeadlineExample } from '@/api/types';
import { useToasts } from '@/stores/toasts';

/** Made-up people for whom the deadline starts, on a strip of days. */
const props = defineProps<{ deadline: Deadline }>();

const toasts = useToasts();
const examples = ref<DeadlineExample[]>([]);
const load = useDebounceFn(async () => {
    try {
        const { duration, latest } = props.deadline;
        examples.value = (
            await api.post<{ examples: DeadlineExample[] }>(`parts/${props.deadline.id}/deadline/examples`, { duration, latest })
        ).examples;
    } catch (error) {
        toasts.trouble(error);
    }
}, 250);
watch(() => [props.deadline.id, JSON.stringify(props.deadline.duration), JSON.stringify(props.deadline.latest)], load, { immediate: true });

const DAY = 86_400_000;
/** Each on a strip of its own that begins with the day of the start, in the person's zone. */
const strips = computed(() =>
    examples.value.map((e) => {
        const local = (iso: string) => {
            const parts = new Intl.DateTimeFormat('en-CA', {
                timeZone: e.zone,
                year: 'numeric',
                month: '2-digit',
                day: '2-digit',
                hour: '2-digit',
                minute: '2-digit',
                hourCycle: 'h23',
            }).formatToParts(new Date(iso));
            const at = (type: string) => Number(parts.find((p) => p.type === type)?.value);
            return Date.UTC(at('year'), at('month') - 1, at('day'), at('hour'), at('minute'));
        };
        const from = local(e.startsAt);
        const to = e.endsAt ? local(e.endsAt) : from;
        const first = Math.floor(from / DAY) * DAY;
        const count = Math.min(31, Math.max(5, Math.floor(to / DAY) - Math.floor(from / DAY) + 2));
        const place = (t: number) => `${Math.min(100, Math.max(0, ((t - first) / (count * DAY)) * 100))}%`;
        const days = Array.from({ length: count }, (_, i) => {
            const day = new Date(first + i * DAY).toISOString().slice(0, 10);
            return { key: i, words: calendarDay(day, { weekday: 'short', day: 'numeric' }) };
        });
        const left = ((from - first) / (count * DAY)) * 100;
        const right = Math.min(100, ((to - first) / (count * DAY)) * 100);
        return { ...e, days, start: place(from), width: `${Math.max(0.6, right - left)}%`, beyond: to - first > count * DAY };
    }),
);
</script>

<template>
    <section aria-labelledby="examples">
        <h3 id="examples" class="text-lg">How it plays out</h3>
        <ul class="mt-2 space-y-4" data-test="examples">
            <li v-for="e in strips" :key="e.who">
                <p class="flex flex-wrap items-baseline justify-between gap-x-4">
                    <span class="font-medium">{{ e.who }}</span>
                    <span class="caption">{{ e.zone.replaceAll('_', ' ') }}</span>
                </p>
                <div class="relative mt-1 flex h-9 overflow-hidden rounded border border-line bg-raised" aria-hidden="true">
                    <span
                        v-for="d in e.days"
                        :key="d.key"
                        class="min-w-0 flex-1 border-l border-line px-1 text-xs whitespace-nowrap text-soft first:border-0"
                        :class="{ truncate: e.days.length <= 12 }"
                        >{{ e.days.length > 12 && d.key % 3 ? '' : d.words }}</span
                    >
                    <span
                        v-if="e.endsAt"
                        class="absolute bottom-1.5 h-2.5 rounded-full bg-clay"
                        :class="{ 'rounded-r-none': e.beyond }"
                        :style="{ left: e.start, width: e.width }"
                    ></span>
                </div>
                <p class="mt-1 text-sm">
                    <template v-if="e.endsAt"
                        >{{ e.startWords }} <span class="text-soft">until</span> {{ e.endWords
                        }}<span class="text-soft"> · {{ e.lasts }}</span></template
                    ><template v-else>{{ e.endWords }}</template>
                </p>
            </li>
        </ul>
    </section>
</template>
