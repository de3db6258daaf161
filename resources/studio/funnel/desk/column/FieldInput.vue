<script setup lang="ts">
import { computed } from 'vue';
import type { BlockField } from '@/api/types';
import ColourField from '@/ui/ColourField.vue';
import LinkField from '@/funnel/desk/column/LinkField.vue';
import MediaField from '@/funnel/desk/column/MediaField.vue';
import { useFunnel } from '@/funnel/funnelStore';
import { choicesOf, isPartKind, partEntry, partPath } from '@/funnel/parts';
import { useSession } from '@/stores/session';
import DateField from '@/ui/DateField.vue';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';

/**
 * What of a block or of an entry in its list cannot be typed on the page, by the type of the field. Words are typed on the
 * page, unless they are given a label here.
 */
const props = defineProps<{
    field: BlockField;
    modelValue: string;
    label?: string;
    hint?: string;
    /** Is there a picture that a description would be of? */
    pictured: boolean;
}>();
const emit = defineEmits<{ 'update:modelValue': [value: string | undefined, now: boolean] }>();

const session = useSession();
const store = useFunnel();
const shows = computed(() => {
    const { type, optional } = props.field;
    if (type === 'words') {
        return props.label ? 'text' : null;
    }
    if (type === 'description') {
        return props.pictured ? 'text' : null;
    }
    // An address with a hint is one elsewhere, written as it is; all others are chosen.
    return type === 'link' && optional && props.hint ? 'text' : type;
});
const value = (typed: string) => (typed === '' && props.field.optional ? undefined : typed);
const LABELS: Record<string, [label: string, hint?: string]> = {
    description: ['What does it show?', 'Read aloud to those who cannot see it.'],
    picture: ['Picture'],
    video: ['Video'],
    link: ['Leads to'],
    moment: ['Until when'],
    choice: ['Icon'],
};
/** What the options of choices are called; by the label of the field, what holds where none is chosen. */
const CHOICES: Record<string, string> = {
    'What it shows': 'Days, hours, minutes, seconds',
    'no-seconds': 'Days, hours, minutes',
    days: 'Days',
    clock: 'Hours, minutes, seconds',
    Size: 'Medium',
    small: 'Small',
    large: 'Large',
    'Labels below the figures': 'Shown',
    none: 'Not shown',
};
/** What holds where no part is chosen. */
const NONE: Record<string, string> = { deadline: 'A moment you type', offer: 'None: a price typed by hand' };
const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);
const name = computed(() => props.label ?? LABELS[props.field.type]?.[0] ?? '');
</script>

<template>
    <MediaField
        v-if="shows === 'picture' || shows === 'video'"
        :kind="shows === 'video' ? 'videos' : 'pictures'"
        :chosen="modelValue || undefined"
        :label="name"
        @choose="(m) => emit('update:modelValue', m?.id, true)"
    />
    <LinkField
        v-else-if="shows === 'link'"
        :model-value="modelValue"
        :label="name"
        @update:model-value="(url: string) => emit('update:modelValue', url, true)"
    />
    <DateField
        v-else-if="shows === 'moment'"
        :model-value="modelValue"
        time
        :label="name"
        :hint="`On the clocks of ${session.zone.replaceAll('_', ' ')}.`"
        @update:model-value="(moment) => emit('update:modelValue', moment, true)"
    />
    <ColourField
        v-else-if="shows === 'colour'"
        :model-value="modelValue || undefined"
        :label="name"
        @update:model-value="(colour) => emit('update:modelValue', colour, true)"
    />
    <UiListbox
        v-else-if="shows === 'choice' && field.optional"
        :model-value="modelValue"
        :label="name"
        :options="[
            { value: '', label: CHOICES[`${label}`] ?? 'As usual' },
            ...field.options.map((o) => ({ value: o, label: CHOICES[o] ?? o })),
        ]"
        @update:model-value="(chosen: string) => emit('update:modelValue', chosen || undefined, true)"
    />
    <div v-else-if="shows === 'reference' && isPartKind(field.to)">
        <UiListbox
            :model-value="modelValue"
            :label="label ?? capital(partEntry(field.to).label)"
            :options="[
                { value: '', label: field.optional ? (NONE[field.to] ?? 'None') : 'Please choose' },
                ...choicesOf(store.funnel, field.to),
            ]"
            @update:model-value="(id: string) => emit('update:modelValue', value(id), true)"
        />
        <RouterLink v-if="modelValue" class="mt-1 inline-block link" :to="partPath(store.funnel!, field.to, modelValue)"
            >Open this {{ partEntry(field.to).label }}</RouterLink
        >
        <RouterLink v-else-if="field.to === 'offer'" class="mt-1 inline-block link" :to="`/funnels/${store.funnel?.id}/offers`"
            >Offers of this funnel</RouterLink
        >
    </div>
    <div v-else-if="shows === 'choice'" class="flex flex-wrap gap-0.5" role="group" :aria-label="name">
        <!-- eslint-disable vue/no-v-html -- the icons are drawn by the application itself -->
        <button
            v-for="icon in session.kit.icons"
            :key="icon.id"
            type="button"
            class="grid size-8 place-items-center rounded border hover:bg-lamp-pale [&_svg]:size-5"
            :class="modelValue === icon.id ? 'border-ink' : 'border-transparent'"
            :aria-pressed="modelValue === icon.id"
            :aria-label="icon.id"
            @click="emit('update:modelValue', icon.id, true)"
            v-html="icon.svg"
        ></button>
        <!-- eslint-enable vue/no-v-html -->
    </div>
    <TextField
        v-else-if="shows === 'text'"
        :model-value="modelValue"
        :label="name"
        :hint="hint ?? LABELS[field.type]?.[1]"
        @update:model-value="(typed: string) => emit('update:modelValue', value(typed), false)"
    />
</template>
