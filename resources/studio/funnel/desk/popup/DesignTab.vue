<script setup lang="ts">
import { computed } from 'vue';
import PopupGlyph from '@/funnel/desk/popup/PopupGlyph.vue';
import { usePopup } from '@/funnel/desk/popup/usePopup';
import { useSession } from '@/stores/session';
import UiListbox from '@/ui/UiListbox.vue';
import UiSwitch from '@/ui/UiSwitch.vue';

/** How it looks, how it stands and how it comes in. */
const props = defineProps<{ id: string }>();

const work = usePopup(props.id);
const session = useSession();
const popup = work.popup;
const kit = computed(() => session.kit.popups);
const designs = computed(() =>
    kit.value.designs
        // A variant stands where its pop-up does.
        .filter((d) => !work.variant.value || (d.stand === 'placed') === popup.value.placed)
        .flatMap((d) => {
            const design = session.kit.designs.find((known) => known.id === d.id);
            return design ? [{ ...d, design }] : [];
        }),
);
const options = (named: { id: string; label: string }[]) => named.map((n) => ({ value: n.id, label: n.label }));
const stands = computed(() => options(kit.value.stands.filter((s) => (s.id === 'placed') === popup.value.placed)));
const isDialog = computed(() => ['middle', 'full', 'side-right', 'side-left'].includes(popup.value.frame.placement));
const durations = [100, 200, 300, 500, 800, 1200].map((ms) => ({ value: ms, label: `${ms / 1000} s` }));
</script>

<template>
    <div class="space-y-5">
        <section>
            <h3 class="label">Design</h3>
            <div class="grid grid-cols-3 gap-2" role="group" aria-label="Design">
                <button
                    v-for="d in designs"
                    :key="d.id"
                    type="button"
                    class="flex flex-col rounded border p-1 text-left hover:bg-lamp-pale"
                    :class="popup.design === d.id ? 'border-ink ring-1 ring-ink' : 'border-line'"
                    :aria-pressed="popup.design === d.id"
                    @click="work.redesign(d.id)"
                >
                    <PopupGlyph :design="d.design" :stand="d.stand" :size="d.size" />
                    <span class="mt-1 block text-xs leading-tight">{{ d.design.name }}</span>
                </button>
            </div>
        </section>
        <template v-if="!popup.placed">
            <div class="grid grid-cols-2 gap-2">
                <UiListbox
                    :model-value="popup.frame.placement"
                    label="Stands"
                    :options="stands"
                    @update:model-value="(stand) => work.setFrame({ placement: stand })"
                />
                <UiListbox
                    :model-value="popup.frame.size"
                    label="Size"
                    :options="options(kit.sizes)"
                    @update:model-value="(size) => work.setFrame({ size })"
                />
            </div>
            <UiListbox
                :model-value="popup.frame.phone ?? ''"
                label="On phones"
                :options="[{ value: '', label: 'As on a desktop' }, ...stands]"
                @update:model-value="(phone) => work.setFrame({ phone })"
            />
            <UiListbox
                v-if="isDialog"
                :model-value="popup.frame.backdrop"
                label="Behind it"
                :options="options(kit.backdrops)"
                @update:model-value="(backdrop) => work.setFrame({ backdrop })"
            />
            <div class="grid grid-cols-[1fr_6rem] gap-2">
                <UiListbox
                    :model-value="popup.frame.entry"
                    label="Comes in"
                    :options="options(kit.entries)"
                    @update:model-value="(entry) => work.setFrame({ entry })"
                />
                <UiListbox
                    v-if="popup.frame.entry !== 'none'"
                    :model-value="popup.frame.ms"
                    label="In"
                    :options="durations"
                    @update:model-value="(ms) => work.setFrame({ ms })"
                />
            </div>
        </template>
        <section v-if="!work.variant.value" class="space-y-1">
            <UiSwitch :model-value="popup.asks" label="Ask a question first" @update:model-value="work.setAsks" />
            <p class="hint">Yes goes on to the rest, no closes it. A plain no is enough: it makes nobody think badly of themselves.</p>
        </section>
    </div>
</template>
