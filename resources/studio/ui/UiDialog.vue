<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue';

defineProps<{ open: boolean; title: string; wide?: boolean }>();
defineEmits<{ close: [] }>();
</script>

<template>
    <Dialog :open="open" class="relative z-40" @close="$emit('close')">
        <div class="bg-ink/40 fixed inset-0" aria-hidden="true"></div>
        <div class="fixed inset-0 overflow-y-auto p-4 sm:p-10">
            <DialogPanel class="bg-raised mx-auto w-full rounded-xl p-7 shadow-2xl" :class="wide ? 'max-w-3xl' : 'max-w-xl'">
                <DialogTitle as="h2" class="text-2xl">{{ title }}</DialogTitle>
                <slot />
            </DialogPanel>
        </div>
    </Dialog>
</template>
