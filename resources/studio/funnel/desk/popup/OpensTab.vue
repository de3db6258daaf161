<script setup lang="ts">
import { XMarkIcon } from '@heroicons/vue/20/solid';
import { computed } from 'vue';
import type { PopupLimits, PopupTrigger } from '@/api/types';
import HoursField from '@/funnel/desk/popup/HoursField.vue';
import NumberField from '@/ui/NumberField.vue';
import { usePopup } from '@/funnel/desk/popup/usePopup';
import { useFunnel } from '@/funnel/funnelStore';
import { useSession } from '@/stores/session';
import UiListbox from '@/ui/UiListbox.vue';
import UiMenu from '@/ui/UiMenu.vue';

/** What opens it, and how often it may come. */
const props = defineProps<{ id: string }>();

const work = usePopup(props.id);
const session = useSession();
const store = useFunnel();
const popup = work.popup;
const kinds = computed(() => session.kit.popups.triggers);
const left = computed(() => kinds.value.filter((k) => !popup.value.triggers.some((t) => t.kind === k.id)));
const label = (t: PopupTrigger) => kinds.value.find((k) => k.id === t.kind)?.label ?? t.kind;
const amounts = (t: PopupTrigger) => kinds.value.find((k) => k.id === t.kind)?.amounts ?? [0, 0, 0];
const units: Record<string, string> = { seconds: 'seconds', idle: 'seconds', depth: '% of the page' };
/** The sections of the pages that it may stand on. */
const sections = computed(() =>
    (store.funnel?.pages ?? []).flatMap((p) =>
        p.document.sections.map((s) => ({
            value: s.id,
            label: `${p.name}: ${String(s.blocks.find((b) => b.kind === 'heading')?.text ?? session.kit.sections.find((k) => k.id === s.kind)?.label ?? s.kind).slice(0, 40)}`,
        })),
    ),
);

function setTriggers(triggers: PopupTrigger[]): void {
    work.edit({ triggers }, 'what opens the pop-up');
}
function add(kind: string): void {
    const [, most, start] = kinds.value.find((k) => k.id === kind)?.amounts ?? [0, 0, 0];
    setTriggers([
        ...popup.value.triggers,
        { kind, ...(most > 0 ? { amount: start } : {}), ...(kind === 'section' ? { section: sections.value[0]?.value ?? '' } : {}) },
    ]);
}
const change = (i: number, values: Partial<PopupTrigger>) =>
    setTriggers(popup.value.triggers.map((t, n) => (n === i ? { ...t, ...values } : t)));

const limits = computed(() => popup.value.limits);
function setLimits(values: Partial<PopupLimits>): void {
    const next = { days: 7, ...limits.value, ...values };
    if (next.repeat === 'days' && next.afterClosed < (next.days ?? 7)) {
        next.afterClosed = next.days ?? 7;
    }
    work.edit({ limits: next }, 'how often the pop-up comes');
}
const repeats = [
    { value: 'once', label: 'Once' },
    { value: 'days', label: 'Again after some days' },
    { value: 'visit', label: 'Again on the next visit' },
    { value: 'always', label: 'With every view' },
];
</script>

<template>
    <div class="space-y-6">
        <section v-if="!popup.placed">
            <h3 class="label">Shown to whoever …</h3>
            <ul class="space-y-2">
                <li v-for="(t, i) in popup.triggers" :key="t.kind" class="rounded border border-line p-2">
                    <div class="flex items-start justify-between gap-2">
                        <span>{{ label(t) }}</span>
                        <button
                            type="button"
                            class="btn-quiet px-1"
                            :aria-label="`Remove: ${label(t)}`"
                            @click="setTriggers(popup.triggers.filter((_, n) => n !== i))"
                        >
                            <XMarkIcon class="size-4" aria-hidden="true" />
                        </button>
                    </div>
                    <NumberField
                        v-if="amounts(t)[1] > 0"
                        class="mt-1"
                        :model-value="t.amount ?? 0"
                        :least="amounts(t)[0]"
                        :most="amounts(t)[1]"
                        :label="label(t)"
                        :unit="units[t.kind]"
                        hide-label
                        @update:model-value="(amount) => change(i, { amount })"
                    />
                    <UiListbox
                        v-if="t.kind === 'section'"
                        class="mt-1"
                        :model-value="t.section ?? ''"
                        label="Which section"
                        hide-label
                        :options="sections"
                        @update:model-value="(section) => change(i, { section })"
                    />
                    <p v-if="t.kind === 'leaving'" class="hint mt-1">
                        With a pointer: on its way out at the top. On a phone: coming back by the back button, a fast scroll up from deep
                        down, or switching away and back. Nobody is held up.
                    </p>
                    <p v-if="t.kind === 'click'" class="hint mt-1">
                        Choose this pop-up where a button, link or picture leads to. Whoever clicks sees it however often they saw it
                        before.
                    </p>
                </li>
            </ul>
            <p v-if="popup.triggers.length === 0" class="text-clay-deep">Nothing opens it yet.</p>
            <UiMenu
                v-if="left.length > 0"
                class="mt-2"
                label="Add what opens it"
                button-class="btn"
                left
                :items="left.map((k) => ({ label: k.label, run: () => add(k.id) }))"
            />
        </section>
        <section v-if="!popup.placed && !work.variant.value" class="space-y-3">
            <UiListbox
                :model-value="limits.repeat"
                label="How often, for one person or browser"
                :options="repeats"
                @update:model-value="(repeat) => setLimits({ repeat })"
            />
            <NumberField
                v-if="limits.repeat === 'days'"
                :model-value="limits.days ?? 7"
                :least="1"
                :most="365"
                label="Days after it was seen"
                @update:model-value="(days) => setLimits({ days })"
            />
            <NumberField
                :model-value="limits.afterClosed"
                :least="limits.repeat === 'days' ? (limits.days ?? 7) : 0"
                :most="730"
                label="Days after it was closed"
                @update:model-value="(afterClosed) => setLimits({ afterClosed })"
            />
            <NumberField
                v-if="limits.repeat !== 'once'"
                :model-value="limits.most ?? 0"
                :least="0"
                :most="100"
                label="At most, in all"
                unit="times (0: any number)"
                @update:model-value="(most) => setLimits({ most })"
            />
            <NumberField
                :model-value="limits.fromVisit ?? 1"
                :least="1"
                :most="100"
                label="From which visit on"
                @update:model-value="(fromVisit) => setLimits({ fromVisit })"
            />
            <NumberField
                :model-value="limits.apart"
                :least="0"
                :most="1440"
                label="Between two pop-ups, at least"
                unit="minutes"
                @update:model-value="(apart) => setLimits({ apart })"
            />
        </section>
        <HoursField v-if="!work.variant.value" :limits="limits" @change="setLimits" />
        <p v-else class="hint">How often it comes, and at what hours, is that of the pop-up in every variant.</p>
    </div>
</template>
