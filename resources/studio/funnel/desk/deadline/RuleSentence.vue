<script setup lang="ts">
import { PlusIcon, XMarkIcon } from '@heroicons/vue/20/solid';
import { computed } from 'vue';
import type { Deadline, Lasting, Trigger } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import * as triggers from '@/funnel/triggers';
import { OUTCOMES } from '@/funnel/triggers';
import { usePeopleKit } from '@/stores/peopleKit';
import { useSession } from '@/stores/session';
import { useToasts } from '@/stores/toasts';
import UiListbox from '@/ui/UiListbox.vue';
import ZoneField from '@/ui/ZoneField.vue';
import { vKept } from '@/ui/kept';

/** The rule, read from left to right as a sentence, made by choosing its parts. */
const props = defineProps<{ deadline: Deadline }>();
const emit = defineEmits<{ edit: [values: Record<string, unknown>, label: string] }>();

const store = useFunnel();
const session = useSession();
const people = usePeopleKit();
const toasts = useToasts();
if (people.kit.rules.length === 0) {
    people.load().catch(toasts.trouble);
}

const set = (values: Partial<Deadline>, label: string) => emit('edit', values as Record<string, unknown>, label);
const kinds = computed(() => session.kit.triggers.map((t) => ({ value: t.kind, label: t.label.replace(/^They/, 'they') })));

/** What can be chosen in a field of a kind of trigger. */
function options(kind: string, field = fieldOf(kind)): { value: string; label: string }[] {
    const what = session.kit.triggers.find((t) => t.kind === kind)?.fields[field];
    const named = (list: { id: string; name: string }[] | undefined) => (list ?? []).map((p) => ({ value: p.id, label: p.name }));
    switch (what) {
        case 'page':
            return named(store.funnel?.pages);
        case 'form':
            return named(store.funnel?.forms);
        case 'email':
            return named(store.funnel?.emails);
        case 'sequence':
            return named(store.funnel?.sequences);
        case 'offer':
            return named(store.funnel?.offers);
        case 'webinar':
            return named(store.funnel?.webinars);
        case 'outcome':
            return OUTCOMES;
        case 'tag':
            return people.kit.tags.map((t) => ({ value: t.name, label: t.name }));
        default:
            return [];
    }
}
const fieldsOf = (kind: string) => Object.keys(session.kit.triggers.find((t) => t.kind === kind)?.fields ?? {});
const fieldOf = (kind: string) => fieldsOf(kind)[0] ?? '';
const chosen = (t: Trigger, field: string) => String((t as Record<string, string>)[field] ?? '');

function fresh(kind: string): Trigger | null {
    const next: Record<string, string> = { kind };
    for (const field of fieldsOf(kind)) {
        const first = options(kind, field)[0]?.value;
        if (first === undefined) {
            toasts.say('There is nothing of this kind in the funnel yet.');
            return null;
        }
        next[field] = first;
    }
    return next as unknown as Trigger;
}
function setKind(i: number, kind: string): void {
    const next = fresh(kind);
    if (next) {
        put(i, next);
    }
}
function put(i: number, trigger: Trigger): void {
    const starts = props.deadline.starts.map((t, at) => (at === i ? trigger : t));
    set({ starts: starts.filter((t, at) => starts.findIndex((o) => JSON.stringify(o) === JSON.stringify(t)) === at) }, 'what starts it');
}
function add(): void {
    // A click in an email where there is one, for that is when somebody says they are interested.
    for (const kind of ['click', 'form', 'page', 'bought']) {
        if (kind === 'bought' || options(kind).length > 0) {
            const next = options(kind)
                .map((o) => ({ kind, [fieldOf(kind)]: o.value }) as unknown as Trigger)
                .find((t) => !triggers.has(props.deadline.starts, t));
            if (next ?? kind === 'bought') {
                set({ starts: [...props.deadline.starts, next ?? { kind: 'bought' }] }, 'what starts it');
                return;
            }
        }
    }
}
const remove = (t: Trigger) => set({ starts: triggers.without(props.deadline.starts, t) }, 'what starts it');

const personal = computed(() => props.deadline.lasting !== null);
function setPersonal(on: string): void {
    const latest = props.deadline.latest ?? { moment: inDays(7), zone: session.zone };
    set(on === 'person' ? { lasting: { days: 3, time: '20:00' } } : { lasting: null, latest }, 'for whom it ends');
}
function inDays(days: number): string {
    return `${new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10)}T20:00`;
}

