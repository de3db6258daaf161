import { createPinia, setActivePinia } from 'pinia';
import { createApp, defineComponent, h, nextTick, shallowRef, type Component } from 'vue';

/** A component on a page of its own, with what it emits. A value it hands on comes back to it, as a screen would give it. */
export function mount<T>(component: Component, props: Record<string, unknown> = {}) {
    const pinia = createPinia();
    setActivePinia(pinia);
    document.body.innerHTML = '';
    const host = document.body.appendChild(document.createElement('div'));
    const emitted: Record<string, unknown[]> = {};
    const given = shallowRef(props);
    const note =
        (name: string) =>
        (value: unknown): void => {
            (emitted[name] ??= []).push(value);
            if (name === 'modelValue') {
                given.value = { ...given.value, modelValue: value };
            }
        };
    const around = defineComponent({
        render: () =>
            h(component, {
                ...given.value,
                'onUpdate:modelValue': note('modelValue'),
                onTurn: note('turn'),
                onClose: note('close'),
                onDone: note('done'),
                onUndone: note('undone'),
            }),
    });
    const app = createApp(around).use(pinia);
    return {
        host,
        emitted,
        show: async () => {
            app.mount(host);
            await nextTick();
        },
        set: async (more: Record<string, unknown>) => {
            given.value = { ...given.value, ...more };
            await nextTick();
        },
        last: () => emitted.modelValue?.at(-1) as T,
        text: () => document.body.textContent?.replace(/\s+/g, ' ').trim() ?? '',
        buttons: () => [...document.querySelectorAll('button')].map((b) => b.getAttribute('aria-label') ?? b.textContent?.trim() ?? ''),
        press: async (words: string) => {
            const found = [...document.querySelectorAll<HTMLElement>('button, [role=option], [role=menuitem]')].find((b) =>
                (b.getAttribute('aria-label') ?? b.textContent?.trim() ?? '').startsWith(words),
            );
            if (!found) {
                throw new Error(`There is no button “${words}”.`);
            }
            found.click();
            await nextTick();
        },
        type: async (css: string, words: string) => {
            const field = host.querySelector<HTMLInputElement>(css)!;
            field.value = words;
            field.dispatchEvent(new Event('input', { bubbles: true }));
            field.dispatchEvent(new Event('change', { bubbles: true }));
            await nextTick();
        },
        end: () => app.unmount(),
    };
}
