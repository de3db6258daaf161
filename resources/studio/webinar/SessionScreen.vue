<script setup lang="ts">
import { ArrowLeftIcon } from '@heroicons/vue/20/solid';
import { useIntervalFn } from '@vueuse/core';
import { computed, defineAsyncComponent, onMounted, ref } from 'vue';
import { useRoute } from 'vue-router';
import { api, ApiError } from '@/api/client';
import type { SessionShown } from '@/api/types';
import { useToasts } from '@/stores/toasts';
import { dateTime } from '@/ui/format';
import NotHere from '@/ui/NotHere.vue';
import ControlRoom from '@/webinar/ControlRoom.vue';

/** One session: its control room while it is to come or on, its report afterwards. */
const SessionReport = defineAsyncComponent(() => import('@/webinar/SessionReport.vue'));
const route = useRoute();
const toasts = useToasts();
const shown = ref<SessionShown | null>(null);
const missing = ref(false);
const path = computed(() => `parts/${String(route.params.part)}/webinar/sessions/${String(route.params.session)}`);
const tab = ref<'room' | 'report' | ''>('');
const over = computed(() => shown.value?.room.state === 'over' || shown.value?.room.state === 'cancelled');
const open = computed(() => tab.value || (over.value ? 'report' : 'room'));

async function load(): Promise<void> {
    try {
        shown.value = await api.get<SessionShown>(path.value);
    } catch (error) {
        missing.value = error instanceof ApiError && error.status === 404;
        if (!missing.value && shown.value === null) {
            toasts.trouble(error);
        }
    }
}
onMounted(load);
// The live hour goes on by itself; afterwards nothing changes so fast.
useIntervalFn(() => {
    if (document.visibilityState === 'visible' && !over.value) {
        void load();
    }
}, 3000);
</script>

<template>
    <NotHere v-if="missing" />
    <div v-else-if="shown" class="mx-auto flex h-full max-w-6xl flex-col px-6 pt-5">
        <header class="flex flex-wrap items-baseline gap-x-4">
            <RouterLink class="-ml-2 btn-quiet" :to="`/funnels/${shown.funnel}/webinar/${shown.webinar}`"
                ><ArrowLeftIcon class="size-4" aria-hidden="true" />The webinar</RouterLink
            >
            <h1 class="text-2xl">{{ shown.title }}</h1>
            <p class="text-soft">{{ shown.key === 'd' ? 'On demand' : dateTime(shown.startsAt) }}</p>
            <div class="ml-auto flex gap-1" role="tablist" aria-label="Parts of this screen">
                <button
                    v-for="t in [
                        { id: 'room', label: shown.mode === 'live' ? 'Control room' : 'Room' },
                        { id: 'report', label: 'Report' },
                    ] as const"
                    :key="t.id"
                    type="button"
                    role="tab"
                    class="border-b-2 px-3 py-1.5 font-medium"
                    :class="open === t.id ? 'border-lamp' : 'border-transparent text-soft'"
                    :aria-selected="open === t.id"
                    @click="tab = t.id"
                >
                    {{ t.label }}
                </button>
            </div>
        </header>
        <div class="min-h-0 flex-1 overflow-auto pt-4 pb-8">
            <ControlRoom v-if="open === 'room'" :shown="shown" :path="path" @took="(s: SessionShown) => (shown = s)" @reload="load" />
            <SessionReport v-else :shown="shown" :path="path" />
        </div>
    </div>
    <p v-else class="p-10 text-soft" role="status">Opening the session …</p>
</template>
