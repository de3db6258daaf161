import NewFunnel from '@/funnels/NewFunnel.vue';
import { describe, expect, it, vi } from 'vitest';
import { nextTick } from 'vue';
import { mount } from './mount';
import { server } from './server';

vi.mock('vue-router', () => ({ useRouter: () => ({ push: () => Promise.resolve() }), useRoute: () => ({ query: {} }) }));

describe('the private name of a new funnel', () => {
    const fields = (m: ReturnType<typeof mount>) => [...m.host.querySelectorAll<HTMLInputElement>('input.input[type=text]')];
    const typed = async (field: HTMLInputElement, words: string) => {
        for (let i = 1; i <= words.length; i++) {
            field.value = words.slice(0, i);
            field.dispatchEvent(new Event('input', { bubbles: true }));
            await nextTick();
        }
    };

    it('follows what visitors read, letter by letter, until something else is typed', async () => {
        server(() => [200, {}]);
        const m = mount(NewFunnel);
        await m.show();
        m.host.querySelector<HTMLElement>('[role=radio]')!.click();
        await nextTick();
        const [title, name] = fields(m);
        await typed(title!, 'A plan');
        expect(name!.value).toBe('A plan');
        await typed(name!, 'A');
        await typed(title!, 'A plan for adults');
        expect(name!.value).toBe('A');
        m.end();
    });
});
