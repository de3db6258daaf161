<script setup lang="ts">
import { EyeIcon } from '@heroicons/vue/24/outline';
import { computed, ref } from 'vue';
import AddSection from '@/funnel/desk/AddSection.vue';
import DeskColumn from '@/funnel/desk/column/DeskColumn.vue';
import PageColumn from '@/funnel/desk/column/PageColumn.vue';
import DeviceSwitch from '@/funnel/desk/DeviceSwitch.vue';
import VariantColumn from '@/funnel/desk/experiment/VariantColumn.vue';
import VariantSwitch from '@/funnel/desk/experiment/VariantSwitch.vue';
import PageCanvas from '@/funnel/desk/PageCanvas.vue';
import { provideDesk } from '@/funnel/desk/useDesk';
import { useDeskKeys } from '@/funnel/desk/useDeskKeys';
import { useFunnel } from '@/funnel/funnelStore';
import { useSession } from '@/stores/session';
import UiListbox from '@/ui/UiListbox.vue';

/** A page, or a variant of one: the real page in the middle, and at the right what belongs to what is selected. */
const props = defineProps<{ id: string; place?: string; variant?: boolean }>();

const desk = provideDesk(props.id, props.variant ? 'variant' : 'page');
const canvas = ref<InstanceType<typeof PageCanvas> | null>(null);
const phone = ref(false);
const sample = ref(false);
const session = useSession();
const store = useFunnel();
/** The page itself: of a variant the one it is of. */
const page = computed(() => store.page(props.variant ? (store.splitTest(store.variant(props.id)?.test ?? '')?.part ?? '') : props.id));
const test = computed(() => store.funnel?.splitTests.find((t) => t.part === page.value?.id));
/** The state of its deadlines in which the page is looked at. */
const state = ref('two-days');
const timed = computed(
    () =>
        desk.sections.value.some((s) => s.blocks.some((b) => b.kind === 'countdown' && b.deadline)) ||
        (store.funnel?.deadlines.some((d) => d.pages.some((g) => g.page === page.value?.id)) ?? false),
);
/** After which section a new one goes; '' means at the top, null that none is being added. */
const adding = ref<string | null>(null);

if (props.place) {
    const at = desk.sections.value.find((s) => s.id === props.place || s.blocks.some((b) => b.id === props.place));
    desk.select(at ? { section: at.id, block: at.id === props.place ? undefined : props.place } : null);
}

useDeskKeys(desk, () => adding.value === null);
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
            <VariantSwitch v-if="test" class="absolute top-3 left-4" :test="test" :open="id" />
            <DeviceSwitch v-model="phone" class="absolute bottom-4 left-4">
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
            </DeviceSwitch>
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
        <DeskColumn :canvas="canvas" @add="adding = $event">
            <VariantColumn v-if="variant && store.variant(id)" :variant="store.variant(id)!" @add="adding = $event" />
            <PageColumn v-else-if="page" :page="page" @add="adding = $event" />
        </DeskColumn>
        <AddSection :after="adding" @close="adding = null" />
    </div>
</template>
