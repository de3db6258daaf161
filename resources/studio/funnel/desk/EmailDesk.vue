<script setup lang="ts">
import { TrashIcon } from '@heroicons/vue/24/outline';
import { computed, defineAsyncComponent, onMounted } from 'vue';
import { useRouter } from 'vue-router';
import type { DeadlineMoment, Delay, Rules, SessionMoment } from '@/api/types';
import SessionTiming from '@/funnel/desk/webinar/SessionTiming.vue';
import DeadlineTiming from '@/funnel/desk/deadline/DeadlineTiming.vue';
import { useFunnel } from '@/funnel/funnelStore';
import { useSteps } from '@/funnel/steps';
import { useToasts } from '@/stores/toasts';
import EmailPreview from '@/emails/EmailPreview.vue';
import RulesField from '@/people/RulesField.vue';
import { usePeopleKit } from '@/stores/peopleKit';
import { useSession } from '@/stores/session';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';
import { vKept } from '@/ui/kept';

const EmailEditor = defineAsyncComponent(() => import('@/emails/EmailEditor.vue'));
const props = defineProps<{ id: string }>();

const store = useFunnel();
const steps = useSteps();
const toasts = useToasts();
const router = useRouter();
const people = usePeopleKit();
const session = useSession();
const email = computed(() => store.email(props.id));
const some = computed(() => (email.value?.only.rules.length ?? 0) > 0);
onMounted(() => people.load().catch(toasts.trouble));
const isLink = (name: string) => name.endsWith('_link');
const pages = computed(() => [
    ...((store.funnel?.webinars.length ?? 0) > 0
        ? Object.entries(session.kit.sessionFields)
              .filter(([name]) => isLink(name))
              .map(([name, label]) => ({ field: `{{${name}}}`, name: label }))
        : []),
    ...(store.funnel?.pages.map((p) => ({ field: `{{page_${p.id}}}`, name: p.name })) ?? []),
]);
const fields = computed(() => [
    ...Object.entries(session.kit.ownerFields).map(([name, label]) => ({ name, label })),
    ...(store.funnel?.offers ?? []).map((o) => ({ name: `price_${o.id}`, label: `Price: ${o.name}` })),
    ...(store.funnel?.deadlines ?? []).flatMap((d) => [
        { name: `deadline_${d.id}`, label: `When it ends: ${d.name}` },
        { name: `deadline_left_${d.id}`, label: `What is left: ${d.name}` },
    ]),
    ...((store.funnel?.webinars.length ?? 0) > 0
        ? Object.entries(session.kit.sessionFields)
              .filter(([name]) => !isLink(name))
              .map(([name, label]) => ({ name, label }))
        : []),
    ...Object.keys(store.funnel?.fields ?? {}).map((name) => ({ name, label: name.replaceAll('_', ' ') })),
]);
const unit = computed(() =>
    email.value?.session
        ? 'session'
        : email.value?.by
          ? 'deadline'
          : (email.value?.delay.days ?? 0) > 0
            ? 'days'
            : (email.value?.delay.minutes ?? 0) > 0
              ? 'minutes'
              : 'at-once',
);
const units = [
    { value: 'at-once', label: 'At once' },
    { value: 'minutes', label: 'After minutes' },
    { value: 'days', label: 'After days' },
];
const timings = computed(() => [
    ...units,
    ...((store.funnel?.deadlines.length ?? 0) > 0 ? [{ value: 'deadline', label: 'By a deadline' }] : []),
    ...((store.funnel?.webinars.length ?? 0) > 0 ? [{ value: 'session', label: 'By their session' }] : []),
]);
const hours = [
    { value: -1, label: 'at the hour of joining' },
    ...Array.from({ length: 24 }, (_, h) => ({ value: h, label: `at ${String(h).padStart(2, '0')}:00` })),
];

function when(delay: Delay): void {
    const label = 'when the email goes out';
    store.edit('email', props.id, { delay, by: null, session: null }, label, true);
}

const by = (moment: DeadlineMoment) =>
    store.edit('email', props.id, { by: moment, session: null, delay: {} }, 'when the email goes out', true);

const bySession = (moment: SessionMoment) =>
    store.edit('email', props.id, { session: moment, by: null, delay: {} }, 'when the email goes out', true);

