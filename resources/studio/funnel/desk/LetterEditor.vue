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
import { ref, watch } from 'vue';
import UiDialog from '@/ui/UiDialog.vue';
import UiMenu from '@/ui/UiMenu.vue';

const props = defineProps<{ modelValue: string; hasGift: boolean }>();
const emit = defineEmits<{ 'update:modelValue': [string] }>();

const DOWNLOAD = '{{download_link}}';
const linking = ref(false);
const address = ref('');
const trouble = ref('');

const editor = useEditor({
    content: props.modelValue,
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
            isAllowedUri: (url) => url === DOWNLOAD || /^(https?:|mailto:)/i.test(url),
        }),
    ],
    editorProps: { attributes: { class: 'letter', 'aria-label': 'Letter', role: 'textbox', 'aria-multiline': 'true' } },
    onUpdate: ({ editor: e }) => emit('update:modelValue', e.getHTML()),
});

watch(
    () => props.modelValue,
    (html) => {
        if (editor.value && html !== editor.value.getHTML() && !editor.value.isFocused) {
            editor.value.commands.setContent(html, { emitUpdate: false });
        }
    },
);

const insert = (words: string) => editor.value?.chain().focus().insertContent(words).run();
const fields = [
    { label: 'First name, or “there”', run: () => insert('{{first_name|there}}') },
    { label: 'Last name', run: () => insert('{{last_name}}') },
    { label: 'Email address', run: () => insert('{{email}}') },
];

function openLink(): void {
    address.value = editor.value?.getAttributes('link').href ?? 'https://';
    trouble.value = '';
    linking.value = true;
}

function setLink(): void {
    const href = address.value.trim();
    if (href !== '' && href !== DOWNLOAD && !/^(https?:\/\/[^\s]+\.|mailto:[^\s]+@)[^\s]+$/i.test(href)) {
        trouble.value = 'A web address begins with https://, an email address with mailto:.';
        return;
    }
    const chain = editor.value?.chain().focus().extendMarkRange('link');
    if (href === '') {
        chain?.unsetLink().run();
    } else if (editor.value?.state.selection.empty && !editor.value.isActive('link')) {
        chain?.insertContent({ type: 'text', text: href, marks: [{ type: 'link', attrs: { href } }] }).run();
    } else {
        chain?.setLink({ href }).run();
    }
    linking.value = false;
}

function insertDownload(): void {
    editor.value
        ?.chain()
        .focus()
        .insertContent({
            type: 'paragraph',
            content: [{ type: 'text', text: 'Download it now', marks: [{ type: 'link', attrs: { href: DOWNLOAD } }] }],
        })
        .run();
}
</script>

<template>
    <div class="rounded-md border border-edge bg-raised">
        <div v-if="editor" class="flex flex-wrap gap-0.5 border-b border-line p-1" role="toolbar" aria-label="Marks">
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
                type="button"
                class="btn-quiet"
                :aria-pressed="editor.isActive('heading')"
                :class="{ 'bg-line': editor.isActive('heading') }"
                @click="editor.chain().focus().toggleHeading({ level: 2 }).run()"
            >
                Heading
            </button>
            <button
                type="button"
                class="btn-quiet"
                :aria-pressed="editor.isActive('bulletList')"
                :class="{ 'bg-line': editor.isActive('bulletList') }"
                @click="editor.chain().focus().toggleBulletList().run()"
            >
                List
            </button>
            <button
                type="button"
                class="btn-quiet"
                :aria-pressed="editor.isActive('link')"
                :class="{ 'bg-line': editor.isActive('link') }"
                @click="openLink"
            >
                Link
            </button>
            <UiMenu label="Reader’s name …" :items="fields">Reader’s name …</UiMenu>
            <button v-if="hasGift" type="button" class="btn-quiet" @click="insertDownload">Download button</button>
        </div>
        <EditorContent :editor="editor" />
        <UiDialog :open="linking" title="Where does it lead?" @close="linking = false">
            <form class="mt-4" novalidate @submit.prevent="setLink">
                <label class="label" for="letter-link">Web address</label>
                <input id="letter-link" v-model="address" class="input" :aria-invalid="trouble ? 'true' : undefined" autocomplete="off" />
                <p v-if="trouble" class="mt-1 font-medium text-clay-deep">{{ trouble }}</p>
                <p v-else class="hint">Leave it empty to take the link away. A link alone on its line becomes a button.</p>
                <button type="submit" class="mt-4 btn-main">Set the link</button>
            </form>
        </UiDialog>
    </div>
</template>

<style>
@reference '../../style.css';
.letter {
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
    &:focus-visible {
        outline: 2.5px solid var(--color-pine);
        outline-offset: 1px;
        border-radius: 4px;
    }
}
</style>
