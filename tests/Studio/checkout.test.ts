import { beforeEach, describe, expect, it, vi } from 'vitest';
import { setUp } from '../../resources/site/checkout';

const answers: ((sums: Record<string, unknown>) => void)[] = [];
const sums = (total: string, more = {}) => ({ sums: `<dl>${total}</dl>`, due: total, card: true, errors: {}, ...more });
const settled = () => new Promise((done) => setTimeout(done));

function checkout(): HTMLFormElement {
    document.body.innerHTML = `<form action="/first-season/order" data-checkout data-fields="/pay/practice/card">
        <label class="bump"><input type="checkbox" name="bump[]" value="o2"></label>
        <p class="field"><input name="coupon"></p><div data-sums></div><div data-card></div>
        <input type="hidden" name="method"><button type="submit">Pay now<span data-due></span></button></form>`;
    const form = document.querySelector('form')!;
    setUp(form);
    return form;
}
const tick = () => document.querySelector('[name="bump[]"]')!.dispatchEvent(new Event('change'));
const text = (css: string) => document.querySelector(css)!.textContent!.trim();

/** A message from the frame of the card fields, or from somebody who would like to be it. */
function say(data: unknown, from: { source?: unknown; origin?: string } = {}): void {
    const frame = document.querySelector('iframe')!;
    const event = new Event('message');
    Object.assign(event, { data, source: frame.contentWindow, origin: location.origin, ...from });
    window.dispatchEvent(event);
}

// The frame itself is not loaded here: its window is nobody's, and the test environment says so aloud.
beforeEach(() => {
    answers.length = 0;
    vi.stubGlobal(
        'fetch',
        vi.fn(() => new Promise((done) => answers.push((given) => done({ ok: true, json: async () => given })))),
    );
});

describe('a checkout in the browser', () => {
    it('shows the sum of what is ticked now, whichever answer comes first', async () => {
        checkout();
        tick();
        tick();
        answers[1]!(sums('€290'));
        await settled();
        answers[0]!(sums('€315'));
        await settled();

        expect([text('[data-sums]'), text('[data-due]')]).toEqual(['€290', '· €290']);
    });

    it('says what is wrong next to its field, and needs no card where nothing is due', async () => {
        checkout();
        tick();
        answers[0]!(sums('€0', { card: false, errors: { coupon: 'This code was used already.' } }));
        await settled();

        expect(text('.field .is-reckoned')).toBe('This code was used already.');
        expect(document.querySelector<HTMLElement>('[data-card]')!.hidden).toBe(true);
    });

    it('takes a method from its own card fields alone, and only while it is paying', () => {
        const form = checkout();
        const sent = vi.spyOn(form, 'submit').mockImplementation(() => undefined);
        const method = form.querySelector<HTMLInputElement>('[name=method]')!;
        say({ cardFields: true, method: 'unasked_for' });
        expect(method.value).toBe('');
        form.dispatchEvent(new Event('submit', { cancelable: true }));
        say({ cardFields: true, method: 'strangers_card' }, { source: window });
        say({ cardFields: true, method: 'strangers_card' }, { origin: 'https://elsewhere.example' });
        expect([method.value, sent.mock.calls.length]).toEqual(['', 0]);
        say({ cardFields: true, method: 'kept_card' });

        expect([method.value, sent.mock.calls.length]).toEqual(['kept_card', 1]);
    });
});
