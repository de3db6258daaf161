<script setup lang="ts">
import type { HistoryItem } from '@/api/types';
import { historyWords } from '@/people/historyWords';
import { useSession } from '@/stores/session';
import { counted, dateTime } from '@/ui/format';

defineProps<{ history: HistoryItem[] }>();
defineEmits<{ more: [] }>();

const session = useSession();
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
                              : ['bounced', 'complained', 'unsubscribed', 'message-failed', 'deadline-over', 'payment-failed'].includes(
                                      item.kind,
                                  )
                                ? 'border-clay bg-clay'
                                : 'border-edge bg-edge'
                    "
                    aria-hidden="true"
                ></span>
                <RouterLink v-if="item.kind.startsWith('message')" :to="`/emails/${item.id}`" class="link">{{
                    historyWords[item.kind]?.(item)
                }}</RouterLink>
                <span v-else class="font-medium break-words">{{ historyWords[item.kind]?.(item) ?? item.kind }}</span>
                <span class="block caption">{{ small(item) }}</span>
            </li>
        </ol>
        <button v-if="history.length >= 100" type="button" class="btn" @click="$emit('more')">Further back</button>
    </section>
</template>
