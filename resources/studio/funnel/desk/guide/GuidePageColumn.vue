<script setup lang="ts">
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/vue';
import { DocumentDuplicateIcon, TrashIcon } from '@heroicons/vue/24/outline';
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import type { Guide, GuidePage } from '@/api/types';
import CheckTab from '@/funnel/desk/column/CheckTab.vue';
import OutlineTab from '@/funnel/desk/column/OutlineTab.vue';
import { usePageCheck } from '@/funnel/desk/column/usePageCheck';
import { toRead } from '@/funnel/desk/guide/words';
import { useFunnel } from '@/funnel/funnelStore';
import { useGuideSteps } from '@/funnel/guideSteps';
import { partPath } from '@/funnel/parts';
import { useSteps } from '@/funnel/steps';
import { useToasts } from '@/stores/toasts';
import TextField from '@/ui/TextField.vue';
import UiSwitch from '@/ui/UiSwitch.vue';

/** What belongs to a page of a guide as a whole. */
const props = defineProps<{ page: GuidePage; guide: Guide }>();
defineEmits<{ add: [after: string] }>();

const store = useFunnel();
const steps = useSteps();
const guideSteps = useGuideSteps();
const router = useRouter();
const toasts = useToasts();
const findings = usePageCheck(
    () => props.page.id,
    () => props.page.document,
);
const tabs = computed(() => ['Sections', 'Page', findings.value.length > 0 ? `Check ${findings.value.length}` : 'Check']);
const isOpen = computed(() => {
    const shown = store.funnel!.guidePages.filter((p) => p.guide === props.guide.id && !p.hidden);
    return shown.findIndex((p) => p.id === props.page.id) < props.guide.open;
});

async function duplicate(): Promise<void> {
    try {
        const [made] = await guideSteps.addPages(props.guide.id, { of: props.page.id, after: props.page.id });
        await router.push(partPath(store.funnel!, 'guide-page', made!.id));
    } catch (error) {
        toasts.trouble(error);
    }
}
async function takeOut(): Promise<void> {
    try {
        const path = partPath(store.funnel!, 'guide', props.guide.id);
        await steps.remove(props.page);
        await router.push(path);
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <TabGroup>
        <TabList class="column-head flex gap-0.5">
            <Tab v-for="tab in tabs" :key="tab" v-slot="{ selected }" as="template">
                <button type="button" class="btn-quiet px-2" :class="{ 'bg-lamp-pale font-semibold text-ink': selected }">{{ tab }}</button>
            </Tab>
        </TabList>
        <TabPanels>
            <TabPanel><OutlineTab @add="$emit('add', $event)" /></TabPanel>
            <TabPanel class="space-y-4">
                <TextField
                    :model-value="page.name"
                    label="Name among the contents"
                    hint="Its readers see it."
                    :maxlength="120"
                    @update:model-value="(name: string) => store.edit('guide-page', page.id, { name }, 'the name of a page of the guide')"
                />
                <UiSwitch
                    :model-value="!page.hidden"
                    :label="page.hidden ? 'Hidden from readers' : 'Readers see it'"
                    @update:model-value="
                        (on) =>
                            store.edit(
                                'guide-page',
                                page.id,
                                { hidden: !on },
                                on ? 'a page of the guide was shown' : 'a page of the guide was hidden',
                                true,
                            )
                    "
                />
                <p class="text-soft">
                    {{ toRead(page.seconds) }}. {{ isOpen ? 'Anybody may read it.' : 'Only those who joined may read it.' }}
                </p>
                <div class="-ml-2 flex flex-col items-start">
                    <button type="button" class="btn-quiet" @click="duplicate">
                        <DocumentDuplicateIcon class="size-4.5" aria-hidden="true" />Duplicate this page
                    </button>
                    <button type="button" class="btn-quiet text-clay-deep" @click="takeOut">
                        <TrashIcon class="size-4.5" aria-hidden="true" />Remove this page
                    </button>
                </div>
            </TabPanel>
            <TabPanel><CheckTab :findings="findings" /></TabPanel>
        </TabPanels>
    </TabGroup>
</template>
