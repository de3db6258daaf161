import { beforeEach, describe, expect, it, vi } from 'vitest';
import { addStyle, at, dress, format, insertWords, listen, mark, type CanvasEvents } from '@/funnel/desk/canvas';

const page = `
    <section data-section="s1"><h1 data-block="b1" data-field="text">Play</h1>
        <div data-block="b2"><div data-field="html"><b>Rich</b> words</div></div>
        <ul data-block="b3"><li data-item="0"><span data-field="title">One</span></li><li data-item="1"><span data-field="title">Two</span></li></ul>
        <form data-block="b4"><button type="submit">Send it</button></form></section>
    <section data-section="s2" data-shared="yes"></section>`;
const fill = () => null;
const pick = (css: string) => document.querySelector<HTMLElement>(css)!;

function heard(): CanvasEvents {
    const events = { select: vi.fn(), type: vi.fn(), add: vi.fn(), drop: vi.fn(), key: vi.fn(), typing: vi.fn(), merge: vi.fn() };
    listen(document, events, fill);
    return events;
}

beforeEach(() => {
    document.documentElement.innerHTML = '<head></head><body></body>';
    document.body.innerHTML = page;
});

describe('the page on the desk', () => {
    it('knows what is where', () => {
        expect(at(pick('h1'))).toEqual({ section: 's1', block: 'b1', item: undefined, field: 'text' });
        expect(at(pick('li:nth-child(2) span'))).toEqual({ section: 's1', block: 'b3', item: 1, field: 'title' });
        expect(at(pick('[data-section=s2]'))).toEqual({ section: 's2', block: undefined, item: undefined, field: undefined });
        expect([at(document.body), at(null)]).toEqual([null, null]);
    });

    it('makes words editable, rich ones richly, and says what they are', () => {
        dress(document, fill);
        const said = [...document.querySelectorAll<HTMLElement>('[data-field]')].map((f) => [
            f.contentEditable,
            f.getAttribute('aria-label'),
            f.getAttribute('role'),
        ]);
        expect(said).toEqual([
            ['plaintext-only', 'Heading', 'textbox'],
            ['true', 'Text', 'textbox'],
            ['plaintext-only', 'Title', 'textbox'],
            ['plaintext-only', 'Title', 'textbox'],
        ]);
    });

    it('gives each section its button, marks the shared ones and those with nothing in them', () => {
        dress(document, fill);
        expect(document.querySelectorAll('.lantern-add')).toHaveLength(2);
        expect([...document.querySelectorAll('.lantern-shared')].map((m) => m.parentElement!.dataset.section)).toEqual(['s2']);
        expect([...document.querySelectorAll<HTMLElement>('.lantern-nothing')].map((s) => s.dataset.section)).toEqual(['s2']);
    });

    it('dresses a section that was drawn anew like all others', () => {
        const section = pick('[data-section=s1]');
        dress(section, fill);
        expect([
            section.querySelectorAll('.lantern-add').length,
            pick('h1').contentEditable,
            document.querySelectorAll('.lantern-add').length,
        ]).toEqual([1, 'plaintext-only', 1]);
    });

    it('shows what is open, and nothing else', () => {
        addStyle(document);
        expect(document.head.querySelector('style')!.textContent).toContain('.is-open');
        mark(document, { section: 's1', block: 'b2' });
        mark(document, { section: 's1', block: 'b1' });
        expect([...document.querySelectorAll<HTMLElement>('.is-open')].map((e) => e.dataset.block)).toEqual(['b1']);
        mark(document, { section: 's2' });
        expect([...document.querySelectorAll<HTMLElement>('.is-open')].map((e) => e.dataset.section)).toEqual(['s2']);
        mark(document, null);
        expect(document.querySelectorAll('.is-open')).toHaveLength(0);
    });
});

describe('what is done on the page', () => {
    it('a click chooses, and leads nowhere', () => {
        const events = heard();
        const click = new MouseEvent('click', { bubbles: true, cancelable: true });
        pick('form button').dispatchEvent(click);
        expect(events.select).toHaveBeenCalledWith(expect.objectContaining({ section: 's1', block: 'b4' }));
        expect(click.defaultPrevented).toBe(true);
        const submit = new Event('submit', { bubbles: true, cancelable: true });
        pick('form').dispatchEvent(submit);
        expect(submit.defaultPrevented).toBe(true);
    });

    it('the button below a section adds one there, and chooses nothing', () => {
        dress(document, fill);
        const events = heard();
        pick('[data-section=s2] > .lantern-add').click();
        expect([vi.mocked(events.add).mock.calls, vi.mocked(events.select).mock.calls]).toEqual([[['s2']], []]);
    });

    it('typing says where and what, with marks only where there may be some', () => {
        const events = heard();
        pick('h1').innerHTML = 'Play <b>now</b>';
        pick('h1').dispatchEvent(new Event('input', { bubbles: true }));
        pick('[data-field=html]').innerHTML = '<b>Rich</b> and new';
        pick('[data-field=html]').dispatchEvent(new Event('input', { bubbles: true }));
        expect(vi.mocked(events.type).mock.calls.map(([where, value]) => [where.block, where.field, value])).toEqual([
            ['b1', 'text', 'Play now'],
            ['b2', 'html', '<b>Rich</b> and new'],
        ]);
        pick('h1').dispatchEvent(new Event('focusout', { bubbles: true }));
        expect(vi.mocked(events.typing).mock.calls.map(([on]) => on)).toEqual([true, true, false]);
    });

    it('what is pasted comes without marks', () => {
        heard();
        const insert = vi.fn();
        Object.assign(document, { execCommand: insert });
        const paste = Object.assign(new Event('paste', { bubbles: true, cancelable: true }), {
            clipboardData: { getData: (type: string) => (type === 'text/plain' ? 'plain words' : '<b>no</b>') },
        });
        pick('[data-field=html]').dispatchEvent(paste);
        expect([insert.mock.calls.at(-1), paste.defaultPrevented]).toEqual([['insertText', false, 'plain words'], true]);
    });

    it('a file is held over one thing and dropped there', () => {
        const events = heard();
        const file = new File(['x'], 'cello.png', { type: 'image/png' });
        const drag = (type: string, css: string) => {
            const event = Object.assign(new Event(type, { bubbles: true, cancelable: true }), {
                dataTransfer: { types: ['Files'], files: [file] },
            });
            pick(css).dispatchEvent(event);
        };
        drag('dragover', 'h1');
        drag('dragover', '[data-block=b2]');
        expect([...document.querySelectorAll<HTMLElement>('.is-over')].map((e) => e.dataset.block)).toEqual(['b2']);
        drag('drop', '[data-block=b2]');
        expect(events.drop).toHaveBeenCalledWith(expect.objectContaining({ section: 's1', block: 'b2' }), file);
        expect(document.querySelectorAll('.is-over')).toHaveLength(0);
    });
});

