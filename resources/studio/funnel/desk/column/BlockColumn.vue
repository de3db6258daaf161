<script setup lang="ts">
import { ChevronLeftIcon } from '@heroicons/vue/20/solid';
import { computed } from 'vue';
import type { Block, BlockField, Section } from '@/api/types';
import FormFields from '@/funnel/desk/FormFields.vue';
import FieldInput from '@/funnel/desk/column/FieldInput.vue';
import EntranceField from '@/funnel/desk/column/EntranceField.vue';
import HiddenField from '@/funnel/desk/column/HiddenField.vue';
import LinkField from '@/funnel/desk/column/LinkField.vue';
import ItemList from '@/funnel/desk/column/ItemList.vue';
import WordTools from '@/funnel/desk/column/WordTools.vue';
import { useDesk } from '@/funnel/desk/useDesk';
import { useFunnel } from '@/funnel/funnelStore';
import { useSession } from '@/stores/session';
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
const text = (field: string) => String(props.block[field] ?? '');
const fields = computed(() => Object.entries(type.value?.fields ?? {}));
const holds = (...types: BlockField['type'][]) => fields.value.some(([, f]) => types.includes(f.type));
/** What a field is called where its type alone does not say it. Words that have a name here are not on the page. */
const LABELS: Record<string, [label: string, hint?: string]> = {
    'picture.text': ['Text below it'],
    'video.video': ['Video of yours'],
    'video.url': ['Or the address of one elsewhere', 'Its place must be on your list under Settings.'],
    'video.picture': ['Picture shown before it plays'],
    'video.text': ['What does it show?'],
    'countdown.deadline': ['Counts down to the end of'],
    'countdown.until': ['Or until a moment you type'],
    'countdown.over': ['Once it is over it says', 'Such as “The doors are shut.”'],
    'countdown.units': ['What it shows'],
    'countdown.size': ['Size'],
    'countdown.labels': ['Labels below the figures'],
    'countdown.colour': ['Colour'],
    'share.message': ['What is sent along', 'Stands before the link in the message they send.'],
    'checkout.marketing': ['Checkbox for further emails', 'Such as “Yes, write to me about new courses”. Empty for no checkbox.'],
};
const labelOf = (name: string, f: BlockField) =>
    LABELS[`${props.block.kind}.${name}`]?.[0] ?? (f.type === 'picture' ? type.value?.label : undefined);
/** Something of one's own and something elsewhere exclude each other. */
const others = (name: string, value?: string) => (props.block.kind === 'video' && name === 'video' && value ? { url: undefined } : {});
/** A form is drawn below with its fields, and a lead magnet with its file. */
const isShown = (name: string) =>
    !['form', 'leadMagnet'].includes(name) &&
    !(props.block.kind === 'share' && name === 'url') &&
    !(props.block.kind === 'video' && name === 'url' && props.block.video) &&
    !(props.block.kind === 'countdown' && name === 'until' && props.block.deadline);
const form = computed(() => store.form(text('form')));
const leadMagnet = computed(() => store.leadMagnet(text('leadMagnet')));
const field = computed(() => desk.selection.value?.field ?? '');
const typeOf = (name: string) => (type.value?.fields[name] ?? type.value?.items?.[name])?.type;
const rich = computed(() => (field.value === '' ? holds('rich-text') : typeOf(field.value) === 'rich-text'));
const hasWords = computed(() => field.value !== '' || holds('words', 'rich-text') || type.value?.items !== null);
const STYLE_NAMES: Record<string, string> = {
    ticks: 'Ticks',
    dots: 'Dots',
    columns: 'In columns',
    icons: 'With icons',
    steps: 'Numbered steps',
    cards: 'Cards',
    bonuses: 'With their worth',
    plain: 'Plain',
    round: 'Round',
    wide: 'Across the page',
    grid: 'Grid',
    strip: 'Strip',
    main: 'Main',
    quiet: 'Outlined',
    link: 'A link',
    large: 'Large',
    wall: 'Wall',
    timeline: 'Along a line',
    table: 'Table',
    figures: 'Ticking figures',
    boxes: 'Figures in boxes',
    ring: 'Rings',
    'bar-top': 'A bar at the top',
    'bar-bottom': 'A bar at the bottom',
    sentence: 'One sentence',
    card: 'Card',
    folded: 'Folded',
    open: 'Open',
    pairs: 'In two columns',
    buttons: 'Buttons',
    links: 'Links',
    row: 'Row',
    line: 'Line',
    space: 'Space',
    ornament: 'Ornament',
};
const styles = computed(() => (type.value?.styles ?? []).map((s) => ({ value: s, label: STYLE_NAMES[s] ?? s })));

function set(values: Record<string, string | undefined>, label: string, now = true): void {
    desk.editBlock(props.section.id, props.block.id, label, (b) => Object.assign(b, values), now);
}
</script>

<template>
    <div class="space-y-5">
        <div class="column-head">
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
        <template v-for="[name, f] in fields" :key="name">
            <FieldInput
                v-if="isShown(name)"
                :field="f"
                :model-value="text(name)"
                :label="labelOf(name, f)"
                :hint="LABELS[`${block.kind}.${name}`]?.[1]"
                :pictured="!!block.picture"
                @update:model-value="
                    (value, now) => set({ [name]: value, ...others(name, value) }, `the ${(type?.label ?? 'block').toLowerCase()}`, now)
                "
            />
        </template>
        <LinkField
            v-if="block.kind === 'share'"
            :model-value="text('url')"
            label="Which page is shared"
            pages-or="The funnel’s first page"
            @update:model-value="(url: string) => set({ url: url || undefined }, 'which page is shared')"
        />
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
                Gives out: <span class="font-medium">{{ leadMagnet?.title ?? 'nothing' }}</span>
            </p>
            <p class="caption">{{ leadMagnet?.file ? `${leadMagnet.file.name} · ${leadMagnet.file.note}` : 'No file yet' }}</p>
            <RouterLink v-if="leadMagnet" class="btn" :to="`/funnels/${store.funnel?.id}/lead-magnet/${leadMagnet.id}`">{{
                leadMagnet.file ? 'Change the file' : 'Add the file'
            }}</RouterLink>
        </template>
        <ItemList v-if="type?.items" :section="section" :block="block" :fields="type.items" />
        <EntranceField :model-value="block.entrance" @update:model-value="(entrance) => set({ entrance }, 'how a block comes in')" />
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
            <button type="button" class="btn text-clay-deep" @click="desk.removeBlock(section.id, block.id)">Remove</button>
        </section>
    </div>
</template>
