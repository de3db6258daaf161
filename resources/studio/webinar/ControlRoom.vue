<script setup lang="ts">
import { useEventListener, useIntervalFn } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '@/api/client';
import type { SessionRow, SessionShown, WebinarFacts } from '@/api/types';
import { minutesOf } from '@/funnel/desk/webinar/clock';
import { useToasts } from '@/stores/toasts';
import { count, counted, dateTime } from '@/ui/format';
import UiDialog from '@/ui/UiDialog.vue';
import UiListbox from '@/ui/UiListbox.vue';
import PollPanel from '@/webinar/PollPanel.vue';
import QuestionList from '@/webinar/QuestionList.vue';

/** The live hour: begin and end, the offer, who is here, questions and polls. Every act can be taken back, and has a key. */
const props = defineProps<{ shown: SessionShown; path: string }>();
const emit = defineEmits<{ took: [SessionShown]; reload: [] }>();

const toasts = useToasts();
const router = useRouter();
const room = computed(() => props.shown.room);
const live = computed(() => props.shown.mode === 'live');
const busy = ref(false);
/** Between answers the clock goes on by itself. */
const answered = ref(Date.now());
watch(
    () => props.shown,
    () => (answered.value = Date.now()),
);
const now = ref(Date.now());
useIntervalFn(() => (now.value = Date.now()), 500);
const since = computed(() => Math.max(0, (now.value - answered.value) / 1000));
const second = computed(() => Math.floor(room.value.second + (room.value.state === 'on' ? since.value : 0)));
const begins = computed(() => Math.max(0, Math.round(room.value.beginsIn - since.value)));
const stateWords = computed(
    () =>
        ({
            closed: `Begins in ${inWords(begins.value)}`,
            opening: begins.value > 0 ? `Begins in ${inWords(begins.value)}` : 'Should have begun',
            on: live.value ? 'Live' : 'Playing',
            over: 'Over',
            cancelled: 'Cancelled',
        })[room.value.state],
);
function inWords(seconds: number): string {
    const [d, h] = [Math.floor(seconds / 86_400), Math.floor((seconds % 86_400) / 3600)];
    return d > 0 ? `${counted(d, 'day')}, ${counted(h, 'hour')}` : minutesOf(seconds);
}

async function act(name: string, words = ''): Promise<void> {
    if (busy.value) {
        return;
    }
    busy.value = true;
    try {
        emit('took', await api.post<SessionShown>(`${props.path}/act`, { act: name }));
        if (words) {
            toasts.say(words);
        }
    } catch (error) {
        toasts.trouble(error);
        emit('reload');
    } finally {
        busy.value = false;
    }
}
const cancelling = ref(false);
const ending = ref(false);
async function callOff(): Promise<void> {
    cancelling.value = false;
    await act('cancel', 'The session is cancelled. Everybody registered is written to, and can choose another time.');
}
async function end(): Promise<void> {
    ending.value = false;
    await act('end', 'It has ended. Those who were there are told what comes next.');
}
/** Sessions that everybody could be moved to; null while nobody asked for it. */
const others = ref<SessionRow[] | null>(null);
const to = ref('');
async function askWhere(): Promise<void> {
    try {
        const { sessions } = await api.get<WebinarFacts>(`parts/${props.shown.webinar}/webinar`);
        others.value = sessions
            .filter((s) => s.key !== props.shown.key && !s.cancelled && Date.parse(s.startsAt) > Date.now() && s.scheduled)
            .reverse();
        to.value = others.value[0]?.key ?? '';
    } catch (error) {
        toasts.trouble(error);
    }
}
async function moveAll(): Promise<void> {
    others.value = null;
    try {
        const { moved } = await api.post<{ moved: number }>(`${props.path}/move`, { to: to.value });
        toasts.say(`${counted(moved, 'person is', 'people are')} in the other session now, and written to.`);
        await router.push(`/funnels/${props.shown.funnel}/webinar/${props.shown.webinar}`);
    } catch (error) {
        toasts.trouble(error);
    }
}
const mayBegin = computed(() => live.value && !room.value.begun && ['closed', 'opening'].includes(room.value.state) && begins.value < 3600);
const mayEnd = computed(() => live.value && room.value.begun && room.value.state === 'on');
const offers = computed(() => props.shown.offer !== null && room.value.state === 'on');

// B begins, E ends, O shows the offer or hides it, Q goes to the questions.
useEventListener('keydown', (event: KeyboardEvent) => {
    const typing = event.target instanceof HTMLElement && event.target.closest('input, textarea, [role=dialog]');
    if (typing || event.ctrlKey || event.metaKey || event.altKey) {
        return;
    }
    const does: Record<string, () => void> = {
        b: () => mayBegin.value && void act('begin'),
        e: () => mayEnd.value && (ending.value = true),
        o: () => offers.value && void act(room.value.offerShown ? 'hide-offer' : 'offer'),
        q: () => document.getElementById('questions')?.focus(),
    };
    does[event.key.toLowerCase()]?.();
});
</script>

