import { describe, expect, it } from 'vitest';
import { createApp, h, nextTick, ref, withDirectives } from 'vue';
import { vKept } from '@/ui/kept';

/** A field that shows a value that is changed by others as well. */
function field() {
    const value = ref<unknown>('1:00');
    const taken: string[] = [];
    const box = document.createElement('div');
    document.body.append(box);
    createApp({
        render: () =>
            h('div', [
                withDirectives(h('input', { onChange: (e: Event) => taken.push((e.target as HTMLInputElement).value) }), [
                    [vKept, value.value],
                ]),
            ]),
    }).mount(box);
    const input = box.querySelector('input')!;
    const fires = (type: string) => input.dispatchEvent(type === 'keydown' ? new KeyboardEvent(type, { key: '2' }) : new Event(type));
    const type = (text: string) => {
        input.focus();
        fires('keydown');
        input.value = text;
        fires('input');
    };
    return { input, value, taken, type, fires };
}

describe('a field that takes over what is typed when it is left', () => {
    it('shows what it is given, and nothing for what is not text', async () => {
        const { input, value } = field();
        expect(input.value).toBe('1:00');
        value.value = 90;
        await nextTick();
        expect(input.value).toBe('90');
        value.value = undefined;
        await nextTick();
        expect(input.value).toBe('');
    });

    it('leaves what is being typed alone, and takes it over in the end', async () => {
        const { input, value, taken, type, fires } = field();
        type('2:');
        value.value = '';
        await nextTick();
        expect(input.value).toBe('2:');
        type('2:30');
        fires('change');
        fires('blur');
        expect(taken).toEqual(['2:30']);
        expect(input.value).toBe('2:30');
        value.value = '2:30';
        await nextTick();
        value.value = '3:00';
        await nextTick();
        expect(input.value).toBe('3:00');
    });

    it('shows what came meanwhile when it is left as it was', async () => {
        const { input, value, type, fires } = field();
        type('1:00');
        value.value = '4:00';
        await nextTick();
        expect(input.value).toBe('1:00');
        fires('blur');
        expect(input.value).toBe('4:00');
    });

    it('is drawn anew while it has the focus and nobody types', async () => {
        const { input, value } = field();
        input.focus();
        value.value = '5:00';
        await nextTick();
        expect(input.value).toBe('5:00');
    });
});
