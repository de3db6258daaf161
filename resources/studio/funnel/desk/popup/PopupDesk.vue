<script setup lang="ts">
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/vue';
import { PlayIcon, TrashIcon } from '@heroicons/vue/24/outline';
import { watchDebounced } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { api, ApiError } from '@/api/client';
import type { Finding } from '@/api/types';
import DeskColumn from '@/funnel/desk/column/DeskColumn.vue';
import DeviceSwitch from '@/funnel/desk/DeviceSwitch.vue';
import SplitTestSection from '@/funnel/desk/experiment/SplitTestSection.vue';
import TestTab from '@/funnel/desk/experiment/TestTab.vue';
import VariantSwitch from '@/funnel/desk/experiment/VariantSwitch.vue';
import PageCanvas from '@/funnel/desk/PageCanvas.vue';
import AfterTab from '@/funnel/desk/popup/AfterTab.vue';
import DesignTab from '@/funnel/desk/popup/DesignTab.vue';
import OpensTab from '@/funnel/desk/popup/OpensTab.vue';
import ResultsTab from '@/funnel/desk/popup/ResultsTab.vue';
import WhoTab from '@/funnel/desk/popup/WhoTab.vue';
import { usePopup } from '@/funnel/desk/popup/usePopup';
import { provideDesk } from '@/funnel/desk/useDesk';
import { useDeskKeys } from '@/funnel/desk/useDeskKeys';
import { useFunnel } from '@/funnel/funnelStore';
import { useSteps } from '@/funnel/steps';
import { useToasts } from '@/stores/toasts';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';
import UiSwitch from '@/ui/UiSwitch.vue';

/** A pop-up in its frame, over a page it belongs to: its words are typed there, everything else stands at the right. */
const props = defineProps<{ id: string; place?: string }>();

const work = usePopup(props.id);
const variant = work.variant;
const desk = provideDesk(props.id, variant.value ? 'variant' : 'popup');
const store = useFunnel();
const steps = useSteps();
const router = useRouter();
const toasts = useToasts();
const canvas = ref<InstanceType<typeof PageCanvas> | null>(null);
const popup = work.popup;
const phone = ref(false);
const under = ref(
    store.funnel?.pages.find((p) =>
        popup.value.targeting.pages === 'some' ? popup.value.targeting.ids?.includes(p.id) : !popup.value.targeting.ids?.includes(p.id),
    )?.id ?? '',
);
const step = ref('main');
const shownStep = computed(() => work.steps.value.find((s) => s.name === step.value) ?? work.steps.value.find((s) => s.name === 'main')!);
const STEPS: Record<string, string> = { question: 'Question', main: 'Offer', thanks: 'Thanks' };
const stage = computed(() => {
    const { placement: stand, size, backdrop, phone: onPhone } = popup.value.frame;
    const now = phone.value && onPhone ? onPhone : stand;
    const dialog = ['middle', 'full', 'side-right', 'side-left'].includes(now);
    return `pop-stage stand-${now} size-${size}${dialog ? ` is-dialog back-${backdrop}` : ''}`;
});
const tabs = variant.value ? ['Split test', 'Design', 'Opens'] : ['Design', 'Opens', 'Where', 'After', 'Results'];
const findings = ref<Finding[]>([]);

if (props.place) {
    const at = desk.sections.value.find((s) => s.blocks.some((b) => b.id === props.place));
    step.value = work.steps.value.find((s) => s.id === at?.id)?.name ?? 'main';
    desk.select(at ? { section: at.id, block: props.place } : null);
}
// What is chosen in the column is the step that is shown.
watch(
    () => desk.selection.value?.section,
    (section) => {
        const found = work.steps.value.find((s) => s.id === section);
        step.value = found?.name ?? step.value;
    },
);
watch(step, () => {
    if (desk.selection.value && desk.selection.value.section !== shownStep.value.id) {
        desk.select(null);
    }
});

watchDebounced(
    () => JSON.stringify([popup.value, store.funnel?.forms, store.funnel?.look, store.funnel?.changes]),
    async () => {
        try {
            const { document } = popup.value;
            findings.value = (await api.post<{ findings: Finding[] }>(`pages/${props.id}/check`, { document })).findings;
        } catch (error) {
            if (!(error instanceof ApiError && error.offline)) {
                toasts.trouble(error);
            }
        }
    },
    { debounce: 900, immediate: true },
);

// Its sections are its steps: they are neither moved nor removed here.
useDeskKeys(desk, () => true, false);

async function play(): Promise<void> {
    try {
        await store.flush();
        const { url } = await api.post<{ url: string }>(`funnels/${store.funnel!.id}/preview-link`);
        const [path, query] = url.split('?');
        const page = store.funnel?.pages.find((p) => p.id === under.value);
        open(`${path}${page?.address ? `/${page.address}` : ''}?${query}&popup=${work.original}`, '_blank', 'noopener');
    } catch (error) {
        toasts.trouble(error);
    }
}

