<script setup lang="ts">
import { computed, ref } from 'vue';
import { ApiError } from '@/api/client';
import type { Picture } from '@/api/types';
import { useLibrary } from '@/stores/library';
import FileDrop from '@/ui/FileDrop.vue';
import TextField from '@/ui/TextField.vue';
import UiDialog from '@/ui/UiDialog.vue';

const props = defineProps<{ open: boolean; kind: 'pictures' | 'videos'; chosen?: string }>();
const emit = defineEmits<{ choose: [Picture]; close: [] }>();

const library = useLibrary();
const search = ref('');
const error = ref('');
const file = ref<File | null>(null);
const shown = computed(() => library[props.kind].filter((p) => p.name.toLowerCase().includes(search.value.toLowerCase())));
const words = computed(() =>
    props.kind === 'pictures'
        ? { one: 'picture', hint: 'PNG, JPEG, WebP or GIF, up to 15 MB.', accept: 'image/png,image/jpeg,image/webp,image/gif' }
        : { one: 'video', hint: 'MP4 or WebM, up to 2 GB.', accept: 'video/mp4,video/webm' },
);

async function bring(given: File): Promise<void> {
    file.value = given;
    error.value = '';
    try {
        emit('choose', await library.bring(props.kind, given));
    } catch (caught) {
        error.value = caught instanceof ApiError ? caught.message : 'It could not be uploaded. Please try again.';
    } finally {
        file.value = null;
    }
}

const size = (bytes: number) => (bytes > 999_999 ? `${(bytes / 1e6).toFixed(1)} MB` : `${Math.max(1, Math.round(bytes / 1000))} KB`);
</script>

<template>
    <UiDialog :open="open" :title="kind === 'pictures' ? 'Your pictures' : 'Your videos'" wide @close="emit('close')">
        <FileDrop
            class="mt-4"
            :file="file"
            :label="file ? 'On its way …' : `Choose a ${words.one}, or drop it here`"
            :hint="words.hint"
            :accept="words.accept"
            :error="error"
            @choose="bring"
        />
        <template v-if="library[kind].length > 0">
            <TextField v-model="search" class="mt-4" label="Find by name" autocomplete="off" />
            <ul class="mt-3 grid max-h-80 grid-cols-4 gap-3 overflow-auto">
                <li v-for="item in shown" :key="item.id">
                    <button
                        type="button"
                        class="block w-full overflow-hidden rounded border p-1 text-left hover:bg-lamp-pale"
                        :class="chosen === item.id ? 'border-ink ring-2 ring-ink' : 'border-line'"
                        :aria-pressed="chosen === item.id"
                        @click="emit('choose', item)"
                    >
                        <img
                            v-if="kind === 'pictures'"
                            :src="item.src"
                            alt=""
                            class="aspect-4/3 w-full rounded-sm object-cover"
                            loading="lazy"
                        />
                        <span class="mt-1 block truncate text-sm font-medium">{{ item.name }}</span>
                        <span class="block caption">{{ item.width ? `${item.width} × ${item.height}` : size(item.bytes) }}</span>
                    </button>
                </li>
            </ul>
            <p v-if="shown.length === 0" class="mt-3 text-soft">None of that name.</p>
        </template>
        <div class="mt-5"><button type="button" class="btn-quiet" @click="emit('close')">Close</button></div>
    </UiDialog>
</template>
