<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Picture } from '@/api/types';
import MediaLibrary from '@/funnel/desk/column/MediaLibrary.vue';
import { useLibrary, type MediaKind } from '@/stores/library';

/** A picture of the owner's, or with `kind` a video. */
const props = withDefaults(defineProps<{ chosen?: string; label: string; kind?: MediaKind }>(), { chosen: undefined, kind: 'pictures' });
const emit = defineEmits<{ choose: [Picture | null] }>();

const library = useLibrary();
void library.load(props.kind);
const open = ref(false);
const shown = computed(() => library[props.kind].find((m) => m.id === props.chosen));
const one = computed(() => (props.kind === 'pictures' ? 'picture' : 'video'));

function choose(made: Picture): void {
    open.value = false;
    emit('choose', made);
}
</script>

<template>
    <div role="group" :aria-label="label">
        <span class="label" aria-hidden="true">{{ label }}</span>
        <p v-if="shown && kind === 'videos'" class="mb-1 truncate">{{ shown.name }}</p>
        <div class="flex items-center gap-2">
            <img
                v-if="shown && kind === 'pictures'"
                :src="shown.src"
                :alt="shown.name"
                class="size-14 rounded border border-line object-cover"
            />
            <button type="button" class="btn" @click="open = true">{{ chosen ? 'Another one' : `Choose a ${one}` }}</button>
            <button v-if="chosen" type="button" class="btn-quiet" @click="emit('choose', null)">None</button>
        </div>
        <MediaLibrary :open="open" :kind="kind" :chosen="chosen" @choose="choose" @close="open = false" />
    </div>
</template>
