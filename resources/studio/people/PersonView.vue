<script setup lang="ts">
import { onMounted, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { api, ApiError } from '@/api/client';
import type { HistoryItem, Person } from '@/api/types';
import { useNotices } from '@/stores/notices';
import { usePulse } from '@/stores/pulse';
import { useSession } from '@/stores/session';
import { counted, dateTime } from '@/ui/format';
import NotHere from '@/ui/NotHere.vue';

const route = useRoute();
const notices = useNotices();
const session = useSession();
const person = ref<Person | null>(null);
const missing = ref(false);

async function load(): Promise<void> {
    try {
        person.value = await api.get<Person>(`people/${String(route.params.id)}`);
    } catch (error) {
        missing.value = error instanceof ApiError && error.status === 404;
        if (!missing.value) {
            notices.trouble(error);
        }
    }
}

onMounted(load);
watch(
    () => route.params.id,
    (id) => id && load(),
);
usePulse(load);

const words: Record<string, (h: HistoryItem) => string> = {
    viewed: (h) => `Saw “${h.what}”`,
    joined: (h) => `Joined through “${h.what}”`,
    downloaded: () => 'Downloaded the file',
    unsubscribed: () => 'Unsubscribed',
    'message-sent': (h) => `Was sent “${h.what}”`,
    'message-waiting': (h) => `Will be sent “${h.what}”`,
    'message-sending': (h) => `Is being sent “${h.what}”`,
    'message-failed': (h) => `“${h.what}” could not be sent`,
    'message-cancelled': (h) => `“${h.what}” was not sent any more`,
};

async function setAllowed(delivery: { id: string; title: string; revoked: boolean }): Promise<void> {
    try {
        await api.post(`deliveries/${delivery.id}/${delivery.revoked ? 'allow' : 'revoke'}`);
        await load();
        notices.say(
            delivery.revoked
                ? `The links to “${delivery.title}” work again.`
                : `The links to “${delivery.title}” no longer work for this person.`,
        );
    } catch (error) {
        notices.trouble(error);
    }
}
</script>

<template>
    <NotHere v-if="missing" />
    <div v-else-if="person" class="mx-auto grid max-w-6xl gap-10 px-8 py-8 lg:grid-cols-[1fr_1.3fr]">
        <section>
            <RouterLink to="/people" class="link">All people</RouterLink>
            <h1 class="mt-2 text-3xl break-words">{{ `${person.firstName} ${person.lastName}`.trim() || person.email }}</h1>
            <p class="mt-1 text-lg break-all">{{ person.email }}</p>
            <p v-if="person.unsubscribed" class="mt-3 inline-block rounded bg-clay-pale px-2 py-1 text-clay-deep">
                Unsubscribed: gets no more letters
            </p>
            <p v-if="person.ownerTry" class="mt-3 rounded bg-lamp-pale px-3 py-2">
                This is you, trying things out in your own browser. Nothing of it is counted.
            </p>
            <dl class="mt-5 grid grid-cols-[7rem_1fr] gap-y-2">
                <dt class="text-soft">Joined</dt>
                <dd>{{ dateTime(person.joinedAt) }}</dd>
                <dt class="text-soft">Tags</dt>
                <dd>
                    <span v-for="t in person.tags" :key="t" class="mr-1 rounded bg-pine-pale px-1.5 py-0.5 text-sm text-pine">{{
                        t
                    }}</span><span v-if="person.tags.length === 0">none</span>
                </dd>
                <template v-if="person.phone"
                    ><dt class="text-soft">Phone</dt>
                    <dd>{{ person.phone }}</dd></template
                >
                <dt class="text-soft">Time zone</dt>
                <dd>{{ person.timezone?.replaceAll('_', ' ') ?? 'not known' }}</dd>
            </dl>
            <h2 class="mt-8 text-xl">Downloads</h2>
            <p v-if="person.deliveries.length === 0" class="mt-1 text-soft">None.</p>
            <div
                v-for="delivery in person.deliveries"
                :key="delivery.id"
                class="flex items-center justify-between gap-3 border-b border-line py-2"
            >
                <span
                    >{{ delivery.title }}
                    <span class="caption">{{
                        delivery.revoked ? 'taken back' : `downloaded ${counted(delivery.downloads, 'time')}`
                    }}</span></span
                >
                <button type="button" class="btn-quiet" @click="setAllowed(delivery)">
                    {{ delivery.revoked ? 'Allow again' : 'Take back' }}
                </button>
            </div>
            <h2 class="mt-8 text-xl">Sign-ups and consent</h2>
            <article v-for="submission in person.submissions" :key="submission.id" class="border-b border-line py-3">
                <p class="font-medium">
                    {{ submission.funnel }} <span class="caption">{{ dateTime(submission.at) }}</span>
                </p>
                <p v-if="submission.source.utm_source" class="caption">came from {{ submission.source.utm_source }}</p>
                <p v-if="submission.consented" class="mt-1 text-soft">Agreed to: “{{ submission.consentWords }}”</p>
            </article>
        </section>
        <section aria-labelledby="history">
            <h2 id="history" class="text-xl">
                What happened <span class="font-sans caption font-normal">times in {{ session.zone.replaceAll('_', ' ') }}</span>
            </h2>
            <ol class="mt-4 ml-2 border-l border-edge/50 pl-5">
                <li v-for="item in person.history" :key="item.id" class="relative pb-4">
                    <span
                        class="absolute top-1.5 -left-[1.6rem] size-2.5 rounded-full border"
                        :class="
                            item.kind === 'joined'
                                ? 'border-ink bg-lamp'
                                : item.kind === 'message-waiting'
                                  ? 'border-dashed border-edge bg-paper'
                                  : 'border-edge bg-edge'
                        "
                        aria-hidden="true"
                    ></span>
                    <RouterLink v-if="item.kind.startsWith('message')" :to="`/outbox/${item.id}`" class="link">{{
                        words[item.kind]?.(item)
                    }}</RouterLink>
                    <span v-else class="font-medium">{{ words[item.kind]?.(item) ?? item.kind }}</span>
                    <span class="block caption"
                        >{{ dateTime(item.at) }} · {{ item.funnel }}{{ item.source ? ` · from ${item.source}` : '' }}</span
                    >
                </li>
            </ol>
        </section>
    </div>
</template>
