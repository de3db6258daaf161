<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Picture } from '@/api/types';
import MediaLibrary from '@/funnel/desk/column/MediaLibrary.vue';
import { useLibrary } from '@/stores/library';

const props = defineProps<{ chosen?: string; label: string }>();
const emit = defineEmits<{ choose: [Picture | null] }>();

const library = useLibrary();
void library.load('pictures');
const open = ref(false);
const picture = computed(() => library.pictures.find((p) => p.id === props.chosen));

function choose(made: Picture): void {
    open.value = false;
    emit('choose', made);
}
</script>

<template>
    <div role="group" :aria-label="label">
        <span class="label" aria-hidden="true">{{ label }}</span>
        <div class="flex items-center gap-2">
            <img v-if="picture" :src="picture.src" :alt="picture.name" class="size-14 rounded border border-line object-cover" />
            <button type="button" class="btn" @click="open = true">{{ chosen ? 'Another one' : 'Choose a picture' }}</button>
            <button v-if="chosen" type="button" class="btn-quiet" @click="emit('choose', null)">None</button>
        </div>
        <MediaLibrary :open="open" kind="pictures" :chosen="chosen" @choose="choose" @close="open = false" />
    </div>
</template>
