<script setup lang="ts">
import { copy } from '@/ui/copy';
import { ArrowTopRightOnSquareIcon, ArrowUturnLeftIcon, ArrowUturnRightIcon, LinkIcon } from '@heroicons/vue/20/solid';
import { useEventListener } from '@vueuse/core';
import { computed, defineAsyncComponent, ref, watch, type Component } from 'vue';
import { useRoute } from 'vue-router';
import { ApiError } from '@/api/client';
import FunnelDesk from '@/funnel/desk/FunnelDesk.vue';
import SetAsideNotice from '@/funnel/SetAsideNotice.vue';
import PublishDialog from '@/funnel/golive/PublishDialog.vue';
import UiMenu from '@/ui/UiMenu.vue';
import TimeLine from '@/funnel/timeline/TimeLine.vue';
import { useFunnel } from '@/funnel/funnelStore';
import { findPart, isPartKind, kindsOfParts, partEntry, type PartKind } from '@/funnel/parts';
import { useToasts } from '@/stores/toasts';
import { usePulse } from '@/stores/pulse';
import NotHere from '@/ui/NotHere.vue';
import { useLeaving } from '@/ui/leaving';
import StateMark from '@/ui/StateMark.vue';

const route = useRoute();
const store = useFunnel();
const toasts = useToasts();
const folded = ref(false);
const publishing = ref(false);
const missing = ref(false);
const news = ref(0);

watch(
    () => route.params.id,
    async (id) => {
        if (typeof id !== 'string') {
            return;
        }
        missing.value = false;
        try {
            await store.flush();
            await store.load(id);
        } catch (error) {
            missing.value = error instanceof ApiError && error.status === 404;
            if (!missing.value) {
                toasts.trouble(error);
            }
        }
    },
    { immediate: true },
);
// With something on the desk the timeline steps back to a strip.
watch(
    () => route.params.part,
    (part) => (folded.value = Boolean(part) || route.params.open === 'offers'),
    { immediate: true },
);

usePulse(async () => {
    news.value++;
    await store.refreshNumbers();
});

useEventListener('keydown', (event: KeyboardEvent) => {
    if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') {
        return;
    }
    // A field that is being typed in undoes by itself; everywhere else the draft does.
    if (event.target instanceof HTMLElement && event.target.closest('input, textarea, [contenteditable="true"]')) {
        return;
    }
    event.preventDefault();
    void (event.shiftKey ? store.redo() : store.undo());
});
const troubled = computed(() => ['offline', 'conflict', 'refused'].includes(store.status));
/** Where the thing is that could not be saved as it is. */
const refusedPath = computed(() => {
    const at = store.refusedAt;
    const open = at?.kind === 'funnel' ? 'settings' : `${at?.kind}/${at?.id}`;
    return at && at.kind !== 'shared-section' ? `/funnels/${store.funnel?.id}/${open}` : '';
});
useLeaving({ flush: store.flush, saved: () => store.status === 'saved', trouble: () => (troubled.value ? store.saving : '') });

const part = computed(() => String(route.params.part ?? ''));
/** What on the page is to be shown first: where the go-live check found something. */
const place = computed(() => (typeof route.query.place === 'string' ? route.query.place : ''));
const desks = new Map<PartKind, Component>();
for (const kind of kindsOfParts) {
    const load = partEntry(kind).desk;
    if (load) {
        desks.set(kind, defineAsyncComponent(load));
    }
}
/** What stands on the desk; nothing where it is the funnel itself, or what is named is not in it. */
const desk = computed(() => {
    const open = String(route.params.open ?? '');
    const kind = open === 'offers' ? 'offer' : open;
    const is = isPartKind(kind) ? desks.get(kind) : undefined;
    if (!isPartKind(kind) || !is || (open !== 'offers' && !findPart(store.funnel, kind, part.value))) {
        return null;
    }
    const { takesPlace, takesKind } = partEntry(kind);
    return {
        is,
        // What is sold stands in one list: going from one to the next leaves it as it is.
        key: takesKind ? 'offers' : part.value + (takesPlace ? place.value : ''),
        props: { id: part.value, ...(takesKind ? { open } : {}), ...(takesPlace ? { place: place.value } : {}) },
    };
});
const live = computed(() => store.funnel?.state === 'live');

