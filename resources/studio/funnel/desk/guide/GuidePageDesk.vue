<script setup lang="ts">
import { computed, ref } from 'vue';
import AddSection from '@/funnel/desk/AddSection.vue';
import DeskColumn from '@/funnel/desk/column/DeskColumn.vue';
import DeviceSwitch from '@/funnel/desk/DeviceSwitch.vue';
import GuidePageColumn from '@/funnel/desk/guide/GuidePageColumn.vue';
import GuideShell from '@/funnel/desk/guide/GuideShell.vue';
import PageCanvas from '@/funnel/desk/PageCanvas.vue';
import { provideDesk } from '@/funnel/desk/useDesk';
import { useDeskKeys } from '@/funnel/desk/useDeskKeys';
import { useFunnel } from '@/funnel/funnelStore';

/** One page of a guide: as its reader sees it, and at the right what belongs to what is selected. */
const props = defineProps<{ id: string; place?: string }>();

const store = useFunnel();
const desk = provideDesk(props.id, 'guide-page');
const canvas = ref<InstanceType<typeof PageCanvas> | null>(null);
const phone = ref(false);
const page = computed(() => store.guidePage(props.id));
const guide = computed(() => store.guide(page.value?.guide ?? ''));
/** After which section a new one goes; '' means at the top, null that none is being added. */
const adding = ref<string | null>(null);
if (props.place) {
    const at = desk.sections.value.find((s) => s.id === props.place || s.blocks.some((b) => b.id === props.place));
    desk.select(at ? { section: at.id, block: at.id === props.place ? undefined : props.place } : null);
}
useDeskKeys(desk, () => adding.value === null);
</script>

<template>
    <GuideShell v-if="page && guide" :guide="guide" :open="id">
        <div class="grid min-h-0 grid-cols-[minmax(0,1fr)_20rem]">
            <div class="relative min-h-0 bg-line/40">
                <PageCanvas ref="canvas" :phone="phone" :sample="false" state="two-days" @add="adding = $event" />
                <div
                    v-if="desk.sections.value.length === 0"
                    class="absolute inset-x-0 top-1/3 mx-auto max-w-md sheet p-8 text-center shadow-lg"
                >
                    <h2 class="text-xl">This page is empty</h2>
                    <p class="mt-1 text-soft">Begin with a text, a picture, or something to think about.</p>
                    <button type="button" class="mt-4 btn-main" @click="adding = ''">Add a section</button>
                </div>
                <DeviceSwitch v-model="phone" class="absolute bottom-4 left-4" />
            </div>
            <DeskColumn :canvas="canvas" @add="adding = $event">
                <GuidePageColumn :page="page" :guide="guide" @add="adding = $event" />
            </DeskColumn>
            <AddSection :after="adding" @close="adding = null" />
        </div>
    </GuideShell>
</template>
