<script setup lang="ts">
import { computed } from 'vue';
import type { Variant } from '@/api/types';
import TestTab from '@/funnel/desk/experiment/TestTab.vue';
import VariantSwitch from '@/funnel/desk/experiment/VariantSwitch.vue';
import { useFunnel } from '@/funnel/funnelStore';

/** What differs in the middle, and at the right the split test it is for. */
const props = defineProps<{ variant: Variant }>();

const store = useFunnel();
const test = computed(() => store.splitTest(props.variant.test));
</script>

<template>
    <div v-if="test" class="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_20rem]">
        <div class="min-h-0 overflow-auto px-6 py-4">
            <div class="mx-auto max-w-[54rem] space-y-4">
                <div class="flex"><VariantSwitch :test="test" :open="variant.id" /></div>
                <slot />
            </div>
        </div>
        <aside class="min-h-0 overflow-auto border-l border-line bg-raised p-5" aria-label="The split test">
            <TestTab :variant="variant" />
        </aside>
    </div>
</template>
