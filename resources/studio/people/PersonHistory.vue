<script setup lang="ts">
import type { HistoryItem } from '@/api/types';
import { useSession } from '@/stores/session';
import { counted, dateTime } from '@/ui/format';

defineProps<{ history: HistoryItem[] }>();
defineEmits<{ more: [] }>();

const session = useSession();
const words: Record<string, (h: HistoryItem) => string> = {
    viewed: (h) => `Saw “${h.what}”`,
    asked: (h) => `Filled in the form on “${h.what}” and was asked to confirm`,
    confirmed: () => 'Confirmed the address',
    joined: (h) => `Joined through “${h.what}”`,
    downloaded: () => 'Downloaded the file',
    tagged: (h) => `Got the tag “${h.what}”`,
    bought: (h) => (h.what ? `Bought “${h.what}”` : 'Bought'),
    declined: (h) => `Said no thanks to “${h.what}”`,
    opened: (h) => `Opened “${h.what}”`,
    clicked: (h) => `Followed a link: ${h.what}`,
    bounced: () => 'The mailbox refused a message for good',
    complained: (h) => `Reported “${h.what}” as spam`,
    unsubscribed: () => 'Unsubscribed',
    registered: (h) => `Registered for “${h.what}”`,
    'session-changed': (h) => `Chose another session of “${h.what}”`,
    'session-cancelled': (h) => `Their session of “${h.what}” was cancelled`,
    attended: (h) => `Attended “${h.what}”`,
    'saw-offer': (h) => `Saw the offer in “${h.what}”`,
    'left-early': (h) => `Left “${h.what}” early`,
    missed: (h) => `Missed “${h.what}”`,
    'watched-replay': (h) => `Watched the replay of “${h.what}”`,
    'deadline-started': (h) => `“${h.what}” started`,
    'deadline-moved': (h) => `The end of “${h.what}” was moved`,
    'deadline-ended': (h) => `“${h.what}” was ended by you`,
    'deadline-removed': (h) => `“${h.what}” was taken away`,
    'deadline-over': (h) => `The time of “${h.what}” ran out`,
    'message-sent': (h) => `Was sent “${h.what}”`,
    'message-waiting': (h) => `Will be sent “${h.what}”`,
    'message-sending': (h) => `Is being sent “${h.what}”`,
    'message-failed': (h) => `“${h.what}” could not be sent`,
    'message-cancelled': (h) => `“${h.what}” was not sent`,
};

function small(item: HistoryItem): string {
    return [
        dateTime(item.at),
        item.funnel,
        item.source ? `from ${item.source}` : '',
        item.opens ? `opened ${counted(item.opens, 'time')}` : '',
        item.clicks ? `clicked ${counted(item.clicks, 'time')}` : '',
        item.kind === 'opened' ? 'mail programs open by themselves, too' : '',
        item.kind === 'message-cancelled' || item.kind === 'message-failed' ? (item.trouble ?? '') : '',
    ]
        .filter((part) => part !== '')
        .join(' · ');
}
</script>

<template>
    <section aria-labelledby="history" class="min-w-0">
        <h2 id="history" class="text-xl">
            What happened <span class="font-sans caption font-normal">times in {{ session.zone.replaceAll('_', ' ') }}</span>
        </h2>
        <ol class="mt-4 ml-2 border-l border-edge/50 pl-5">
            <li v-for="item in history" :key="item.id" class="relative pb-3.5">
                <span
                    class="absolute top-1.5 -left-[1.6rem] size-2.5 rounded-full border"
                    :class="
                        ['joined', 'bought'].includes(item.kind)
                            ? 'border-ink bg-lamp'
                            : item.kind === 'message-waiting'
                              ? 'border-dashed border-edge bg-paper'
                              : ['bounced', 'complained', 'unsubscribed', 'message-failed', 'deadline-over'].includes(item.kind)
                                ? 'border-clay bg-clay'
                                : 'border-edge bg-edge'
                    "
                    aria-hidden="true"
                ></span>
                <RouterLink v-if="item.kind.startsWith('message')" :to="`/emails/${item.id}`" class="link">{{
                    words[item.kind]?.(item)
                }}</RouterLink>
                <span v-else class="font-medium break-words">{{ words[item.kind]?.(item) ?? item.kind }}</span>
                <span class="block caption">{{ small(item) }}</span>
            </li>
        </ol>
        <button v-if="history.length >= 100" type="button" class="btn" @click="$emit('more')">Further back</button>
    </section>
</template>
