<script setup lang="ts">
import { ArrowPathIcon, EnvelopeIcon, VideoCameraIcon } from '@heroicons/vue/20/solid';
import { computed } from 'vue';
import type { PartKind } from '@/funnel/parts';
import type { Email, Webinar } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';

/** A webinar on a scale of its own: reminders, the session, what is written afterwards, the replay and its end. */
const props = defineProps<{ webinar: Webinar; isOpen: (kind: string, id: string) => boolean }>();
const emit = defineEmits<{ go: [kind: PartKind, id: string] }>();

const store = useFunnel();
const emails = (anchor: string) =>
    (store.funnel?.emails ?? [])
        .filter((e) => e.timing.from === 'session' && e.timing.webinar === props.webinar.id && e.timing.anchor === anchor)
        .sort((a, b) => minutes(a) * sign(anchor) - minutes(b) * sign(anchor));
const minutes = (e: Email) => e.timing.minutes ?? 0;
/** Before something, what comes earliest is furthest from it. */
const sign = (anchor: string) => (anchor.startsWith('before') ? -1 : 1);
const short = (e: Email) => {
    const n = minutes(e);
    return n === 0 ? '' : n % 1440 === 0 ? `${n / 1440} d` : n % 60 === 0 ? `${n / 60} h` : `${n} min`;
};
const replay = computed(() => {
    const r = props.webinar.replay;
    return r === null ? null : r.days ? `Replay, ${r.days} ${r.days === 1 ? 'day' : 'days'}` : r.until ? 'Replay' : 'Replay, no end';
});
const groups = computed(() => [
    { key: 'before', words: 'before', list: emails('before-start') },
    { key: 'start', words: '', list: emails('start') },
    { key: 'after', words: 'after', list: emails('after-end') },
    { key: 'end', words: 'before its end', list: emails('before-replay-ends') },
]);
</script>

<template>
    <li class="flex items-center gap-1.5 py-1 pl-5.5" :data-test="`webinar-${webinar.id}`">
        <template v-for="group in groups" :key="group.key">
            <button
                v-if="group.key === 'start'"
                type="button"
                class="room shrink-0"
                :class="{ open: isOpen('webinar', webinar.id) }"
                :title="webinar.words"
                @click="emit('go', 'webinar', webinar.id)"
            >
                <VideoCameraIcon class="size-4 shrink-0" aria-hidden="true" /><span class="font-medium">{{ webinar.name }}</span
                ><span class="max-w-72 truncate">{{ webinar.words }}</span>
            </button>
            <button
                v-if="group.key === 'end' && replay"
                type="button"
                class="room replay shrink-0"
                :class="{ open: isOpen('webinar', webinar.id) }"
                @click="emit('go', 'webinar', webinar.id)"
            >
                <ArrowPathIcon class="size-4 shrink-0" aria-hidden="true" />{{ replay }}
            </button>
            <button
                v-for="email in group.list"
                :key="email.id"
                type="button"
                class="chip"
                :class="{ open: isOpen('email', email.id) }"
                :title="`${email.name}: ${email.timingWords}`"
                @click="emit('go', 'email', email.id)"
            >
                <EnvelopeIcon class="size-3.5 text-pine" aria-hidden="true" />{{ email.name
                }}<span v-if="short(email)" class="font-normal text-soft">{{ short(email) }}</span>
            </button>
        </template>
    </li>
</template>

<style scoped>
@reference '../style.css';
.chip {
    @apply flex h-8 shrink-0 items-center gap-1.5 rounded-full border border-line bg-paper px-3 text-sm font-medium;
    &:hover,
    &.open {
        @apply border-ink bg-lamp-pale;
    }
}
.room {
    @apply flex h-9 items-center gap-1.5 rounded border border-ink bg-ink px-3 text-left text-sm text-raised;
    &.open {
        @apply outline-2 outline-offset-2 outline-ink;
    }
    &.replay {
        @apply border-dashed bg-raised text-ink;
    }
}
</style>