<template>
    <div class="grid gap-x-10 gap-y-6 lg:grid-cols-[20rem_1fr]">
        <div class="space-y-5">
            <div class="rounded-md border border-line bg-raised p-4" :class="{ 'border-lamp bg-lamp-pale': room.state === 'on' }">
                <p class="font-display text-xl font-semibold" role="status" data-test="room-state">{{ stateWords }}</p>
                <p v-if="room.begun || room.state === 'on'" class="mt-1 text-4xl tabular-nums" aria-label="Time into the session">
                    {{ minutesOf(second) }}
                </p>
                <p class="mt-1" data-test="here">
                    <strong class="tabular-nums">{{ count(room.here) }}</strong> here now,
                    {{ count(shown.numbers.registered ?? 0) }} registered
                </p>
            </div>
            <div class="flex flex-col items-start gap-2">
                <button v-if="mayBegin" type="button" class="btn-main" :disabled="busy" @click="act('begin')">
                    Begin <kbd class="ml-1 rounded border border-edge px-1 font-sans text-xs">B</kbd>
                </button>
                <button v-if="mayEnd" type="button" class="btn-main" :disabled="busy" @click="ending = true">
                    End the session <kbd class="ml-1 rounded border border-edge px-1 font-sans text-xs">E</kbd>
                </button>
                <button
                    v-if="room.begun && room.state === 'on' && second < 300"
                    type="button"
                    class="btn-quiet"
                    :disabled="busy"
                    @click="act('unbegin', 'It has not begun. Press “Begin” when you are ready.')"
                >
                    Undo: it has not begun yet
                </button>
                <button
                    v-if="live && room.state === 'over' && room.begun"
                    type="button"
                    class="btn"
                    :disabled="busy"
                    @click="act('reopen')"
                >
                    Undo: it goes on
                </button>
                <template v-if="shown.offer">
                    <button
                        v-if="!room.offerShown"
                        type="button"
                        class="btn"
                        :disabled="busy || !offers"
                        :title="offers ? '' : 'The offer can be shown while the session is on'"
                        @click="act('offer', `“${shown.offer}” is shown to everybody in the room.`)"
                    >
                        Show the offer <kbd class="ml-1 rounded border border-edge px-1 font-sans text-xs">O</kbd>
                    </button>
                    <button v-else type="button" class="btn" :disabled="busy" @click="act('hide-offer', 'The offer is hidden again.')">
                        Hide the offer <kbd class="ml-1 rounded border border-edge px-1 font-sans text-xs">O</kbd>
                    </button>
                    <p class="caption">
                        {{ shown.offer
                        }}{{
                            room.offerAt !== null && !room.offerHidden
                                ? room.offerShown
                                    ? `, shown since ${minutesOf(room.offerAt)}`
                                    : `, appears by itself at ${minutesOf(room.offerAt)}`
                                : ''
                        }}
                    </p>
                </template>
                <button
                    v-if="['closed', 'opening'].includes(room.state) && (shown.numbers.registered ?? 0) > 0"
                    type="button"
                    class="btn-quiet"
                    @click="askWhere"
                >
                    Move everybody to another time
                </button>
                <button
                    v-if="['closed', 'opening'].includes(room.state) || (room.state === 'on' && live)"
                    type="button"
                    class="btn-quiet text-clay-deep"
                    @click="cancelling = true"
                >
                    Cancel this session
                </button>
            </div>
            <PollPanel
                :polls="room.polls"
                :path="path"
                :on="room.state === 'on' || room.state === 'opening'"
                @took="(s) => emit('took', s)"
            />
        </div>
        <QuestionList :questions="room.questions" :path="path" :live="live" @took="(s) => emit('took', s)" />
        <UiDialog :open="cancelling" title="Cancel this session?" @close="cancelling = false">
            <p>
                {{ counted(shown.numbers.registered ?? 0, 'person is', 'people are') }} registered. Each of them gets an email that it does
                not take place, with a link to the other times. This cannot be taken back.
            </p>
            <div class="mt-4 flex gap-2">
                <button type="button" class="btn-main" @click="callOff">Cancel the session</button>
                <button type="button" class="btn" @click="cancelling = false">Keep it</button>
            </div>
        </UiDialog>
        <UiDialog :open="others !== null" title="Move everybody to another time?" @close="others = null">
            <template v-if="others?.length">
                <UiListbox
                    v-model="to"
                    label="To the session of"
                    :options="others.map((s) => ({ value: s.key, label: dateTime(s.startsAt) }))"
                />
                <p class="mt-2">
                    Everybody keeps their place. Each gets an email with the new time, and can choose another one. Nobody can register for
                    this session any more.
                </p>
                <div class="mt-4 flex gap-2">
                    <button type="button" class="btn-main" @click="moveAll">Move everybody</button>
                    <button type="button" class="btn" @click="others = null">Leave it</button>
                </div>
            </template>
            <p v-else>There is no other session to come. Add a date on the webinar's desk and publish it first.</p>
        </UiDialog>
        <UiDialog :open="ending" title="End the session?" @close="ending = false">
            <p>The room says that it is over, and leads on. You can take it back for half a minute.</p>
            <div class="mt-4 flex gap-2">
                <button type="button" class="btn-main" @click="end">End it</button>
                <button type="button" class="btn" @click="ending = false">Go on</button>
            </div>
        </UiDialog>
    </div>
</template>
