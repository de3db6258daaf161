<script setup lang="ts">
import { ArrowDownTrayIcon, EnvelopeIcon } from '@heroicons/vue/20/solid';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '@/api/client';
import type { SessionPerson, SessionShown } from '@/api/types';
import { minutesOf } from '@/funnel/desk/webinar/clock';
import { usePagedList } from '@/stores/pagedList';
import { useToasts } from '@/stores/toasts';
import { count, counted, percent } from '@/ui/format';
import PageTurner from '@/ui/PageTurner.vue';
import CurveChart from '@/webinar/CurveChart.vue';

/** After a session: who was there, for how long, what became of them, with a click to write to them. */
const props = defineProps<{ shown: SessionShown; path: string }>();

const router = useRouter();
const toasts = useToasts();
const n = computed(() => props.shown.numbers);
const outcome = ref('registered');
const table = ref(false);
const outcomes = computed(() => [
    { id: 'registered', label: 'Registered', n: n.value.registered ?? 0 },
    { id: 'came', label: 'Came', n: n.value.came ?? 0 },
    { id: 'attended', label: 'Stayed', n: n.value.stayed ?? 0 },
    { id: 'saw-offer', label: 'Saw the offer', n: n.value.saw_offer ?? 0 },
    { id: 'left-early', label: 'Left early', n: n.value.left_early ?? 0 },
    { id: 'missed', label: 'Missed it', n: n.value.missed ?? 0 },
    { id: 'watched-replay', label: 'Watched the replay', n: n.value.replay ?? 0 },
    { id: 'bought', label: 'Bought', n: n.value.bought ?? 0 },
]);
const share = (part: number, whole: number) => (whole === 0 ? '–' : percent(part / whole, 0));
const peak = computed(() => Math.max(0, ...props.shown.curve.counts));
const atOffer = computed(() => {
    const { offerAt, curve } = props.shown;
    return offerAt === null ? null : (curve.counts[Math.floor(offerAt / curve.step)] ?? 0);
});
const sentence = computed(() => {
    if ((n.value.came ?? 0) === 0) {
        return 'Nobody was in this session.';
    }
    const at = props.shown.curve.counts.indexOf(peak.value) * props.shown.curve.step;
    const offer =
        atOffer.value === null ? '' : ` When the offer appeared, ${count(atOffer.value)} ${atOffer.value === 1 ? 'was' : 'were'} there.`;
    const open = (n.value.came ?? 0) - (n.value.stayed ?? 0) - (n.value.left_early ?? 0);
    const stayed =
        open > 0
            ? `Whether they stayed is still being worked out for ${count(open)} of them.`
            : `${share(n.value.stayed ?? 0, n.value.came ?? 0)} of them stayed.`;
    return `${counted(n.value.came ?? 0, 'person', 'people')} of ${count(n.value.registered ?? 0)} came (${share(
        n.value.came ?? 0,
        n.value.registered ?? 0,
    )}); at most ${count(peak.value)} at once, at ${minutesOf(Math.max(0, at))}. ${stayed}${offer}`;
});

const { answer: people, page } = usePagedList<{ total: number; people: SessionPerson[] }>(
    () => `${props.path}/people`,
    () => ({ outcome: outcome.value }),
);
async function write(): Promise<void> {
    try {
        const made = await api.post<{ id: string; tag: string }>(`${props.path}/write`, { outcome: outcome.value });
        toasts.say(`They have the tag “${made.tag}”, so that you find them again.`);
        await router.push(`/emails/broadcasts/${made.id}`);
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <div class="space-y-6">
        <p class="text-lg" data-test="sentence">{{ sentence }}</p>
        <section v-if="(n.came ?? 0) > 0" aria-labelledby="curve">
            <div class="flex items-baseline justify-between">
                <h2 id="curve" class="text-lg">Who was there</h2>
                <button type="button" class="btn-quiet" @click="table = !table">{{ table ? 'As a curve' : 'As a table' }}</button>
            </div>
            <CurveChart v-if="!table" :step="shown.curve.step" :counts="shown.curve.counts" :offer-at="shown.offerAt" />
            <table v-else class="mt-2 tabular-nums">
                <tbody>
                    <tr v-for="(c, i) in shown.curve.counts.filter((_, k) => k % Math.ceil(shown.curve.counts.length / 24) === 0)" :key="i">
                        <td class="pr-6 text-soft">
                            {{ minutesOf(i * Math.ceil(shown.curve.counts.length / 24) * shown.curve.step) }}
                        </td>
                        <td class="text-right">{{ count(c) }}</td>
                    </tr>
                </tbody>
            </table>
        </section>
        <section aria-labelledby="who">
            <h2 id="who" class="text-lg">People</h2>
            <div class="mt-2 flex flex-wrap gap-1" role="group" aria-label="What became of them">
                <button
                    v-for="o in outcomes"
                    :key="o.id"
                    type="button"
                    class="btn"
                    :class="{ 'border-ink bg-lamp-pale': outcome === o.id }"
                    :aria-pressed="outcome === o.id"
                    @click="outcome = o.id"
                >
                    {{ o.label }} <span class="tabular-nums">{{ count(o.n) }}</span>
                </button>
                <span class="ml-auto flex gap-1">
                    <button v-if="(people?.total ?? 0) > 0" type="button" class="btn" @click="write">
                        <EnvelopeIcon class="size-4.5 text-pine" aria-hidden="true" />Write to them
                    </button>
                    <a class="btn" :href="`/studio/api/${path}/export`" download
                        ><ArrowDownTrayIcon class="size-4.5" aria-hidden="true" />Export</a
                    >
                </span>
            </div>
            <table v-if="people && people.people.length > 0" class="mt-3 w-full text-left" data-test="people">
                <thead class="text-sm text-soft">
                    <tr class="border-b border-line">
                        <th class="py-1.5 font-medium">Who</th>
                        <th class="py-1.5 text-right font-medium">In the session</th>
                        <th class="py-1.5 text-right font-medium">Of the replay</th>
                        <th class="py-1.5 pl-6 font-medium">What became of it</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="p in people.people" :key="p.id" class="border-b border-line tabular-nums">
                        <td class="py-2">
                            <RouterLink class="link" :to="`/people/${p.id}`">{{ p.name || p.email }}</RouterLink>
                            <span v-if="p.name" class="ml-2 caption">{{ p.email }}</span>
                        </td>
                        <td class="text-right">{{ p.liveSeconds > 0 ? minutesOf(p.liveSeconds) : '' }}</td>
                        <td class="text-right">{{ p.replaySeconds > 0 ? minutesOf(p.replaySeconds) : '' }}</td>
                        <td class="pl-6">{{ p.words }}</td>
                    </tr>
                </tbody>
            </table>
            <p v-else-if="people" class="mt-3 text-soft">Nobody.</p>
            <PageTurner
                v-if="people && people.total > 50"
                :page="page"
                :pages="Math.ceil(people.total / 50)"
                :total="people.total"
                one="person"
                many="people"
                @turn="(to: number) => (page = to)"
            />
        </section>
    </div>
</template>
