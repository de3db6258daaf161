<script setup lang="ts">
import { computed } from 'vue';
import type { SessionMoment } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { useToasts } from '@/stores/toasts';
import UiListbox from '@/ui/UiListbox.vue';
import { vKept } from '@/ui/kept';

/** When an email goes out, told from its reader's session: "1 day before “Webinar” starts". */
const props = defineProps<{ moment: SessionMoment }>();
const emit = defineEmits<{ change: [SessionMoment] }>();

const store = useFunnel();
const toasts = useToasts();
const webinars = computed(() => store.funnel?.webinars.map((w) => ({ value: w.id, label: w.name })) ?? []);
const minutes = computed(() => props.moment.minutes ?? 0);
const unit = computed(() =>
    minutes.value > 0 && minutes.value % 1440 === 0 ? 1440 : minutes.value > 0 && minutes.value % 60 === 0 ? 60 : 1,
);
const timed = computed(() => props.moment.anchor !== 'start');
const put = (values: Partial<SessionMoment>) => emit('change', { ...props.moment, ...values });

function setAmount(event: Event, by = unit.value): void {
    const input = event.target as HTMLInputElement;
    const n = Math.round(Number(input.value)) * by;
    const least = props.moment.anchor === 'after-end' ? 0 : 1;
    if (Number.isFinite(n) && n >= least && n <= 40_320) {
        put({ minutes: n });
    } else {
        input.value = String(minutes.value / unit.value);
        toasts.say('Four weeks at most, and at least a minute before.');
    }
}
function setAnchor(anchor: string): void {
    const least = anchor === 'start' ? undefined : minutes.value || 60;
    emit('change', { anchor: anchor as SessionMoment['anchor'], webinar: props.moment.webinar, ...(least ? { minutes: least } : {}) });
}
</script>

<template>
    <div class="flex flex-wrap items-end gap-2" data-test="by-session">
        <template v-if="timed">
            <input
                v-kept="minutes / unit"
                class="input w-20"
                type="number"
                min="0"
                aria-label="How long before or after"
                @change="setAmount"
            />
            <UiListbox
                class="w-28"
                :model-value="unit"
                label="Unit"
                hide-label
                :options="[
                    { value: 1, label: 'minutes' },
                    { value: 60, label: 'hours' },
                    { value: 1440, label: 'days' },
                ]"
                @update:model-value="(u: number) => put({ minutes: Math.min(40320, Math.max(1, Math.round(minutes / unit)) * u) })"
            />
        </template>
        <UiListbox
            class="w-64"
            :model-value="moment.anchor"
            label="From what"
            hide-label
            :options="[
                { value: 'before-start', label: 'before their session starts' },
                { value: 'start', label: 'when their session starts' },
                { value: 'after-end', label: 'after their session ends' },
                { value: 'before-replay-ends', label: 'before their replay ends' },
            ]"
            @update:model-value="setAnchor"
        />
        <UiListbox
            class="w-48"
            :model-value="moment.webinar ?? ''"
            label="Which webinar"
            hide-label
            :options="webinars"
            @update:model-value="(webinar: string) => put({ webinar })"
        />
        <p class="hint w-full">
            It moves with their session. Whoever registers too late for it does not get it, and nobody gets it when it would come too late.
        </p>
    </div>
</template>
