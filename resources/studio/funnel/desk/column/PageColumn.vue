<script setup lang="ts">
import { TabGroup, TabList, TabPanel, TabPanels, Tab } from '@headlessui/vue';
import { computed } from 'vue';
import type { Page } from '@/api/types';
import CheckTab from '@/funnel/desk/column/CheckTab.vue';
import LookTab from '@/funnel/desk/column/LookTab.vue';
import OutlineTab from '@/funnel/desk/column/OutlineTab.vue';
import PageTab from '@/funnel/desk/column/PageTab.vue';
import { usePageCheck } from '@/funnel/desk/column/usePageCheck';
import { useDesk } from '@/funnel/desk/useDesk';

const props = defineProps<{ page: Page }>();
defineEmits<{ add: [after: string] }>();

const desk = useDesk();
const findings = usePageCheck(
    () => desk.pageId,
    () => props.page.document,
);
const tabs = computed(() => ['Sections', 'Look', 'Page', findings.value.length > 0 ? `Check ${findings.value.length}` : 'Check']);
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
            <TabPanel><LookTab :page="page" /></TabPanel>
            <TabPanel><PageTab :page="page" /></TabPanel>
            <TabPanel><CheckTab :findings="findings" /></TabPanel>
        </TabPanels>
    </TabGroup>
</template>
