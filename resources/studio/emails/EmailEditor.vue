<script setup lang="ts">
import Bold from '@tiptap/extension-bold';
import Document from '@tiptap/extension-document';
import HardBreak from '@tiptap/extension-hard-break';
import Heading from '@tiptap/extension-heading';
import Italic from '@tiptap/extension-italic';
import Link from '@tiptap/extension-link';
import { BulletList, ListItem, OrderedList } from '@tiptap/extension-list';
import Paragraph from '@tiptap/extension-paragraph';
import Text from '@tiptap/extension-text';
import { UndoRedo } from '@tiptap/extensions';
import { EditorContent, useEditor } from '@tiptap/vue-3';
import { computed, onMounted, ref, watch } from 'vue';
import type { Picture, Rule } from '@/api/types';
import MediaLibrary from '@/funnel/desk/column/MediaLibrary.vue';
import FieldDialog from '@/emails/FieldDialog.vue';
import LinkDialog from '@/emails/LinkDialog.vue';
import { emailNodes } from '@/emails/nodes';
import MergePanel from '@/emails/MergePanel.vue';
import PartsDialog from '@/emails/PartsDialog.vue';
import { ruleWords } from '@/emails/ruleWords';
import RuleRow from '@/people/RuleRow.vue';
import { useLibrary } from '@/stores/library';
import { useToasts } from '@/stores/toasts';
import { useEmailParts } from '@/stores/emailParts';
import { usePeopleKit } from '@/stores/peopleKit';
import { useSession } from '@/stores/session';
import { marked, sampleValues, unmarked, type MergeField } from '@/ui/mergeFields';
import TextField from '@/ui/TextField.vue';
import UiMenu from '@/ui/UiMenu.vue';

const props = defineProps<{
    modelValue: string;
    hasLeadMagnet?: boolean;
    /** Pages that a link can lead to, by the merge field that becomes their address. */
    pages?: { field: string; name: string }[];
    /** Merge fields beside the reader's own. */
    fields?: { name: string; label: string }[];
    /** Deadlines whose countdown can be shown as a picture. */
    deadlines?: { id: string; name: string }[];
    /** For a part of emails: words only, no parts within it. */
    plain?: boolean;
    label?: string;
    /** On the sheet of the email itself, which draws it as it will look. */
    sheet?: boolean;
    /** What merge fields give the reader as whom it is shown. */
    values?: Record<string, string>;
}>();
const emit = defineEmits<{ 'update:modelValue': [string] }>();

const DOWNLOAD = '{{download_link}}';
const library = useLibrary();
const session = useSession();
const toasts = useToasts();
const parts = useEmailParts();
const people = usePeopleKit();
const linking = ref<string | null>(null);
const filling = ref(false);
const picturing = ref(false);
const keeping = ref(false);

function fill(name: string): { value: string; label: string } {
    const label = [...people.kit.fields, ...(props.fields ?? [])].find((f) => f.name === name)?.label ?? name.replaceAll('_', ' ');
    return { label, value: (props.values ?? sampleValues(session.business))[name] ?? '' };
}

const editor = useEditor({
    content: marked(props.modelValue),
    extensions: [
        Document,
        Paragraph,
        Text,
        Bold,
        Italic,
        HardBreak,
        Heading.configure({ levels: [2, 3] }),
        BulletList,
        OrderedList,
        ListItem,
        UndoRedo,
        Link.configure({
            openOnClick: false,
            autolink: false,
            HTMLAttributes: { target: null, rel: null },
            isAllowedUri: (url) => /^(\{\{\s*[a-z0-9_]+\s*\}\}$|https?:|mailto:)/i.test(url),
        }),
        ...emailNodes({
            src: (id) => library.pictures.find((p) => p.id === id)?.src,
            deadline: (id) => props.deadlines?.find((d) => d.id === id)?.name,
            part: (id) => parts.parts.find((p) => p.id === id),
            merge: fill,
            words: (rule) => `Only for those of whom it holds: ${ruleWords(rule, people.kit)}`,
        }),
    ],
    editorProps: {
        attributes: { class: 'email-text', 'aria-label': props.label ?? 'Text of the email', role: 'textbox', 'aria-multiline': 'true' },
    },
    onUpdate: ({ editor: e }) => emit('update:modelValue', unmarked(e.getHTML())),
});

