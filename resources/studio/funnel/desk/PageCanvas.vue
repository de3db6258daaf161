<script setup lang="ts">
import { ref, watch } from 'vue';
import { useFunnel } from '@/funnel/funnelStore';
import { useNotices } from '@/stores/notices';

/**
 * The real page, drawn by the renderer that draws the public one. No script runs inside it (its policy forbids
 * all); the words are made editable from here.
 */
const props = defineProps<{ page: string; phone: boolean; selected: string | null }>();
const emit = defineEmits<{ select: [string | null]; words: [block: string, field: 'text' | 'html', value: string] }>();

const store = useFunnel();
const notices = useNotices();
const frame = ref<HTMLIFrameElement | null>(null);
const ready = ref(false);
let typing = false;

function inside(): Document | null {
    return frame.value?.contentDocument ?? null;
}

function words(field: HTMLElement): string {
    return field.dataset.field === 'text' ? field.innerText.replace(/\n+$/, '') : field.innerHTML;
}

function wire(): void {
    const doc = inside();
    if (!doc?.body.dataset.page) {
        return;
    }
    ready.value = true;
    const style = doc.createElement('style');
    style.textContent = `
        [data-block]{cursor:pointer} [data-field]{cursor:text}
        [data-block]:hover{outline:1.5px dashed currentColor;outline-offset:6px}
        [data-block].is-selected,[data-block]:focus{outline:2.5px solid #1e6b5e;outline-offset:6px}
        .form *{pointer-events:none} .form input{opacity:.9} .picture.empty{padding:3rem;text-align:center;border:2px dashed currentColor}
        .not-for-people{display:none}`;
    doc.head.append(style);
    for (const field of doc.querySelectorAll<HTMLElement>('[data-field]')) {
        field.contentEditable = field.dataset.field === 'text' ? 'plaintext-only' : 'true';
        field.setAttribute('role', 'textbox');
        field.setAttribute('aria-label', field.tagName.startsWith('H') ? 'Heading' : 'Words');
        field.spellcheck = true;
    }
    mark();
}

function mark(): void {
    inside()
        ?.querySelectorAll('[data-block]')
        .forEach((el) => el.classList.toggle('is-selected', (el as HTMLElement).dataset.block === props.selected));
}

function blockAt(target: EventTarget | null): HTMLElement | null {
    const element = target as HTMLElement | null;
    return element?.closest?.<HTMLElement>('[data-block]') ?? null;
}

function onLoad(): void {
    const doc = inside();
    if (!doc) {
        return;
    }
    wire();
    doc.addEventListener('click', (event) => {
        event.preventDefault();
        emit('select', blockAt(event.target)?.dataset.block ?? null);
    });
    doc.addEventListener('focusin', (event) => emit('select', blockAt(event.target)?.dataset.block ?? null));
    doc.addEventListener('submit', (event) => event.preventDefault());
    doc.addEventListener('input', (event) => {
        const field = (event.target as HTMLElement).closest<HTMLElement>('[data-field]');
        if (field?.dataset.block) {
            typing = true;
            emit('words', field.dataset.block, field.dataset.field as 'text' | 'html', words(field));
        }
    });
    doc.addEventListener('focusout', () => (typing = false));
    // Pasted words come without the marks of wherever they were copied.
    doc.addEventListener('paste', (event) => {
        event.preventDefault();
        doc.execCommand('insertText', false, event.clipboardData?.getData('text/plain') ?? '');
    });
    doc.addEventListener('keydown', (event) => {
        if (!(event.ctrlKey || event.metaKey)) {
            if (event.key === 'Escape') {
                (doc.activeElement as HTMLElement | null)?.blur();
                emit('select', null);
            }
            return;
        }
        const key = event.key.toLowerCase();
        const typingIn = (event.target as HTMLElement).closest?.('[contenteditable]');
        if ((key === 'z' && !typingIn) || key === 'k') {
            event.preventDefault();
            window.dispatchEvent(new KeyboardEvent('keydown', { key, ctrlKey: true, shiftKey: event.shiftKey }));
        }
    });
}

/** Draws the page anew in place: the frame stays, so nothing flashes and the place one has scrolled to is kept. */
async function draw(): Promise<void> {
    const doc = inside();
    if (!doc?.body || typing) {
        return;
    }
    try {
        const response = await fetch(`/studio/preview/pages/${props.page}`, { credentials: 'same-origin' });
        if (!response.ok) {
            return;
        }
        const fresh = new DOMParser().parseFromString(await response.text(), 'text/html');
        doc.head.innerHTML = fresh.head.innerHTML;
        doc.body.innerHTML = fresh.body.innerHTML;
        for (const name of ['class', 'style']) {
            doc.body.setAttribute(name, fresh.body.getAttribute(name) ?? '');
        }
        wire();
    } catch (error) {
        notices.trouble(error);
    }
}

watch(() => store.redraw, draw);
watch(() => props.selected, mark);
</script>

<template>
    <div class="flex h-full min-h-0 justify-center overflow-hidden" :class="{ 'py-4': phone }">
        <iframe
            ref="frame"
            :src="`/studio/preview/pages/${page}`"
            title="The page, as visitors see it"
            class="h-full border-line bg-white"
            :class="phone ? 'w-97.5 rounded-2xl border-4' : 'w-full'"
            :data-ready="ready"
            @load="onLoad"
        ></iframe>
    </div>
</template>
