<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { ref } from 'vue';
import type { Mark } from '@/funnel/timeline/layout';

/** An email on the lane of its sequence; dragged, or moved by Alt and the arrows, it goes out at another moment. */
const props = defineProps<{ mark: Mark; open: boolean; note: string }>();
const emit = defineEmits<{ open: []; move: [by: -1 | 1]; drop: [x: number] }>();

const STILL = 6;
const shift = ref(0);
let from: number | null = null;

function begin(event: PointerEvent): void {
    from = event.button === 0 ? event.clientX : null;
}
useEventListener(window, 'pointermove', (event: PointerEvent) => {
    if (from !== null && (shift.value !== 0 || Math.abs(event.clientX - from) > STILL)) {
        shift.value = event.clientX - from || 1;
    }
});
useEventListener(window, 'pointerup', () => {
    const by = shift.value;
    from = null;
    if (by !== 0) {
        emit('drop', props.mark.x + by);
        // The click that ends it opens nothing.
        setTimeout(() => (shift.value = 0));
    }
});
useEventListener(window, 'pointercancel', () => {
    from = null;
    shift.value = 0;
});
</script>

<template>
    <button
        type="button"
        class="mark"
        :class="{ open }"
        :style="{ left: `${mark.x}px`, maxWidth: mark.room > 0 ? `${mark.room + 20}px` : undefined, translate: `${shift}px` }"
        :title="`${mark.email.name}\n${mark.email.timingWords}${mark.email.only.rules.length > 0 ? ', to some only' : ''}\n${note}`"
        :aria-label="`${mark.email.name}, ${mark.email.timingWords}`"
        :aria-current="open ? 'true' : undefined"
        @pointerdown="begin"
        @click="shift === 0 && emit('open')"
        @keydown.alt.left.prevent="emit('move', -1)"
        @keydown.alt.right.prevent="emit('move', 1)"
    >
        <span class="dot" :class="{ some: mark.email.only.rules.length > 0 }" aria-hidden="true"></span>
        <span v-if="mark.room > 0" class="truncate bg-raised px-0.5 text-sm" aria-hidden="true">{{ mark.email.name }}</span>
    </button>
</template>

<style scoped>
@reference '../../style.css';
.mark {
    @apply absolute top-2 -ml-2.5 flex h-5 touch-none items-center gap-1 rounded-full;
}
.dot {
    @apply m-1 block size-3 shrink-0 rounded-full border-2 border-raised bg-pine outline outline-pine;
    /* Hollow: it goes to some only. */
    &.some {
        @apply border-pine bg-raised outline-raised;
    }
}
.mark:hover .dot,
.mark.open .dot {
    @apply scale-130;
}
.mark.open {
    @apply font-semibold;
    & .dot {
        @apply bg-lamp;
    }
}
</style>