onMounted(() =>
    Promise.all([library.load('pictures'), parts.load(), people.kit.rules.length === 0 && people.load()]).catch(toasts.trouble),
);
watch(
    () => props.modelValue,
    (html) => {
        if (editor.value && html !== unmarked(editor.value.getHTML()) && !editor.value.isFocused) {
            editor.value.commands.setContent(marked(html), { emitUpdate: false });
        }
    },
);

const insert = (words: string) => editor.value?.chain().focus().insertContent(marked(words)).run();

defineExpose({ focus: () => editor.value?.commands.focus('start') });

const merge = computed(() => (editor.value?.isActive('merge') ? (editor.value.getAttributes('merge') as MergeField) : null));
const setMerge = (more: Partial<MergeField>) => editor.value?.commands.updateAttributes('merge', more);

function setLink(href: string): void {
    const chain = editor.value?.chain().focus().extendMarkRange('link');
    if (href === '') {
        chain?.unsetLink().run();
    } else if (editor.value?.state.selection.empty && !editor.value.isActive('link')) {
        const words = props.pages?.find((p) => p.field === href)?.name ?? href;
        chain?.insertContent({ type: 'text', text: words, marks: [{ type: 'link', attrs: { href } }] }).run();
    } else {
        chain?.setLink({ href }).run();
    }
    linking.value = null;
}

/** A paragraph that is nothing but a link: readers see a button. */
function insertButton(href: string, words: string): void {
    editor.value
        ?.chain()
        .focus()
        .insertContent({ type: 'paragraph', content: [{ type: 'text', text: words, marks: [{ type: 'link', attrs: { href } }] }] })
        .run();
}

function insertPicture(picture: Picture): void {
    picturing.value = false;
    editor.value
        ?.chain()
        .focus()
        .insertContent({ type: 'picture', attrs: { src: `picture:${picture.id}`, alt: '' } })
        .run();
}

const freshRule: Rule = { kind: 'deed', deed: 'clicked', done: true };
function toggleOnly(): void {
    if (editor.value?.isActive('only')) {
        editor.value.chain().focus().lift('only').run();
    } else {
        editor.value
            ?.chain()
            .focus()
            .wrapIn('only', { rule: JSON.stringify(freshRule) })
            .run();
    }
}
const only = computed<Rule | null>(() => {
    const rule = editor.value?.isActive('only') ? (editor.value.getAttributes('only').rule as string) : '';
    try {
        return rule ? (JSON.parse(rule) as Rule) : null;
    } catch {
        return freshRule;
    }
});
const setOnly = (rule: Rule) => editor.value?.commands.updateAttributes('only', { rule: JSON.stringify(rule) });
const alt = computed(() => (editor.value?.isActive('picture') ? (editor.value.getAttributes('picture').alt as string) : null));

const more = computed(() => [
    { label: 'A picture', run: () => (picturing.value = true) },
    ...(props.deadlines ?? []).map((d) => ({
        label: `The countdown of “${d.name}”`,
        run: () =>
            editor.value
                ?.chain()
                .focus()
                .insertContent({ type: 'countdown', attrs: { id: d.id } })
                .run(),
    })),
    { label: 'A line across', run: () => editor.value?.chain().focus().insertContent({ type: 'line' }).run() },
    { label: 'A quote', run: () => editor.value?.chain().focus().toggleWrap('quote').run() },
    ...(props.plain
        ? []
        : [
              ...parts.parts.map((p) => ({
                  label: `“${p.name}”`,
                  run: () =>
                      editor.value
                          ?.chain()
                          .focus()
                          .insertContent({ type: 'part', attrs: { id: p.id } })
                          .run(),
              })),
              { label: 'Signatures and other parts …', run: () => (keeping.value = true) },
          ]),
]);
</script>

