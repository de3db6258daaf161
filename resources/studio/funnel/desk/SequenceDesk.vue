<script setup lang="ts">
import { Bars3Icon } from '@heroicons/vue/20/solid';
import { EnvelopeIcon, PauseIcon, PlayIcon, PlusIcon, TrashIcon } from '@heroicons/vue/24/outline';
import { computed, nextTick, ref } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '@/api/client';
import type { Email, Sequence, SendWindow } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import SplitTestSection from '@/funnel/desk/experiment/SplitTestSection.vue';
import { slotsOf } from '@/funnel/timeline/slots';
import { useEmailMoments } from '@/funnel/timeline/useEmailMoments';
import { useSteps } from '@/funnel/steps';
import TriggerList from '@/funnel/TriggerList.vue';
import { useToasts } from '@/stores/toasts';
import { useSession } from '@/stores/session';
import { count, counted, percent } from '@/ui/format';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';
import UiSwitch from '@/ui/UiSwitch.vue';

const props = defineProps<{ id: string }>();

const store = useFunnel();
const steps = useSteps();
const toasts = useToasts();
const session = useSession();
const router = useRouter();
const sequence = computed(() => store.sequence(props.id));
const emails = computed(() => (store.funnel?.emails ?? []).filter((e) => e.sequence === props.id));
const numbers = computed(() => store.funnel?.sequenceNumbers[props.id] ?? { inside: 0, waiting: 0 });

function edit(values: Partial<Sequence>, label: string, now = true): void {
    store.edit('sequence', props.id, values as Record<string, unknown>, label, now);
}

const window = computed<SendWindow>(() => sequence.value?.window ?? { days: [1, 2, 3, 4, 5, 6, 7], from: 0, to: 24 });
function setWindow(values: Partial<SendWindow>): void {
    const next = { ...window.value, ...values };
    const always = next.days.length === 7 && next.from === 0 && next.to === 24;
    edit({ window: always ? null : next }, 'when emails may go out');
}
const days = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'].map((label, i) => ({ label, day: i + 1 }));
function toggleDay(day: number): void {
    const next = window.value.days.includes(day) ? window.value.days.filter((d) => d !== day) : [...window.value.days, day].sort();
    if (next.length === 0) {
        toasts.say('One day at least must stay: otherwise nothing would ever go out.');
        return;
    }
    setWindow({ days: next });
}
const hour = (h: number) => `${String(h).padStart(2, '0')}:00`;

/** Without a link there is nothing to click. */
const hasLink = (email: Email) => email.body.includes('<a ');
const of = (email: Email) => store.funnel?.emailNumbers[email.id] ?? {};
const share = (n: number | undefined, all: number | undefined) => (all ? percent((n ?? 0) / all, 0) : '–');

const moments = useEmailMoments(
    computed(() => store.funnel!),
    computed(() => ({ columns: [] })),
);
const slots = computed(() => (store.funnel ? slotsOf(store.funnel, props.id) : []));
/** The email that is dragged, and the moment it is over. */
const moving = ref('');
const over = ref('');
function lift(event: DragEvent, email: Email): void {
    event.dataTransfer?.setData('text/plain', email.name);
    // What is shown only while something is moved would otherwise push away what is being lifted.
    setTimeout(() => (moving.value = email.id));
}
function reach(event: DragEvent, key: string): void {
    if (moving.value !== '') {
        event.preventDefault();
        over.value = key;
    }
}
function drop(key: string): void {
    const email = store.email(moving.value);
    if (email && !slots.value.find((s) => s.key === key)?.emails.includes(email)) {
        moments.put(email, key);
    }
    moving.value = over.value = '';
}
async function step(email: Email, by: -1 | 1): Promise<void> {
    const link = document.activeElement;
    moments.step(
        email,
        by,
        slots.value.map((s) => s.key),
    );
    await nextTick();
    (link as HTMLElement | null)?.focus();
}

async function run(work: () => Promise<unknown>, words = ''): Promise<void> {
    try {
        await work();
        if (words) {
            toasts.say(words);
        }
    } catch (error) {
        toasts.trouble(error);
    }
}

const pause = () =>
    run(async () => {
        await api.post(`sequences/${props.id}/pause`);
        await store.refreshNumbers();
    }, 'The sequence is paused. Nothing of it goes out, to nobody, until you resume it.');
const resume = () =>
    run(() => api.post(`sequences/${props.id}/resume`), 'The sequence is resumed. What waited comes as much later as it was paused.');
