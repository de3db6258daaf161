<script setup lang="ts">
import { ComputerDesktopIcon, DevicePhoneMobileIcon, TrashIcon } from '@heroicons/vue/24/outline';
import { computed, defineAsyncComponent, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '@/api/client';
import type { Delay } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { useSteps } from '@/funnel/steps';
import { useNotices } from '@/stores/notices';
import LetterFrame from '@/outbox/LetterFrame.vue';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';

const LetterEditor = defineAsyncComponent(() => import('@/funnel/desk/LetterEditor.vue'));
const props = defineProps<{ id: string }>();

const store = useFunnel();
const steps = useSteps();
const notices = useNotices();
const router = useRouter();
const email = computed(() => store.email(props.id));
const sample = ref({ subject: '', html: '', text: '' });
const phone = ref(true);

watch(
    () => store.redraw,
    async () => {
        try {
            sample.value = await api.get(`emails/${props.id}/sample`);
        } catch (error) {
            notices.trouble(error);
        }
    },
    { immediate: true },
);

const unit = computed(() => ((email.value?.delay.days ?? 0) > 0 ? 'days' : (email.value?.delay.minutes ?? 0) > 0 ? 'minutes' : 'at-once'));
const units = [
    { value: 'at-once', label: 'At once' },
    { value: 'minutes', label: 'After minutes' },
    { value: 'days', label: 'After days' },
];
const hours = [
    { value: -1, label: 'at the hour of joining' },
    ...Array.from({ length: 24 }, (_, h) => ({ value: h, label: `at ${String(h).padStart(2, '0')}:00` })),
];

function when(delay: Delay): void {
    const label = 'when the email goes out';
    store.edit('email', props.id, { delay }, label, true);
}

function setUnit(to: string): void {
    when(to === 'days' ? { days: 1, hour: 9 } : to === 'minutes' ? { minutes: 30 } : {});
}

function setNumber(event: Event): void {
    const n = Math.round(Number((event.target as HTMLInputElement).value));
    const most = unit.value === 'days' ? 365 : 43_200;
    if (Number.isFinite(n) && n >= 1 && n <= most) {
        when(unit.value === 'days' ? { ...email.value?.delay, days: n } : { minutes: n });
    } else {
        (event.target as HTMLInputElement).value = String(email.value?.delay.days ?? email.value?.delay.minutes ?? 1);
        notices.say(`A number from 1 to ${most} is needed here.`);
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
        await steps.deleteEmail(target);
    } catch (error) {
        notices.trouble(error);
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
                        <UiListbox class="flex-1" :model-value="unit" :options="units" label="When" @update:model-value="setUnit" />
                        <input
                            v-if="unit !== 'at-once'"
                            class="input w-20"
                            type="number"
                            min="1"
                            :value="email.delay.days ?? email.delay.minutes"
                            :aria-label="unit === 'days' ? 'Days after joining' : 'Minutes after joining'"
                            @change="setNumber"
                        />
                    </div>
                </div>
                <UiListbox
                    v-if="unit === 'days'"
                    class="max-w-72"
                    :model-value="email.delay.hour ?? -1"
                    :options="hours"
                    label="In the reader's own time zone"
                    @update:model-value="setHour"
                />
                <TextField
                    :model-value="email.subject"
                    label="Subject"
                    :maxlength="200"
                    @update:model-value="(subject: string) => store.edit('email', id, { subject }, 'the subject')"
                />
                <div>
                    <span class="label">Letter</span>
                    <LetterEditor
                        :model-value="email.body"
                        :has-gift="(store.funnel?.leadMagnets.length ?? 0) > 0"
                        @update:model-value="(body: string) => store.edit('email', id, { body }, `the words of “${email!.name}”`)"
                    />
                </div>
                <button type="button" class="btn-quiet text-clay-deep" @click="takeOut">
                    <TrashIcon class="size-4.5" aria-hidden="true" />Take this email out
                </button>
            </div>
        </div>
        <aside class="flex min-h-0 flex-col border-l border-line bg-raised" aria-label="As its reader sees it">
            <div class="flex items-center justify-between border-b border-line px-4 py-2">
                <p class="min-w-0">
                    <span class="block caption">As Robin Sample sees it</span
                    ><span class="block truncate font-medium">{{ sample.subject }}</span>
                </p>
                <div class="flex" role="group" aria-label="Width of the letter">
                    <button
                        type="button"
                        class="btn-quiet"
                        :class="{ 'bg-line text-ink': !phone }"
                        :aria-pressed="!phone"
                        aria-label="Desktop"
                        @click="phone = false"
                    >
                        <ComputerDesktopIcon class="size-5" aria-hidden="true" />
                    </button>
                    <button
                        type="button"
                        class="btn-quiet"
                        :class="{ 'bg-line text-ink': phone }"
                        :aria-pressed="phone"
                        aria-label="Phone"
                        @click="phone = true"
                    >
                        <DevicePhoneMobileIcon class="size-5" aria-hidden="true" />
                    </button>
                </div>
            </div>
            <LetterFrame :html="sample.html" :width="phone ? 375 : 680" class="min-h-0 flex-1" />
        </aside>
    </div>
</template>
