<script setup lang="ts">
import { XMarkIcon } from '@heroicons/vue/20/solid';
import { useNotices, type Notice } from '@/stores/notices';

const notices = useNotices();

async function act(notice: Notice): Promise<void> {
    notices.dismiss(notice.id);
    try {
        await notice.action?.run();
    } catch (error) {
        notices.trouble(error);
    }
}
</script>

<template>
    <div class="pointer-events-none fixed inset-x-0 bottom-5 z-50 flex flex-col items-center gap-2 px-4" aria-live="polite">
        <div
            v-for="notice in notices.notices"
            :key="notice.id"
            class="pointer-events-auto flex max-w-2xl items-center gap-3 rounded-md px-4 py-2.5 shadow-lg"
            :class="notice.trouble ? 'bg-clay-deep text-raised' : 'bg-ink text-raised'"
            :role="notice.trouble ? 'alert' : 'status'"
        >
            <span>{{ notice.words }}</span>
            <button v-if="notice.action" type="button" class="font-semibold text-lamp underline underline-offset-3" @click="act(notice)">
                {{ notice.action.label }}
            </button>
            <button type="button" class="opacity-80 hover:opacity-100" aria-label="Close this message" @click="notices.dismiss(notice.id)">
                <XMarkIcon class="size-5" />
            </button>
        </div>
    </div>
</template>
