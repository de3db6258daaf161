<script setup lang="ts">
import FoldSection from '@/ui/FoldSection.vue';
import { onMounted, ref } from 'vue';
import { api, ApiError } from '@/api/client';
import type { FieldKind } from '@/api/types';
import { useToasts } from '@/stores/toasts';
import { usePeopleKit } from '@/stores/peopleKit';
import { counted } from '@/ui/format';
import TextField from '@/ui/TextField.vue';
import UiDialog from '@/ui/UiDialog.vue';
import UiListbox from '@/ui/UiListbox.vue';

/** What is kept of people beside name, address and phone. */
const people = usePeopleKit();
const toasts = useToasts();
const adding = ref(false);
const label = ref('');
const kind = ref<FieldKind>('short_text');
const options = ref('');
const error = ref('');
const going = ref<{ name: string; label: string } | null>(null);
const kinds: { value: FieldKind; label: string }[] = [
    { value: 'short_text', label: 'A line of text' },
    { value: 'long_text', label: 'A longer text' },
    { value: 'choice', label: 'One choice' },
    { value: 'choices', label: 'Several choices' },
    { value: 'number', label: 'Number' },
    { value: 'date', label: 'Date' },
];
onMounted(() => people.load().catch(toasts.trouble));

async function add(): Promise<void> {
    const name =
        label.value
            .toLowerCase()
            .normalize('NFD')
            .replace(/[^a-z0-9]+/g, '_')
            .replace(/^[^a-z]+|_+$/g, '')
            .slice(0, 40) || 'field';
    try {
        await api.post('people/fields', { name, label: label.value, kind: kind.value, options: options.value.split('\n') });
        adding.value = false;
        label.value = options.value = error.value = '';
        await people.load();
    } catch (caught) {
        error.value = caught instanceof ApiError ? caught.message : 'It could not be added. Please try again.';
    }
}

async function remove(): Promise<void> {
    const field = going.value;
    going.value = null;
    try {
        await api.delete(`people/fields/${field?.name}`);
        await people.load();
        toasts.say(`“${field?.label}” is gone, with what was known in it.`);
    } catch (caught) {
        toasts.trouble(caught);
    }
}
</script>

<template>
    <FoldSection
        name="own-fields"
        title="What you know of people"
        :summary="counted(people.kit.fields.filter((f) => f.own).length, 'field of your own', 'fields of your own')"
    >
        <p class="mt-1 text-soft">Beside name, address and phone. A form field that is kept on the person appears here by itself.</p>
        <ul class="mt-3 divide-y divide-line border-y border-line">
            <li
                v-for="field in people.kit.fields.filter((f) => f.own)"
                :key="field.name"
                class="flex items-center justify-between gap-4 py-2"
            >
                <span class="min-w-0 truncate"
                    ><span class="font-medium">{{ field.label }}</span>
                    <span class="ml-2 text-soft">{{ kinds.find((k) => k.value === field.kind)?.label ?? 'From the address' }}</span>
                    <code class="ml-2 text-sm text-soft">{{ `\{\{${field.name}\}\}` }}</code></span
                >
                <button type="button" class="btn-quiet" @click="going = field">Remove</button>
            </li>
        </ul>
        <button type="button" class="mt-3 btn" @click="adding = true">Another field</button>
        <UiDialog :open="adding" title="What would you like to know?" @close="adding = false">
            <form class="mt-4 space-y-4" novalidate @submit.prevent="add">
                <TextField v-model="label" label="Name of the field" :maxlength="120" :error="error" />
                <UiListbox v-model="kind" label="What it holds" :options="kinds" />
                <TextField v-if="kind === 'choice' || kind === 'choices'" v-model="options" label="Choices" hint="One a line." :lines="4" />
                <button type="submit" class="btn-main" :disabled="label.trim() === ''">Add it</button>
            </form>
        </UiDialog>
        <UiDialog :open="going !== null" :title="`Remove “${going?.label}”?`" @close="going = null">
            <p class="mt-3">What is known of people in it goes with it, and nothing brings it back.</p>
            <div class="mt-5 flex gap-2">
                <button type="button" class="btn text-clay-deep" @click="remove">Delete it for good</button>
                <button type="button" class="btn-quiet" @click="going = null">Not now</button>
            </div>
        </UiDialog>
    </FoldSection>
</template>