const take = (what: string) => location.assign(`/studio/api/funnels/${store.funnel?.id}/${what}`);
const exports = [
    { label: 'The whole funnel, to import elsewhere', run: () => take('export') },
    { label: 'The pages as HTML', run: () => take('html') },
];
</script>

<template>
    <NotHere v-if="missing" />
    <div v-else-if="store.funnel" class="flex h-full min-h-0 flex-col print:block print:h-auto">
        <header class="flex h-15 shrink-0 items-center gap-4 px-6">
            <RouterLink :to="`/funnels/${store.funnel.id}`" class="min-w-0 rounded">
                <h1 class="truncate text-xl">{{ store.funnel.name }}</h1>
            </RouterLink>
            <StateMark :state="store.funnel.state" />
            <span class="hidden caption xl:inline">{{
                store.funnel.liveVersion && live ? `version ${store.funnel.liveVersion}` : ''
            }}</span>
            <div class="ml-auto flex items-center gap-1.5 print:hidden">
                <span
                    class="mr-1 caption"
                    role="status"
                    :class="troubled ? 'line-clamp-2 max-w-100 text-right font-medium text-clay-deep' : 'max-w-70 truncate'"
                    :title="store.saving"
                    ><RouterLink v-if="store.status === 'refused' && refusedPath" :to="refusedPath" class="underline">{{
                        store.saving
                    }}</RouterLink
                    ><template v-else>{{ store.saving }}</template></span
                >
                <button v-if="store.status === 'conflict'" type="button" class="btn" @click="store.takeNewer">Load the newer one</button>
                <button
                    type="button"
                    class="btn-quiet"
                    :disabled="store.done.length === 0"
                    aria-label="Undo"
                    title="Undo (Ctrl Z)"
                    @click="store.undo"
                >
                    <ArrowUturnLeftIcon class="size-4.5" aria-hidden="true" />
                </button>
                <button
                    type="button"
                    class="btn-quiet"
                    :disabled="store.undone.length === 0"
                    aria-label="Redo"
                    title="Redo (Shift Ctrl Z)"
                    @click="store.redo"
                >
                    <ArrowUturnRightIcon class="size-4.5" aria-hidden="true" />
                </button>
                <RouterLink :to="`/funnels/${store.funnel.id}/rehearsal`" class="btn-quiet">Rehearse</RouterLink>
                <UiMenu label="Export" button-class="btn-quiet" :items="exports" />
                <template v-if="live">
                    <button type="button" class="btn" @click="copy('The link', store.funnel.url)">
                        <LinkIcon class="size-4.5" aria-hidden="true" />Copy link
                    </button>
                    <a class="btn" :href="store.funnel.openUrl" target="_blank" rel="noopener"
                        ><ArrowTopRightOnSquareIcon class="size-4.5" aria-hidden="true" />Open</a
                    >
                </template>
                <button v-if="!live || store.funnel.changed" type="button" class="btn-main" @click="publishing = true">
                    Publish version {{ store.funnel.changed ? store.funnel.nextVersion : store.funnel.liveVersion }}
                </button>
                <span v-else class="px-2 font-medium text-pine">All changes are live</span>
            </div>
        </header>
        <SetAsideNotice />
        <!-- With something on the desk the desk scrolls by itself; without, the timeline and what else there is scroll as one. -->
        <div class="flex min-h-0 flex-1 flex-col print:block print:overflow-visible" :class="{ 'overflow-auto': !desk || !folded }">
            <TimeLine v-model:folded="folded" />
            <div v-if="desk" class="min-h-0 flex-1" :class="{ 'min-h-110': !folded }">
                <component :is="desk.is" :key="desk.key" v-bind="desk.props" />
            </div>
            <FunnelDesk v-else class="print:hidden" :news="news" @publish="publishing = true" />
        </div>
        <PublishDialog :open="publishing" @close="publishing = false" />
    </div>
    <p v-else class="p-10 text-soft" role="status">Opening the funnel …</p>
</template>
