<script setup lang="ts">
import { PlusIcon, XMarkIcon } from '@heroicons/vue/20/solid';
import { computed, ref } from 'vue';
import { api } from '@/api/client';
import type { Picture, Webinar, WebinarFacts } from '@/api/types';
import MediaField from '@/funnel/desk/column/MediaField.vue';
import { minutesOf, secondsOf } from '@/funnel/desk/webinar/clock';
import { useFunnel } from '@/funnel/funnelStore';
import { useToasts } from '@/stores/toasts';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';
import UiSwitch from '@/ui/UiSwitch.vue';
import { counted } from '@/ui/format';
import { vKept } from '@/ui/kept';

/** What is seen in the room: a stream or a recording, with captions, and the offer at its moment. */
const props = defineProps<{ webinar: Webinar; facts: WebinarFacts | null }>();
const emit = defineEmits<{ edit: [values: Record<string, unknown>, label: string, now?: boolean] }>();

const store = useFunnel();
const toasts = useToasts();
const live = computed(() => props.webinar.mode === 'live');
const offers = computed(() => [{ value: '', label: 'none' }, ...(store.funnel?.offers.map((o) => ({ value: o.id, label: o.name })) ?? [])]);
const host = computed(() => {
    try {
        return new URL(props.webinar.stream).host;
    } catch {
        return '';
    }
});
const embeds = computed(() => host.value !== '' && (props.facts?.embedHosts ?? []).includes(host.value));

/** A session takes as long as the recording it plays: its end decides when the replay opens and when the emails afterwards go out. */
function planned(mode: string, seconds: number | null | undefined): { schedule?: Webinar['schedule'] } {
    return mode === 'automated' && seconds ? { schedule: { ...props.webinar.schedule, minutes: wholeMinutes(seconds) } } : {};
}
const wholeMinutes = (seconds: number) => Math.min(720, Math.max(1, Math.ceil(seconds / 60)));
function setManner(mode: string): void {
    const { schedule } = props.webinar;
    // A live one is at set times, the same moment for everybody.
    const must = mode === 'live' && (['soon', 'on-demand'].includes(schedule.kind) || schedule.theirs);
    const next = { ...schedule, kind: ['soon', 'on-demand'].includes(schedule.kind) ? 'dates' : schedule.kind };
    delete next.theirs;
    emit('edit', { mode, ...(must ? { schedule: next } : {}), ...planned(mode, props.webinar.seconds) }, 'how the webinar is held');
}
function setVideo(picture: Picture | null): void {
    emit('edit', { video: picture?.id ?? '', ...planned(props.webinar.mode, picture?.seconds) }, 'the recording');
}
const file = ref<HTMLInputElement | null>(null);
async function bringCaptions(event: Event): Promise<void> {
    const [chosen] = (event.target as HTMLInputElement).files ?? [];
    if (!chosen) {
        return;
    }
    try {
        const form = new FormData();
        form.set('captions', chosen);
        const made = await api.post<{ id: string }>(`parts/${props.webinar.id}/webinar/captions`, form);
        emit('edit', { captions: made.id }, 'the captions');
    } catch (error) {
        toasts.trouble(error);
    } finally {
        if (file.value) {
            file.value.value = '';
        }
    }
}
function setSecond(typed: string): void {
    const { offer } = props.webinar;
    if (!offer) {
        return;
    }
    const second = secondsOf(typed);
    if (typed.trim() !== '' && second === null) {
        toasts.say('A moment is written like 40:00, in minutes and seconds.');
        return;
    }
    emit('edit', { offer: { offer: offer.offer, ...(second === null ? {} : { second }) } }, 'when the offer appears');
}
const setChapter = (i: number, values: { second?: number; title?: string }, now = true) =>
    emit(
        'edit',
        { chapters: props.webinar.chapters.map((c, n) => (n === i ? { ...c, ...values } : c)) },
        'the chapters of the replay',
        now,
    );
function chapterAt(i: number, typed: string): void {
    const second = secondsOf(typed);
    if (second === null) {
        toasts.say('A moment is written like 12:30, in minutes and seconds.');
        return;
    }
    setChapter(i, { second });
}
</script>

