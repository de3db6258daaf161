import { htmlOf, plainOf, putChips, type Fill } from '@/ui/mergeFields';
import type { Selection } from '@/funnel/desk/useDesk';

/**
 * What is done inside the frame that shows the page. No script runs in there (its policy forbids all); the words are
 * made editable, and clicks, typing, keys and drops are heard, from outside.
 */
const STYLE = `
    body{padding-bottom:4.5rem}
    [data-section]{cursor:pointer}
    [data-section]:hover{outline:1.5px solid rgb(30 107 94/.45);outline-offset:-2px}
    [data-section].is-open{outline:2px solid #1e6b5e;outline-offset:-2px}
    [data-block]:hover{outline:1.5px dashed currentColor;outline-offset:4px}
    [data-block].is-open{outline:2.5px solid #1e6b5e;outline-offset:4px}
    [data-field]{cursor:text;min-width:1ch}
    [data-field]:focus{outline:2.5px solid #f0a830;outline-offset:3px}
    [data-field]:empty{display:inline-block;min-width:4ch;min-height:1em}
    [data-field]:empty::before{content:'…';opacity:.5}
    .form *{pointer-events:none} .form input{opacity:.9} .not-for-people{display:none}
    .lantern-merge{border-radius:.2em;padding:0 .12em;background:color-mix(in srgb,currentColor 14%,transparent);cursor:pointer}
    .lantern-merge:hover{outline:1.5px solid currentColor}
    .empty{display:grid;place-items:center;min-height:11rem;border:2px dashed currentColor;border-radius:8px;opacity:.75;cursor:pointer;box-shadow:none!important;outline:0!important}
    .is-over{outline:4px solid #f0a830!important;outline-offset:2px}
    @media (prefers-reduced-motion:no-preference){.is-open.comes{animation:lantern-in .7s ease-out}
        .is-open.comes-rise{--from:translateY(1.75rem)} .is-open.comes-slide{--from:translateX(-2rem)}}
    @keyframes lantern-in{from{opacity:0;transform:var(--from,none)}}
    @media (max-width:51.99rem){.not-on-phone{display:revert!important;opacity:.35}}
    @media (min-width:52rem){.not-on-desktop{display:revert!important;opacity:.35}}
    [data-section]>.lantern-add{position:absolute;left:50%;bottom:-1.1rem;z-index:5;transform:translateX(-50%);font:600 14px/1 system-ui,sans-serif;
        padding:.5rem .8rem;border:1px solid #8d8672;border-radius:99px;background:#fffdf8;color:#20302d;cursor:pointer;opacity:0}
    [data-section]:hover>.lantern-add,[data-section].is-open>.lantern-add,.lantern-add:focus{opacity:1}
    [data-section].lantern-nothing{min-height:4rem}
    .pop-box .lantern-add,.stand-placed .pop-close{display:none}
    .lantern-shared{position:absolute;right:.5rem;top:.5rem;z-index:5;font:600 13px/1 system-ui,sans-serif;padding:.35rem .6rem;border-radius:4px;background:#fdf0d2;color:#20302d;pointer-events:none}
`;

export interface CanvasEvents {
    select: (to: Selection | null) => void;
    type: (at: Selection, value: string) => void;
    add: (after: string) => void;
    drop: (at: Selection, file: File) => void;
    key: (event: KeyboardEvent) => void;
    typing: (on: boolean) => void;
    /** A merge field was pressed. */
    merge: (chip: HTMLElement) => void;
}

const LABELS: Record<string, string> = {
    title: 'Title',
    name: 'Name',
    role: 'Who they are',
    price: 'Price',
    was: 'Earlier price',
    when: 'When',
};

