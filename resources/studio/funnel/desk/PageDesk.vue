<script setup lang="ts">
import { ComputerDesktopIcon, DevicePhoneMobileIcon, EyeIcon } from '@heroicons/vue/24/outline';
import { useEventListener } from '@vueuse/core';
import { computed, ref } from 'vue';
import AddSection from '@/funnel/desk/AddSection.vue';
import BlockColumn from '@/funnel/desk/column/BlockColumn.vue';
import PageColumn from '@/funnel/desk/column/PageColumn.vue';
import SectionColumn from '@/funnel/desk/column/SectionColumn.vue';
import PageCanvas from '@/funnel/desk/PageCanvas.vue';
import { provideDesk } from '@/funnel/desk/useDesk';
import { useFunnel } from '@/funnel/funnelStore';
import { useSession } from '@/stores/session';
import UiListbox from '@/ui/UiListbox.vue';

const props = defineProps<{ id: string; place?: string }>();

const desk = provideDesk(props.id);
const canvas = ref<InstanceType<typeof PageCanvas> | null>(null);
const phone = ref(false);
const sample = ref(false);
const session = useSession();
const store = useFunnel();
/** The state of its deadlines in which the page is looked at. */
const state = ref('two-days');
const timed = computed(
    () =>
        desk.sections.value.some((s) => s.blocks.some((b) => b.kind === 'countdown' && b.deadline)) ||
        (store.funnel?.deadlines.some((d) => d.pages.some((g) => g.page === props.id)) ?? false),
);
/** After which section a new one goes; '' means at the top, null that none is being added. */
const adding = ref<string | null>(null);

if (props.place) {
    const at = desk.sections.value.find((s) => s.id === props.place || s.blocks.some((b) => b.id === props.place));
    desk.select(at ? { section: at.id, block: at.id === props.place ? undefined : props.place } : null);
}

const FIELDS = 'input, textarea, select, [contenteditable="true"], [role=listbox], [role=dialog], [role=menu]';

useEventListener('keydown', (event: KeyboardEvent) => {
    const now = desk.selection.value;
    if (!now || adding.value !== null || (event.target instanceof HTMLElement && event.target.closest(FIELDS))) {
        return;
    }
    const command = event.ctrlKey || event.metaKey;
    const by = event.key === 'ArrowUp' ? -1 : 1;
    if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
        if (now.block) {
            desk.moveBlock(now.section, now.block, by);
        } else {
            desk.moveSection(now.section, by);
        }
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
        if (now.block) {
            desk.removeBlock(now.section, now.block);
        } else {
            desk.removeSection(now.section);
        }
    } else if (command && event.key.toLowerCase() === 'd') {
        if (now.block) {
            desk.duplicateBlock(now.section, now.block);
        } else {
            desk.duplicateSection(now.section);
        }
    } else if (command && event.key.toLowerCase() === 'c' && !now.block && getSelection()?.isCollapsed !== false) {
        desk.copySection(now.section);
    } else if (command && event.key.toLowerCase() === 'v' && desk.canPaste()) {
        void desk.pasteSection(now.section);
    } else if (event.key === 'Escape') {
        desk.select(now.block ? { section: now.section } : null);
    } else {
        return;
    }
    event.preventDefault();
});
</script>

<template>
    <div v-if="desk.page.value" class="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_20rem]">
        <div class="relative min-h-0 bg-line/40">
            <PageCanvas ref="canvas" :phone="phone" :sample="sample" :state="state" @add="adding = $event" />
            <div
                v-if="desk.sections.value.length === 0"
                class="absolute inset-x-0 top-1/3 mx-auto max-w-md sheet p-8 text-center shadow-lg"
            >
                <h2 class="text-xl">This page is empty</h2>
                <p class="mt-1 text-soft">A page is made of sections. The first one says what it is about.</p>
                <button type="button" class="mt-4 btn-main" @click="adding = ''">Add a section</button>
            </div>
            <div class="absolute bottom-4 left-4 flex sheet p-0.5 shadow" role="group" aria-label="How the page is shown">
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
                <button
                    type="button"
                    class="btn-quiet"
                    :class="{ 'bg-line text-ink': sample }"
                    :aria-pressed="sample"
                    title="With a sample person’s name in it"
                    @click="sample = !sample"
                >
                    <EyeIcon class="size-5" aria-hidden="true" />As Robin reads it
                </button>
            </div>
            <div v-if="timed" class="absolute right-6 bottom-4 w-52">
                <UiListbox
                    v-model="state"
                    class="[&_ul]:bottom-full [&_ul]:mb-1"
                    label="How its deadline stands"
                    hide-label
                    :options="session.kit.deadlineStates.map((s) => ({ value: s.id, label: s.label }))"
                />
            </div>
        </div>
        <aside class="min-h-0 overflow-auto border-l border-line bg-raised p-5" aria-label="What is selected">
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
                @add="adding = $event"
            />
            <PageColumn v-else :page="store.page(id)!" @add="adding = $event" />
        </aside>
        <AddSection :after="adding" @close="adding = null" />
    </div>
</template>
