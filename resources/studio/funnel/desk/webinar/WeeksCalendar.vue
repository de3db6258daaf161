<script setup lang="ts">
import { calendarDay } from '@/ui/format';
import { useDebounceFn } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { api } from '@/api/client';
import type { CalendarSession, Webinar } from '@/api/types';
import { useSession } from '@/stores/session';
import { useToasts } from '@/stores/toasts';
import ZoneField from '@/ui/ZoneField.vue';

/** The next eight weeks as somebody in a zone sees them. */
const props = defineProps<{ webinar: Webinar }>();

const session = useSession();
const toasts = useToasts();
const zone = ref(session.zone);
const calendar = ref<{ from: string; until: string; sessions: CalendarSession[] } | null>(null);
const load = useDebounceFn(async () => {
    try {
        calendar.value = await api.post(`parts/${props.webinar.id}/webinar/calendar`, {
            zone: zone.value,
            schedule: props.webinar.schedule,
        });
    } catch (error) {
        toasts.trouble(error);
    }
}, 250);
watch(() => [props.webinar.id, zone.value, JSON.stringify(props.webinar.schedule)], load, { immediate: true });

const regular = computed(() => ['dates', 'recurring'].includes(props.webinar.schedule.kind));
/** Eight weeks of seven days, from the Monday of this one. */
const weeks = computed(() => {
    if (!calendar.value) {
        return [];
    }
    const first = new Date(`${calendar.value.from}T00:00:00Z`);
    first.setUTCDate(first.getUTCDate() - ((first.getUTCDay() + 6) % 7));
    return Array.from({ length: 8 }, (_, w) =>
        Array.from({ length: 7 }, (_, d) => {
            const day = new Date(first.getTime() + (w * 7 + d) * 86_400_000);
            const key = day.toISOString().slice(0, 10);
            return {
                key,
                words: calendarDay(key, {
                    day: 'numeric',
                    ...(day.getUTCDate() === 1 || (w === 0 && d === 0) ? { month: 'short' } : {}),
                }),
                past: key < calendar.value!.from,
                sessions: calendar.value!.sessions.filter((s) => s.day === key),
            };
        }),
    );
});
</script>

<template>
    <section aria-labelledby="calendar">
        <div class="flex flex-wrap items-end justify-between gap-3">
            <h3 id="calendar" class="text-lg">The next eight weeks, as a visitor sees them</h3>
            <div class="w-64"><ZoneField v-model="zone" /></div>
        </div>
        <table v-if="regular && weeks.length > 0" class="mt-3 w-full table-fixed border-collapse text-sm" data-test="calendar">
            <thead>
                <tr>
                    <th
                        v-for="d in ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']"
                        :key="d"
                        class="pb-1 text-left font-medium text-soft"
                    >
                        {{ d }}
                    </th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="week in weeks" :key="week[0]!.key">
                    <td
                        v-for="day in week"
                        :key="day.key"
                        class="h-11 border border-line px-1.5 py-1 align-top"
                        :class="{ 'bg-paper text-soft': day.past, 'bg-raised': !day.past }"
                    >
                        <span class="text-xs text-soft">{{ day.words }}</span>
                        <span
                            v-for="s in day.sessions"
                            :key="s.key"
                            class="block rounded px-1 leading-tight"
                            :class="s.offered ? 'bg-pine font-bold text-white' : 'border border-pine text-pine'"
                            :title="s.offered ? 'Offered now' : 'Offered later'"
                            >{{ s.time }}</span
                        >
                    </td>
                </tr>
            </tbody>
        </table>
        <p v-if="regular" class="hint">Filled ones are offered now to whoever registers; the others come up later.</p>
        <p v-else-if="webinar.schedule.kind === 'soon' && calendar" class="mt-2">
            Whoever registers now is offered
            <strong>{{ calendar.sessions.map((s) => s.time).join(', ') || 'nothing: these are quiet hours' }}</strong>.
        </p>
        <p v-else class="mt-2">There are no sessions at set times: it begins when its person presses the button.</p>
    </section>
</template>
