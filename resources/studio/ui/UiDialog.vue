<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue';

defineProps<{ open: boolean; title: string; wide?: boolean }>();
defineEmits<{ close: [] }>();
</script>

<template>
    <Dialog :open="open" class="relative z-40" @close="$emit('close')">
        <div class="fixed inset-0 bg-ink/40" aria-hidden="true"></div>
        <div class="fixed inset-0 overflow-y-auto p-4 sm:p-10">
            <DialogPanel class="mx-auto w-full rounded-xl bg-raised p-7 shadow-2xl" :class="wide ? 'max-w-3xl' : 'max-w-xl'">
                <DialogTitle as="h2" class="text-2xl">{{ title }}</DialogTitle>
                <slot />
            </DialogPanel>
        </div>
    </Dialog>
</template>