export function at(target: EventTarget | null): Selection | null {
    const element = target as HTMLElement | null;
    const section = element?.closest?.<HTMLElement>('[data-section]')?.dataset.section;
    if (!section) {
        return null;
    }
    const field = element?.closest<HTMLElement>('[data-field]');
    const item = element?.closest<HTMLElement>('[data-item]')?.dataset.item;
    return {
        section,
        block: element?.closest<HTMLElement>('[data-block]')?.dataset.block,
        item: item === undefined ? undefined : Number(item),
        field: field?.dataset.field,
    };
}

const elementOf = (node: Node | null | undefined): Element | null | undefined =>
    node?.nodeType === Node.ELEMENT_NODE ? (node as Element) : node?.parentElement;

const isRich = (field: HTMLElement) => field.dataset.field === 'html' || field.dataset.field === 'notHtml';

function words(field: HTMLElement): string {
    return isRich(field) ? htmlOf(field) : plainOf(field);
}

/** Makes the words in a freshly drawn part editable, and gives its sections their buttons. */
export function dress(part: Document | HTMLElement, fill: Fill): void {
    // What is in the frame is of the frame's own kinds, so that “instanceof” says nothing about it.
    const doc = part.ownerDocument ?? (part as Document);
    const whole = part.nodeType === Node.DOCUMENT_NODE;
    const sections = whole ? [...part.querySelectorAll<HTMLElement>('[data-section]')] : [part as HTMLElement];
    for (const field of part.querySelectorAll<HTMLElement>('[data-field]')) {
        field.contentEditable = isRich(field) ? 'true' : 'plaintext-only';
        field.setAttribute('role', 'textbox');
        field.setAttribute('aria-label', /^H[1-6]$/.test(field.tagName) ? 'Heading' : (LABELS[field.dataset.field ?? ''] ?? 'Text'));
        field.spellcheck = true;
        putChips(field, fill);
    }
    for (const section of sections) {
        section.classList.toggle('lantern-nothing', section.querySelector('[data-block]') === null);
        const add = doc.createElement('button');
        add.type = 'button';
        add.className = 'lantern-add';
        add.textContent = '+ Section below';
        section.append(add);
        if (section.dataset.shared) {
            const mark = doc.createElement('span');
            mark.className = 'lantern-shared';
            mark.textContent = 'shared';
            section.append(mark);
        }
    }
}

export function addStyle(doc: Document): void {
    const style = doc.createElement('style');
    style.textContent = STYLE;
    doc.head.append(style);
}

export function mark(doc: Document, selection: Selection | null): void {
    doc.querySelectorAll<HTMLElement>('.is-open').forEach((e) => e.classList.remove('is-open'));
    if (selection) {
        const section = doc.querySelector<HTMLElement>(`[data-section="${selection.section}"]`);
        (selection.block ? section?.querySelector(`[data-block="${selection.block}"]`) : section)?.classList.add('is-open');
    }
}

/** A file held over something that can show a picture. */
function dropTarget(event: DragEvent): HTMLElement | null {
    return (event.target as HTMLElement | null)?.closest?.<HTMLElement>('[data-empty], [data-block], [data-section]') ?? null;
}

