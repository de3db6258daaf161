<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useFunnel } from '@/funnel/funnelStore';
import type { FieldKind, Form } from '@/api/types';
import TextField from '@/ui/TextField.vue';
import UiSwitch from '@/ui/UiSwitch.vue';

const props = defineProps<{ form: Form }>();

const store = useFunnel();
const kinds: { kind: FieldKind; label: string }[] = [
    { kind: 'first_name', label: 'First name' },
    { kind: 'last_name', label: 'Last name' },
    { kind: 'email', label: 'Email address' },
    { kind: 'phone', label: 'Phone' },
];
const field = (kind: FieldKind) => props.form.fields.find((f) => f.kind === kind);
const tags = ref(props.form.tags.join(', '));
watch(
    () => props.form.tags,
    (now) => {
        if (tagsOf(tags.value).join() !== now.join()) {
            tags.value = now.join(', ');
        }
    },
);
const more = computed(() => props.form.fields.length - 1);

const tagsOf = (words: string) =>
    words
        .split(',')
        .map((t) => t.trim())
        .filter((t) => t !== '');

function edit(values: Partial<Form>, label: string, now = false): void {
    store.edit('form', props.form.id, values as Record<string, unknown>, label, now);
}

function setFields(change: (fields: Form['fields']) => Form['fields']): void {
    const fields = change(props.form.fields.map((f) => ({ ...f })));
    const order = kinds.map((k) => k.kind);
    edit({ fields: fields.sort((a, b) => order.indexOf(a.kind) - order.indexOf(b.kind)) }, 'the fields of the form', true);
}

const toggle = (kind: FieldKind, label: string, on: boolean) =>
    setFields((fields) => (on ? [...fields, { kind, label, required: false }] : fields.filter((f) => f.kind !== kind)));
const require = (kind: FieldKind, required: boolean) =>
    setFields((fields) => fields.map((f) => (f.kind === kind ? { ...f, required } : f)));
</script>

<template>
    <div class="space-y-5">
        <fieldset>
            <legend class="label">What it asks for</legend>
            <div
                v-for="option in kinds"
                :key="option.kind"
                class="flex min-h-11 items-center justify-between gap-2 border-b border-line py-1"
            >
                <UiSwitch
                    :model-value="Boolean(field(option.kind))"
                    :label="option.label"
                    :disabled="option.kind === 'email'"
                    @update:model-value="(on: boolean) => toggle(option.kind, option.label, on)"
                />
                <label v-if="field(option.kind) && option.kind !== 'email'" class="flex items-center gap-1.5 text-sm">
                    <input
                        type="checkbox"
                        class="size-4 accent-pine"
                        :checked="field(option.kind)?.required"
                        @change="require(option.kind, ($event.target as HTMLInputElement).checked)"
                    />must
                </label>
                <span v-else-if="option.kind === 'email'" class="caption">always</span>
            </div>
            <p v-if="more > 1" class="hint">Each field asked for costs sign-ups. Is every one of these needed today?</p>
        </fieldset>
        <TextField
            :model-value="form.button"
            label="Words on the button"
            :maxlength="60"
            @update:model-value="(button: string) => edit({ button }, 'the words on the button')"
        />
        <TextField
            v-model="tags"
            label="Tag for those who join"
            hint="Several with commas between."
            @update:model-value="(words: string) => edit({ tags: tagsOf(words) }, 'the tags')"
        />
        <TextField
            :model-value="form.consent"
            label="Consent words"
            :lines="3"
            hint="Kept with each sign-up, word for word."
            @update:model-value="(consent: string) => edit({ consent }, 'the consent words')"
        />
        <UiSwitch
            :model-value="form.consentRequired"
            label="Ask to tick a box"
            :disabled="form.consent === ''"
            @update:model-value="(consentRequired: boolean) => edit({ consentRequired }, 'the consent box', true)"
        />
    </div>
</template>
