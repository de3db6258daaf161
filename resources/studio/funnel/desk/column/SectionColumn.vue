<script setup lang="ts">
import { Bars3Icon, ChevronLeftIcon } from '@heroicons/vue/20/solid';
import { computed, ref } from 'vue';
import { VueDraggable } from 'vue-draggable-plus';
import type { Block, Section } from '@/api/types';
import NameDialog from '@/funnel/desk/NameDialog.vue';
import BackgroundFields from '@/funnel/desk/column/BackgroundFields.vue';
import DesignGlyph from '@/funnel/desk/column/DesignGlyph.vue';
import EntranceField from '@/funnel/desk/column/EntranceField.vue';
import HiddenField from '@/funnel/desk/column/HiddenField.vue';
import OwnLook from '@/funnel/desk/column/OwnLook.vue';
import { useDesk } from '@/funnel/desk/useDesk';
import { useFunnel } from '@/funnel/funnelStore';
import { useSteps } from '@/funnel/steps';
import { useToasts } from '@/stores/toasts';
import { useSession } from '@/stores/session';
import UiListbox from '@/ui/UiListbox.vue';
import UiMenu from '@/ui/UiMenu.vue';

const props = defineProps<{ section: Section }>();
const emit = defineEmits<{ add: [after: string] }>();

const desk = useDesk();
const store = useFunnel();
const steps = useSteps();
const toasts = useToasts();
const session = useSession();
const naming = ref<'share' | 'keep' | null>(null);
const kind = computed(() => session.kit.sections.find((k) => k.id === props.section.kind)?.label ?? props.section.kind);
const designs = computed(() => session.kit.designs.filter((d) => d.kind === props.section.kind));
/** The design it is in: the one whose arrangement, styles and tone it has. */
const current = computed(() => {
    const tone = props.section.background?.tone ?? '';
    const score = (d: (typeof designs.value)[number]) =>
        (d.arrangement === props.section.arrangement ? 4 : 0) +
        (d.tone === tone ? 1 : 0) +
        props.section.blocks.reduce((sum, b) => sum + (d.styles[b.kind] !== undefined && d.styles[b.kind] === styleOf(b) ? 2 : 0), 0);
    return [...designs.value].sort((a, b) => score(b) - score(a))[0]?.id;
});
const blocks = computed({
    get: () => props.section.blocks,
    set: (now: Block[]) =>
        desk.orderBlocks(
            props.section.id,
            now.map((b) => b.id),
        ),
});
const shared = computed(() => (props.section.shared ? store.shared(props.section.shared) : undefined));
const shownOn = computed(
    () => store.funnel?.pages.filter((p) => p.document.sections.some((s) => s.shared && s.shared === props.section.shared)) ?? [],
);

const styleOf = (b: Block) => b.style || session.kit.blocks.find((k) => k.id === b.kind)?.styles[0];
const label = (b: Block) => session.kit.blocks.find((k) => k.id === b.kind)?.label ?? b.kind;
const words = (b: Block) =>
    String(b.text ?? b.name ?? b.html ?? '')
        .replace(/<[^>]*>/g, ' ')
        .trim();

async function onName(name: string): Promise<void> {
    const what = naming.value;
    naming.value = null;
    try {
        if (what === 'share') {
            await desk.share(props.section.id, name);
        } else {
            await steps.keepDesign({ kind: 'section', name, section: { ...props.section, shared: undefined } });
        }
    } catch (error) {
        toasts.trouble(error);
    }
}

function onKey(event: KeyboardEvent, id: string): void {
    if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
        event.preventDefault();
        event.stopPropagation();
        desk.moveBlock(props.section.id, id, event.key === 'ArrowUp' ? -1 : 1);
    }
}

function forPhones(id: string): void {
    const other = store.shared(id);
    if (other) {
        desk.standInOnPhones(props.section.id, other);
    }
}

const others = computed(() => [
    { value: '', label: 'The same' },
    ...(store.funnel?.sharedSections.filter((s) => s.id !== props.section.shared).map((s) => ({ value: s.id, label: s.name })) ?? []),
]);
</script>