const addEmail = () =>
    run(async () => {
        const made = await steps.add('email', { sequence: props.id });
        await router.push(`/funnels/${store.funnel?.id}/email/${made.id}`);
    });
const takeOut = () =>
    run(async () => {
        const target = sequence.value;
        if (target) {
            await steps.remove(target);
            await router.push(`/funnels/${store.funnel?.id}`);
        }
    });
</script>

<template>
    <div v-if="sequence" class="relative h-full overflow-auto">
        <div class="mx-auto grid max-w-6xl gap-x-12 gap-y-6 px-6 py-6 lg:grid-cols-[1.5fr_1fr]">
            <section aria-labelledby="emails" class="min-w-0">
                <div class="flex items-end justify-between gap-4">
                    <div>
                        <h2 id="emails" class="text-2xl">{{ sequence.name }}</h2>
                        <p class="mt-1 text-soft">
                            {{ counted(numbers.inside, 'person is', 'people are') }} in it<template v-if="numbers.inside > 0"
                                >: {{ count(numbers.waiting) }} on the way, {{ count(numbers.inside - numbers.waiting) }} past its last
                                email</template
                            >.
                        </p>
                    </div>
                    <button v-if="sequence.paused" type="button" class="btn-main" @click="resume">
                        <PlayIcon class="size-5" aria-hidden="true" />Resume
                    </button>
                    <button v-else-if="store.funnel?.liveVersion" type="button" class="btn" @click="pause">
                        <PauseIcon class="size-5" aria-hidden="true" />Pause
                    </button>
                </div>
                <p v-if="sequence.paused" class="mt-3 rounded bg-clay-pale px-3 py-2 text-clay-deep" role="status">
                    It is paused. Nothing of it goes out until you resume it.
                </p>
                <table v-if="emails.length > 0" class="mt-4 w-full table-fixed">
                    <thead>
                        <tr class="border-b border-line text-left caption">
                            <th class="w-[23%] py-2 font-medium">When</th>
                            <th class="py-2 font-medium">Email</th>
                            <th class="w-16 py-2 text-right font-medium">Sent</th>
                            <th
                                class="w-20 py-2 text-right font-medium"
                                title="Mail programs open by themselves, and some readers load no pictures"
                            >
                                Opened*
                            </th>
                            <th class="w-18 py-2 text-right font-medium">Clicked</th>
                            <th class="w-14 py-2 text-right font-medium" title="Unsubscribed, bounced or complained after it">Left</th>
                        </tr>
                    </thead>
                    <tbody
                        v-for="slot in slots"
                        :key="slot.key"
                        :class="{ 'bg-lamp-pale': over === slot.key }"
                        @dragover="reach($event, slot.key)"
                        @dragleave="over = ''"
                        @drop.prevent="drop(slot.key)"
                    >
                        <tr v-if="slot.emails.length === 0 && moving" class="border-b border-dashed border-line">
                            <td colspan="6" class="py-1 caption">{{ slot.words }}</td>
                        </tr>
                        <tr
                            v-for="email in slot.emails"
                            :key="email.id"
                            class="group border-b border-line"
                            :class="{ 'opacity-50': moving === email.id }"
                            draggable="true"
                            @dragstart="lift($event, email)"
                            @dragend="((moving = ''), (over = ''))"
                        >
                            <td class="py-2 pr-3">
                                <Bars3Icon
                                    class="-ml-5 inline size-4 cursor-grab text-edge opacity-0 group-hover:opacity-100"
                                    aria-hidden="true"
                                />
                                {{ email.timingWords }}
                            </td>
                            <td class="truncate py-2 pr-3">
                                <RouterLink
                                    :to="`/funnels/${store.funnel?.id}/email/${email.id}`"
                                    class="font-medium hover:underline"
                                    draggable="false"
                                    aria-keyshortcuts="Alt+ArrowUp Alt+ArrowDown"
                                    :title="email.name"
                                    @keydown.alt.up.prevent="step(email, -1)"
                                    @keydown.alt.down.prevent="step(email, 1)"
                                    ><EnvelopeIcon class="mr-1.5 inline size-4.5 text-pine" aria-hidden="true" />{{
                                        email.name
                                    }}</RouterLink
                                >
                                <span v-if="email.only.rules.length > 0" class="block pl-6 text-sm">for some only</span>
                            </td>
                            <td class="py-2 text-right">{{ count(of(email).sent ?? 0) }}</td>
                            <td class="py-2 text-right">{{ share(of(email).opened, of(email).sent) }}</td>
                            <td class="py-2 text-right">{{ hasLink(email) ? share(of(email).clicked, of(email).sent) : '–' }}</td>
                            <td class="py-2 text-right">{{ count(of(email).lost ?? 0) }}</td>
                        </tr>
                    </tbody>
                </table>
                <p v-if="emails.length > 0" class="hint">
                    * Opens are a guess: mail programs open by themselves, and some readers load no pictures. Clicks are sure. Drag an email
                    to another day, or move it by Alt and the arrows.
                </p>
                <div class="mt-3 flex gap-2">
                    <button type="button" class="btn" @click="addEmail"><PlusIcon class="size-5" aria-hidden="true" />Add an email</button>
                    <button v-if="emails.length === 0" type="button" class="btn-quiet text-clay-deep" @click="takeOut">
                        <TrashIcon class="size-4.5" aria-hidden="true" />Remove this sequence
                    </button>
                </div>
            </section>
            <section aria-label="Rules of the sequence" class="min-w-0 space-y-5">
                <TextField
                    :model-value="sequence.name"
                    label="Private name"
                    :maxlength="120"
                    @update:model-value="(name: string) => edit({ name }, 'the name of a sequence', false)"
                />
                <div>
                    <h3 class="label">It begins</h3>
                    <TriggerList
                        :model-value="sequence.starts"
                        first="when"
                        none="Choose what starts it"
                        more="Something else that starts it"
                        label="What starts it"
                        @update:model-value="(starts) => edit({ starts }, 'what starts the sequence')"
                    />
                    <UiSwitch
                        class="mt-3"
                        :model-value="sequence.again"
                        label="Once it has ended it may begin again"
                        @update:model-value="(again: boolean) => edit({ again }, 'whether it may begin again')"
                    />
                </div>
                <div>
                    <h3 class="label">It ends before its last email</h3>
                    <TriggerList
                        :model-value="sequence.ends"
                        first="when"
                        none="Choose what ends it"
                        more="Something else that ends it"
                        label="What ends it"
                        @update:model-value="(ends) => edit({ ends }, 'what ends the sequence')"
                    />
                </div>
                <div>
                    <h3 class="label">Emails go out</h3>
                    <div class="flex flex-wrap gap-1" role="group" aria-label="Days on which emails may go out">
                        <button
                            v-for="d in days"
                            :key="d.day"
                            type="button"
                            class="btn min-h-9 px-2.5 text-sm"
                            :class="window.days.includes(d.day) ? 'border-ink bg-lamp-pale' : 'text-soft line-through'"
                            :aria-pressed="window.days.includes(d.day)"
                            @click="toggleDay(d.day)"
                        >
                            {{ d.label }}
                        </button>
                    </div>
                    <div class="mt-2 flex items-end gap-2">
                        <UiListbox
                            class="w-28"
                            :model-value="window.from"
                            label="from"
                            :options="Array.from({ length: window.to }, (_, h) => ({ value: h, label: hour(h) }))"
                            @update:model-value="(from: number) => setWindow({ from })"
                        />
                        <UiListbox
                            class="w-28"
                            :model-value="window.to"
                            label="until"
                            :options="
                                Array.from({ length: 24 - window.from }, (_, i) => ({
                                    value: window.from + i + 1,
                                    label: hour(window.from + i + 1),
                                }))
                            "
                            @update:model-value="(to: number) => setWindow({ to })"
                        />
                    </div>
                    <UiListbox
                        class="mt-3"
                        :model-value="sequence.byReader ? 'reader' : 'owner'"
                        label="By whose clock"
                        :options="[
                            { value: 'reader', label: 'The reader’s own, where it is known' },
                            { value: 'owner', label: `Yours, ${session.zone.replaceAll('_', ' ')}` },
                        ]"
                        @update:model-value="(by: string) => edit({ byReader: by === 'reader' }, 'by whose clock emails go out')"
                    />
                    <p class="hint">What goes out at once answers what somebody just did, and does not wait for the hours.</p>
                </div>
                <SplitTestSection
                    v-if="emails.length > 0"
                    of="timing"
                    :part="id"
                    hint="Send the emails to some readers at other moments, and see which timing brings more."
                />
            </section>
        </div>
    </div>
</template>