async function takeOut(): Promise<void> {
    try {
        await steps.remove(popup.value);
        await router.push(`/funnels/${store.funnel?.id}`);
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <div v-if="popup" class="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_22rem]">
        <div class="relative min-h-0 bg-line/40">
            <PageCanvas
                ref="canvas"
                :phone="phone"
                :sample="false"
                state="two-days"
                :under="popup.placed ? '' : under"
                :stage="stage"
                :step="shownStep.id"
                :standing="popup.frame"
            />
            <VariantSwitch v-if="work.test.value" class="absolute top-3 left-4" :test="work.test.value" :open="id" />
            <div class="absolute bottom-4 left-4 flex flex-wrap items-end gap-2">
                <DeviceSwitch v-model="phone" />
                <div v-if="work.steps.value.length > 1" class="flex sheet p-0.5 shadow" role="group" aria-label="Its steps">
                    <button
                        v-for="s in work.steps.value"
                        :key="s.name"
                        type="button"
                        class="btn-quiet"
                        :class="{ 'bg-line text-ink': shownStep.name === s.name }"
                        :aria-pressed="shownStep.name === s.name"
                        @click="step = s.name"
                    >
                        {{ STEPS[s.name] }}
                    </button>
                </div>
            </div>
            <div v-if="!popup.placed" class="absolute right-4 bottom-4 flex items-end gap-2">
                <UiListbox
                    v-model="under"
                    class="w-48 [&_ul]:bottom-full [&_ul]:mb-1"
                    label="Over which page"
                    hide-label
                    :options="store.funnel?.pages.map((p) => ({ value: p.id, label: p.name })) ?? []"
                />
                <button v-if="!variant" type="button" class="btn" title="In a new tab, opened by what opens it" @click="play">
                    <PlayIcon class="size-4.5" aria-hidden="true" />Play
                </button>
            </div>
        </div>
        <DeskColumn :canvas="canvas">
            <template #default>
                <div v-if="!variant" class="mb-4 space-y-3">
                    <TextField
                        :model-value="popup.name"
                        label="Private name"
                        :maxlength="120"
                        @update:model-value="(name: string) => work.edit({ name }, 'the name of a pop-up', false)"
                    />
                    <UiSwitch
                        :model-value="popup.on"
                        :label="popup.on ? 'Switched on' : 'Switched off'"
                        @update:model-value="(on) => work.edit({ on }, on ? 'a pop-up was switched on' : 'a pop-up was switched off')"
                    />
                    <p class="hint">{{ popup.words }} What you change reaches visitors when you publish.</p>
                    <ul v-if="findings.length > 0" class="space-y-1 border-l-3 border-clay pl-3 text-sm" aria-label="What the check found">
                        <li v-for="finding in findings" :key="finding.code + finding.place">
                            <button
                                v-if="finding.place"
                                type="button"
                                class="text-left link"
                                @click="
                                    desk.select({
                                        section: desk.sections.value.find((s) => s.blocks.some((b) => b.id === finding.place))?.id ?? '',
                                        block: finding.place,
                                    })
                                "
                            >
                                {{ finding.message }}</button><span v-else>{{ finding.message }}</span>
                        </li>
                    </ul>
                </div>
                <TabGroup>
                    <TabList class="sticky -top-5 z-20 -mx-5 mb-4 flex gap-0.5 border-b border-line bg-raised px-3 py-2">
                        <Tab v-for="tab in tabs" :key="tab" v-slot="{ selected }" as="template">
                            <button type="button" class="btn-quiet px-2" :class="{ 'bg-lamp-pale font-semibold text-ink': selected }">
                                {{ tab }}
                            </button>
                        </Tab>
                    </TabList>
                    <TabPanels v-if="variant">
                        <TabPanel><TestTab :variant="variant" /></TabPanel>
                        <TabPanel><DesignTab :id="id" /></TabPanel>
                        <TabPanel><OpensTab :id="id" /></TabPanel>
                    </TabPanels>
                    <TabPanels v-else>
                        <TabPanel><DesignTab :id="id" /></TabPanel>
                        <TabPanel><OpensTab :id="id" /></TabPanel>
                        <TabPanel><WhoTab :id="id" /></TabPanel>
                        <TabPanel><AfterTab :id="id" /></TabPanel>
                        <TabPanel><ResultsTab :id="id" /></TabPanel>
                    </TabPanels>
                </TabGroup>
                <template v-if="!variant">
                    <SplitTestSection
                        class="mt-8"
                        of="popup"
                        :part="id"
                        hint="Show some visitors other words, another design or at another moment, and see which one brings more."
                    />
                    <button type="button" class="mt-6 btn-quiet text-clay-deep" @click="takeOut">
                        <TrashIcon class="size-4.5" aria-hidden="true" />Remove this pop-up
                    </button>
                </template>
            </template>
        </DeskColumn>
    </div>
</template>
