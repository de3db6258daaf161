<script setup lang="ts">
import { ref, watch } from 'vue';
import TextField from '@/ui/TextField.vue';
import UiDialog from '@/ui/UiDialog.vue';

/** Asks for a private name, and for nothing else. */
const props = defineProps<{ open: boolean; title: string; given: string; button: string; words?: string }>();
const emit = defineEmits<{ name: [string]; close: [] }>();

const name = ref('');
watch(
    () => props.open,
    (open) => open && (name.value = props.given),
);

function done(): void {
    if (name.value.trim() !== '') {
        emit('name', name.value.trim().slice(0, 120));
    }
}
</script>

<template>
    <UiDialog :open="open" :title="title" @close="emit('close')">
        <p v-if="words" class="mt-2 text-soft">{{ words }}</p>
        <form class="mt-4" @submit.prevent="done">
            <TextField v-model="name" label="Private name" :maxlength="120" autocomplete="off" />
            <div class="mt-5 flex gap-2">
                <button type="submit" class="btn-main">{{ button }}</button>
                <button type="button" class="btn-quiet" @click="emit('close')">Not now</button>
            </div>
        </form>
    </UiDialog>
</template>
