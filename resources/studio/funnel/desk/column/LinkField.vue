<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useDesk } from '@/funnel/desk/useDesk';
import { useFunnel } from '@/funnel/funnelStore';
import { useDrawings } from '@/stores/drawings';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';

/** Where something leads: chosen, never pasted, unless it is outside. */
const props = defineProps<{
    modelValue: string;
    label: string;
    /** Only whole pages, this one too; what is meant where none is chosen. */
    pagesOr?: string;
}>();
const emit = defineEmits<{ 'update:modelValue': [string] }>();

const store = useFunnel();
const drawings = useDrawings();
const desk = useDesk();
const outside = ref(false);
const typed = ref('');
const inside = computed(() => /^(page|section|outcome|popup):/.test(props.modelValue));
const shown = computed(() => (outside.value || (props.modelValue !== '' && !inside.value) ? 'outside' : props.modelValue));
const error = computed(() =>
    /^(https?:\/\/|mailto:|tel:)\S+$/i.test(typed.value) || typed.value === '' ? undefined : 'A web address begins with https://.',
);

watch(
    () => props.modelValue,
    (now) => {
        if (!outside.value && !inside.value) {
            typed.value = now;
        }
    },
    { immediate: true },
);

const title = (id: string) => {
    const section = desk.sections.value.find((s) => s.id === id);
    const words = String(section?.blocks.find((b) => b.kind === 'heading')?.text ?? '');
    return words === '' ? 'a section' : words.slice(0, 40);
};

const pageOptions = computed(
    () => store.funnel?.pages.map((p) => ({ value: `page:${p.id}`, label: `Page: ${p.name}`, svg: drawings.of(p.id) })) ?? [],
);
const options = computed(() =>
    props.pagesOr
        ? [{ value: '', label: props.pagesOr }, ...pageOptions.value, { value: 'outside', label: 'An outside web address' }]
        : everywhere.value,
);
const everywhere = computed(() => [
    { value: '', label: 'Nowhere yet' },
    ...(desk.kind === 'popup'
        ? [
              { value: 'popup:next', label: 'On to the next step' },
              { value: 'popup:close', label: 'Closes the pop-up' },
          ]
        : []),
    ...(desk.page.value?.outcomes?.filter((o) => o.outcome !== 'joined' && o.outcome !== 'time-ran-out') ?? []).map((o) => ({
        value: `outcome:${o.outcome}`,
        label: `The next page for ${o.who.toLowerCase()}`,
    })),
    ...(desk.kind === 'popup' ? [] : desk.sections.value)
        .filter((s) => s.kind !== 'footer' && s.kind !== 'header')
        .map((s) => ({ value: `section:${s.id}`, label: `On this page: ${title(s.id)}` })),
    ...pageOptions.value.filter((p) => p.value !== `page:${desk.pageId}`),
    ...(store.funnel?.guides.map((g) => ({ value: `page:${g.id}`, label: `Guide: ${g.name}` })) ?? []),
    ...(store.funnel?.popups
        .filter((p) => p.id !== desk.pageId && !p.placed)
        .map((p) => ({ value: `popup:${p.id}`, label: `Pop-up: ${p.name}` })) ?? []),
    { value: 'outside', label: 'An outside web address' },
]);

function choose(value: string): void {
    outside.value = value === 'outside';
    if (outside.value) {
        typed.value = inside.value ? 'https://' : props.modelValue || 'https://';
    } else {
        emit('update:modelValue', value);
    }
}

function type(value: string): void {
    typed.value = value;
    outside.value = true;
    if (error.value === undefined) {
        emit('update:modelValue', value);
    }
}
</script>

<template>
    <div>
        <UiListbox :model-value="shown" :options="options" :label="label" @update:model-value="choose" />
        <TextField
            v-if="shown === 'outside'"
            class="mt-2"
            :model-value="typed"
            label="Web address"
            :error="error"
            autocomplete="off"
            @update:model-value="type"
        />
    </div>
</template>
