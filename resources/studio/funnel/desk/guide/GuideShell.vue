<script setup lang="ts">
import { Cog6ToothIcon, UsersIcon } from '@heroicons/vue/24/outline';
import { Bars3Icon, EyeSlashIcon, PlusIcon } from '@heroicons/vue/20/solid';
import { computed, ref } from 'vue';
import { VueDraggable } from 'vue-draggable-plus';
import { useRouter } from 'vue-router';
import type { Guide, GuidePage } from '@/api/types';
import DocumentDialog from '@/funnel/desk/guide/DocumentDialog.vue';
import { useFunnel } from '@/funnel/funnelStore';
import { useGuideSteps } from '@/funnel/guideSteps';
import { partPath } from '@/funnel/parts';
import { useToasts } from '@/stores/toasts';
import { toRead } from '@/funnel/desk/guide/words';

/** A guide on the desk: at the left its pages in their order, beside them what is open of it. */
const props = defineProps<{ guide: Guide; open: string }>();

const store = useFunnel();
const steps = useGuideSteps();
const router = useRouter();
const toasts = useToasts();
const reading = ref(false);

const list = computed({
    get: () => store.funnel?.guidePages.filter((p) => p.guide === props.guide.id) ?? [],
    set: (now: GuidePage[]) => put(now.map((p) => p.id)),
});
const to = (page: string) => partPath(store.funnel!, 'guide-page', page);

function put(ids: string[]): void {
    const rank = new Map(ids.map((id, i) => [id, i]));
    // At once on the screen; the server follows.
    store.funnel!.guidePages.sort((a, b) => (rank.get(a.id) ?? 0) - (rank.get(b.id) ?? 0));
    steps.order(props.guide.id, ids).catch(toasts.trouble);
}
function move(page: GuidePage, by: -1 | 1): void {
    const ids = list.value.map((p) => p.id);
    const at = ids.indexOf(page.id);
    if (ids[at + by] !== undefined) {
        ids.splice(at, 1);
        ids.splice(at + by, 0, page.id);
        put(ids);
    }
}
function onKey(event: KeyboardEvent, page: GuidePage): void {
    if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
        event.preventDefault();
        move(page, event.key === 'ArrowUp' ? -1 : 1);
    }
}
async function add(): Promise<void> {
    try {
        const after = list.value.some((p) => p.id === props.open) ? props.open : undefined;
        const [page] = await steps.addPages(props.guide.id, { after });
        await router.push(to(page!.id));
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <div class="grid h-full min-h-0 grid-cols-[13.5rem_minmax(0,1fr)]">
        <nav class="flex min-h-0 flex-col overflow-auto border-r border-line bg-raised py-3" aria-label="The guide">
            <RouterLink
                :to="partPath(store.funnel!, 'guide', guide.id)"
                class="item px-4"
                :class="{ open: open === 'guide' }"
                :aria-current="open === 'guide' ? 'page' : undefined"
                ><Cog6ToothIcon class="size-5 shrink-0" aria-hidden="true" />Guide settings</RouterLink
            >
            <RouterLink
                :to="`${partPath(store.funnel!, 'guide', guide.id)}?view=readers`"
                class="item px-4"
                :class="{ open: open === 'readers' }"
                :aria-current="open === 'readers' ? 'page' : undefined"
                ><UsersIcon class="size-5 shrink-0" aria-hidden="true" />Readers</RouterLink
            >
            <h2 class="mt-3 mb-1 px-4 font-sans text-sm font-normal text-soft">Pages</h2>
            <VueDraggable v-model="list" tag="ol" handle=".handle" :force-fallback="true" :animation="120">
                <li v-for="(page, i) in list" :key="page.id" class="group flex items-center pl-1">
                    <span class="handle cursor-grab p-0.5 text-edge opacity-0 group-hover:opacity-100" aria-hidden="true"
                        ><Bars3Icon class="size-4"
                    /></span>
                    <RouterLink
                        :to="to(page.id)"
                        class="item min-w-0 flex-1 pr-3 pl-1"
                        :class="{ open: open === page.id, 'text-soft': page.hidden }"
                        :aria-current="open === page.id ? 'page' : undefined"
                        aria-keyshortcuts="Alt+ArrowUp Alt+ArrowDown"
                        @keydown="onKey($event, page)"
                        ><span class="w-5 shrink-0 text-right text-sm text-soft">{{ i + 1 }}</span>
                        <span class="min-w-0 flex-1"
                            ><span class="block truncate">{{ page.name }}</span
                            ><span class="block truncate text-xs text-soft">{{ page.hidden ? 'hidden' : toRead(page.seconds) }}</span></span
                        ><EyeSlashIcon v-if="page.hidden" class="size-4 shrink-0" aria-hidden="true"
                    /></RouterLink>
                </li>
            </VueDraggable>
            <p v-if="list.length === 0" class="px-4 text-soft">No page yet.</p>
            <div class="mt-2 flex flex-col items-start px-2">
                <button type="button" class="btn-quiet" @click="add"><PlusIcon class="size-4.5" aria-hidden="true" />Add a page</button>
                <button type="button" class="btn-quiet" @click="reading = true">
                    <PlusIcon class="size-4.5" aria-hidden="true" />From a document
                </button>
            </div>
        </nav>
        <slot />
        <DocumentDialog :open="reading" :guide="guide" @close="reading = false" />
    </div>
</template>

<style scoped>
@reference '../../../style.css';
.item {
    @apply flex items-center gap-2 py-1.5 text-left leading-tight;
    &:hover {
        @apply bg-lamp-pale/60;
    }
    &.open {
        @apply bg-lamp-pale font-semibold text-ink;
    }
}
</style>
