import { beforeEach, describe, expect, it } from 'vitest';
import { asRead, htmlOf, ofChip, plainOf, putChips, setChip, written, type Fill } from '@/ui/mergeFields';

const known: Record<string, { value: string; label: string }> = {
    first_name: { value: 'Robin', label: 'First name' },
    host: { value: 'Imke <3', label: 'Your name' },
    day: { value: '', label: 'A day' },
};
const fill: Fill = (name) => known[name] ?? null;
const part = (html: string): HTMLElement => {
    document.body.innerHTML = `<div id="part">${html}</div>`;
    return document.getElementById('part')!;
};
const chips = () => [...document.querySelectorAll<HTMLElement>('.lantern-merge')];

beforeEach(() => (document.body.innerHTML = ''));

describe('words with merge fields', () => {
    it.each([
        ['Hello {{first_name|friend}}!', 'Hello Robin!'],
        ['{{ first_name }} of {{host}}', 'Robin of Imke <3'],
        ['On {{day|Monday}}, {{day}}.', 'On Monday, .'],
        ['{{nobody|x}} {{Upper}} {{first_name|a|b}} {{', '{{nobody|x}} {{Upper}} {{first_name|a|b}} {{'],
        ['', ''],
    ])('“%s” are read as “%s”', (words, read) => {
        expect(asRead(words, fill)).toBe(read);
    });
});

describe('merge fields that are edited', () => {
    it.each([
        'Hello {{first_name|friend}}, it is {{host}}.',
        '<b>{{first_name|}}</b> &amp; {{day|a &lt; b}}<br>next',
        'none at all',
        '{{nobody|x}}',
        '{{first_name}}{{first_name}}',
    ])('stand as chips and come out as they went in: %s', (html) => {
        const field = part(html);
        putChips(field, fill);
        putChips(field, fill);
        expect(htmlOf(field)).toBe(html);
        chips().forEach((c) => expect(c.contentEditable).toBe('false'));
    });

    it('say what a sample person reads, or what they are called where there is nothing to read', () => {
        putChips(part('{{first_name|friend}} {{host}} {{day|Monday}} {{day}} {{nobody}}'), fill);
        expect(chips().map((c) => [c.textContent, c.title])).toEqual([
            ['Robin', 'First name, or “friend”'],
            ['Imke <3', 'Your name'],
            ['Monday', 'A day, or “Monday”'],
            ['A day', 'A day'],
        ]);
        expect(document.body.textContent).toContain('{{nobody}}');
    });

    it('become another one, with another fallback or none', () => {
        const field = part('{{first_name|friend}}');
        putChips(field, fill);
        const [chip] = chips();
        expect(ofChip(chip!.firstChild!.parentElement)).toEqual({ name: 'first_name', fallback: 'friend' });
        setChip(chip!, { name: 'day', fallback: 'some day' }, fill);
        expect(htmlOf(field)).toBe('{{day|some day}}');
        setChip(chip!, { name: 'host', fallback: null }, fill);
        expect([htmlOf(field), chip!.title]).toEqual(['{{host}}', 'Your name']);
        expect(ofChip(field)).toBeNull();
    });

    it('come out of plain words with their lines, and without the marks of a browser', () => {
        const field = part('One {{first_name|x}}<br>two<div>three</div><div>four<br></div>');
        putChips(field, fill);
        expect(plainOf(field)).toBe('One {{first_name|x}}\ntwo\nthree\nfour');
        expect(plainOf(part('{{host}}'))).toBe('{{host}}');
        expect(plainOf(part('a &amp; b &lt;c&gt;'))).toBe('a & b <c>');
    });

    it('are written as they were given', () => {
        expect([
            written({ name: 'a', fallback: null }),
            written({ name: 'a', fallback: '' }),
            written({ name: 'a', fallback: 'b' }),
        ]).toEqual(['{{a}}', '{{a|}}', '{{a|b}}']);
    });
});
