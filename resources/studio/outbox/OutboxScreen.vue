<script setup lang="ts">
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/vue';
import { computed, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { api } from '@/api/client';
import type { Message, MessageRow, MessageState } from '@/api/types';
import EmailFrame from '@/outbox/EmailFrame.vue';
import PracticeDialog from '@/outbox/PracticeDialog.vue';
import { outboxTabs } from '@/people/tabs';
import { usePagedList } from '@/stores/pagedList';
import { useToasts } from '@/stores/toasts';
import { ago, count, dateTime } from '@/ui/format';
import PageTurner from '@/ui/PageTurner.vue';
import ScreenTabs from '@/ui/ScreenTabs.vue';
import UiMenu from '@/ui/UiMenu.vue';

interface Answer {
    total: number;
    page: number;
    pages: number;
    states: Partial<Record<MessageState, number>>;
    messages: MessageRow[];
}

const route = useRoute();
const toasts = useToasts();
const open = ref<Message | null>(null);
const search = ref('');
const state = ref<MessageState | ''>((typeof route.query.state === 'string' ? route.query.state : '') as MessageState | '');
/** Only the messages of one broadcast. */
const broadcast = computed(() => (typeof route.query.broadcast === 'string' ? route.query.broadcast : ''));
const states: { value: MessageState | ''; label: string }[] = [
    { value: '', label: 'All' },
    { value: 'sent', label: 'Sent' },
    { value: 'waiting', label: 'Waiting' },
    { value: 'failed', label: 'Failed' },
    { value: 'cancelled', label: 'Not sent' },
];
const words: Record<MessageState, string> = {
    sent: 'Sent',
    waiting: 'Waiting',
    sending: 'Being sent',
    failed: 'Failed',
    cancelled: 'Not sent',
};

const filters = computed(() => ({ search: search.value, state: state.value, broadcast: broadcast.value, perPage: '20' }));
const { answer, page, load } = usePagedList<Answer>('messages', filters);

async function show(id: unknown): Promise<void> {
    if (typeof id !== 'string' || id === '') {
        open.value = null;
        return;
    }
    try {
        open.value = await api.get<Message>(`messages/${id}`);
    } catch (error) {
        open.value = null;
        toasts.trouble(error);
    }
}

watch(() => route.params.id, show, { immediate: true });

const practising = ref(false);
const download = (path: string) => location.assign(`/studio/api/${path}`);

async function act(work: () => Promise<unknown>, words: string): Promise<void> {
    try {
        await work();
        toasts.say(words);
        await Promise.all([load(), show(route.params.id)]);
    } catch (error) {
        toasts.trouble(error);
    }
}
const feedback = (what: 'open' | 'bounce' | 'complain') =>
    act(
        () => api.post(`messages/${open.value!.id}/feedback`, { what }),
        {
            open: 'Its reader has opened it.',
            bounce: 'It came back. Nothing more goes to this address.',
            complain: 'Its reader reported it. Nothing more goes to this address.',
        }[what],
    );
const retry = () => act(() => api.post(`messages/${open.value!.id}/retry`), 'It is tried once more.');

const tally = (value: MessageState | ''): number =>
    value === '' ? Object.values(answer.value?.states ?? {}).reduce((a, b) => a + b, 0) : (answer.value?.states[value] ?? 0);
</script>

<template>
    <div class="grid h-full min-h-0 grid-cols-[27rem_1fr]">
        <section class="flex min-h-0 flex-col border-r border-line" aria-label="Messages">
            <div class="px-5 pt-6">
                <div class="flex items-end justify-between gap-2">
                    <h1 class="text-3xl">Emails</h1>
                    <UiMenu
                        label="More about the outbox"
                        :items="[
                            { label: 'Export everything as a mailbox', run: () => download('messages/mbox') },
                            { label: 'Simulate delivery problems', run: () => (practising = true) },
                        ]"
                        >⋯</UiMenu
                    >
                </div>
                <ScreenTabs class="mt-2" :tabs="outboxTabs" />
                <input
                    v-model="search"
                    type="search"
                    class="mt-4 input"
                    placeholder="Search by address or subject"
                    aria-label="Search messages by address or subject"
                />
                <div class="mt-2 flex flex-wrap" role="group" aria-label="Which messages to show">
                    <button
                        v-for="option in states"
                        :key="option.value"
                        type="button"
                        class="btn-quiet px-1.5 text-sm"
                        :class="{ 'bg-line/70 text-ink': state === option.value }"
                        :aria-pressed="state === option.value"
                        @click="state = option.value"
                    >
                        {{ option.label }} {{ count(tally(option.value)) }}
                    </button>
                </div>
            </div>
            <p v-if="broadcast" class="px-5 pt-1 text-sm">
                Only of one broadcast. <RouterLink to="/emails" class="link">Show all</RouterLink>
            </p>
            <p v-if="answer && answer.messages.length === 0" class="px-5 py-8 text-soft">
                {{
                    tally('') === 0
                        ? 'No message yet. As soon as somebody joins a funnel, their emails appear here.'
                        : 'No message matches this.'
                }}
            </p>
            <ul v-else class="mt-2 min-h-0 flex-1 divide-y divide-line overflow-auto">
                <li v-for="message in answer?.messages" :key="message.id">
                    <RouterLink
                        :to="{ path: `/emails/${message.id}`, query: route.query }"
                        class="block px-5 py-2.5"
                        :class="route.params.id === message.id ? 'bg-lamp-pale' : 'hover:bg-raised'"
                    >
                        <span class="flex items-baseline justify-between gap-3"
                            ><span class="truncate font-medium">{{ message.to }}</span
                            ><span class="shrink-0 caption">{{ ago(message.sentAt ?? message.dueAt) }}</span></span
                        >
                        <span class="flex items-baseline justify-between gap-3">
                            <span class="truncate">{{ message.subject || message.name }}</span>
                            <span
                                class="shrink-0 text-sm"
                                :class="{
                                    'text-pine': message.state === 'sent',
                                    'font-medium text-clay-deep': message.state === 'failed',
                                    'text-soft': ['waiting', 'sending', 'cancelled'].includes(message.state),
                                }"
                                >{{ words[message.state] }}</span
                            >
                        </span>
                    </RouterLink>
                </li>
            </ul>
            <div class="border-t border-line px-5">
                <PageTurner
                    v-if="answer"
                    :page="answer.page"
                    :pages="answer.pages"
                    :total="answer.total"
                    one="message"
                    many="messages"
                    @turn="page = $event"
                />
            </div>
        </section>

        <section class="flex min-h-0 min-w-0 flex-col" aria-label="The message">
            <p v-if="!open" class="m-auto max-w-sm p-8 text-center text-soft">Choose a message to read it as its reader does.</p>
            <template v-else>
                <header class="px-7 pt-6 pb-3">
                    <h2 class="text-2xl break-words">{{ open.subject || open.name }}</h2>
                    <p class="mt-1">
                        From {{ open.from }} to
                        <RouterLink v-if="open.personId" class="link" :to="`/people/${open.personId}`">{{
                            open.person || open.to
                        }}</RouterLink><template v-else>you, {{ open.to }}</template>
                        <span v-if="open.person" class="ml-1.5 text-soft">{{ open.to }}</span>
                    </p>
                    <p class="mt-0.5 caption">
                        {{ words[open.state]
                        }}{{
                            open.state === 'sent'
                                ? ` ${dateTime(open.sentAt)}`
                                : open.state === 'waiting'
                                  ? ` until ${dateTime(open.dueAt)}; shown as it would go out now`
                                  : ''
                        }}
                        {{ open.funnel ? ` · ${open.funnel}` : '' }}{{ open.openedAt ? ` · opened ${dateTime(open.openedAt)}` : ''
                        }}{{ open.clickedAt ? ` · clicked ${dateTime(open.clickedAt)}` : '' }}
                    </p>
                    <div class="mt-2 flex flex-wrap gap-1.5">
                        <template v-if="open.state === 'sent'">
                            <button type="button" class="btn-quiet border border-line" @click="download(`messages/${open.id}/eml`)">
                                As EML
                            </button>
                            <template v-if="open.personId && !open.lostWhy">
                                <span class="self-center pl-3 caption">Simulate</span>
                                <button type="button" class="btn-quiet" @click="feedback('open')">Its reader opens it</button>
                                <button type="button" class="btn-quiet" @click="feedback('bounce')">It bounces</button>
                                <button type="button" class="btn-quiet" @click="feedback('complain')">Its reader reports it as spam</button>
                            </template>
                        </template>
                        <button v-if="open.state === 'failed'" type="button" class="btn" @click="retry">Try again</button>
                    </div>
                    <p v-if="open.trouble" class="mt-2 rounded bg-clay-pale px-3 py-1.5 text-clay-deep">{{ open.trouble }}</p>
                </header>
                <TabGroup as="div" class="flex min-h-0 flex-1 flex-col">
                    <TabList class="flex gap-1 border-b border-line px-6">
                        <Tab v-for="name in ['Email', 'Plain text', 'As sent']" :key="name" v-slot="{ selected }" as="template">
                            <button
                                type="button"
                                class="-mb-px border-b-2 px-3 py-2 font-medium"
                                :class="selected ? 'border-lamp' : 'border-transparent text-soft'"
                            >
                                {{ name }}
                            </button>
                        </Tab>
                    </TabList>
                    <TabPanels class="min-h-0 flex-1 overflow-auto">
                        <TabPanel class="h-full"
                            ><EmailFrame v-if="open.html" :html="open.html" class="h-full" />
                            <p v-else class="p-7 text-soft">There is nothing to show: the email was removed from the funnel.</p></TabPanel
                        >
                        <TabPanel class="p-7">
                            <pre class="max-w-3xl font-mono text-sm whitespace-pre-wrap">{{ open.text }}</pre>
                        </TabPanel>
                        <TabPanel class="p-7">
                            <pre v-if="open.mime" class="font-mono text-sm break-all whitespace-pre-wrap">{{ open.mime }}</pre>
                            <p v-else class="text-soft">It has not been handed over to the outbox.</p></TabPanel
                        >
                    </TabPanels>
                </TabGroup>
            </template>
        </section>
        <PracticeDialog :open="practising" @close="practising = false" />
    </div>
</template>
