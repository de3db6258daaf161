<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { computed, defineAsyncComponent, onMounted, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { api, ApiError } from '@/api/client';
import type { Broadcast, Finding, Rules } from '@/api/types';
import BroadcastResults from '@/outbox/BroadcastResults.vue';
import SendDialog from '@/outbox/SendDialog.vue';
import SegmentExamples from '@/people/SegmentExamples.vue';
import RulesField from '@/people/RulesField.vue';
import { useToasts } from '@/stores/toasts';
import { usePeopleKit } from '@/stores/peopleKit';
import { usePulse } from '@/stores/pulse';
import { useAutosave } from '@/ui/autosave';
import { useHistory } from '@/ui/history';
import { copy, diff, patched } from '@/ui/patches';
import { counted, dateTime } from '@/ui/format';
import { useLeaving } from '@/ui/leaving';
import NotHere from '@/ui/NotHere.vue';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';
import UiSwitch from '@/ui/UiSwitch.vue';

const EmailSheet = defineAsyncComponent(() => import('@/emails/EmailSheet.vue'));
const route = useRoute();
const toasts = useToasts();
const people = usePeopleKit();
const broadcast = ref<Broadcast | null>(null);
const missing = ref(false);
const redraw = ref(0);
const sending = ref(false);
const findings = ref<Finding[]>([]);
const testing = ref(false);
const id = computed(() => String(route.params.id));
const isDraft = computed(() => broadcast.value?.state === 'draft');

async function load(): Promise<void> {
    try {
        broadcast.value = await api.get<Broadcast>(`broadcasts/${id.value}`);
        testing.value = broadcast.value.settings.otherSubject !== '';
        missing.value = false;
    } catch (error) {
        missing.value = error instanceof ApiError && error.status === 404;
        if (!missing.value) {
            toasts.trouble(error);
        }
    }
}
onMounted(() => Promise.all([people.load(), load()]));
watch(id, () => {
    saving.drop();
    history.clear();
    void load();
});
// What is being written is not taken over; numbers of what is on its way are.
usePulse(() => (isDraft.value ? undefined : load()));

const { status, trouble, words, ...saving } = useAutosave<Broadcast>(async (values) => {
    const target = broadcast.value!;
    const {
        revision,
        people: count,
        audienceWords,
    } = await api.put<Broadcast>(`broadcasts/${target.id}`, {
        revision: target.revision,
        ...values,
    });
    Object.assign(target, { revision, people: count, audienceWords });
    redraw.value++;
});

const history = useHistory((_, patches, back) => apply(patched(pick(patches.map((p) => p.path[0] as keyof Broadcast)), patches, back)));
const undoable = history.done;
const pick = (fields: (keyof Broadcast)[]) => Object.fromEntries(fields.map((f) => [f, broadcast.value?.[f]])) as Partial<Broadcast>;
function edit(values: Partial<Broadcast>): void {
    const patches = broadcast.value ? diff(pick(Object.keys(values) as (keyof Broadcast)[]), values) : [];
    if (patches.length > 0) {
        history.changed('the broadcast', [{ key: id.value, patches }]);
        apply(values);
    }
}
function apply(values: Partial<Broadcast>): void {
    Object.assign(broadcast.value!, copy(values));
    saving.edit(copy(values));
}
function undo(): void {
    if (isDraft.value) {
        void history.move(true);
    }
}
useEventListener('keydown', (event: KeyboardEvent) => {
    if (
        (event.ctrlKey || event.metaKey) &&
        event.key.toLowerCase() === 'z' &&
        !(event.target as HTMLElement).closest('input, textarea, [contenteditable="true"]')
    ) {
        event.preventDefault();
        undo();
    }
});
useLeaving({ flush: saving.flush, saved: () => status.value === 'saved', trouble: () => trouble.value });

const settings = (values: Partial<Broadcast['settings']>) => edit({ settings: { ...broadcast.value!.settings, ...values } });

function tryAnother(on: boolean): void {
    testing.value = on;
    settings({ otherSubject: on ? `${broadcast.value!.subject || 'Another subject'} (2)` : '' });
}

async function openSend(): Promise<void> {
    // What is shown is what goes out, or nothing does.
    if (!(await saving.flush())) {
        toasts.say(`It is not saved yet, so it cannot be sent. ${trouble.value}`);
        return;
    }
    try {
        findings.value = (await api.get<{ findings: Finding[] }>(`broadcasts/${id.value}/check`)).findings;
        sending.value = true;
    } catch (error) {
        toasts.trouble(error);
    }
}

async function send(at: string): Promise<void> {
    try {
        broadcast.value = await api.post<Broadcast>(`broadcasts/${id.value}/send`, { at });
        sending.value = false;
        toasts.say(at ? `It goes out ${dateTime(broadcast.value.sendAt)}.` : 'It is on its way.');
    } catch (error) {
        if (error instanceof ApiError && Array.isArray(error.body.findings)) {
            findings.value = error.body.findings as Finding[];
        } else {
            toasts.trouble(error);
        }
    }
}

async function stop(): Promise<void> {
    const was = broadcast.value?.state;
    try {
        broadcast.value = await api.post<Broadcast>(`broadcasts/${id.value}/stop`);
        toasts.say(was === 'scheduled' ? 'It is a draft again.' : 'It is stopped. What had not gone out stays here.');
    } catch (error) {
        toasts.trouble(error);
    }
}
/** What is not written yet begins with who gets it; what is, with its words. */
const unfolded = ref(false);
watch(
    () => broadcast.value?.id,
    () => (unfolded.value = broadcast.value?.subject === ''),
);
const look = computed(() => {
    const of = people.kit.funnels.find((f) => f.id === broadcast.value?.funnel);
    return of ? `in the look of ${of.name}` : 'plain';
});
const segments = computed(() => [
    { value: '', label: 'Rules of its own' },
    ...people.kit.segments.map((s) => ({ value: s.id, label: s.name })),
]);
const segment = computed(
    () => people.kit.segments.find((s) => JSON.stringify(s.rules) === JSON.stringify(broadcast.value?.audience))?.id ?? '',
);
</script>

<template>
    <NotHere v-if="missing" />
    <div v-else-if="broadcast" class="flex h-full min-h-0 flex-col">
        <header class="flex h-15 shrink-0 items-center gap-4 border-b border-line px-6">
            <RouterLink to="/emails/broadcasts" class="link">Broadcasts</RouterLink>
            <h1 class="min-w-0 truncate text-xl">{{ broadcast.name }}</h1>
            <div class="ml-auto flex items-center gap-2">
                <span
                    class="line-clamp-2 max-w-100 text-right caption"
                    role="status"
                    :class="{ 'font-medium text-clay-deep': trouble !== '' }"
                    >{{ isDraft ? words : '' }}</span
                >
                <button v-if="isDraft && undoable.length > 0" type="button" class="btn-quiet" @click="undo">Undo</button>
                <button v-if="broadcast.state === 'scheduled'" type="button" class="btn" @click="stop">Unschedule</button>
                <button v-if="['testing', 'sending'].includes(broadcast.state)" type="button" class="btn" @click="stop">
                    Stop the rest
                </button>
                <button v-if="isDraft" type="button" class="btn-main" @click="openSend">
                    Send to {{ counted(broadcast.people, 'person', 'people') }}
                </button>
            </div>
        </header>
        <div class="min-h-0 flex-1 overflow-auto px-6 py-5">
            <BroadcastResults v-if="!isDraft" class="mx-auto max-w-3xl" :broadcast="broadcast" />
            <div v-else class="mx-auto max-w-[54rem] space-y-5">
                <details class="rounded-md border border-line bg-raised" :open="unfolded">
                    <summary class="cursor-pointer px-4 py-2.5">
                        <span class="font-medium">{{ broadcast.name }}</span>
                        <span class="text-soft"> · {{ look }} · to </span
                        ><span>{{ counted(broadcast.people, 'person', 'people') }}: {{ broadcast.audienceWords }}</span>
                    </summary>
                    <div class="space-y-4 border-t border-line p-4">
                        <div class="grid gap-4 sm:grid-cols-2">
                            <TextField
                                :model-value="broadcast.name"
                                label="Private name"
                                :maxlength="120"
                                @update:model-value="(name: string) => edit({ name })"
                            />
                            <UiListbox
                                :model-value="broadcast.funnel ?? ''"
                                label="In the look of"
                                :options="[
                                    { value: '', label: 'No funnel: plain' },
                                    ...people.kit.funnels.map((f) => ({ value: f.id, label: f.name })),
                                ]"
                                @update:model-value="(funnel: string) => edit({ funnel: funnel || null })"
                            />
                        </div>
                        <section aria-labelledby="readers">
                            <div class="flex items-end justify-between gap-4">
                                <h2 id="readers" class="text-xl">Who gets it</h2>
                                <UiListbox
                                    v-if="people.kit.segments.length > 0"
                                    class="w-64"
                                    :model-value="segment"
                                    label="Segment"
                                    hide-label
                                    :options="segments"
                                    @update:model-value="
                                        (s: string) =>
                                            edit({
                                                audience: people.kit.segments.find((x) => x.id === s)?.rules ?? { all: true, rules: [] },
                                            })
                                    "
                                />
                            </div>
                            <SegmentExamples
                                v-if="broadcast.audience.rules.length === 0"
                                class="mt-2"
                                @choose="(audience) => edit({ audience: copy(audience) })"
                            />
                            <RulesField
                                :key="segment"
                                class="mt-2"
                                :model-value="broadcast.audience"
                                @update:model-value="(audience: Rules) => edit({ audience })"
                            />
                            <p class="mt-1" role="status" data-test="audience">
                                <strong>{{ counted(broadcast.people, 'person gets', 'people get') }} it</strong
                                ><span class="text-soft"
                                    >: {{ broadcast.audienceWords }}, as far as they get emails from you. Whoever unsubscribed, bounced or
                                    gets receipts only is left out.</span
                                >
                            </p>
                        </section>
                    </div>
                </details>
                <div>
                    <EmailSheet
                        :key="id"
                        :path="`broadcasts/${id}`"
                        :changed="redraw"
                        :subject="broadcast.subject"
                        :body="broadcast.body"
                        @update:subject="(subject: string) => edit({ subject })"
                        @update:body="(body: string) => edit({ body })"
                    />
                    <UiSwitch
                        class="mt-4"
                        :model-value="testing"
                        label="Try another subject on some first"
                        @update:model-value="tryAnother"
                    />
                    <div v-if="testing" class="mt-2 space-y-3 border-l-2 border-edge/50 pl-4">
                        <TextField
                            :model-value="broadcast.settings.otherSubject"
                            label="The other subject"
                            :hint="broadcast.settings.otherSubject.trim() === '' ? 'Without one, everybody gets the first.' : undefined"
                            :maxlength="200"
                            @update:model-value="(otherSubject: string) => settings({ otherSubject })"
                        />
                        <div class="grid gap-3 sm:grid-cols-3">
                            <UiListbox
                                :model-value="broadcast.settings.share"
                                label="Try it on"
                                :options="
                                    [10, 20, 30, 50, 100].map((n) => ({
                                        value: n,
                                        label: n === 100 ? 'everybody, half and half' : `${n} % of them`,
                                    }))
                                "
                                @update:model-value="(share: number) => settings({ share })"
                            />
                            <UiListbox
                                :model-value="broadcast.settings.hours"
                                label="Decide after"
                                :options="[1, 2, 4, 8, 24, 48].map((n) => ({ value: n, label: n === 1 ? 'one hour' : `${n} hours` }))"
                                @update:model-value="(hours: number) => settings({ hours })"
                            />
                            <UiListbox
                                :model-value="broadcast.settings.byClicks ? 'clicks' : 'opens'"
                                label="The winner is the one"
                                :options="[
                                    { value: 'opens', label: 'opened more' },
                                    { value: 'clicks', label: 'clicked more' },
                                ]"
                                @update:model-value="(by: string) => settings({ byClicks: by === 'clicks' })"
                            />
                        </div>
                    </div>
                </div>
                <div>
                    <UiSwitch
                        :model-value="broadcast.settings.againDays > 0"
                        label="Send it once more to those who did not open it"
                        @update:model-value="(on: boolean) => settings({ againDays: on ? 3 : 0 })"
                    />
                    <div
                        v-if="broadcast.settings.againDays > 0"
                        class="mt-2 grid gap-3 border-l-2 border-edge/50 pl-4 sm:grid-cols-[10rem_1fr]"
                    >
                        <UiListbox
                            :model-value="broadcast.settings.againDays"
                            label="After"
                            :options="[1, 2, 3, 5, 7, 14].map((n) => ({ value: n, label: n === 1 ? 'one day' : `${n} days` }))"
                            @update:model-value="(againDays: number) => settings({ againDays })"
                        />
                        <TextField
                            :model-value="broadcast.settings.againSubject"
                            label="With this subject"
                            hint="Empty: the same."
                            :maxlength="200"
                            @update:model-value="(againSubject: string) => settings({ againSubject })"
                        />
                    </div>
                </div>
            </div>
        </div>
        <SendDialog :open="sending" :broadcast="broadcast" :findings="findings" @close="sending = false" @send="send" />
    </div>
</template>
