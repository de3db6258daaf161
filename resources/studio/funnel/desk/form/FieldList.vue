<script setup lang="ts">
import { ArrowDownIcon, ArrowUpIcon, ChevronDownIcon, PlusIcon, XMarkIcon } from '@heroicons/vue/20/solid';
import { computed, ref } from 'vue';
import { VueDraggable } from 'vue-draggable-plus';
import { useFunnel } from '@/funnel/funnelStore';
import FieldFacts from '@/funnel/desk/form/FieldFacts.vue';
import { fieldKinds, freshField, keyOf } from '@/funnel/desk/form/fields';
import type { FieldKind, Form, FormField } from '@/api/types';
import UiMenu from '@/ui/UiMenu.vue';
import { copy } from '@/ui/patches';

/** What a form asks for, in order: added, removed, moved, made a must. */
const props = defineProps<{ form: Form }>();

const store = useFunnel();
const open = ref('');
const twoSteps = computed(() => props.form.fields.some((f) => f.step === 2));
const list = computed({
    get: () => props.form.fields,
    set: (fields: FormField[]) => put(fields, 'the order of the fields'),
});

function put(fields: FormField[], label = 'the fields of the form', now = true): void {
    store.edit('form', props.form.id, { fields: copy(fields) }, label, now);
}
const set = (i: number, values: Partial<FormField>, now = true) =>
    put(
        props.form.fields.map((f, j) => (j === i ? { ...f, ...values } : f)),
        'a field of the form',
        now,
    );
const remove = (i: number) => put(props.form.fields.filter((_, j) => j !== i));

function move(i: number, by: number): void {
    const fields = [...props.form.fields];
    const [moved] = fields.splice(i, 1);
    if (moved) {
        fields.splice(Math.max(0, i + by), 0, moved);
        put(fields, 'the order of the fields');
    }
}

function add(kind: FieldKind): void {
    const field = freshField(kind, props.form.fields);
    // A field that fills itself in, and the names, come where people expect them.
    const at = kind === 'first_name' ? 0 : props.form.fields.length;
    put([...props.form.fields.slice(0, at), field, ...props.form.fields.slice(at)]);
    open.value = keyOf(field);
}
const addable = computed(() =>
    fieldKinds
        .filter((k) => !k.once || !props.form.fields.some((f) => f.kind === k.kind))
        .map((k) => ({ label: k.label, run: () => add(k.kind) })),
);
const kindLabel = (field: FormField) => fieldKinds.find((k) => k.kind === field.kind)?.label ?? '';

/** The address first, everything else on a second step; or all at once again. */
function setSteps(on: boolean): void {
    put(props.form.fields.map((f) => ({ ...f, step: on && f.kind !== 'email' ? 2 : 1 })));
}
</script>

<template>
    <fieldset class="min-w-0">
        <legend class="label">What it asks for</legend>
        <VueDraggable v-model="list" handle=".grip" :animation="120" class="border-t border-line">
            <div v-for="(field, i) in form.fields" :key="keyOf(field)" class="border-b border-line">
                <div class="flex min-h-11 items-center gap-1">
                    <button
                        type="button"
                        class="grip flex min-w-0 flex-1 items-center gap-2 rounded px-1 py-1.5 text-left hover:bg-raised"
                        :aria-expanded="open === keyOf(field)"
                        @click="open = open === keyOf(field) ? '' : keyOf(field)"
                    >
                        <ChevronDownIcon
                            class="size-4 shrink-0 text-soft"
                            :class="{ '-rotate-90': open !== keyOf(field) }"
                            aria-hidden="true"
                        />
                        <span class="min-w-0"
                            ><span class="block truncate font-medium">{{ field.label }}</span
                            ><span class="block truncate caption"
                                >{{ kindLabel(field) }}{{ field.required ? ' · required' : ''
                                }}{{ twoSteps && field.kind !== 'hidden' ? ` · step ${field.step ?? 1}` : '' }}</span
                            ></span
                        >
                    </button>
                    <button
                        type="button"
                        class="btn-quiet px-1"
                        :disabled="i === 0"
                        :aria-label="`Move “${field.label}” up`"
                        @click="move(i, -1)"
                    >
                        <ArrowUpIcon class="size-4" aria-hidden="true" />
                    </button>
                    <button
                        type="button"
                        class="btn-quiet px-1"
                        :disabled="i === form.fields.length - 1"
                        :aria-label="`Move “${field.label}” down`"
                        @click="move(i, 1)"
                    >
                        <ArrowDownIcon class="size-4" aria-hidden="true" />
                    </button>
                    <button
                        v-if="field.kind !== 'email'"
                        type="button"
                        class="btn-quiet px-1"
                        :aria-label="`Remove “${field.label}”`"
                        @click="remove(i)"
                    >
                        <XMarkIcon class="size-4.5" aria-hidden="true" />
                    </button>
                    <span v-else class="w-7" aria-hidden="true"></span>
                </div>
                <FieldFacts
                    v-if="open === keyOf(field)"
                    class="px-2 pb-3"
                    :field="field"
                    :two-steps="twoSteps"
                    @set="(values: Partial<FormField>, now: boolean) => set(i, values, now)"
                />
            </div>
        </VueDraggable>
        <div class="mt-1.5 flex flex-wrap items-center justify-between gap-2">
            <UiMenu label="Add a field" :items="addable" left><PlusIcon class="size-4" aria-hidden="true" />Add a field</UiMenu>
            <button v-if="form.fields.length > 1" type="button" class="btn-quiet" @click="setSteps(!twoSteps)">
                {{ twoSteps ? 'Ask everything at once' : 'Ask the address first' }}
            </button>
        </div>
    </fieldset>
</template>
