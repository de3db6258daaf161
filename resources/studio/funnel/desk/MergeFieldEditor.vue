<script setup lang="ts">
import { onMounted, ref } from 'vue';
import type { MergeField } from '@/ui/mergeFields';
import { useSampleReader } from '@/funnel/desk/useSampleReader';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';

/** A merge field that was pressed: which it is, and what stands there where nothing is known. */
const props = defineProps<{ field: MergeField; x: number; y: number }>();
const emit = defineEmits<{ change: [field: MergeField]; remove: []; close: [] }>();

const { choices } = useSampleReader();
const box = ref<HTMLElement | null>(null);
onMounted(() => box.value?.querySelector<HTMLElement>('button, input')?.focus());
const change = (more: Partial<MergeField>) => emit('change', { ...props.field, ...more });
</script>

<template>
    <div class="fixed inset-0 z-30" @click="emit('close')"></div>
    <div
        ref="box"
        role="dialog"
        aria-label="Merge field"
        class="absolute z-40 w-72 sheet p-4 shadow-xl"
        :style="{ left: `${x}px`, top: `${y}px` }"
        @keydown.esc.stop="emit('close')"
    >
        <UiListbox
            :model-value="field.name"
            label="Merge field"
            :options="choices"
            @update:model-value="(name: string) => change({ name })"
        />
        <TextField
            class="mt-3"
            :model-value="field.fallback ?? ''"
            label="Where nothing is known"
            hint="Such as “friend” in place of a first name."
            :maxlength="200"
            @update:model-value="(words: string) => change({ fallback: words.replace(/[{}|]/g, '') })"
        />
        <div class="mt-3 flex justify-between">
            <button type="button" class="btn-quiet" @click="emit('remove')">Remove</button>
            <button type="button" class="btn" @click="emit('close')">Done</button>
        </div>
    </div>
</template>
