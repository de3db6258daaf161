<script setup lang="ts">
import type { FormField } from '@/api/types';
import { isOfPerson } from '@/funnel/desk/form/fields';
import TextField from '@/ui/TextField.vue';

defineProps<{ field: FormField; twoSteps: boolean }>();
const emit = defineEmits<{ set: [values: Partial<FormField>, now: boolean] }>();

const set = (values: Partial<FormField>, now = false) => emit('set', values, now);
const checked = (event: Event) => (event.target as HTMLInputElement).checked;
</script>

<template>
    <div class="space-y-3">
        <TextField
            :model-value="field.label"
            :label="field.kind === 'consent' ? 'Text beside the checkbox' : field.kind === 'hidden' ? 'What it is called' : 'Label'"
            :lines="field.kind === 'consent' ? 2 : undefined"
            :maxlength="field.kind === 'consent' ? 1000 : 120"
            @update:model-value="(label: string) => set({ label })"
        />
        <template v-if="field.kind === 'hidden'">
            <TextField
                :model-value="field.parameter ?? ''"
                label="Address parameter"
                hint="With “camp”, a link that ends in ?camp=podcast fills in “podcast”."
                :maxlength="40"
                @update:model-value="(parameter: string) => set({ parameter })"
            />
            <TextField
                :model-value="field.preset ?? ''"
                label="Where the address says nothing"
                :maxlength="300"
                @update:model-value="(preset: string) => set({ preset })"
            />
        </template>
        <template v-else>
            <TextField
                v-if="field.options"
                :model-value="field.options.join('\n')"
                label="Choices"
                hint="One a line."
                :lines="4"
                @update:model-value="(words: string) => set({ options: words.split('\n') })"
            />
            <template v-if="field.kind !== 'consent'">
                <TextField
                    :model-value="field.hint ?? ''"
                    label="Hint"
                    :maxlength="200"
                    @update:model-value="(hint: string) => set({ hint })"
                />
                <TextField
                    v-if="!field.options || field.options.length > 6"
                    :model-value="field.placeholder ?? ''"
                    label="Shown while it is empty"
                    :maxlength="100"
                    @update:model-value="(placeholder: string) => set({ placeholder })"
                />
            </template>
            <div class="flex flex-wrap gap-x-5 gap-y-2">
                <label v-if="field.kind !== 'email'" class="flex items-center gap-2">
                    <input
                        type="checkbox"
                        class="size-4 accent-pine"
                        :checked="field.required"
                        @change="set({ required: checked($event) }, true)"
                    />It must be filled in
                </label>
                <label v-if="twoSteps && field.kind !== 'email'" class="flex items-center gap-2">
                    <input
                        type="checkbox"
                        class="size-4 accent-pine"
                        :checked="field.step === 2"
                        @change="set({ step: checked($event) ? 2 : 1 }, true)"
                    />On the second step
                </label>
            </div>
        </template>
        <label v-if="!isOfPerson(field.kind)" class="flex items-center gap-2">
            <input type="checkbox" class="size-4 accent-pine" :checked="field.keep" @change="set({ keep: checked($event) }, true)" />Save on
            the person
        </label>
    </div>
</template>