<template>
    <section aria-labelledby="shown" class="space-y-4">
        <h3 id="shown" class="text-lg">In the room</h3>
        <UiListbox
            :model-value="webinar.mode"
            label="It is"
            :options="[
                { value: 'live', label: 'held live by you' },
                { value: 'automated', label: 'played from a recording' },
            ]"
            @update:model-value="setManner"
        />
        <template v-if="live">
            <TextField
                :model-value="webinar.stream"
                label="Address of your stream"
                hint="Where your streaming service says it can be embedded. Begins with https://."
                :maxlength="500"
                autocomplete="off"
                @update:model-value="(stream: string) => emit('edit', { stream }, 'the address of the stream', false)"
            />
            <p v-if="webinar.stream && !embeds" class="hint -mt-2">
                {{ host || 'This address' }} is not among the sites whose videos your pages may show (Settings). The room shows a button
                that opens the stream instead.
            </p>
        </template>
        <MediaField
            :label="live ? 'Recording, for the replay' : 'The recording'"
            kind="videos"
            :chosen="webinar.video || undefined"
            @choose="setVideo"
        />
        <p v-if="webinar.seconds" class="hint -mt-2">
            {{ minutesOf(webinar.seconds) }} long.
            <template v-if="!live && webinar.schedule.minutes !== wholeMinutes(webinar.seconds)">
                Its sessions are planned for {{ counted(webinar.schedule.minutes, 'minute') }}.
                <button type="button" class="link" @click="emit('edit', planned('automated', webinar.seconds), 'how long a session takes')">
                    Plan {{ counted(wholeMinutes(webinar.seconds), 'minute') }}
                </button>
            </template>
        </p>
        <div v-if="webinar.video">
            <span class="label">Captions (WebVTT)</span>
            <p v-if="facts?.captionsName && webinar.captions" class="mb-1 truncate">{{ facts.captionsName }}</p>
            <label class="btn has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-pine">
                <input ref="file" type="file" class="sr-only" accept=".vtt,text/vtt" aria-label="Choose captions" @change="bringCaptions" />
                {{ webinar.captions ? 'Other captions' : 'Choose a file' }}
            </label>
            <button v-if="webinar.captions" type="button" class="btn-quiet" @click="emit('edit', { captions: '' }, 'the captions')">
                None
            </button>
        </div>
        <UiSwitch
            v-if="!live && webinar.schedule.kind !== 'on-demand'"
            :model-value="webinar.pauses"
            label="It may be paused"
            @update:model-value="(pauses: boolean) => emit('edit', { pauses }, 'whether it may be paused')"
        />
        <div class="grid grid-cols-[1fr_8rem] items-end gap-3">
            <UiListbox
                :model-value="webinar.offer?.offer ?? ''"
                label="Offer that appears"
                :options="offers"
                @update:model-value="
                    (offer: string) => emit('edit', { offer: offer === '' ? null : { ...webinar.offer, offer } }, 'the offer in the room')
                "
            />
            <label v-if="webinar.offer" class="block"
                ><span class="label">at minute</span
                ><input
                    v-kept="webinar.offer.second === undefined ? '' : minutesOf(webinar.offer.second)"
                    class="input"
                    :placeholder="live ? 'by hand' : '40:00'"
                    @change="setSecond(($event.target as HTMLInputElement).value)"
            /></label>
        </div>
        <p v-if="webinar.offer && webinar.offer.second === undefined" class="hint -mt-2">
            {{
                live
                    ? 'You show it from the control room.'
                    : 'It does not appear by itself: write at which minute of the recording it does.'
            }}
        </p>
        <details v-if="webinar.video">
            <summary class="cursor-pointer font-medium">Chapters of the replay ({{ webinar.chapters.length }})</summary>
            <div v-for="(c, i) in webinar.chapters" :key="i" class="mt-2 flex gap-2">
                <input
                    v-kept="minutesOf(c.second)"
                    class="input w-24"
                    :aria-label="`Chapter ${i + 1}, at`"
                    @change="chapterAt(i, ($event.target as HTMLInputElement).value)"
                />
                <input
                    v-kept="c.title"
                    class="input flex-1"
                    maxlength="120"
                    :aria-label="`Chapter ${i + 1}, title`"
                    @change="setChapter(i, { title: ($event.target as HTMLInputElement).value })"
                />
                <button
                    type="button"
                    class="btn-quiet px-1.5"
                    :aria-label="`Remove chapter ${i + 1}`"
                    @click="emit('edit', { chapters: webinar.chapters.filter((_, n) => n !== i) }, 'the chapters of the replay')"
                >
                    <XMarkIcon class="size-5" aria-hidden="true" />
                </button>
            </div>
            <button
                type="button"
                class="-ml-2 btn-quiet"
                @click="
                    emit(
                        'edit',
                        {
                            chapters: [
                                ...webinar.chapters,
                                { second: (webinar.chapters.at(-1)?.second ?? -60) + 60, title: `Chapter ${webinar.chapters.length + 1}` },
                            ],
                        },
                        'the chapters of the replay',
                    )
                "
            >
                <PlusIcon class="size-4.5" aria-hidden="true" />A chapter
            </button>
        </details>
    </section>
</template>