<template>
    <div :class="sheet ? '' : 'rounded-md border border-edge bg-raised'">
        <div :class="{ 'sticky top-0 z-10 bg-raised': sheet }">
            <div v-if="editor" class="flex flex-wrap gap-0.5 border-b border-line p-1" role="toolbar" aria-label="Formatting">
                <button
                    type="button"
                    class="btn-quiet font-bold"
                    :aria-pressed="editor.isActive('bold')"
                    :class="{ 'bg-line': editor.isActive('bold') }"
                    aria-label="Bold"
                    @click="editor.chain().focus().toggleBold().run()"
                >
                    B
                </button>
                <button
                    type="button"
                    class="btn-quiet italic"
                    :aria-pressed="editor.isActive('italic')"
                    :class="{ 'bg-line': editor.isActive('italic') }"
                    aria-label="Italic"
                    @click="editor.chain().focus().toggleItalic().run()"
                >
                    I
                </button>
                <button
                    v-for="mark in [
                        { name: 'heading', label: 'Heading', run: () => editor!.chain().focus().toggleHeading({ level: 2 }).run() },
                        { name: 'bulletList', label: 'List', run: () => editor!.chain().focus().toggleBulletList().run() },
                        { name: 'orderedList', label: '1 2 3', run: () => editor!.chain().focus().toggleOrderedList().run() },
                        { name: 'link', label: 'Link', run: () => (linking = String(editor!.getAttributes('link').href ?? '')) },
                    ]"
                    :key="mark.name"
                    type="button"
                    class="btn-quiet"
                    :aria-pressed="editor.isActive(mark.name)"
                    :class="{ 'bg-line': editor.isActive(mark.name) }"
                    @click="mark.run()"
                >
                    {{ mark.label }}
                </button>
                <button v-if="hasLeadMagnet" type="button" class="btn-quiet" @click="insertButton(DOWNLOAD, 'Download it now')">
                    Download button
                </button>
                <button type="button" class="btn-quiet" @click="filling = true">Merge field …</button>
                <button
                    v-if="!plain"
                    type="button"
                    class="btn-quiet"
                    :aria-pressed="editor.isActive('only')"
                    :class="{ 'bg-line': editor.isActive('only') }"
                    @click="toggleOnly"
                >
                    Only for some
                </button>
                <UiMenu label="Insert …" :items="more" left>Insert …</UiMenu>
            </div>
            <div v-if="only" class="border-b border-line bg-lamp-pale px-3 py-2">
                <p class="mb-1.5 text-sm font-medium">This part is only for readers of whom this holds:</p>
                <RuleRow :model-value="only" @update:model-value="setOnly" />
            </div>
            <div v-if="alt !== null" class="border-b border-line bg-lamp-pale px-3 py-2">
                <TextField
                    :model-value="alt"
                    label="What the picture shows, for those who do not see it"
                    :maxlength="200"
                    @update:model-value="(words: string) => editor?.commands.updateAttributes('picture', { alt: words })"
                />
            </div>
            <MergePanel v-if="merge" :field="merge" :fields="fields ?? []" @change="setMerge" />
        </div>
        <EditorContent :editor="editor" :class="{ 'py-5': sheet }" />
        <LinkDialog :open="linking !== null" :href="linking ?? ''" :pages="pages ?? []" @close="linking = null" @set="setLink" />
        <FieldDialog :open="filling" :fields="fields ?? []" @close="filling = false" @insert="insert" />
        <MediaLibrary :open="picturing" kind="pictures" @close="picturing = false" @choose="insertPicture" />
        <PartsDialog v-if="!plain" :open="keeping" @close="keeping = false" />
    </div>
</template>

<style>
@reference '../style.css';
.email-text {
    @apply min-h-56 px-4 py-3 text-[1.0625rem] leading-relaxed outline-none;
    p {
        margin-bottom: 0.75em;
    }
    ul {
        list-style: disc;
        padding-left: 1.4em;
        margin-bottom: 0.75em;
    }
    ol {
        list-style: decimal;
        padding-left: 1.4em;
    }
    h2 {
        @apply mb-2 text-xl;
    }
    a {
        @apply text-pine underline underline-offset-3;
    }
    hr {
        @apply my-4 border-line;
    }
    blockquote {
        @apply mb-3 border-l-3 border-line pl-4 text-soft;
    }
    .email-picture {
        @apply my-3 max-w-full rounded;
        &.ProseMirror-selectednode {
            @apply outline-3 outline-pine;
        }
    }
    .email-part {
        @apply my-3 rounded border border-dashed border-edge px-3 py-2 whitespace-pre-line text-soft;
        span {
            @apply block text-sm font-medium text-ink;
        }
        &.ProseMirror-selectednode {
            @apply outline-3 outline-pine;
        }
    }
    .merge-chip {
        @apply cursor-pointer rounded bg-pine-pale px-1 text-pine;
        &.ProseMirror-selectednode {
            @apply outline-2 outline-pine;
        }
    }
    .email-only {
        @apply my-3 border-l-3 border-lamp pl-3;
        > span {
            @apply mb-1 block text-sm text-soft;
        }
    }
    &:focus-visible {
        outline: 2.5px solid var(--color-pine);
        outline-offset: 1px;
        border-radius: 4px;
    }
}
</style>
