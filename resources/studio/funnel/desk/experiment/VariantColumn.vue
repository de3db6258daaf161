<script setup lang="ts">
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/vue';
import type { Variant } from '@/api/types';
import OutlineTab from '@/funnel/desk/column/OutlineTab.vue';
import TestTab from '@/funnel/desk/experiment/TestTab.vue';

defineProps<{ variant: Variant }>();
defineEmits<{ add: [after: string] }>();
</script>

<template>
    <TabGroup>
        <TabList class="column-head flex gap-0.5">
            <Tab v-for="tab in ['Split test', 'Sections']" :key="tab" v-slot="{ selected }" as="template">
                <button type="button" class="btn-quiet px-2" :class="{ 'bg-lamp-pale font-semibold text-ink': selected }">{{ tab }}</button>
            </Tab>
        </TabList>
        <TabPanels>
            <TabPanel><TestTab :variant="variant" /></TabPanel>
            <TabPanel><OutlineTab @add="$emit('add', $event)" /></TabPanel>
        </TabPanels>
    </TabGroup>
</template>
