import { afterEach, describe, expect, it, vi } from 'vitest';

const html = `<div class="embed" style="--ink:#123456"><form><p class="summary" hidden></p>
    <p><label>Email <input name="email" value="robin@"></label></p><fieldset><input type="checkbox" name="likes[]" value="Bach" checked><input type="checkbox" name="likes[]" value="Folk" checked></fieldset>
    <button>Send it</button></form></div>`;

interface Sent {
    url: string;
    body: URLSearchParams | undefined;
}

async function embedded(answers: (object | Error)[], dataset: Record<string, string> = {}) {
    vi.resetModules();
    document.body.innerHTML = '<p>Before</p>';
    const tag = document.createElement('script');
    Object.assign(tag.dataset, dataset);
    document.body.append(tag);
    vi.spyOn(document, 'currentScript', 'get').mockReturnValue(tag);
    vi.stubGlobal('lantern', {
        html,
        css: '.button{color:red}',
        url: 'https://lantern.example/e/1',
        button: 'Join in',
        close: 'Close',
        name: 'Sign-up form',
        trouble: 'That did not work. Please try again.',
    });
    const sent: Sent[] = [];
    vi.stubGlobal(
        'fetch',
        vi.fn(async (url: string, init: { body?: URLSearchParams } = {}) => {
            sent.push({ url, body: init.body });
            const answer = url.endsWith('/token') ? { token: 'first' } : answers.shift()!;
            if (answer instanceof Error) {
                throw answer;
            }
            return { json: async () => answer };
        }),
    );
    // @ts-expect-error A script of the page, and no module.
    await import('../../resources/site/embed');
    const root = tag.nextElementSibling!.shadowRoot!;
    const press = async (): Promise<void> => {
        const before = sent.length;
        root.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true }));
        await vi.waitFor(() => expect(sent.length).toBeGreaterThan(before));
        await new Promise((r) => setTimeout(r));
    };
    return { root, sent, press };
}

afterEach(() => vi.unstubAllGlobals());

describe('a form on another web site', () => {
    it('stands where its script tag stands, in a style of its own', async () => {
        const { root } = await embedded([]);
        expect(document.body.querySelector('form'), 'the site’s own styles cannot reach it').toBeNull();
        expect(root.querySelector('style')!.textContent).toContain('.button{color:red}');
        expect(root.querySelector('form')!.getAttribute('aria-label')).toBe('Sign-up form');
    });

    it('sends all that was filled in, with a token, the zone and where its visitor came from', async () => {
        history.replaceState(null, '', '/?utm_source=blog');
        const { press, sent } = await embedded([{ done: 'Thank you.' }]);
        await press();
        const body = sent.at(-1)!.body!;
        expect([body.get('email'), body.getAll('likes[]'), body.get('token'), body.get('source')]).toEqual([
            'robin@',
            ['Bach', 'Folk'],
            'first',
            'utm_source=blog',
        ]);
        expect(body.get('zone')).toBe(Intl.DateTimeFormat().resolvedOptions().timeZone);
    });

    it('says what is wrong beside the field, keeps what was typed, and can be sent again', async () => {
        const { root, press, sent } = await embedded([
            { errors: { email: 'Check the address.', likes: 'Choose one.' }, token: 'second' },
            { done: 'Thank you.\nLook in your inbox.' },
        ]);
        await press();
        expect([...root.querySelectorAll('.error')].map((e) => e.textContent)).toEqual(['Check the address.', 'Choose one.']);
        const field = root.querySelector<HTMLInputElement>('[name=email]')!;
        expect([field.value, field.getAttribute('aria-invalid')]).toEqual(['robin@', 'true']);
        await press();
        expect(sent.at(-1)!.body!.get('token')).toBe('second');
        expect([root.querySelector('form'), root.querySelector('[role=status]')!.textContent]).toEqual([
            null,
            'Thank you.\nLook in your inbox.',
        ]);
    });

    it('shows what the server says, and when it cannot be reached', async () => {
        const { root, press } = await embedded([{ message: 'Too many at once.' }, new TypeError('gone')]);
        const summary = () => root.querySelector<HTMLElement>('.summary')!;
        await press();
        expect([summary().textContent, summary().hidden]).toEqual(['Too many at once.', false]);
        await press();
        expect(summary().textContent).toBe('That did not work. Please try again.');
    });

    it('puts words in as words', async () => {
        const { root, press } = await embedded([{ message: '<img src=x onerror=alert(1)>' }, { done: '<b>Done</b>' }]);
        await press();
        expect(root.querySelector('img')).toBeNull();
        await press();
        expect([root.querySelector('[role=status]')!.textContent, root.querySelector('b')]).toEqual(['<b>Done</b>', null]);
    });

    it('is sent once, however often the button is pressed', async () => {
        const { root, sent } = await embedded([{ done: 'Thank you.' }]);
        const form = root.querySelector('form')!;
        form.dispatchEvent(new Event('submit', { cancelable: true }));
        form.dispatchEvent(new Event('submit', { cancelable: true }));
        await vi.waitFor(() => expect(root.querySelector('[role=status]')).not.toBeNull());
        expect(sent.filter((s) => !s.url.endsWith('/token'))).toHaveLength(1);
    });

    it.each([
        ['', 'Join in'],
        ['Get the plan', 'Get the plan'],
    ])('is a button first where the site wants one (%j)', async (words, shown) => {
        const { root } = await embedded([], { button: words });
        const opener = root.querySelector<HTMLButtonElement>('button.button')!;
        const dialog = root.querySelector('dialog')!;
        const show = vi.fn();
        Object.assign(dialog, { showModal: show });
        opener.click();
        expect([
            opener.textContent,
            show.mock.calls.length,
            dialog.querySelector('form') !== null,
            dialog.querySelector('.close')!.textContent,
        ]).toEqual([shown, 1, true, 'Close']);
    });
});
