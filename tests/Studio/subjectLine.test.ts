import SubjectLine from '@/emails/SubjectLine.vue';
import { describe, expect, it } from 'vitest';
import { defineComponent, h, nextTick, ref } from 'vue';
import { mount } from './mount';

const known: Record<string, string> = { first_name: 'Robin' };
const fill = (name: string) => ({ label: name.replaceAll('_', ' '), value: known[name] ?? '' });

async function line(words: string) {
    const model = ref(words);
    const ended = ref(0);
    const Around = defineComponent({
        render: () =>
            h(SubjectLine, {
                modelValue: model.value,
                label: 'Subject',
                fields: [],
                fill,
                'onUpdate:modelValue': (w: string) => (model.value = w),
                onDone: () => ended.value++,
            }),
    });
    const m = mount(Around);
    await m.show();
    await nextTick();
    const box = () => m.host.querySelector<HTMLElement>('[role=textbox]')!;
    const editor = () => (box() as unknown as { editor: { commands: Record<string, (...of: unknown[]) => boolean> } }).editor;
    return { m, model, ended, box, editor };
}

describe('the subject of an email', () => {
    it.each([
        ['Bow & strings <first>', 'Bow & strings <first>'],
        ['{{first_name|friend}}, a question', 'Robin, a question'],
        ['{{town|your town}} and {{first_name}}', 'your town and Robin'],
        ['', ''],
        ['{{first_name', '{{first_name'],
        ['  two  spaces', '  two  spaces'],
    ])('reads as its reader reads it: %s', async (words, read) => {
        const { m, model, box } = await line(words);
        expect(box().textContent).toBe(read);
        expect(model.value, 'and is not changed by being shown').toBe(words);
        m.end();
    });
    it('keeps its fields while words are typed, and stays one line', async () => {
        const { m, model, editor } = await line('{{first_name|friend}}, a question');
        editor().commands.focus!('end');
        editor().commands.insertContent!(' & more <b>');
        await nextTick();
        expect(model.value).toBe('{{first_name|friend}}, a question & more <b>');
        m.end();
    });
    it('goes on to the words with Enter', async () => {
        const { m, box, ended, model } = await line('A question');
        box().dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true }));
        await nextTick();
        expect([ended.value, model.value]).toEqual([1, 'A question']);
        m.end();
    });
    it('follows what is changed elsewhere, such as by undo', async () => {
        const { m, model, box } = await line('One');
        model.value = 'Two, {{first_name}}';
        await nextTick();
        await nextTick();
        expect(box().textContent).toBe('Two, Robin');
        m.end();
    });
});
