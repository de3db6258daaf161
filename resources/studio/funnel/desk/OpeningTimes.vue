<script setup lang="ts">
import { computed } from 'vue';
import { useFunnel } from '@/funnel/funnelStore';
import { useSession } from '@/stores/session';
import { dateTime } from '@/ui/format';
import ZoneField from '@/ui/ZoneField.vue';
import DateField from '@/ui/DateField.vue';
import { copy } from '@/ui/patches';

/** When the funnel opens and closes, for everyone, without anybody pressing anything. */
const store = useFunnel();
const session = useSession();
const times = computed(() => store.funnel?.times ?? {});
const zone = computed(() => times.value.opens?.zone ?? times.value.closes?.zone ?? session.zone);

function set(which: 'opens' | 'closes', moment: string): void {
    const next = { ...times.value, [which]: moment ? { moment, zone: zone.value } : undefined };
    store.edit('funnel', store.funnel!.id, { times: copy(next) }, 'when the funnel is open', true);
}
function setZone(name: string): void {
    const moved = Object.fromEntries(Object.entries(times.value).map(([k, v]) => [k, { ...v, zone: name }]));
    store.edit('funnel', store.funnel!.id, { times: moved }, 'in which zone the funnel opens and closes', true);
}
const now = computed(() => {
    const f = store.funnel;
    if (f?.closedAt) {
        return `It closed by itself on ${dateTime(f.closedAt)}.`;
    }
    return [
        f?.opensAt && new Date(f.opensAt) > new Date() ? `What is live opens on ${dateTime(f.opensAt)}.` : '',
        f?.closesAt ? `What is live closes on ${dateTime(f.closesAt)}.` : '',
    ]
        .join(' ')
        .trim();
});
</script>

<template>
    <fieldset v-if="store.funnel">
        <legend class="text-lg font-semibold">Opens and closes by itself</legend>
        <div class="mt-1 grid gap-2">
            <DateField :model-value="times.opens?.moment ?? ''" time label="Opens" @update:model-value="(moment) => set('opens', moment)" />
            <DateField
                :model-value="times.closes?.moment ?? ''"
                time
                label="Closes"
                @update:model-value="(moment) => set('closes', moment)"
            />
        </div>
        <ZoneField v-if="times.opens || times.closes" class="mt-3" :model-value="zone" @update:model-value="setZone" />
        <p class="hint">Empty for open until you close it. Before and after, visitors see the closed page. It holds when you publish.</p>
        <p v-if="now" class="mt-1 font-medium">{{ now }}</p>
    </fieldset>
</template>
