<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { usePeopleKit } from '@/stores/peopleKit';
import TextField from '@/ui/TextField.vue';
import UiDialog from '@/ui/UiDialog.vue';
import UiListbox from '@/ui/UiListbox.vue';

/** A merge field: what is known of the reader, and what stands there where it is not known. */
const props = defineProps<{ open: boolean; fields: { name: string; label: string }[] }>();
const emit = defineEmits<{ close: []; insert: [string] }>();

const people = usePeopleKit();
const name = ref('first_name');
const fallback = ref('there');
const own = computed(() => props.fields.some((f) => f.name === name.value));
const options = computed(() => [
    ...people.kit.fields.filter((f) => f.name !== 'timezone').map((f) => ({ value: f.name, label: f.label })),
    ...props.fields.map((f) => ({ value: f.name, label: `${f.label} (the same for all)` })),
]);
watch(name, (now) => (fallback.value = now === 'first_name' ? 'there' : ''));

function insert(): void {
    const words = fallback.value.replace(/[{}|]/g, '').trim();
    emit('insert', words === '' || own.value ? `{{${name.value}}}` : `{{${name.value}|${words}}}`);
    emit('close');
}
</script>

<template>
    <UiDialog :open="open" title="Insert a merge field" @close="emit('close')">
        <form class="mt-4 space-y-4" @submit.prevent="insert">
            <UiListbox v-model="name" label="Field" :options="options" />
            <TextField
                v-if="!own && name !== 'email'"
                v-model="fallback"
                label="Where it is not known"
                hint="So that nobody reads a hole: “Hello there” instead of “Hello ”."
                :maxlength="100"
            />
            <button type="submit" class="btn-main">Insert</button>
        </form>
    </UiDialog>
</template>