<template>
    <div class="space-y-5">
        <div class="column-head">
            <button type="button" class="-ml-2 btn-quiet" @click="desk.select(null)">
                <ChevronLeftIcon class="size-4" aria-hidden="true" />{{ desk.kind === 'page' ? 'The page' : 'The pop-up' }}
            </button>
            <h2 class="text-xl">{{ kind }}</h2>
        </div>
        <div v-if="shared" class="rounded bg-lamp-pale p-3">
            <p>
                <span class="font-medium">“{{ shared.name }}” is shared.</span> What you change here changes on
                {{ shownOn.length === 1 ? 'this page, the only one that shows it' : shownOn.map((p) => p.name).join(', ') }}.
            </p>
            <div class="mt-2 flex flex-wrap gap-2">
                <button
                    v-if="shownOn.length < (store.funnel?.pages.length ?? 0)"
                    type="button"
                    class="btn"
                    @click="desk.showEverywhere(shared)"
                >
                    Show on all pages
                </button>
                <button type="button" class="btn-quiet" @click="desk.detach(section.id)">Make a copy for this page</button>
            </div>
            <UiListbox
                v-if="others.length > 1 && !section.hidden"
                class="mt-2"
                model-value=""
                :options="others"
                label="On phones"
                @update:model-value="forPhones"
            />
        </div>
        <section v-if="desk.kind === 'page'">
            <h3 class="label">Design</h3>
            <div class="grid grid-cols-3 gap-2" role="group" aria-label="Design">
                <button
                    v-for="design in designs"
                    :key="design.id"
                    type="button"
                    class="rounded border p-1 text-left hover:bg-lamp-pale"
                    :class="current === design.id ? 'border-ink ring-1 ring-ink' : 'border-line'"
                    :aria-pressed="current === design.id"
                    @click="desk.redesign(section.id, design.id)"
                >
                    <DesignGlyph :design="design" />
                    <span class="mt-1 block text-xs leading-tight">{{ design.name }}</span>
                </button>
            </div>
        </section>
        <section>
            <h3 class="label">What it holds</h3>
            <VueDraggable v-model="blocks" tag="ol" handle=".handle" :force-fallback="true" :animation="120" class="space-y-0.5">
                <li v-for="b in blocks" :key="b.id" class="flex items-center gap-1">
                    <span class="handle cursor-grab p-1 text-edge" aria-hidden="true"><Bars3Icon class="size-4" /></span>
                    <button
                        type="button"
                        class="min-w-0 flex-1 truncate rounded px-2 py-1 text-left hover:bg-lamp-pale"
                        aria-keyshortcuts="Alt+ArrowUp Alt+ArrowDown"
                        @keydown="onKey($event, b.id)"
                        @click="desk.select({ section: section.id, block: b.id })"
                    >
                        <span class="font-medium">{{ label(b) }}</span> <span class="text-soft">{{ words(b) }}</span>
                    </button>
                </li>
            </VueDraggable>
            <UiMenu
                class="mt-2"
                label="Add a block"
                button-class="btn"
                left
                :items="session.kit.blocks.map((k) => ({ label: k.label, run: () => desk.addBlock(section.id, k.id) }))"
            />
        </section>
        <BackgroundFields
            section
            :model-value="section.background"
            :look="section.look"
            @update:model-value="
                (background, now) => desk.editSection(section.id, 'the background of a section', (s) => (s.background = background), now)
            "
        />
        <OwnLook
            :model-value="section.look"
            whose="As the page"
            @update:model-value="(look) => desk.editSection(section.id, 'the look of a section', (s) => (s.look = look))"
        />
        <EntranceField
            v-if="desk.kind === 'page'"
            :model-value="section.entrance"
            @update:model-value="
                (entrance) =>
                    desk.editDocument('how a section comes in', (d) =>
                        d.sections.filter((s) => s.id === section.id).forEach((s) => (s.entrance = entrance)),
                    )
            "
        />
        <HiddenField
            v-if="desk.kind === 'page'"
            :model-value="section.hidden"
            @update:model-value="
                (hidden) =>
                    desk.editDocument('where a section is shown', (d) =>
                        d.sections.filter((s) => s.id === section.id).forEach((s) => (s.hidden = hidden)),
                    )
            "
        />
        <section v-if="desk.kind === 'page'" class="flex flex-wrap gap-2">
            <button type="button" class="btn" @click="desk.moveSection(section.id, -1)">Up</button>
            <button type="button" class="btn" @click="desk.moveSection(section.id, 1)">Down</button>
            <button type="button" class="btn" @click="desk.duplicateSection(section.id)">Duplicate</button>
            <button type="button" class="btn" @click="desk.copySection(section.id)">Copy</button>
            <button v-if="desk.canPaste()" type="button" class="btn" @click="desk.pasteSection(section.id)">Paste below</button>
            <button v-if="!section.shared" type="button" class="btn" @click="naming = 'share'">Share it</button>
            <button type="button" class="btn" @click="naming = 'keep'">Save as design</button>
            <button type="button" class="btn" @click="emit('add', section.id)">Section below</button>
            <button type="button" class="btn text-clay-deep" @click="desk.removeSection(section.id)">Remove</button>
        </section>
        <NameDialog
            :open="naming !== null"
            :title="naming === 'share' ? 'Share this section' : 'Save this section as a design'"
            :words="
                naming === 'share'
                    ? 'It is kept once; every page that shows it follows when you change it.'
                    : 'You can use it on any page of any funnel, as a copy.'
            "
            :given="kind"
            :button="naming === 'share' ? 'Share it' : 'Save'"
            @name="onName"
            @close="naming = null"
        />
    </div>
</template>
