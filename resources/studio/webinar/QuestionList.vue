<script setup lang="ts">
import { computed, ref } from 'vue';
import { api } from '@/api/client';
import type { RoomQuestion, SessionShown } from '@/api/types';
import { minutesOf } from '@/funnel/desk/webinar/clock';
import { useToasts } from '@/stores/toasts';

/** Questions from the room: answered in writing, marked as answered in the session, hidden; and back. */
const props = defineProps<{ questions: RoomQuestion[]; path: string; live: boolean }>();
const emit = defineEmits<{ took: [SessionShown] }>();

const toasts = useToasts();
const showing = ref<'open' | 'all'>('open');
const answering = ref('');
const words = ref('');
const list = computed(() => (showing.value === 'open' ? props.questions.filter((q) => q.state === 'open') : props.questions));
const waiting = computed(() => props.questions.filter((q) => q.state === 'open').length);
const who = (q: RoomQuestion) => [q.first_name, q.last_name].filter(Boolean).join(' ') || 'Somebody';
const states = { open: '', answered: 'Answered in writing', aired: 'Answered in the session', hidden: 'Hidden' };

async function put(q: RoomQuestion, state: RoomQuestion['state'], answer = ''): Promise<void> {
    try {
        emit('took', await api.put<SessionShown>(`${props.path}/questions/${q.id}`, { state, answer }));
        answering.value = '';
    } catch (error) {
        toasts.trouble(error);
    }
}
function begin(q: RoomQuestion): void {
    answering.value = q.id;
    words.value = q.answer ?? '';
}
</script>

<template>
    <section aria-labelledby="questions">
        <div class="flex items-baseline gap-4">
            <h2 id="questions" class="text-xl" tabindex="-1">Questions</h2>
            <span class="text-soft">{{ waiting }} open</span>
            <button type="button" class="ml-auto btn-quiet" @click="showing = showing === 'open' ? 'all' : 'open'">
                {{ showing === 'open' ? `Show all ${questions.length}` : 'Show the open ones' }}
            </button>
        </div>
        <p v-if="list.length === 0" class="mt-2 text-soft">
            {{
                questions.length === 0
                    ? live
                        ? 'Nobody has asked yet.'
                        : 'Nobody has asked. Questions also reach you by email.'
                    : 'No question is open.'
            }}
        </p>
        <ul class="divide-y divide-line" data-test="questions">
            <li v-for="q in list" :key="q.id" class="py-3">
                <p class="break-words whitespace-pre-line">{{ q.words }}</p>
                <p class="caption">
                    <RouterLink v-if="q.person" class="link" :to="`/people/${q.person}`">{{ who(q) }}</RouterLink>, at
                    {{ minutesOf(q.second) }}{{ states[q.state] ? ` · ${states[q.state]}` : '' }}
                </p>
                <p v-if="q.answer && answering !== q.id" class="mt-1 border-l-2 border-pine pl-3 break-words">{{ q.answer }}</p>
                <form v-if="answering === q.id" class="mt-2 flex gap-2" @submit.prevent="put(q, 'answered', words)">
                    <textarea v-model="words" class="input flex-1" rows="2" maxlength="2000" aria-label="Your answer"></textarea>
                    <button type="submit" class="btn">Send</button>
                    <button type="button" class="btn-quiet" @click="answering = ''">Not now</button>
                </form>
                <div v-else class="mt-1 flex flex-wrap gap-1">
                    <button type="button" class="btn-quiet" @click="begin(q)">
                        {{ q.answer ? 'Change the answer' : 'Answer in writing' }}
                    </button>
                    <button v-if="live && q.state !== 'aired'" type="button" class="btn-quiet" @click="put(q, 'aired')">
                        Answered in the session
                    </button>
                    <button v-if="q.state === 'open'" type="button" class="btn-quiet" @click="put(q, 'hidden')">Hide</button>
                    <button v-if="q.state !== 'open'" type="button" class="btn-quiet" @click="put(q, 'open')">
                        Undo: it is open again
                    </button>
                </div>
            </li>
        </ul>
    </section>
</template>
