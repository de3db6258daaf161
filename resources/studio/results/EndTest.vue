<script setup lang="ts">
import { ref } from 'vue';
import { api } from '@/api/client';
import type { TestResults } from '@/api/types';
import { useToasts } from '@/stores/toasts';
import TextField from '@/ui/TextField.vue';
import UiDialog from '@/ui/UiDialog.vue';
import UiListbox from '@/ui/UiListbox.vue';

/** What everybody sees once a split test has ended. */
const props = defineProps<{ test: TestResults }>();
const emit = defineEmits<{ close: []; ended: [] }>();

const toasts = useToasts();
const winner = ref(props.test.verdict === 'winner' ? props.test.leader : 'a');
const learned = ref('');
const busy = ref(false);

async function end(): Promise<void> {
    busy.value = true;
    try {
        await api.post(`tests/${props.test.id}/end`, { winner: winner.value, learned: learned.value });
        toasts.say('The split test has ended. The draft is what everybody gets now.');
        emit('ended');
    } catch (error) {
        toasts.trouble(error);
    } finally {
        busy.value = false;
    }
}
</script>

<template>
    <UiDialog open title="End the split test" @close="$emit('close')">
        <p class="mt-2">{{ test.sentence }}</p>
        <p v-if="!['winner', 'same', 'unknown'].includes(test.verdict)" class="mt-2 rounded-md bg-lamp-pale px-3 py-2" role="note">
            It is too early to know which is better. You can end it all the same; then it was not a test but a choice.
        </p>
        <form class="mt-4 space-y-4" @submit.prevent="end">
            <UiListbox
                v-model="winner"
                label="From now on everybody gets"
                :options="
                    test.arms.map((a) => ({
                        value: a.letter,
                        label: a.letter === 'a' ? 'A, as it was' : `${a.letter.toUpperCase()}, ${a.note}`,
                    }))
                "
            />
            <TextField v-model="learned" label="What was learned" hint="Optional. A line for the next time." :maxlength="2000" />
            <div class="flex justify-end gap-2">
                <button type="button" class="btn" @click="$emit('close')">Go on testing</button>
                <button type="submit" class="btn-main" :disabled="busy">End it</button>
            </div>
        </form>
    </UiDialog>
</template>