const unit = computed(() => {
    const l = props.deadline.lasting;
    return l && 'days' in l ? 'days' : l && l.minutes % 60 === 0 ? 'hours' : 'minutes';
});
const amount = computed(() => {
    const l = props.deadline.lasting;
    return l === null ? 0 : 'days' in l ? l.days : unit.value === 'hours' ? l.minutes / 60 : l.minutes;
});
const time = computed(() => (props.deadline.lasting && 'days' in props.deadline.lasting ? (props.deadline.lasting.time ?? '') : ''));
function last(n: number, u: string, t = time.value): void {
    const lasting: Lasting = u === 'days' ? { days: n, ...(t ? { time: t } : {}) } : { minutes: u === 'hours' ? n * 60 : n };
    set({ lasting }, 'how long it lasts');
}
function setAmount(event: Event): void {
    const input = event.target as HTMLInputElement;
    const n = Math.round(Number(input.value));
    const most = { days: 365, hours: 365 * 24, minutes: 365 * 1440 }[unit.value];
    if (n >= 1 && n <= most) {
        last(n, unit.value);
    } else {
        input.value = String(amount.value);
        toasts.say(`A number from 1 to ${most} is needed here: a deadline lasts 365 days at most.`);
    }
}
const setTime = (event: Event) => last(amount.value, 'days', (event.target as HTMLInputElement).value.slice(0, 5));
const setLatest = (event: Event) => {
    const moment = (event.target as HTMLInputElement).value.slice(0, 16);
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
                <div v-for="(t, i) in deadline.starts" :key="JSON.stringify(t)" class="flex flex-wrap items-center gap-2">
                    <span class="w-24 whitespace-nowrap text-soft">{{ i === 0 ? 'Starts when' : 'or when' }}</span>
                    <UiListbox
                        class="w-56"
                        :model-value="t.kind"
                        :options="kinds"
                        label="What starts it"
                        hide-label
                        @update:model-value="(kind: string) => setKind(i, kind)"
                    />
                    <UiListbox
                        v-for="field in fieldsOf(t.kind)"
                        :key="field"
                        class="w-56"
                        :model-value="chosen(t, field)"
                        :options="options(t.kind, field)"
                        label="Which one"
                        hide-label
                        @update:model-value="(value: string) => put(i, { ...t, [field]: value } as Trigger)"
                    />
                    <button type="button" class="btn-quiet px-1.5" aria-label="Remove this start" @click="remove(t)">
                        <XMarkIcon class="size-5" aria-hidden="true" />
                    </button>
                </div>
                <button type="button" class="-ml-2 btn-quiet" @click="add">
                    <PlusIcon class="size-4.5" aria-hidden="true" />{{
                        deadline.starts.length === 0 ? 'Choose what starts it' : 'Something else that starts it'
                    }}
                </button>
                <div class="flex flex-wrap items-center gap-2">
                    <label class="w-24 whitespace-nowrap text-soft" for="lasts">lasts</label>
                    <input id="lasts" v-kept="amount" class="input w-20" type="number" min="1" @change="setAmount" />
                    <UiListbox
                        class="w-32"
                        :model-value="unit"
                        :options="[
                            { value: 'minutes', label: 'minutes' },
                            { value: 'hours', label: 'hours' },
                            { value: 'days', label: 'days' },
                        ]"
                        label="Unit"
                        hide-label
                        @update:model-value="(u: string) => last(Math.min(amount, 365), u)"
                    />
                    <template v-if="unit === 'days'">
                        <label class="text-soft" for="until-time">until</label>
                        <input id="until-time" v-kept="time" class="input w-36" type="time" @change="setTime" />
                        <span class="text-soft">{{ time ? 'their time' : 'the hour at which it started' }}</span>
                    </template>
                </div>
            </template>
            <div class="flex flex-wrap items-start gap-2">
                <label class="w-24 pt-2 whitespace-nowrap text-soft" for="latest">{{ personal ? 'at the latest' : 'on' }}</label>
                <input id="latest" v-kept="deadline.latest?.moment ?? ''" class="input w-60" type="datetime-local" @change="setLatest" />
                <div v-if="deadline.latest" class="w-64 [&_label]:sr-only">
                    <ZoneField :model-value="deadline.latest.zone" @update:model-value="setZone" />
                </div>
                <span v-else class="pt-2 text-soft">with no latest moment</span>
            </div>
        </div>
        <p v-if="personal && unit === 'days'" class="hint">
            Days are days of the calendar where each person is; across a change of the clocks the hour on their wall stays the same.
        </p>
    </section>
</template>
