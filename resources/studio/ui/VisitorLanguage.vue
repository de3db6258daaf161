<script setup lang="ts">
import { computed } from 'vue';
import { useSession } from '@/stores/session';
import { baseOf, languageName, languageOptions, manners, plainTag, withManner } from '@/ui/languages';
import SearchPicker from '@/ui/SearchPicker.vue';
import UiListbox from '@/ui/UiListbox.vue';

/** The language in which the application speaks to visitors, and how it addresses them where there are two ways. */
const props = defineProps<{
    modelValue: string;
    label: string;
    hint?: string;
    error?: string;
    /** For a page: what holds where it has no language of its own. */
    inherited?: string;
    /** What none at all is called, where there may be none. */
    none?: string;
    /** The two choices beside each other. */
    inRow?: boolean;
}>();
const emit = defineEmits<{ 'update:modelValue': [string] }>();

const session = useSession();
const plain = computed(() => (props.modelValue === '' ? '' : plainTag(props.modelValue)));
const options = computed(() => {
    const known = languageOptions(session.kit.languages);
    // A language that came with an import may be finer than the list.
    const all =
        plain.value === '' || known.some((o) => o.value === plain.value)
            ? known
            : [{ value: plain.value, label: languageName(plain.value) }, ...known];
    const without = props.none ?? (props.inherited === undefined ? undefined : `As the funnel: ${languageName(props.inherited)}`);
    return without === undefined ? all : [{ value: '', label: without }, ...all];
});
const ways = computed(() => (session.kit.languagesWithTwoWays.includes(baseOf(plain.value)) ? manners(baseOf(plain.value)) : []));
const spoken = computed(() => plain.value === '' || session.kit.spokenLanguages.includes(baseOf(plain.value)));
</script>

<template>
    <div :class="inRow ? 'flex flex-wrap items-end gap-3 [&>*]:w-56' : 'space-y-3'">
        <SearchPicker
            :model-value="plain"
            :options="options"
            :label="label"
            none="No language is called that."
            :hint="
                spoken
                    ? hint
                    : `What the application itself says to visitors is in English here: ${languageName(plain)} is not among its languages yet.`
            "
            :error="error"
            @update:model-value="(tag: string) => emit('update:modelValue', tag)"
        />
        <UiListbox
            v-if="ways.length > 0"
            :model-value="modelValue.endsWith('-x-formal') ? 'formal' : 'informal'"
            :options="ways"
            label="Visitors are addressed"
            @update:model-value="(manner: string) => emit('update:modelValue', withManner(plain, manner === 'formal'))"
        />
    </div>
</template>
