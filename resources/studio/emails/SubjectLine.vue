<script setup lang="ts">
import { Extension } from '@tiptap/core';
import Document from '@tiptap/extension-document';
import Paragraph from '@tiptap/extension-paragraph';
import Text from '@tiptap/extension-text';
import { UndoRedo } from '@tiptap/extensions';
import { EditorContent, useEditor } from '@tiptap/vue-3';
import { computed, ref, watch } from 'vue';
import FieldDialog from '@/emails/FieldDialog.vue';
import MergePanel from '@/emails/MergePanel.vue';
import { mergeNode } from '@/emails/nodes';
import { marked, unmarked, type Fill, type MergeField } from '@/ui/mergeFields';

/** The subject of an email: one line, in which merge fields are chips that read as the reader reads them. */
const props = defineProps<{
    modelValue: string;
    label: string;
    fields: { name: string; label: string }[];
    fill: Fill;
}>();
const emit = defineEmits<{ 'update:modelValue': [string]; done: [] }>();

const filling = ref(false);
const escaped = (words: string) => words.replace(/[&<>]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;' })[c]!);
const contentOf = (words: string) => `<p>${marked(escaped(words))}</p>`;
/** What the line says, with its fields written out. */
function wordsOf(html: string): string {
    const box = document.implementation.createHTMLDocument().body;
    box.innerHTML = unmarked(html);
    return box.textContent ?? '';
}

/** Nobody's spaces are tidied up by looking at them. */
const SPACES = { preserveWhitespace: 'full' } as const;

const OneLine = Extension.create({
    name: 'oneLine',
    addKeyboardShortcuts: () => ({
        Enter: () => {
            emit('done');
            return true;
        },
        'Shift-Enter': () => true,
    }),
});
const editor = useEditor({
    content: contentOf(props.modelValue),
    parseOptions: SPACES,
    extensions: [Document.extend({ content: 'paragraph' }), Paragraph, Text, UndoRedo, OneLine, mergeNode((name) => props.fill(name))],
    editorProps: { attributes: { class: 'subject-line', role: 'textbox', 'aria-label': props.label } },
    onUpdate: ({ editor: e }) => emit('update:modelValue', wordsOf(e.getHTML())),
});
watch(
    () => props.modelValue,
    (words) => {
        if (editor.value && words !== wordsOf(editor.value.getHTML()) && !editor.value.isFocused) {
            editor.value.commands.setContent(contentOf(words), { emitUpdate: false, parseOptions: SPACES });
        }
    },
);
const merge = computed(() => (editor.value?.isActive('merge') ? (editor.value.getAttributes('merge') as MergeField) : null));
const empty = computed(() => props.modelValue === '');
</script>

<template>
    <div>
        <div class="flex items-start gap-2">
            <EditorContent :editor="editor" class="min-w-0 flex-1" :class="{ 'is-empty': empty }" />
            <button
                type="button"
                class="btn-quiet shrink-0"
                :aria-label="`Merge field in the ${label.toLowerCase()}`"
                @click="filling = true"
            >
                Merge field
            </button>
        </div>
        <MergePanel
            v-if="merge"
            class="mt-2 rounded border"
            :field="merge"
            :fields="fields"
            @change="(more) => editor?.commands.updateAttributes('merge', more)"
        />
        <FieldDialog
            :open="filling"
            :fields="fields"
            @close="filling = false"
            @insert="(words) => editor?.chain().focus().insertContent(marked(words)).run()"
        />
    </div>
</template>

<style>
@reference '../style.css';
.subject-line {
    @apply rounded border border-transparent px-2 py-1 text-xl leading-snug font-semibold outline-none hover:border-line;
    &:focus {
        @apply border-edge bg-raised;
    }
    .merge-chip {
        @apply cursor-pointer rounded bg-pine-pale px-1 text-pine;
        &.ProseMirror-selectednode {
            @apply outline-2 outline-pine;
        }
    }
}
.is-empty .subject-line p::before {
    content: 'Write a subject';
    @apply pointer-events-none float-left h-0 text-soft;
}
</style>
