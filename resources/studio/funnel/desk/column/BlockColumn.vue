<script setup lang="ts">
import { ChevronLeftIcon } from '@heroicons/vue/20/solid';
import { computed } from 'vue';
import type { Block, Section } from '@/api/types';
import FormFields from '@/funnel/desk/FormFields.vue';
import HiddenField from '@/funnel/desk/column/HiddenField.vue';
import ItemList from '@/funnel/desk/column/ItemList.vue';
import LinkField from '@/funnel/desk/column/LinkField.vue';
import MediaField from '@/funnel/desk/column/MediaField.vue';
import WordTools from '@/funnel/desk/column/WordTools.vue';
import { useDesk } from '@/funnel/desk/useDesk';
import { useFunnel } from '@/funnel/funnelStore';
import { useSession } from '@/stores/session';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';
import UiMenu from '@/ui/UiMenu.vue';

const props = defineProps<{ section: Section; block: Block }>();
const emit = defineEmits<{
    format: [how: 'bold' | 'italic' | 'in-accent' | 'in-soft' | 'link' | 'plain', value?: string];
    insert: [string];
}>();

const desk = useDesk();
const store = useFunnel();
const session = useSession();
const type = computed(() => session.kit.blocks.find((k) => k.id === props.block.kind));
const has = (field: string) => type.value?.fields.includes(field) ?? false;
const text = (field: string) => String(props.block[field] ?? '');
const form = computed(() => store.form(text('form')));
const gift = computed(() => store.leadMagnet(text('leadMagnet')));
const field = computed(() => desk.selection.value?.field ?? '');
const rich = computed(() => field.value === 'html' || field.value === 'notHtml' || (field.value === '' && has('html')));
const hasWords = computed(() => field.value !== '' || has('text') || has('html') || type.value?.items !== null);
const STYLE_NAMES: Record<string, string> = {
    ticks: 'Ticks',
    dots: 'Dots',
    columns: 'In columns',
    icons: 'With signs',
    steps: 'Numbered steps',
    cards: 'Cards',
    bonuses: 'With their worth',
    plain: 'Plain',
    round: 'Round',
    wide: 'Across the page',
    grid: 'Grid',
    strip: 'Strip',
    main: 'The main one',
    quiet: 'A quiet one',
    link: 'A link',
    large: 'Large',
    wall: 'Wall',
    timeline: 'Along a line',
    table: 'Table',
    figures: 'Ticking figures',
    sentence: 'One sentence',
    card: 'Card',
    folded: 'Folded',
    open: 'Open',
    pairs: 'In two columns',
    row: 'Row',
    line: 'Line',
    space: 'Room',
    ornament: 'Ornament',
};
const styles = computed(() => (type.value?.styles ?? []).map((s) => ({ value: s, label: STYLE_NAMES[s] ?? s })));

function set(values: Record<string, string | undefined>, label: string, now = true): void {
    desk.editBlock(props.section.id, props.block.id, label, (b) => Object.assign(b, values), now);
}
</script>

