<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Picture } from '@/api/types';
import MediaLibrary from '@/funnel/desk/column/MediaLibrary.vue';
import { useLibrary } from '@/stores/library';

const props = defineProps<{ chosen?: string; label: string }>();
const emit = defineEmits<{ choose: [Picture | null] }>();

const library = useLibrary();
void library.load('videos');
const open = ref(false);
const video = computed(() => library.videos.find((v) => v.id === props.chosen));

function choose(made: Picture): void {
    open.value = false;
    emit('choose', made);
}
</script>

<template>
    <div role="group" :aria-label="label">
        <span class="label" aria-hidden="true">{{ label }}</span>
        <p v-if="video" class="mb-1 truncate">{{ video.name }}</p>
        <button type="button" class="btn" @click="open = true">{{ chosen ? 'Another one' : 'Choose a video' }}</button>
        <button v-if="chosen" type="button" class="btn-quiet" @click="emit('choose', null)">None</button>
        <MediaLibrary :open="open" kind="videos" :chosen="chosen" @choose="choose" @close="open = false" />
    </div>
</template>
