import { Extension, InputRule, Node, nodePasteRule } from '@tiptap/core';
import type { Node as ProseNode } from '@tiptap/pm/model';
import { Plugin } from '@tiptap/pm/state';
import { Decoration, DecorationSet } from '@tiptap/pm/view';
import { watchEffect } from 'vue';
import { fieldOf, ONE, setChip, written, type Fill, type MergeField } from '@/ui/mergeFields';

/**
 * What an email can hold beside words, as the server reads it: pictures of the library (`picture:ID`), parts that are
 * kept once (`data-part`), parts for some readers only (`data-only`, a rule as JSON), lines and quotes.
 */
export interface EmailMedia {
    /** The address at which a picture of the library can be shown here, once it is known. */
    src: (picture: string) => string | undefined;
    /** What a deadline is called whose countdown is shown. */
    deadline?: (id: string) => string | undefined;
    part: (id: string) => { name: string; body: string } | undefined;
    /** What a merge field gives a sample reader; every name is taken, since which there are is said when it is checked. */
    merge?: Fill;
    /** A rule in words. */
    words: (rule: string) => string;
}

export const Quote = Node.create({
    name: 'quote',
    group: 'block',
    content: 'paragraph+',
    defining: true,
    parseHTML: () => [{ tag: 'blockquote' }],
    renderHTML: () => ['blockquote', 0],
});

export const Line = Node.create({
    name: 'line',
    group: 'block',
    parseHTML: () => [{ tag: 'hr' }],
    renderHTML: () => ['hr'],
});

/** A merge field, as a chip that reads as a sample reader reads it; see `marked` and `unmarked` for how it is kept. */
export const mergeNode = (fill: Fill) =>
    Node.create({
        name: 'merge',
        group: 'inline',
        inline: true,
        atom: true,
        addAttributes: () => ({ name: { default: '' }, fallback: { default: null } }),
        parseHTML: () => [
            { tag: 'span[data-merge]', getAttrs: (el) => ({ name: el.dataset.merge, fallback: el.dataset.fallback ?? null }) },
        ],
        renderHTML: ({ node }) => {
            const { name, fallback } = node.attrs as MergeField;
            return ['span', { 'data-merge': name, ...(fallback === null ? {} : { 'data-fallback': fallback }) }];
        },
        renderText: ({ node }) => written(node.attrs as MergeField),
        addInputRules() {
            const type = this.type;
            return [
                new InputRule({
                    find: new RegExp(`${ONE.source}$`),
                    handler: ({ state, range, match }) => {
                        state.tr.replaceWith(range.from, range.to, type.create(fieldOf(match)));
                    },
                }),
            ];
        },
        addPasteRules() {
            return [nodePasteRule({ find: new RegExp(ONE, 'g'), type: this.type, getAttributes: fieldOf })];
        },
        addNodeView: () => (props) => {
            const dom = document.createElement('span');
            dom.className = 'merge-chip';
            const show = (field: MergeField) => setChip(dom, field, (name) => fill(name) ?? { value: '', label: name });
            let field = props.node.attrs as MergeField;
            const stop = watchEffect(() => show(field));
            return {
                dom,
                destroy: stop,
                update: (node) => {
                    if (node.type !== props.node.type) {
                        return false;
                    }
                    field = node.attrs as MergeField;
                    show(field);
                    return true;
                },
            };
        },
    });

/** A paragraph that is nothing but a link, which readers see as a button; the server makes one of the same. */
export function isButton(node: ProseNode): boolean {
    const links: string[] = [];
    node.forEach((child) => {
        const [mark, more] = child.marks;
        links.push(mark?.type.name === 'link' && !more && child.type.name !== 'hardBreak' ? String(mark.attrs.href) : '');
    });
    return node.type.name === 'paragraph' && links.length > 0 && links[0] !== '' && links.every((href) => href === links[0]);
}

const Buttons = Extension.create({
    name: 'buttons',
    addProseMirrorPlugins: () => [
        new Plugin({
            props: {
                decorations: ({ doc }) => {
                    const found: Decoration[] = [];
                    doc.descendants((node, at) => {
                        if (isButton(node)) {
                            found.push(Decoration.node(at, at + node.nodeSize, { class: 'is-button' }));
                        }
                    });
                    return DecorationSet.create(doc, found);
                },
            },
        }),
    ],
});

