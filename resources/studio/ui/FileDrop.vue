<script setup lang="ts">
import { ArrowUpTrayIcon, DocumentIcon } from '@heroicons/vue/24/outline';
import { ref, useId } from 'vue';

defineProps<{ file: File | null; label: string; hint: string; accept?: string; error?: string }>();
const emit = defineEmits<{ choose: [File] }>();

const id = useId();
const over = ref(false);

function take(files: FileList | null | undefined): void {
    const file = files?.[0];
    if (file) {
        emit('choose', file);
    }
}
</script>

<template>
    <div>
        <label
            :for="id"
            class="flex cursor-pointer items-center gap-4 rounded-lg border-2 border-dashed p-5 has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-pine"
            :class="
                over ? 'border-lamp bg-lamp-pale' : error ? 'border-clay-deep bg-raised' : 'border-edge/60 bg-raised hover:bg-lamp-pale'
            "
            @dragover.prevent="over = true"
            @dragleave="over = false"
            @drop.prevent="
                over = false;
                take($event.dataTransfer?.files);
            "
        >
            <component :is="file ? DocumentIcon : ArrowUpTrayIcon" class="size-7 shrink-0 text-pine" aria-hidden="true" />
            <span class="min-w-0">
                <span class="block truncate font-medium">{{ file?.name ?? label }}</span>
                <span class="block caption">{{
                    file ? `${Math.max(1, Math.round(file.size / 1000))} KB. Drop another one to replace it.` : hint
                }}</span>
            </span>
            <input
                :id="id"
                type="file"
                class="sr-only"
                :accept="accept"
                :aria-label="label"
                @change="take(($event.target as HTMLInputElement).files)"
            />
        </label>
        <p v-if="error" class="mt-1 font-medium text-clay-deep" role="alert">{{ error }}</p>
    </div>
</template>
