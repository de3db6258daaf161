<script setup lang="ts">
import { CheckCircleIcon, ExclamationTriangleIcon } from '@heroicons/vue/20/solid';
import { ref } from 'vue';
import { api } from '@/api/client';
import type { PlayedPromise } from '@/api/types';
import { useToasts } from '@/stores/toasts';

/** Promises of a funnel, played with the draft as it is: which hold, and what of the others does not. */
defineProps<{ promises: PlayedPromise[]; onlyBroken?: boolean }>();
const emit = defineEmits<{ show: [string]; changed: [] }>();

const toasts = useToasts();
const busy = ref('');
async function act(id: string, work: () => Promise<unknown>, done: string): Promise<void> {
    busy.value = id;
    try {
        await work();
        toasts.say(done);
        emit('changed');
    } catch (error) {
        toasts.trouble(error);
    } finally {
        busy.value = '';
    }
}
const renew = (one: PlayedPromise) => act(one.id, () => api.post(`parts/${one.id}/promise/renew`), 'It is promised as it comes out now.');
const remove = (one: PlayedPromise) => act(one.id, () => api.delete(`parts/${one.id}`), 'The promise is removed.');
</script>

<template>
    <ul class="divide-y divide-line">
        <li v-for="one in promises.filter((p) => !onlyBroken || p.broken.length > 0)" :key="one.id" class="py-3" data-test="promise">
            <p class="flex items-start gap-2">
                <component
                    :is="one.broken.length > 0 ? ExclamationTriangleIcon : CheckCircleIcon"
                    class="mt-0.5 size-5 shrink-0"
                    :class="one.broken.length > 0 ? 'text-clay' : 'text-pine'"
                    aria-hidden="true"
                />
                <span
                    ><strong class="font-semibold">{{ one.name }}</strong
                    ><span class="caption"> · {{ one.broken.length > 0 ? 'does not hold any more' : 'holds' }}</span></span
                >
            </p>
            <ul v-if="one.broken.length > 0" class="mt-1 ml-7 list-disc space-y-0.5 pl-4">
                <li v-for="sentence in one.broken" :key="sentence">{{ sentence }}</li>
            </ul>
            <div class="mt-2 ml-7 flex flex-wrap gap-2">
                <button type="button" class="btn" @click="emit('show', one.id)">Show me</button>
                <button v-if="one.broken.length > 0" type="button" class="btn-quiet" :disabled="busy === one.id" @click="renew(one)">
                    Promise it as it is now
                </button>
                <button type="button" class="btn-quiet" :disabled="busy === one.id" @click="remove(one)">Remove</button>
            </div>
        </li>
    </ul>
</template>