export const emailNodes = (media: EmailMedia) => [
    Buttons,
    Quote,
    Line,
    mergeNode(media.merge ?? ((name) => ({ value: '', label: name }))),
    Node.create({
        name: 'picture',
        group: 'block',
        atom: true,
        draggable: true,
        addAttributes: () => ({ src: { default: '' }, alt: { default: '' } }),
        parseHTML: () => [{ tag: 'img[src^="picture:"]' }],
        renderHTML: ({ node }) => ['img', { src: node.attrs.src as string, alt: node.attrs.alt as string }],
        addNodeView: () => (props) => {
            const dom = document.createElement('img');
            dom.className = 'email-picture';
            dom.alt = String(props.node.attrs.alt);
            // The library may be loaded after the email: what is shown follows.
            const stop = watchEffect(() => {
                const src = media.src(String(props.node.attrs.src).replace('picture:', ''));
                if (src) {
                    dom.src = src;
                }
            });
            return {
                dom,
                destroy: stop,
                update: (node) => {
                    dom.alt = String(node.attrs.alt);
                    return node.type === props.node.type && node.attrs.src === props.node.attrs.src;
                },
            };
        },
    }),
    Node.create({
        name: 'countdown',
        group: 'block',
        atom: true,
        draggable: true,
        addAttributes: () => ({ id: { default: '' } }),
        parseHTML: () => [
            { tag: 'img[src^="countdown:"]', getAttrs: (el) => ({ id: (el.getAttribute('src') ?? '').replace('countdown:', '') }) },
        ],
        renderHTML: ({ node }) => ['img', { src: `countdown:${node.attrs.id as string}`, alt: '' }],
        addNodeView: () => (props) => {
            const dom = document.createElement('div');
            dom.className = 'email-part';
            const name = document.createElement('span');
            const words = document.createElement('div');
            const stop = watchEffect(() => {
                name.textContent = 'Countdown';
                words.textContent = media.deadline?.(String(props.node.attrs.id)) ?? 'A deadline that is gone';
            });
            dom.append(name, words);
            return { dom, destroy: stop };
        },
    }),
    Node.create({
        name: 'part',
        group: 'block',
        atom: true,
        addAttributes: () => ({ id: { default: '' } }),
        parseHTML: () => [{ tag: 'div[data-part]', getAttrs: (el) => ({ id: el.dataset.part }) }],
        renderHTML: ({ node }) => ['div', { 'data-part': node.attrs.id as string }],
        addNodeView: () => (props) => {
            const dom = document.createElement('div');
            dom.className = 'email-part';
            const name = document.createElement('span');
            const body = document.createElement('div');
            const stop = watchEffect(() => {
                const found = media.part(String(props.node.attrs.id));
                name.textContent = found?.name ?? 'A part that is no longer offered';
                // Words only: it is shown, and never run.
                body.textContent = (found?.body ?? '').replace(/<\/p>|<br>/g, '\n').replace(/<[^>]+>/g, '');
            });
            dom.append(name, body);
            return { dom, destroy: stop };
        },
    }),
    Node.create({
        name: 'only',
        group: 'block',
        content: '(paragraph|heading|bulletList|orderedList|picture|countdown|line|quote)+',
        defining: true,
        addAttributes: () => ({ rule: { default: '' } }),
        parseHTML: () => [{ tag: 'div[data-only]', getAttrs: (el) => ({ rule: el.dataset.only }) }],
        renderHTML: ({ node }) => ['div', { 'data-only': node.attrs.rule as string }, 0],
        addNodeView: () => (props) => {
            const dom = document.createElement('div');
            dom.className = 'email-only';
            const label = document.createElement('span');
            label.contentEditable = 'false';
            let rule = String(props.node.attrs.rule);
            const stop = watchEffect(() => (label.textContent = media.words(rule)));
            const contentDOM = document.createElement('div');
            dom.append(label, contentDOM);
            return {
                dom,
                contentDOM,
                destroy: stop,
                update: (node) => {
                    if (node.type !== props.node.type) {
                        return false;
                    }
                    rule = String(node.attrs.rule);
                    label.textContent = media.words(rule);
                    return true;
                },
            };
        },
    }),
];
