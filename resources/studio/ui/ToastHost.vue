<script setup lang="ts">
import { XMarkIcon } from '@heroicons/vue/20/solid';
import { useToasts, type Toast } from '@/stores/toasts';

const toasts = useToasts();

async function act(toast: Toast): Promise<void> {
    toasts.dismiss(toast.id);
    try {
        await toast.action?.run();
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <div class="pointer-events-none fixed inset-x-0 bottom-5 z-50 flex flex-col items-center gap-2 px-4" aria-live="polite">
        <div
            v-for="toast in toasts.toasts"
            :key="toast.id"
            class="pointer-events-auto flex max-w-2xl items-center gap-3 rounded-md px-4 py-2.5 shadow-lg"
            :class="toast.trouble ? 'bg-clay-deep text-raised' : 'bg-ink text-raised'"
            :role="toast.trouble ? 'alert' : 'status'"
        >
            <span>{{ toast.words }}</span>
            <button v-if="toast.action" type="button" class="font-semibold text-lamp underline underline-offset-3" @click="act(toast)">
                {{ toast.action.label }}
            </button>
            <button type="button" class="opacity-80 hover:opacity-100" aria-label="Close this message" @click="toasts.dismiss(toast.id)">
                <XMarkIcon class="size-5" />
            </button>
        </div>
    </div>
</template>
