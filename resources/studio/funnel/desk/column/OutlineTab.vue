<script setup lang="ts">
import { Bars3Icon, PlusIcon } from '@heroicons/vue/20/solid';
import { computed } from 'vue';
import { VueDraggable } from 'vue-draggable-plus';
import type { Section } from '@/api/types';
import { asRead } from '@/ui/mergeFields';
import { useSampleReader } from '@/funnel/desk/useSampleReader';
import { useDesk } from '@/funnel/desk/useDesk';
import { useSession } from '@/stores/session';

defineEmits<{ add: [after: string] }>();

const desk = useDesk();
const session = useSession();
const { fill } = useSampleReader();
const list = computed({
    get: () => desk.sections.value,
    set: (now: Section[]) => desk.orderSections(now.map((s) => s.id)),
});
/** After which a new one goes: the last that is no footer. */
const last = computed(() => desk.sections.value.findLast((s) => s.kind !== 'footer') ?? desk.sections.value.at(-1));
const kindOf = (section: Section) =>
    [...session.kit.sections, ...session.kit.guideSections].find((k) => k.id === section.kind)?.label ?? section.kind;

function title(section: Section): string {
    const heading = section.blocks.find((b) => b.kind === 'heading') ?? section.blocks[0];
    const words = String(heading?.text ?? heading?.html ?? '').replace(/<[^>]*>/g, ' ');
    return asRead(words.trim(), fill);
}

function onKey(event: KeyboardEvent, id: string): void {
    if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
        event.preventDefault();
        event.stopPropagation();
        desk.moveSection(id, event.key === 'ArrowUp' ? -1 : 1);
    }
}
</script>

<template>
    <div>
        <p class="mb-3 text-soft">Click any words on the page and type. Click a section to arrange it.</p>
        <VueDraggable v-model="list" tag="ol" handle=".handle" :force-fallback="true" :animation="120" class="space-y-1">
            <li v-for="section in list" :key="section.id" class="flex items-center gap-1">
                <span class="handle cursor-grab p-1 text-edge" aria-hidden="true"><Bars3Icon class="size-4" /></span>
                <button
                    type="button"
                    class="min-w-0 flex-1 rounded px-2 py-1.5 text-left hover:bg-lamp-pale"
                    aria-keyshortcuts="Alt+ArrowUp Alt+ArrowDown"
                    @keydown="onKey($event, section.id)"
                    @click="desk.select({ section: section.id })"
                >
                    <span class="block truncate font-medium">{{ title(section) || kindOf(section) }}</span>
                    <span class="block truncate caption"
                        >{{ kindOf(section) }}{{ section.shared ? ' · shared' : ''
                        }}{{ section.hidden ? ` · not on ${section.hidden === 'phone' ? 'phones' : 'desktops'}` : '' }}</span
                    >
                </button>
            </li>
        </VueDraggable>
        <div class="mt-3 flex flex-wrap gap-2">
            <button type="button" class="btn" @click="$emit('add', last?.id ?? '')">
                <PlusIcon class="size-4" aria-hidden="true" />Add a section
            </button>
            <button v-if="desk.canPaste()" type="button" class="btn-quiet" @click="desk.pasteSection(last?.id ?? null)">
                Paste a section
            </button>
        </div>
        <p class="hint mt-3">Move sections with the handle, or with Alt and the arrow keys.</p>
    </div>
</template>
