<script setup lang="ts">
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue';
import { computed } from 'vue';
import type { LookChanges, Page } from '@/api/types';
import BackgroundFields from '@/funnel/desk/column/BackgroundFields.vue';
import OwnLook from '@/funnel/desk/column/OwnLook.vue';
import MediaField from '@/funnel/desk/column/MediaField.vue';
import { useDesk } from '@/funnel/desk/useDesk';
import { useFunnel } from '@/funnel/funnelStore';
import { useSession } from '@/stores/session';
import { compact } from '@/ui/compact';
import ColourField from '@/ui/ColourField.vue';
import UiListbox from '@/ui/UiListbox.vue';

defineProps<{ page: Page }>();

const store = useFunnel();
const session = useSession();
const desk = useDesk();
const current = computed(() => session.looks.find((l) => l.id === store.funnel?.look));
const changes = computed(() => store.funnel?.changes ?? {});
const fonts = (all: string[], own?: string) => [
    { value: '', label: `As the look (${own ?? ''})` },
    ...all.map((f) => ({ value: f, label: f })),
];

function choose(look: string): void {
    store.edit('funnel', store.funnel!.id, { look, changes: {} }, 'the look', true);
}

function change(values: Partial<LookChanges>, label: string): void {
    store.edit('funnel', store.funnel!.id, { changes: compact({ ...changes.value, ...values }, true) }, label);
}
</script>

<template>
    <div class="space-y-6">
        <section>
            <h2 class="text-lg">Look <span class="font-sans text-sm font-normal text-soft">of the whole funnel</span></h2>
            <RadioGroup class="mt-2" :model-value="store.funnel?.look" @update:model-value="choose">
                <RadioGroupLabel class="sr-only">Look</RadioGroupLabel>
                <div class="grid grid-cols-2 gap-2">
                    <RadioGroupOption v-for="look in session.looks" :key="look.id" v-slot="{ checked }" :value="look.id" as="template">
                        <div
                            class="cursor-pointer overflow-hidden rounded border"
                            :class="checked ? 'border-ink ring-2 ring-ink' : 'border-edge/60'"
                            :style="{ background: look.colours.paper, color: look.colours.ink }"
                        >
                            <div class="flex items-center justify-between px-2 py-2">
                                <span class="truncate text-sm font-semibold">{{ look.name }}</span>
                                <span
                                    class="h-3.5 w-6"
                                    :style="{ background: look.colours.accent, borderRadius: `${Math.min(look.corner, 8)}px` }"
                                    aria-hidden="true"
                                ></span>
                            </div>
                        </div>
                    </RadioGroupOption>
                </div>
            </RadioGroup>
        </section>
        <section class="space-y-2">
            <h2 class="text-lg">Your own</h2>
            <ColourField
                :model-value="changes.accent"
                label="Button colour"
                :fallback="current?.colours.accent"
                @update:model-value="(c) => change({ accent: c }, 'the button colour')"
            />
            <ColourField
                :model-value="changes.paper"
                label="Background"
                :fallback="current?.colours.paper"
                @update:model-value="(c) => change({ paper: c }, 'the colour of the paper')"
            />
            <ColourField
                :model-value="changes.ink"
                label="Text"
                :fallback="current?.colours.ink"
                @update:model-value="(c) => change({ ink: c }, 'the colour of the words')"
            />
            <UiListbox
                :model-value="changes.headingFont ?? ''"
                :options="fonts(session.kit.headingFonts, current?.headingFont)"
                label="Font of headings"
                @update:model-value="(f: string) => change({ headingFont: f }, 'the font of headings')"
            />
            <UiListbox
                :model-value="changes.bodyFont ?? ''"
                :options="fonts(session.kit.bodyFonts, current?.bodyFont)"
                label="Font of the text"
                @update:model-value="(f: string) => change({ bodyFont: f }, 'the font of words')"
            />
            <label class="block">
                <span class="label"
                    >Corners:
                    {{ (changes.corner ?? current?.corner ?? 0) < 3 ? 'sharp' : `round by ${changes.corner ?? current?.corner}` }}</span
                >
                <input
                    type="range"
                    min="0"
                    max="32"
                    class="w-full accent-pine"
                    :value="changes.corner ?? current?.corner"
                    @input="change({ corner: Number(($event.target as HTMLInputElement).value) }, 'the corners')"
                />
            </label>
            <p class="hint">Whatever you choose, words get a colour that can be read on it.</p>
        </section>
        <section class="space-y-3">
            <h2 class="text-lg">Logo and icon</h2>
            <MediaField
                :chosen="store.funnel?.logo ?? undefined"
                label="Logo"
                @choose="(p) => store.edit('funnel', store.funnel!.id, { logo: p?.id ?? null }, 'the logo', true)"
            />
            <MediaField
                :chosen="store.funnel?.icon ?? undefined"
                label="Icon in the browser’s tab"
                @choose="(p) => store.edit('funnel', store.funnel!.id, { icon: p?.id ?? null }, 'the icon', true)"
            />
        </section>
        <section class="space-y-3">
            <h2 class="text-lg">This page alone</h2>
            <OwnLook
                :model-value="page.document.look"
                whose="As the funnel"
                @update:model-value="(look) => desk.editDocument('the look of the page', (d) => (d.look = look))"
            />
            <BackgroundFields
                :model-value="page.document.background"
                :look="page.document.look"
                @update:model-value="(background, now) => desk.editDocument('the background', (d) => (d.background = background), now)"
            />
        </section>
        <section>
            <h2 class="text-lg">Another design for this page</h2>
            <p class="hint mt-1">Every word and picture stays.</p>
            <div class="mt-2 space-y-1.5">
                <button
                    v-for="design in session.kit.pageDesigns"
                    :key="design.id"
                    type="button"
                    class="btn w-full justify-start"
                    :title="design.words"
                    @click="desk.restyle(design.id)"
                >
                    {{ design.name }}
                </button>
            </div>
        </section>
    </div>
</template>