<template>
    <div class="space-y-5">
        <div>
            <button type="button" class="-ml-2 btn-quiet" @click="desk.select({ section: section.id })">
                <ChevronLeftIcon class="size-4" aria-hidden="true" />The section
            </button>
            <h2 class="text-xl">{{ type?.label }}</h2>
            <p v-if="section.shared" class="caption">Shared: it changes on every page that shows it.</p>
        </div>
        <WordTools
            v-if="hasWords"
            :rich="rich"
            @format="(how, value) => emit('format', how, value)"
            @insert="(words) => emit('insert', words)"
        />
        <UiListbox
            v-if="styles.length > 1"
            :model-value="block.style ?? styles[0]!.value"
            :options="styles"
            label="Style"
            @update:model-value="(style: string) => set({ style: style === styles[0]?.value ? undefined : style }, 'the style of a block')"
        />
        <template v-if="has('picture') && block.kind !== 'video'">
            <MediaField
                :chosen="text('picture') || undefined"
                :label="type?.label ?? 'Picture'"
                @choose="(p) => set({ picture: p?.id }, 'a picture')"
            />
            <TextField
                v-if="has('alt') && block.picture"
                :model-value="text('alt')"
                label="What does it show?"
                hint="Read aloud to those who cannot see it."
                @update:model-value="(alt: string) => set({ alt }, 'the description of a picture', false)"
            />
            <TextField
                v-if="block.kind === 'picture'"
                :model-value="text('text')"
                label="Words below it"
                @update:model-value="(words: string) => set({ text: words || undefined }, 'the words below a picture', false)"
            />
        </template>
        <template v-if="block.kind === 'video'">
            <MediaField
                kind="videos"
                :chosen="text('video') || undefined"
                label="Video of yours"
                @choose="(v) => set({ video: v?.id, url: undefined }, 'a video')"
            />
            <TextField
                v-if="!block.video"
                :model-value="text('url')"
                label="Or the address of one elsewhere"
                hint="Its place must be on your list under Settings."
                @update:model-value="(url: string) => set({ url: url || undefined }, 'the address of a video', false)"
            />
            <MediaField
                :chosen="text('picture') || undefined"
                label="Still shown before it plays"
                @choose="(p) => set({ picture: p?.id }, 'a still')"
            />
            <TextField
                :model-value="text('text')"
                label="What does it show?"
                @update:model-value="(words: string) => set({ text: words }, 'the title of a video', false)"
            />
        </template>
        <LinkField
            v-if="has('url') && block.kind !== 'video'"
            :model-value="text('url')"
            label="Leads to"
            @update:model-value="(url: string) => set({ url }, 'where a button leads')"
        />
        <label v-if="has('until')" class="block">
            <span class="label">Until when</span>
            <input
                type="datetime-local"
                class="input"
                :value="text('until')"
                @change="set({ until: ($event.target as HTMLInputElement).value.slice(0, 16) }, 'the end of a countdown')"
            />
            <span class="hint">On the clocks of {{ session.zone }}.</span>
        </label>
        <UiListbox
            v-if="form && (store.funnel?.forms.length ?? 0) > 1"
            :model-value="form.id"
            label="Which form"
            :options="store.funnel?.forms.map((f) => ({ value: f.id, label: f.name })) ?? []"
            @update:model-value="(id: string) => set({ form: id }, 'which form stands here')"
        />
        <FormFields v-if="form" :key="form.id" :form="form" />
        <template v-if="block.kind === 'download'">
            <p>
                Gives out: <span class="font-medium">{{ gift?.title ?? 'nothing' }}</span>
            </p>
            <p class="caption">{{ gift?.file ? `${gift.file.name} · ${gift.file.note}` : 'No file yet' }}</p>
            <RouterLink v-if="gift" class="btn" :to="`/funnels/${store.funnel?.id}/lead-magnet/${gift.id}`">{{
                gift.file ? 'Change the file' : 'Add the file'
            }}</RouterLink>
        </template>
        <ItemList v-if="type?.items" :section="section" :block="block" :fields="type.items" />
        <HiddenField :model-value="block.hidden" @update:model-value="(hidden) => set({ hidden }, 'where a block is shown')" />
        <section class="flex flex-wrap gap-2">
            <button type="button" class="btn" @click="desk.moveBlock(section.id, block.id, -1)">Up</button>
            <button type="button" class="btn" @click="desk.moveBlock(section.id, block.id, 1)">Down</button>
            <button type="button" class="btn" @click="desk.duplicateBlock(section.id, block.id)">Duplicate</button>
            <UiMenu
                label="Block below"
                button-class="btn"
                left
                :items="session.kit.blocks.map((k) => ({ label: k.label, run: () => desk.addBlock(section.id, k.id, block.id) }))"
            />
            <button type="button" class="btn text-clay-deep" @click="desk.removeBlock(section.id, block.id)">Take it out</button>
        </section>
    </div>
</template>
