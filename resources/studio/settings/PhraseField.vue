<script setup lang="ts">
import { computed, useId } from 'vue';
import type { PhraseRow } from '@/api/types';

/** One phrase: what is said, what it ships as, and how it reads with something filled in. */
const props = defineProps<{ phrase: PhraseRow; text: string; language: string; error?: string }>();
const emit = defineEmits<{ write: [string] }>();

const id = useId();
const changed = computed(() => props.text !== '');
const shown = computed(() => (changed.value ? props.text : props.phrase.ships));
const lines = computed(() => Math.min(6, Math.max(1, Math.ceil(shown.value.length / 62))));
/** Words that are those that ship are none of one's own. */
const write = (typed: string) => emit('write', typed.trim() === props.phrase.ships || typed.trim() === '' ? '' : typed);
</script>

<template>
    <div :data-phrase="phrase.key" class="py-4">
        <label :for="id" class="sr-only">{{ phrase.english }}</label>
        <p v-if="language !== 'en'" class="mb-1 caption" aria-hidden="true">{{ phrase.english }}</p>
        <textarea
            :id="id"
            class="input"
            :class="{ 'border-lamp bg-lamp-pale': changed && !error }"
            :rows="lines"
            :value="shown"
            :lang="language"
            dir="auto"
            maxlength="2000"
            :aria-invalid="error ? 'true' : undefined"
            :aria-describedby="error ? `${id}-e` : `${id}-h`"
            @input="write(($event.target as HTMLTextAreaElement).value)"
        />
        <p v-if="error" :id="`${id}-e`" class="mt-1 font-medium text-clay-deep">{{ error }}</p>
        <div v-else :id="`${id}-h`" class="hint">
            <p v-if="phrase.values.length > 0">
                Filled in: <code v-for="value in phrase.values" :key="value" class="mr-1.5">{{ `{${value}\}` }}</code>
                <span class="block" dir="auto">“{{ phrase.example }}”</span>
            </p>
            <p v-if="changed" class="flex items-baseline justify-between gap-3">
                <span class="min-w-0" dir="auto">It was: {{ phrase.ships }}</span>
                <button type="button" class="btn-quiet shrink-0" @click="emit('write', '')">As it was</button>
            </p>
        </div>
    </div>
</template>
