<script setup lang="ts">
import { ref, watch } from 'vue';
import BlockColumn from '@/funnel/desk/column/BlockColumn.vue';
import SectionColumn from '@/funnel/desk/column/SectionColumn.vue';
import type PageCanvas from '@/funnel/desk/PageCanvas.vue';
import { useDesk } from '@/funnel/desk/useDesk';

/** The column of a desk: what belongs to the block or the section that is selected, and otherwise what stands in it. */
defineProps<{ canvas: InstanceType<typeof PageCanvas> | null }>();
defineEmits<{ add: [after: string] }>();

const desk = useDesk();
const column = ref<HTMLElement | null>(null);
// Another thing begins at its head, wherever the column was.
watch(
    () => [desk.section.value?.id, desk.block.value?.id],
    () => column.value?.scrollTo({ top: 0 }),
);
</script>

<template>
    <aside ref="column" class="min-h-0 scroll-pt-26 overflow-auto border-l border-line bg-raised p-5" aria-label="What is selected">
        <BlockColumn
            v-if="desk.block.value && desk.section.value"
            :key="desk.block.value.id"
            :section="desk.section.value"
            :block="desk.block.value"
            @format="(how, value) => canvas?.format(how, value)"
            @insert="(words) => canvas?.insert(words)"
        />
        <SectionColumn
            v-else-if="desk.section.value"
            :key="desk.section.value.id"
            :section="desk.section.value"
            @add="$emit('add', $event)"
        />
        <slot v-else />
    </aside>
</template>