export function listen(doc: Document, events: CanvasEvents, fill: Fill): void {
    doc.addEventListener('click', (event) => {
        event.preventDefault();
        const button = (event.target as HTMLElement).closest?.('.lantern-add');
        if (button) {
            events.add(button.parentElement?.dataset.section ?? '');
            return;
        }
        events.select(at(event.target));
        const chip = (event.target as HTMLElement).closest?.<HTMLElement>('.lantern-merge');
        if (chip) {
            events.merge(chip);
        }
    });
    doc.addEventListener('focusin', (event) => {
        if (!(event.target as HTMLElement).closest('.lantern-add')) {
            events.select(at(event.target));
        }
    });
    doc.addEventListener('submit', (event) => event.preventDefault());
    doc.addEventListener('input', (event) => {
        const field = (event.target as HTMLElement).closest<HTMLElement>('[data-field]');
        const where = at(field);
        if (field && where) {
            events.typing(true);
            events.type(where, words(field));
        }
    });
    doc.addEventListener('focusout', (event) => {
        // What was typed with braces is a field like any other.
        const field = (event.target as HTMLElement).closest<HTMLElement>('[data-field]');
        if (field) {
            putChips(field, fill);
        }
        events.typing(false);
    });
    // What is copied keeps its merge fields: written out, since what they read now is a sample.
    const copy = (event: ClipboardEvent): boolean => {
        const range = doc.getSelection()?.rangeCount ? doc.getSelection()!.getRangeAt(0) : null;
        const holder = doc.createElement('div');
        holder.append(range?.cloneContents() ?? '');
        if (!elementOf(range?.commonAncestorContainer)?.closest('[data-field]') || !holder.querySelector('.lantern-merge')) {
            return false;
        }
        event.clipboardData?.setData('text/plain', plainOf(holder));
        event.preventDefault();
        return true;
    };
    doc.addEventListener('copy', copy);
    doc.addEventListener('cut', (event) => {
        if (copy(event)) {
            doc.execCommand('delete');
        }
    });
    // Pasted words come without the marks of wherever they were copied.
    doc.addEventListener('paste', (event) => {
        if ((event.target as HTMLElement).closest?.('[data-field]')) {
            event.preventDefault();
            doc.execCommand('insertText', false, event.clipboardData?.getData('text/plain') ?? '');
            putChips((event.target as HTMLElement).closest('[data-field]')!, fill);
        }
    });
    doc.addEventListener('keydown', (event) => events.key(event));
    doc.addEventListener('dragover', (event) => {
        if (event.dataTransfer?.types.includes('Files')) {
            event.preventDefault();
            doc.querySelectorAll('.is-over').forEach((e) => e.classList.remove('is-over'));
            dropTarget(event)?.classList.add('is-over');
        }
    });
    doc.addEventListener('dragleave', (event) => dropTarget(event)?.classList.remove('is-over'));
    doc.addEventListener('drop', (event) => {
        event.preventDefault();
        doc.querySelectorAll('.is-over').forEach((e) => e.classList.remove('is-over'));
        const file = event.dataTransfer?.files[0];
        const where = at(event.target);
        if (file && where) {
            events.drop(where, file);
        }
    });
}

/** Sets the chosen words in bold, italic, a colour of the look, or makes them a link; and says what the field holds then. */
export function format(doc: Document, how: 'bold' | 'italic' | 'in-accent' | 'in-soft' | 'link' | 'plain', value = ''): void {
    const range = doc.getSelection()?.rangeCount ? doc.getSelection()?.getRangeAt(0) : undefined;
    const inside = range?.commonAncestorContainer;
    const field = elementOf(inside)?.closest<HTMLElement>('[data-field]');
    if (!range || !field || !isRich(field)) {
        return;
    }
    field.focus();
    if (how === 'bold' || how === 'italic') {
        doc.execCommand(how);
    } else if (how === 'link') {
        doc.execCommand(value === '' ? 'unlink' : 'createLink', false, value);
    } else if (how === 'plain') {
        doc.execCommand('removeFormat');
        field.querySelectorAll('span[class]').forEach((s) => range.intersectsNode(s) && s.replaceWith(...s.childNodes));
    } else if (!range.collapsed) {
        const span = doc.createElement('span');
        span.className = how;
        span.append(range.extractContents());
        range.insertNode(span);
    }
    field.dispatchEvent(new Event('input', { bubbles: true }));
}

/** Puts words in where the caret is. */
export function insertWords(doc: Document, text: string, fill: Fill): void {
    const field = (doc.activeElement as HTMLElement | null)?.closest?.<HTMLElement>('[data-field]');
    const where = field ?? elementOf(doc.getSelection()?.anchorNode)?.closest<HTMLElement>('[data-field]');
    if (where) {
        where.focus();
        doc.execCommand('insertText', false, text);
        putChips(where, fill);
    }
}
