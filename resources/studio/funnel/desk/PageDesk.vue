<script setup lang="ts">
import { ComputerDesktopIcon, DevicePhoneMobileIcon } from '@heroicons/vue/24/outline';
import { computed, ref } from 'vue';
import PageCanvas from '@/funnel/desk/PageCanvas.vue';
import BlockColumn from '@/funnel/desk/BlockColumn.vue';
import PageColumn from '@/funnel/desk/PageColumn.vue';
import { useFunnel } from '@/funnel/funnelStore';
import type { Block, PageDocument } from '@/api/types';

const props = defineProps<{ id: string }>();

const store = useFunnel();
const phone = ref(false);
const selected = ref<string | null>(null);
const page = computed(() => store.page(props.id));
const block = computed<Block | undefined>(() =>
    page.value?.document.sections.flatMap((s) => s.blocks).find((b) => b.id === selected.value),
);

function editDocument(label: string, change: (document: PageDocument) => void, now = false): void {
    if (!page.value) {
        return;
    }
    const document = JSON.parse(JSON.stringify(page.value.document)) as PageDocument;
    change(document);
    store.edit('page', props.id, { document }, label, now);
}

function editBlock(id: string, values: Partial<Block>, label: string, now = false): void {
    editDocument(
        label,
        (document) => {
            const target = document.sections.flatMap((s) => s.blocks).find((b) => b.id === id);
            if (target) {
                Object.assign(target, values);
            }
        },
        now,
    );
}
</script>

<template>
    <div v-if="page" class="grid h-full min-h-0 grid-cols-[1fr_19rem]">
        <div class="relative min-h-0 bg-line/40">
            <PageCanvas
                :page="id"
                :phone="phone"
                :selected="selected"
                @select="selected = $event"
                @words="(block, field, value) => editBlock(block, { [field]: value }, `words on “${page!.name}”`)"
            />
            <div class="absolute right-4 bottom-4 flex sheet p-0.5 shadow" role="group" aria-label="Width of the page">
                <button
                    type="button"
                    class="btn-quiet"
                    :class="{ 'bg-line text-ink': !phone }"
                    :aria-pressed="!phone"
                    @click="phone = false"
                >
                    <ComputerDesktopIcon class="size-5" aria-hidden="true" />Desktop
                </button>
                <button type="button" class="btn-quiet" :class="{ 'bg-line text-ink': phone }" :aria-pressed="phone" @click="phone = true">
                    <DevicePhoneMobileIcon class="size-5" aria-hidden="true" />Phone
                </button>
            </div>
        </div>
        <aside class="min-h-0 overflow-auto border-l border-line bg-raised p-5" aria-label="What is selected">
            <BlockColumn
                v-if="block"
                :key="block.id"
                :page="page"
                :block="block"
                @block="(values, label) => editBlock(block!.id, values, label, true)"
                @leave="selected = null"
            />
            <PageColumn v-else :page="page" @document="editDocument" />
        </aside>
    </div>
</template>