describe('words that are chosen', () => {
    const choose = (css: string) => {
        const range = document.createRange();
        range.selectNodeContents(pick(css));
        document.getSelection()!.removeAllRanges();
        document.getSelection()!.addRange(range);
    };

    it('get a colour of the look, and the field says so', () => {
        const events = heard();
        choose('[data-field=html] b');
        format(document, 'in-accent');
        expect(pick('[data-field=html] .in-accent').textContent).toBe('Rich');
        expect(vi.mocked(events.type).mock.calls.at(-1)![1]).toContain('<span class="in-accent">Rich</span>');
    });

    it('stay plain where only plain words stand', () => {
        const events = heard();
        choose('h1');
        format(document, 'in-accent');
        expect([pick('h1').innerHTML, vi.mocked(events.type).mock.calls]).toEqual(['Play', []]);
    });

    it.each([
        ['bold', '', ['bold']],
        ['italic', '', ['italic']],
        ['link', 'https://ferncroft.example/', ['createLink', false, 'https://ferncroft.example/']],
        ['link', '', ['unlink', false, '']],
        ['plain', '', ['removeFormat']],
    ] as const)('become %s (%j)', (how, value, expected) => {
        const command = vi.fn();
        Object.assign(document, { execCommand: command });
        choose('[data-field=html]');
        format(document, how, value);
        expect(command.mock.calls[0]).toEqual(expected);
    });

    it('a merge field goes where the caret is, and nowhere else', () => {
        const command = vi.fn();
        Object.assign(document, { execCommand: command });
        document.getSelection()!.removeAllRanges();
        insertWords(document, '{{first_name|there}}', fill);
        expect(command).not.toHaveBeenCalled();
        choose('h1');
        insertWords(document, '{{first_name|there}}', fill);
        expect(command.mock.calls).toEqual([['insertText', false, '{{first_name|there}}']]);
    });
});

describe('merge fields on the page', () => {
    const robin = (name: string) => (name === 'first_name' ? { value: 'Robin', label: 'First name' } : null);

    function copied(kind: 'copy' | 'cut', from: Node, to: Node): string | null {
        const range = document.createRange();
        range.setStartBefore(from);
        range.setEndAfter(to);
        getSelection()!.removeAllRanges();
        getSelection()!.addRange(range);
        const said: Record<string, string> = {};
        const event = new Event(kind, { bubbles: true, cancelable: true });
        Object.assign(event, { clipboardData: { setData: (type: string, words: string) => (said[type] = words) } });
        pick('h1').dispatchEvent(event);
        return event.defaultPrevented ? (said['text/plain'] ?? '') : null;
    }

    it('are copied as fields, and never as the sample they read as', () => {
        pick('h1').innerHTML = 'Play, {{first_name|friend}}, now';
        listen(
            document,
            { select: vi.fn(), type: vi.fn(), add: vi.fn(), drop: vi.fn(), key: vi.fn(), typing: vi.fn(), merge: vi.fn() },
            robin,
        );
        dress(document, robin);
        const execCommand = vi.fn();
        Object.assign(document, { execCommand });
        expect(pick('h1').textContent).toBe('Play, Robin, now');
        const words = pick('h1').childNodes;
        expect(copied('copy', words[0]!, words[2]!)).toBe('Play, {{first_name|friend}}, now');
        expect(execCommand).not.toHaveBeenCalled();
        expect(copied('cut', words[0]!, words[2]!)).toBe('Play, {{first_name|friend}}, now');
        expect(execCommand).toHaveBeenCalledWith('delete');
        expect(copied('copy', words[2]!, words[2]!)).toBeNull();
    });

    it('are opened by a press, and become one when what was typed is left', () => {
        const merge = vi.fn();
        const type = vi.fn();
        listen(document, { select: vi.fn(), type, add: vi.fn(), drop: vi.fn(), key: vi.fn(), typing: vi.fn(), merge }, robin);
        dress(document, robin);
        pick('h1').textContent = 'Hello {{first_name}}';
        pick('h1').dispatchEvent(new FocusEvent('focusout', { bubbles: true }));
        const chip = pick('h1 .lantern-merge');
        chip.click();
        expect(merge).toHaveBeenCalledWith(chip);
        pick('h1').dispatchEvent(new InputEvent('input', { bubbles: true }));
        expect(type.mock.calls[0]![1]).toBe('Hello {{first_name}}');
    });
});
