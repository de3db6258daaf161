<script setup lang="ts">
import { computed } from 'vue';
import type { Deadline } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';
import UiSwitch from '@/ui/UiSwitch.vue';

/** The last warning, and what happens at the end and after it. */
const props = defineProps<{ deadline: Deadline }>();
const emit = defineEmits<{ edit: [values: Record<string, unknown>, label: string, now?: boolean] }>();

const store = useFunnel();
const minutes = [0, 1, 5, 10, 15, 30, 60, 120, 360, 1440];
const warns = computed(() => (props.deadline.warning.minutes ?? 0) > 0);
const warn = (values: Partial<Deadline['warning']>, now = true) => {
    const warning = { ...props.deadline.warning, ...values };
    emit('edit', { warning: warning.minutes ? warning : {} }, 'the last warning', now);
};
const inWords = (m: number) =>
    m === 0 ? 'none' : m === 1440 ? 'a day before' : m >= 60 ? `${m / 60} ${m === 60 ? 'hour' : 'hours'} before` : `${m} min before`;
const sections = computed(() => [
    { value: '', label: 'This text' },
    ...(store.funnel?.sharedSections.map((s) => ({ value: s.id, label: `The section “${s.name}”` })) ?? []),
]);
</script>

<template>
    <section aria-labelledby="end" class="space-y-4">
        <h3 id="end" class="text-lg">As the end comes</h3>
        <UiListbox
            :model-value="deadline.warning.minutes ?? 0"
            label="A last warning on its pages, once"
            :options="[...new Set([...minutes, deadline.warning.minutes ?? 0])].map((m) => ({ value: m, label: inWords(m) }))"
            @update:model-value="(m: number) => warn({ minutes: m, text: deadline.warning.text ?? 'The introductory price ends soon.' })"
        />
        <template v-if="warns">
            <UiListbox
                v-if="sections.length > 1"
                :model-value="deadline.warning.section ?? ''"
                label="It shows"
                :options="sections"
                @update:model-value="(section: string) => warn({ section: section || undefined })"
            />
            <TextField
                v-if="!deadline.warning.section"
                :model-value="deadline.warning.text ?? ''"
                label="Its text"
                hint="Say what is lost at the end."
                :lines="2"
                :maxlength="300"
                @update:model-value="(text: string) => warn({ text }, false)"
            />
        </template>
        <UiSwitch
            :model-value="deadline.leadsOn"
            label="At the end, a page that is open leads on by itself"
            @update:model-value="(leadsOn: boolean) => emit('edit', { leadsOn }, 'what happens at the end')"
        />
        <UiListbox
            :model-value="deadline.grace"
            label="Grace for those in the middle of paying"
            :options="
                [...new Set([0, 5, 10, 15, 30, 60, 120, deadline.grace])].map((m) => ({
                    value: m,
                    label: m === 0 ? 'none' : `${m} minutes`,
                }))
            "
            @update:model-value="(grace: number) => emit('edit', { grace }, 'the grace')"
        />
        <p class="hint -mt-2">Nobody sees it. A checkout that was open before the end can still be paid within it.</p>
        <template v-if="deadline.duration">
            <UiListbox
                :model-value="deadline.again ?? -1"
                label="Can it start again for somebody?"
                :options="
                    [...new Set([-1, 0, 30, 90, 180, 365, deadline.again ?? -1])].map((d) => ({
                        value: d,
                        label: d < 0 ? 'never' : d === 0 ? 'yes, once it is over' : `yes, ${d} days after its end`,
                    }))
                "
                @update:model-value="(d: number) => emit('edit', { again: d < 0 ? null : d }, 'whether it may start again')"
            />
            <UiSwitch
                :model-value="deadline.byAddress"
                label="Know strangers again by their network address"
                @update:model-value="(byAddress: boolean) => emit('edit', { byAddress }, 'how strangers are known again')"
            />
            <p class="hint -mt-2">
                A last resort for those who clear their cookies. Only a keyed hash is kept, as long as the deadline is. Households and
                offices share an address.
            </p>
        </template>
    </section>
</template>
