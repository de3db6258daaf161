<script setup lang="ts">
import { computed, ref } from 'vue';
import { api } from '@/api/client';
import type { RoomPollRow, SessionShown } from '@/api/types';
import { useToasts } from '@/stores/toasts';
import { counted } from '@/ui/format';

/** Polls of one question: one is open at a time. */
const props = defineProps<{ polls: RoomPollRow[]; path: string; on: boolean }>();
const emit = defineEmits<{ took: [SessionShown] }>();

const toasts = useToasts();
const question = ref('');
const options = ref(['', '']);
const making = ref(false);
const open = computed(() => props.polls.find((p) => p.open));
const total = (p: RoomPollRow) => p.counts.reduce((a, b) => a + b, 0);

async function send(body: object): Promise<boolean> {
    try {
        emit('took', await api.post<SessionShown>(`${props.path}/poll`, body));
        return true;
    } catch (error) {
        toasts.trouble(error);
        return false;
    }
}
async function begin(): Promise<void> {
    if (await send({ act: 'open', question: question.value, options: options.value })) {
        making.value = false;
        question.value = '';
        options.value = ['', ''];
    }
}
</script>

<template>
    <section v-if="on || polls.length > 0" aria-labelledby="polls">
        <h2 id="polls" class="text-lg">Poll</h2>
        <div v-for="p in polls.slice(0, 3)" :key="p.id" class="mt-2 border-l-2 border-line pl-3" :class="{ 'border-lamp': p.open }">
            <p class="font-medium">{{ p.question }}</p>
            <p v-for="(o, i) in p.options" :key="i" class="flex justify-between gap-3 tabular-nums">
                <span>{{ o }}</span><span>{{ p.counts[i] }}</span>
            </p>
            <p class="caption">{{ counted(total(p), 'answer') }}</p>
        </div>
        <div class="mt-2 flex flex-wrap gap-1">
            <button v-if="open" type="button" class="btn" @click="send({ act: 'close' })">Close the poll</button>
            <button v-else-if="polls.length > 0" type="button" class="btn-quiet" @click="send({ act: 'reopen' })">
                Undo: open the last one again
            </button>
            <button v-if="!making && on" type="button" class="btn-quiet" @click="making = true">A new poll</button>
        </div>
        <form v-if="making" class="mt-2 space-y-2" @submit.prevent="begin">
            <input v-model="question" class="input" maxlength="200" placeholder="What would you like to know?" aria-label="Question" />
            <input
                v-for="(_, i) in options"
                :key="i"
                v-model="options[i]"
                class="input"
                maxlength="120"
                :placeholder="`Answer ${i + 1}`"
                :aria-label="`Answer ${i + 1}`"
            />
            <div class="flex flex-wrap gap-1">
                <button v-if="options.length < 6" type="button" class="btn-quiet" @click="options.push('')">Another answer</button>
                <button type="submit" class="btn">Open the poll</button>
                <button type="button" class="btn-quiet" @click="making = false">Not now</button>
            </div>
        </form>
    </section>
</template>
