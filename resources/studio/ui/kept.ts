import type { Directive } from 'vue';

interface Typing {
    on: boolean;
    /** What is to be shown, and is not yet because somebody types. */
    withheld: string | null;
}

const fields = new WeakMap<HTMLInputElement, Typing>();
const written = (value: unknown): string => (typeof value === 'string' || typeof value === 'number' ? String(value) : '');

function show(el: HTMLInputElement, value: string): void {
    if (el.value !== value) {
        el.value = value;
    }
}

/**
 * The value of a field that takes over what is typed when it is left (`@change`). With `:value` every drawing of the screen, such as
 * after an earlier change was saved, would put the old value back under the fingers of somebody who types; this one waits for them.
 */
export const vKept: Directive<HTMLInputElement, unknown> = {
    mounted(el, { value }) {
        const typing: Typing = { on: false, withheld: null };
        fields.set(el, typing);
        show(el, written(value));
        el.addEventListener('keydown', (event) => {
            typing.on ||= event.key !== 'Tab';
        });
        el.addEventListener('input', () => {
            typing.on = true;
        });
        el.addEventListener('change', () => {
            typing.on = false;
            typing.withheld = null;
        });
        el.addEventListener('blur', () => {
            typing.on = false;
            if (typing.withheld !== null) {
                show(el, typing.withheld);
                typing.withheld = null;
            }
        });
    },
    updated(el, { value }) {
        const typing = fields.get(el);
        if (typing?.on && document.activeElement === el) {
            typing.withheld = written(value);
        } else {
            show(el, written(value));
        }
    },
};
