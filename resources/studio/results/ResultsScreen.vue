<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, query } from '@/api/client';
import type { FunnelRow } from '@/api/types';
import { partsOfAll, partsOfResults } from '@/results/parts';
import PeriodPicker from '@/results/PeriodPicker.vue';
import type { ResultPeriod } from '@/results/period';
import { useToasts } from '@/stores/toasts';
import ScreenTabs from '@/ui/ScreenTabs.vue';
import UiListbox from '@/ui/UiListbox.vue';

/** How it goes: all funnels beside each other, or one of them in its parts. */
const route = useRoute();
const router = useRouter();
const toasts = useToasts();
const funnels = ref<FunnelRow[] | null>(null);
const period = ref<ResultPeriod>({ days: 28 });
/** `/results/costs` is a part of all funnels together, and no funnel's id. */
const named = computed(() => String(route.params.id ?? ''));
const whole = computed(() => partsOfAll.find((p) => p.path === named.value));
const id = computed(() => (whole.value ? '' : named.value));
const part = computed(() => partsOfResults.find((p) => p.path === String(route.params.part ?? '')) ?? partsOfResults[0]!);

onMounted(async () => {
    try {
        funnels.value = (await api.get<{ funnels: FunnelRow[] }>(`funnels?${query({ perPage: 100 })}`)).funnels;
    } catch (error) {
        toasts.trouble(error);
    }
});

const choices = computed(() => [
    { value: '', label: 'All funnels' },
    ...(funnels.value?.map((f) => ({ value: f.id, label: f.name })) ?? []),
]);
const tabs = computed(() => partsOfResults.map((p) => ({ label: p.label, to: `/results/${id.value}${p.path ? `/${p.path}` : ''}` })));
function go(funnel: string): void {
    void router.push(funnel === '' ? '/results' : `/results/${funnel}${part.value.path ? `/${part.value.path}` : ''}`);
}
</script>

<template>
    <div class="mx-auto max-w-6xl px-8 py-8">
        <div class="flex flex-wrap items-end justify-between gap-4">
            <h1 class="text-3xl">Results</h1>
            <div class="flex gap-3">
                <UiListbox class="w-64" :model-value="id" label="Funnel" hide-label :options="choices" @update:model-value="go" />
                <PeriodPicker v-if="id === '' || part.overTime" v-model="period" />
            </div>
        </div>
        <template v-if="whole">
            <ScreenTabs class="mt-4" :tabs="partsOfAll.map((p) => ({ label: p.label, to: `/results${p.path ? `/${p.path}` : ''}` }))" />
            <component :is="whole.component" :key="whole.path" :period="period" />
        </template>
        <template v-else>
            <ScreenTabs class="mt-4" :tabs="tabs" />
            <component :is="part.component" :key="`${id} ${part.path}`" :funnel="id" :period="period" />
        </template>
    </div>
</template>