function setUnit(to: string): void {
    if (to === 'session') {
        bySession({ anchor: 'before-start', minutes: 60, webinar: store.funnel!.webinars[0]!.id });
        return;
    }
    if (to === 'deadline') {
        by({ deadline: store.funnel!.deadlines[0]!.id, edge: 'end', days: -1 });
        return;
    }
    when(to === 'days' ? { days: 1, hour: 9 } : to === 'minutes' ? { minutes: 30 } : {});
}

function setNumber(event: Event): void {
    const n = Math.round(Number((event.target as HTMLInputElement).value));
    const most = unit.value === 'days' ? 365 : 43_200;
    if (Number.isFinite(n) && n >= 1 && n <= most) {
        when(unit.value === 'days' ? { ...email.value?.delay, days: n } : { minutes: n });
    } else {
        (event.target as HTMLInputElement).value = String(email.value?.delay.days ?? email.value?.delay.minutes ?? 1);
        toasts.say(`A number from 1 to ${most} is needed here.`);
    }
}

function setHour(hour: number): void {
    const { days } = email.value?.delay ?? {};
    when(hour < 0 ? { days } : { days, hour });
}

async function takeOut(): Promise<void> {
    const target = email.value;
    if (!target) {
        return;
    }
    try {
        await router.push(`/funnels/${store.funnel?.id}`);
        await steps.remove(target);
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <div v-if="email" class="grid h-full min-h-0 grid-cols-[1fr_26rem]">
        <div class="min-h-0 overflow-auto px-6 py-5">
            <div class="mx-auto max-w-2xl space-y-4">
                <div class="grid gap-4 sm:grid-cols-2">
                    <TextField
                        :model-value="email.name"
                        label="Private name"
                        @update:model-value="(name: string) => store.edit('email', id, { name }, 'the name of an email')"
                    />
                    <div class="flex items-end gap-2">
                        <UiListbox class="flex-1" :model-value="unit" :options="timings" label="When" @update:model-value="setUnit" />
                        <input
                            v-if="unit === 'minutes' || unit === 'days'"
                            v-kept="email.delay.days ?? email.delay.minutes"
                            class="input w-20"
                            type="number"
                            min="1"
                            :aria-label="unit === 'days' ? 'Days after joining' : 'Minutes after joining'"
                            @change="setNumber"
                        />
                    </div>
                </div>
                <div class="grid gap-4 sm:grid-cols-2">
                    <UiListbox
                        :model-value="email.sequence"
                        label="Sequence"
                        :options="store.funnel?.sequences.map((q) => ({ value: q.id, label: q.name })) ?? []"
                        @update:model-value="(sequence: string) => store.edit('email', id, { sequence }, 'the sequence of an email', true)"
                    />
                    <UiListbox
                        v-if="unit === 'days'"
                        :model-value="email.delay.hour ?? -1"
                        :options="hours"
                        label="In the reader's own time zone"
                        @update:model-value="setHour"
                    />
                </div>
                <DeadlineTiming v-if="email.by" :moment="email.by" @change="by" />
                <SessionTiming v-if="email.session" :moment="email.session" @change="bySession" />
                <div>
                    <span class="label">Who gets it</span>
                    <RulesField
                        :model-value="email.only"
                        @update:model-value="(only: Rules) => store.edit('email', id, { only }, 'who gets an email')"
                    />
                    <p class="hint">
                        {{
                            some
                                ? 'It is looked up when the email is due. Two emails at one time, one for those of whom it holds and one for the others, make a branch.'
                                : 'Everybody in the sequence.'
                        }}
                    </p>
                </div>
                <TextField
                    :model-value="email.subject"
                    label="Subject"
                    :maxlength="200"
                    @update:model-value="(subject: string) => store.edit('email', id, { subject }, 'the subject')"
                />
                <div>
                    <span class="label">Email</span>
                    <EmailEditor
                        :model-value="email.body"
                        :has-lead-magnet="(store.funnel?.leadMagnets.length ?? 0) > 0"
                        :pages="pages"
                        :fields="fields"
                        :deadlines="store.funnel?.deadlines"
                        @update:model-value="(body: string) => store.edit('email', id, { body }, `the words of “${email!.name}”`)"
                    />
                </div>
                <button type="button" class="btn-quiet text-clay-deep" @click="takeOut">
                    <TrashIcon class="size-4.5" aria-hidden="true" />Remove this email
                </button>
            </div>
        </div>
        <EmailPreview :path="`emails/${id}`" :changed="store.redraw" />
    </div>
</template>
