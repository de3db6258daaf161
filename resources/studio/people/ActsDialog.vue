<script setup lang="ts">
import { ref, watch } from 'vue';
import { api } from '@/api/client';
import { useToasts } from '@/stores/toasts';
import { counted, dateTime } from '@/ui/format';
import UiDialog from '@/ui/UiDialog.vue';

interface Act {
    id: string;
    kind: 'tag' | 'untag' | 'start' | 'stop' | 'unsubscribe';
    /** The tag or the sequence. */
    of: string;
    people: number;
    at: string;
    undone: boolean;
}

const props = defineProps<{ open: boolean }>();
const emit = defineEmits<{ close: []; undone: [] }>();
const toasts = useToasts();
const acts = ref<Act[] | null>(null);

async function load(): Promise<void> {
    try {
        acts.value = (await api.get<{ acts: Act[] }>('people/acts')).acts;
    } catch (error) {
        toasts.trouble(error);
        emit('close');
    }
}
watch(
    () => props.open,
    (open) => open && void load(),
);

function words(act: Act): string {
    const people = counted(act.people, 'person', 'people');
    return {
        tag: `Added the tag “${act.of}” to ${people}`,
        untag: `Removed the tag “${act.of}” from ${people}`,
        start: `Started “${act.of}” for ${people}`,
        stop: `Ended “${act.of}” for ${people}`,
        unsubscribe: `Unsubscribed ${people}`,
    }[act.kind];
}

async function undo(act: Act): Promise<void> {
    try {
        await api.post(`people/acts/${act.id}/undo`);
        act.undone = true;
        emit('undone');
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <UiDialog :open="open" title="Recent bulk actions" @close="$emit('close')">
        <p v-if="acts?.length === 0" class="mt-3 text-soft">Nothing yet. Select some people in the list to begin.</p>
        <ul v-else class="mt-3 divide-y divide-line">
            <li v-for="act in acts" :key="act.id" class="flex items-center justify-between gap-4 py-2">
                <span class="min-w-0">
                    <span class="block break-words" :class="{ 'text-soft line-through': act.undone }">{{ words(act) }}</span>
                    <span class="caption">{{ dateTime(act.at) }}</span>
                </span>
                <span v-if="act.undone" class="shrink-0 caption">undone</span>
                <button v-else type="button" class="btn shrink-0" :aria-label="`Undo: ${words(act)}`" @click="undo(act)">Undo</button>
            </li>
        </ul>
    </UiDialog>
</template>
