<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue';
import { XMarkIcon } from '@heroicons/vue/20/solid';

/** `wide` has more room at the sides; `full` takes the window, and its content scrolls within it. */
defineProps<{ open: boolean; title: string; wide?: boolean; full?: boolean }>();
defineEmits<{ close: [] }>();
</script>

<template>
    <Dialog :open="open" class="relative z-40" @close="$emit('close')">
        <div class="fixed inset-0 bg-ink/40" aria-hidden="true"></div>
        <div class="fixed inset-0 overflow-y-auto p-4" :class="full ? 'sm:p-6' : 'sm:p-10'">
            <DialogPanel
                class="mx-auto w-full rounded-xl bg-raised p-7 shadow-2xl"
                :class="full ? 'flex h-full max-w-6xl flex-col' : wide ? 'max-w-3xl' : 'max-w-xl'"
            >
                <div class="flex items-start justify-between gap-4">
                    <DialogTitle as="h2" class="text-2xl">{{ title }}</DialogTitle>
                    <button type="button" class="-mt-1 -mr-3 btn-quiet" aria-label="Close this" @click="$emit('close')">
                        <XMarkIcon class="size-5" aria-hidden="true" />
                    </button>
                </div>
                <slot />
            </DialogPanel>
        </div>
    </Dialog>
</template>
