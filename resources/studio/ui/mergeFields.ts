/** Merge fields on the page and in emails: `{{name|fallback}}` is read as a sample person reads it, and edited as a chip. */
export interface MergeField {
    name: string;
    /** What stands there where nothing is known; null where none was given. */
    fallback: string | null;
}

/** The person as whom merge fields are read while one works on them, and what their owner is called. */
export const sampleValues = (business: { businessName: string; senderName: string } | null | undefined): Record<string, string> => ({
    first_name: 'Robin',
    last_name: 'Ash',
    email: 'robin@example.com',
    business: business?.businessName ?? '',
    host: business?.senderName.trim() || (business?.businessName ?? ''),
});

/** What a field gives a sample person, and what it is called; null for a name that nobody knows. */
export type Fill = (name: string) => { value: string; label: string } | null;

/** A field alone, as somebody types or pastes it. */
export const ONE = /\{\{\s*([a-z][a-z0-9_]{0,39})\s*(?:\|([^{}|]{0,200}))?\}\}/;

const PATTERN = new RegExp(ONE, 'g');

export const fieldOf = (match: RegExpMatchArray): MergeField => ({
    name: match[1]!,
    fallback: match[2] === undefined ? null : match[2].trim(),
});

export const written = ({ name, fallback }: MergeField): string => `{{${name}${fallback === null ? '' : `|${fallback}`}}}`;

const shown = (field: MergeField, fill: Fill): string => fill(field.name)?.value || field.fallback || '';

/** Words as a sample person reads them; a field that nobody knows stays as it is written. */
export const asRead = (words: string, fill: Fill): string =>
    words.replace(PATTERN, (...match) => {
        const [whole] = match as [string];
        const field = fieldOf(match as unknown as RegExpMatchArray);
        return fill(field.name) ? shown(field, fill) : whole;
    });

const CHIP = 'lantern-merge';

/** The field of a chip; null for anything else. */
export function ofChip(element: Element | null | undefined): MergeField | null {
    const chip = element?.closest<HTMLElement>(`.${CHIP}`);
    return chip ? { name: chip.dataset.merge ?? '', fallback: chip.dataset.fallback ?? null } : null;
}

/** Makes a chip say another field. */
export function setChip(chip: HTMLElement, field: MergeField, fill: Fill): void {
    const known = fill(field.name);
    chip.dataset.merge = field.name;
    if (field.fallback === null) {
        delete chip.dataset.fallback;
    } else {
        chip.dataset.fallback = field.fallback;
    }
    const label = known?.label ?? field.name;
    chip.textContent = shown(field, fill) || label;
    chip.title = field.fallback ? `${label}, or “${field.fallback}”` : label;
    // It is called by what it reads; its title says what it is.
    chip.setAttribute('role', 'button');
}

/** Puts chips in place of the fields in a part that is edited. One that nobody knows stays as it is written, so that it is seen. */
export function putChips(part: Element, fill: Fill): void {
    const doc = part.ownerDocument;
    const walker = doc.createTreeWalker(part, NodeFilter.SHOW_TEXT);
    const texts: Text[] = [];
    while (walker.nextNode()) {
        texts.push(walker.currentNode as Text);
    }
    for (const text of texts) {
        const matches = [...text.data.matchAll(PATTERN)].filter((m) => fill(m[1]!));
        if (matches.length === 0 || text.parentElement?.closest(`.${CHIP}`)) {
            continue;
        }
        const pieces: (string | Node)[] = [];
        let end = 0;
        for (const match of matches) {
            const chip = doc.createElement('span');
            chip.className = CHIP;
            chip.contentEditable = 'false';
            setChip(chip, fieldOf(match), fill);
            pieces.push(text.data.slice(end, match.index), chip);
            end = match.index + match[0].length;
        }
        text.replaceWith(...pieces, text.data.slice(end));
    }
}

/** A copy in which the chips are written out again. */
function writtenOut(part: HTMLElement): HTMLElement {
    const copy = part.cloneNode(true) as HTMLElement;
    copy.querySelectorAll<HTMLElement>(`.${CHIP}`).forEach((chip) => chip.replaceWith(written(ofChip(chip)!)));
    copy.normalize();
    return copy;
}

/** What a part with marks holds, as HTML. */
export const htmlOf = (part: HTMLElement): string => writtenOut(part).innerHTML;

/** What a part without marks holds: lines end where the browser breaks them or begins a block. */
export function plainOf(part: HTMLElement): string {
    const read = (node: Node): string => {
        if (node.nodeType === Node.TEXT_NODE) {
            return (node as Text).data;
        }
        const inner = [...node.childNodes].map(read).join('');
        const name = (node as Element).tagName;
        return name === 'BR' ? '\n' : ['DIV', 'P'].includes(name) && node.previousSibling ? `\n${inner}` : inner;
    };
    return [...writtenOut(part).childNodes].map(read).join('').replace(/\n+$/, '');
}

/** HTML in which each field is an element of its own, `span[data-merge]`, for an editor that knows it by that. Addresses keep theirs. */
export function marked(html: string): string {
    const doc = document.implementation.createHTMLDocument();
    doc.body.innerHTML = html;
    putChips(doc.body, (name) => ({ value: '', label: name }));
    doc.body.querySelectorAll<HTMLElement>(`.${CHIP}`).forEach((chip) => {
        const { name, fallback } = ofChip(chip)!;
        const mark = doc.createElement('span');
        mark.dataset.merge = name;
        if (fallback !== null) {
            mark.dataset.fallback = fallback;
        }
        chip.replaceWith(mark);
    });
    return doc.body.innerHTML;
}

/** What such an editor gives, with the fields written out again. */
export function unmarked(html: string): string {
    const doc = document.implementation.createHTMLDocument();
    doc.body.innerHTML = html;
    doc.body.querySelectorAll<HTMLElement>('span[data-merge]').forEach((mark) => {
        mark.replaceWith(written({ name: mark.dataset.merge ?? '', fallback: mark.dataset.fallback ?? null }));
    });
    return doc.body.innerHTML;
}
