<script setup lang="ts">
import { computed } from 'vue';
import type { SessionRow, Webinar, WebinarFacts } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { count, dateTime, percent } from '@/ui/format';

/** The sessions with who registered, came, stayed and bought; each leads to its control room, or to its report. */
const props = defineProps<{ webinar: Webinar; facts: WebinarFacts }>();

const store = useFunnel();
const to = (s: SessionRow) => `/funnels/${store.funnel?.id}/webinar/${props.webinar.id}/sessions/${s.key}`;
const coming = (s: SessionRow) => !s.cancelled && !s.ended && Date.parse(s.endsAt) > Date.now();
const total = computed(() => props.facts.totals);
const share = (part: number, whole: number) => (whole === 0 ? '' : percent(part / whole, 0));
/** How live compares with the replay, in a sentence. */
const comparison = computed(() => {
    const t = total.value;
    if ((t.came ?? 0) + (t.replay ?? 0) === 0) {
        return '';
    }
    const sold = (bought: number, all: number, who: string) =>
        all === 0 ? 'nobody yet' : `${count(bought)} of ${count(all)} ${who} bought (${share(bought, all)})`;
    return (
        `Live, ${sold(t.bought_live ?? 0, t.came ?? 0, 'who came')}; ` +
        `by the replay alone, ${sold(t.bought_replay ?? 0, t.replay_alone ?? 0, 'who watched it')}.`
    );
});
</script>

<template>
    <section aria-labelledby="sessions">
        <h3 id="sessions" class="text-lg">Sessions</h3>
        <table v-if="facts.sessions.length > 0" class="mt-2 w-full text-left" data-test="sessions">
            <thead class="text-sm text-soft">
                <tr class="border-b border-line">
                    <th class="py-1.5 font-medium">When</th>
                    <th class="py-1.5 text-right font-medium">Registered</th>
                    <th class="py-1.5 text-right font-medium">Came</th>
                    <th class="py-1.5 text-right font-medium">Stayed</th>
                    <th class="py-1.5 text-right font-medium">Bought</th>
                    <th class="sr-only">Open</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="s in facts.sessions.slice(0, 12)" :key="s.key" class="border-b border-line tabular-nums">
                    <td class="py-2">
                        {{ s.key === 'd' ? 'On demand' : dateTime(s.startsAt) }}
                        <span v-if="s.cancelled" class="caption">cancelled</span>
                        <span v-else-if="!s.scheduled" class="caption text-clay-deep">not in the schedule any more</span>
                    </td>
                    <td class="text-right">
                        {{ count(s.registered) }}<span v-if="s.waiting > 0" class="caption"> +{{ count(s.waiting) }}</span>
                    </td>
                    <td class="text-right">{{ coming(s) && s.came === 0 ? '' : count(s.came) }}</td>
                    <td class="text-right">{{ coming(s) && s.came === 0 ? '' : count(s.stayed) }}</td>
                    <td class="text-right">{{ coming(s) && s.came === 0 ? '' : count(s.bought) }}</td>
                    <td class="pl-3 text-right whitespace-nowrap">
                        <RouterLink class="link" :to="to(s)">{{
                            coming(s) && webinar.mode === 'live' ? 'Control room' : coming(s) ? 'Open the room' : 'Report'
                        }}</RouterLink>
                    </td>
                </tr>
            </tbody>
        </table>
        <p v-else class="mt-2 text-soft">There is no session to come. Choose when it is, above.</p>
        <p v-if="comparison" class="hint">{{ comparison }}</p>
    </section>
</template>
