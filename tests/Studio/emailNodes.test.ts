import { Editor } from '@tiptap/core';
import Bold from '@tiptap/extension-bold';
import Document from '@tiptap/extension-document';
import Heading from '@tiptap/extension-heading';
import Link from '@tiptap/extension-link';
import { BulletList, ListItem, OrderedList } from '@tiptap/extension-list';
import Paragraph from '@tiptap/extension-paragraph';
import Text from '@tiptap/extension-text';
import { describe, expect, it } from 'vitest';
import { reactive } from 'vue';
import { emailNodes } from '@/emails/nodes';
import { marked, unmarked } from '@/ui/mergeFields';

const rule = '{"kind":"tag","not":false,"tag":"VIP"}';
const escaped = rule.replaceAll('"', '&quot;');

function editor(
    content: string,
    media: { src?: Record<string, string>; parts?: Record<string, { name: string; body: string }> } = {},
): Editor {
    return new Editor({
        element: document.createElement('div'),
        extensions: [
            Document,
            Paragraph,
            Text,
            Bold,
            Heading,
            Link.configure({ openOnClick: false }),
            BulletList,
            OrderedList,
            ListItem,
            ...emailNodes({
                src: (id) => media.src?.[id],
                part: (id) => media.parts?.[id],
                words: (r) => `for those: ${(JSON.parse(r) as { tag: string }).tag}`,
            }),
        ],
        content: marked(content),
    });
}

describe('an email in the editor', () => {
    it.each([
        ['a picture of the library', '<p>Look:</p><img src="picture:01habc" alt="A cello"><p>There.</p>'],
        ['a part that is kept once', '<p>Yours,</p><div data-part="01hsig"></div>'],
        [
            'words for some readers only',
            `<div data-only="${escaped}"><p>For you, <strong>VIP</strong>.</p><ul><li><p>one</p></li></ul></div><p>For all.</p>`,
        ],
        ['a line and a quote', '<p>One</p><hr><blockquote><p>Two</p></blockquote>'],
        ['merge fields', '<p>Hello {{first_name|there}}, <strong>{{price_1}}</strong> {{x|a &amp; b}}</p>'],
    ])('comes out as it went in: %s', (_, html) => expect(unmarked(editor(html).getHTML())).toBe(html));

    it.each([
        ['pictures from elsewhere', '<p>x</p><img src="https://elsewhere.example/p.png" alt="">', '<p>x</p>'],
        ['script', '<p>x</p><script>alert(1)</script>', '<p>x</p>'],
        [
            'words for some within words for some',
            `<div data-only="${escaped}"><p>a</p><div data-only="${escaped}"><p>b</p></div></div>`,
            'data-only',
        ],
    ])('keeps out %s', (_, html, left) => {
        const kept = editor(html).getHTML();
        expect(kept).toContain(left);
        expect(kept).not.toMatch(/elsewhere|alert|data-only[^>]*>(?:(?!<\/div>).)*data-only/);
    });

    it('shows a picture as soon as the library knows where it is', async () => {
        const src = reactive<Record<string, string>>({});
        const open = editor('<img src="picture:01habc" alt="A cello">', { src });
        const picture = open.view.dom.querySelector('img.email-picture') as HTMLImageElement;
        expect(picture.getAttribute('src')).toBeNull();
        src['01habc'] = '/media/01habc/w720.webp';
        await Promise.resolve();
        expect(picture.getAttribute('src')).toBe('/media/01habc/w720.webp');
    });

    it('shows what a part says as words, and that it is gone when it is', () => {
        const html = '<div data-part="sig"></div><div data-part="gone"></div>';
        const shown = [
            ...editor(html, {
                parts: { sig: { name: 'Signature', body: '<p>Imke</p><p><b onclick="x()">Ferncroft</b></p>' } },
            }).view.dom.querySelectorAll('.email-part'),
        ];
        expect(shown.map((e) => e.querySelector('span')!.textContent)).toEqual(['Signature', 'A part that is no longer offered']);
        expect([shown[0]!.querySelector('div')!.textContent, shown[0]!.querySelector('b')]).toEqual(['Imke\nFerncroft\n', null]);
    });

    it('says for whom some words are', () => {
        expect(editor(`<div data-only="${escaped}"><p>a</p></div>`).view.dom.querySelector('.email-only span')!.textContent).toBe(
            'for those: VIP',
        );
    });
});

describe('a merge field in an email', () => {
    const chips = (e: Editor) => [...e.view.dom.querySelectorAll<HTMLElement>('.merge-chip')].map((c) => c.textContent);

    it('stands as a chip, and is written as it was', () => {
        const e = editor('<p>Hello {{first_name|there}}</p>');
        expect(chips(e)).toEqual(['there']);
        expect(e.getText()).toBe('Hello {{first_name|there}}');
    });

    it('becomes one while it is typed, and another one with other attributes', () => {
        const e = editor('<p>Hello,</p>');
        e.commands.focus('end');
        for (const letter of '{{first_name|you}}') {
            const { from, to } = e.state.selection;
            const taken = e.view.someProp('handleTextInput', (f) =>
                f(e.view, from, to, letter, () => e.state.tr.insertText(letter, from, to)),
            );
            if (!taken) {
                e.view.dispatch(e.state.tr.insertText(letter, from, to));
            }
        }
        expect([chips(e), unmarked(e.getHTML())]).toEqual([['you'], '<p>Hello,{{first_name|you}}</p>']);
        e.commands.setNodeSelection(7);
        e.commands.updateAttributes('merge', { name: 'host', fallback: null });
        expect([chips(e), unmarked(e.getHTML())]).toEqual([['host'], '<p>Hello,{{host}}</p>']);
    });
});

describe('a link that stands alone', () => {
    it.each([
        ['alone', '<p><a href="{{page_1}}">The plan</a></p>', true],
        ['with a merge field in it', '<p><a href="{{page_1}}">For {{first_name|you}} alone</a></p>', true],
        ['with words beside it', '<p>See <a href="{{page_1}}">the plan</a></p>', false],
        ['with marks of its own, which the server leaves a link', '<p><a href="{{page_1}}"><strong>The</strong> plan</a></p>', false],
        ['two of them', '<p><a href="{{page_1}}">One</a><a href="{{page_2}}">two</a></p>', false],
        ['none', '<p>Words</p>', false],
        ['nothing', '<p></p>', false],
    ])('is drawn as the button that its reader sees: %s', (_, html, button) => {
        expect(editor(html).view.dom.querySelectorAll('p.is-button')).toHaveLength(button ? 1 : 0);
    });
});
