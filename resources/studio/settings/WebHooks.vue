<script setup lang="ts">
import FoldSection from '@/ui/FoldSection.vue';
import { computed, ref } from 'vue';
import { api } from '@/api/client';
import type { HookCall } from '@/api/types';
import { useToasts } from '@/stores/toasts';
import { usePagedList } from '@/stores/pagedList';
import { counted, dateTime } from '@/ui/format';
import PageTurner from '@/ui/PageTurner.vue';

/** The key with which calls to the owner's own programs are signed, and the log of those calls. */
const toasts = useToasts();
const secret = ref('');
const { answer, page, load } = usePagedList<{ calls: HookCall[]; total: number; pages: number }>('hooks', { perPage: 8 });
const calls = computed(() => answer.value?.calls ?? []);
const words: Record<HookCall['state'], string> = { waiting: 'waits', calling: 'calling', done: 'done', failed: 'failed' };

async function show(): Promise<void> {
    try {
        secret.value = (await api.get<{ secret: string }>('hooks/secret')).secret;
    } catch (error) {
        toasts.trouble(error);
    }
}

async function replay(call: HookCall): Promise<void> {
    try {
        await api.post(`hooks/${call.id}/replay`);
        toasts.say('It is called once more, with the same words.');
        await load();
    } catch (error) {
        toasts.trouble(error);
    }
}
const pretty = (json: string) => JSON.stringify(JSON.parse(json), null, 2);
</script>

<template>
    <FoldSection name="web-hooks" title="Calls to your other programs" :summary="counted(answer?.total ?? 0, 'call')">
        <p class="mt-1 text-soft">
            A form can tell a web address of yours about every sign-up (webhook). Each call is signed with this key, so that your program
            knows it is from here.
        </p>
        <p class="mt-3">
            <code v-if="secret" class="rounded border border-line bg-raised px-2 py-1 break-all select-all">{{ secret }}</code><button
                v-else
                type="button"
                class="btn"
                @click="show"
            >
                Show the key
            </button>
        </p>
        <ul v-if="calls.length > 0" class="mt-4 divide-y divide-line border-y border-line">
            <li v-for="call in calls" :key="call.id" class="py-2">
                <details>
                    <summary class="flex cursor-pointer items-baseline gap-3">
                        <span
                            class="w-20 shrink-0 font-medium"
                            :class="{ 'text-pine': call.state === 'done', 'text-clay-deep': call.state === 'failed' }"
                            >{{ words[call.state] }} {{ call.status ?? '' }}</span
                        >
                        <span class="min-w-0 flex-1 truncate">{{ call.url }}</span>
                        <span class="shrink-0 caption">{{ dateTime(call.at) }}</span>
                    </summary>
                    <p v-if="call.answer" class="mt-2 break-words text-soft">Answered: {{ call.answer }}</p>
                    <p v-if="call.state === 'waiting'" class="mt-2 text-soft">
                        Tried {{ call.attempts }} times; again {{ dateTime(call.dueAt) }}.
                    </p>
                    <pre class="mt-2 rounded bg-raised p-3 text-sm break-all whitespace-pre-wrap">{{ pretty(call.payload) }}</pre>
                    <button type="button" class="mt-2 btn" @click="replay(call)">Call it once more</button>
                </details>
            </li>
        </ul>
        <PageTurner
            v-if="calls.length > 0"
            :page="page"
            :pages="answer?.pages ?? 1"
            :total="answer?.total ?? 0"
            one="call"
            many="calls"
            @turn="page = $event"
        />
    </FoldSection>
</template>
