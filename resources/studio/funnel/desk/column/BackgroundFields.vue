<script setup lang="ts">
import { computed } from 'vue';
import type { Background, Fill } from '@/api/types';
import FocalPoint from '@/funnel/desk/column/FocalPoint.vue';
import MediaField from '@/funnel/desk/column/MediaField.vue';
import { useFunnel } from '@/funnel/funnelStore';
import { useSession } from '@/stores/session';
import ColourField from '@/ui/ColourField.vue';
import UiListbox from '@/ui/UiListbox.vue';

const props = defineProps<{ modelValue?: Background; look?: string; section?: boolean }>();
const emit = defineEmits<{ 'update:modelValue': [background: Background | undefined, now: boolean] }>();

const store = useFunnel();
const session = useSession();
const look = computed(() => session.looks.find((l) => l.id === (props.look ?? store.funnel?.look)));
const fill = computed<string>(() =>
    props.modelValue?.fill === 'tone' ? (props.modelValue.tone ?? 'tint') : (props.modelValue?.fill ?? 'paper'),
);
const fills = computed(() => [
    { value: 'paper', label: props.section ? 'As the page' : 'As the look' },
    ...(props.section
        ? [
              { value: 'tint', label: 'Tinted' },
              { value: 'ink', label: 'Dark' },
              { value: 'accent', label: 'Button colour' },
          ]
        : []),
    { value: 'colour', label: 'A colour' },
    { value: 'gradient', label: 'A gradient' },
    { value: 'picture', label: 'A picture' },
    ...(props.section ? [{ value: 'video', label: 'A moving picture' }] : []),
]);

function choose(value: string): void {
    const now = props.modelValue;
    const accent = look.value?.colours.accent ?? '#1e6b5e';
    const made: Record<string, Background | undefined> = {
        paper: undefined,
        colour: { fill: 'colour', colour: now?.colour ?? accent },
        gradient: {
            fill: 'gradient',
            colour: now?.colour ?? accent,
            to: now?.to ?? look.value?.colours.paper ?? '#ffffff',
            angle: now?.angle ?? 160,
        },
        picture: { fill: 'picture', picture: now?.picture ?? '', focusX: 50, focusY: 50 },
        video: { fill: 'video', picture: now?.picture ?? '', video: now?.video ?? '', focusX: 50, focusY: 50 },
    };
    emit('update:modelValue', value in made ? made[value] : { fill: 'tone' as Fill, tone: value }, true);
}

function set(values: Partial<Background>, now = true): void {
    emit('update:modelValue', { ...(props.modelValue ?? { fill: 'paper' }), ...values }, now);
}

/** Without a colour of its own it is worked out again. */
function ink(colour: string | undefined): void {
    const next: Background = { ...(props.modelValue ?? { fill: 'paper' }), ink: colour };
    emit('update:modelValue', next.fill === 'paper' && !colour ? undefined : next, false);
}
</script>

<template>
    <div class="space-y-2">
        <UiListbox :model-value="fill" :options="fills" label="Background" @update:model-value="choose" />
        <ColourField
            v-if="modelValue?.colour"
            :model-value="undefined"
            :fallback="modelValue.colour"
            label="Colour"
            @update:model-value="(c) => c && set({ colour: c }, false)"
        />
        <template v-if="modelValue?.fill === 'gradient'">
            <ColourField
                :model-value="undefined"
                :fallback="modelValue.to"
                label="To"
                @update:model-value="(c) => c && set({ to: c }, false)"
            />
            <label class="block">
                <span class="label">Direction</span>
                <input
                    type="range"
                    min="0"
                    max="360"
                    step="5"
                    class="w-full accent-pine"
                    :value="modelValue.angle"
                    @input="set({ angle: Number(($event.target as HTMLInputElement).value) }, false)"
                />
            </label>
        </template>
        <template v-if="modelValue?.fill === 'picture' || modelValue?.fill === 'video'">
            <MediaField
                v-if="modelValue.fill === 'video'"
                kind="videos"
                :chosen="modelValue.video || undefined"
                label="Video, short and without sound"
                @choose="(v) => set({ video: v?.id ?? '' })"
            />
            <MediaField
                :chosen="modelValue.picture || undefined"
                :label="modelValue.fill === 'video' ? 'Still, for phones and those who want no motion' : 'Picture'"
                @choose="(p) => set({ picture: p?.id ?? '' })"
            />
            <FocalPoint
                v-if="modelValue.picture"
                :picture="modelValue.picture"
                :x="modelValue.focusX ?? 50"
                :y="modelValue.focusY ?? 50"
                @move="(x, y) => set({ focusX: x, focusY: y }, false)"
            />
            <label v-if="section" class="block">
                <span class="label">Overlay: {{ modelValue.veil === undefined ? 'automatic' : `${modelValue.veil} %` }}</span>
                <input
                    type="range"
                    min="0"
                    max="95"
                    class="w-full accent-pine"
                    :value="modelValue.veil ?? 60"
                    @input="set({ veil: Number(($event.target as HTMLInputElement).value) }, false)"
                />
                <button v-if="modelValue.veil !== undefined" type="button" class="btn-quiet" @click="set({ veil: undefined })">
                    Automatic
                </button>
            </label>
        </template>
        <ColourField
            v-if="section || modelValue"
            :model-value="modelValue?.ink"
            :fallback="look?.colours.ink"
            label="Text colour"
            @update:model-value="ink"
        />
    </div>
</template>
