<script setup lang="ts">
/** The point of a picture that must stay in sight, however it is cut. */
import { useSession } from '@/stores/session';

const props = defineProps<{ picture: string; x: number; y: number }>();
const emit = defineEmits<{ move: [x: number, y: number] }>();

const site = useSession().session.siteUrl ?? '';
const clamp = (n: number) => Math.max(0, Math.min(100, Math.round(n)));

function onClick(event: MouseEvent): void {
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
    emit('move', clamp(((event.clientX - box.left) / box.width) * 100), clamp(((event.clientY - box.top) / box.height) * 100));
}

function onKey(event: KeyboardEvent): void {
    const step = { ArrowLeft: [-5, 0], ArrowRight: [5, 0], ArrowUp: [0, -5], ArrowDown: [0, 5] }[event.key];
    if (step) {
        event.preventDefault();
        emit('move', clamp(props.x + step[0]!), clamp(props.y + step[1]!));
    }
}
</script>

<template>
    <div>
        <span class="label">What must stay in sight</span>
        <button
            type="button"
            class="relative block w-full cursor-crosshair overflow-hidden rounded border border-line"
            :aria-label="`Point in sight: ${x} percent from the left, ${y} percent from the top. The arrow keys move it.`"
            @click="onClick"
            @keydown="onKey"
        >
            <img :src="`${site}/media/${picture}/480.webp`" alt="" class="block w-full" />
            <span
                class="absolute size-5 -translate-1/2 rounded-full border-2 border-raised bg-lamp shadow"
                :style="{ left: `${x}%`, top: `${y}%` }"
                aria-hidden="true"
            ></span>
        </button>
    </div>
</template>
