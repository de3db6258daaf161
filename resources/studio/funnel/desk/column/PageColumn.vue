<script setup lang="ts">
import { TabGroup, TabList, TabPanel, TabPanels, Tab } from '@headlessui/vue';
import { watchDebounced } from '@vueuse/core';
import { computed, ref } from 'vue';
import { api, ApiError } from '@/api/client';
import type { Finding, Page } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import CheckTab from '@/funnel/desk/column/CheckTab.vue';
import LookTab from '@/funnel/desk/column/LookTab.vue';
import OutlineTab from '@/funnel/desk/column/OutlineTab.vue';
import PageTab from '@/funnel/desk/column/PageTab.vue';
import { useDesk } from '@/funnel/desk/useDesk';
import { useToasts } from '@/stores/toasts';

const props = defineProps<{ page: Page }>();
defineEmits<{ add: [after: string] }>();

const store = useFunnel();
const desk = useDesk();
const toasts = useToasts();
const findings = ref<Finding[]>([]);
const tabs = computed(() => ['Sections', 'Look', 'Page', findings.value.length > 0 ? `Check ${findings.value.length}` : 'Check']);

/** The page check runs along with the work. */
watchDebounced(
    () =>
        JSON.stringify([
            props.page.document,
            store.funnel?.sharedSections,
            store.funnel?.look,
            store.funnel?.changes,
            store.funnel?.forms,
            store.funnel?.ways,
        ]),
    async () => {
        try {
            const body = {
                document: props.page.document,
                shared: Object.fromEntries((store.funnel?.sharedSections ?? []).map((s) => [s.id, s.section])),
                look: store.funnel?.look,
                changes: store.funnel?.changes,
            };
            findings.value = (await api.post<{ findings: Finding[] }>(`pages/${desk.pageId}/check`, body)).findings;
        } catch (error) {
            if (!(error instanceof ApiError && error.offline)) {
                toasts.trouble(error);
            }
        }
    },
    { debounce: 300, immediate: true },
);
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
