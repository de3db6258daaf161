import { describe, expect, it, vi } from 'vitest';
import { defineComponent, h, ref } from 'vue';
import { usePagedList } from '../../resources/studio/stores/pagedList';
import NumberField from '../../resources/studio/ui/NumberField.vue';
import { mount } from './mount';
import { server } from './server';

describe('a list of the API, page by page', () => {
    it('begins at the first page with another filter, and says what makes no sense', async () => {
        const search = ref('');
        const [filtered, refused] = [vi.fn(), vi.fn()];
        server((call) => (call.path.includes('search=%3F') ? [422, { message: 'What?' }] : [200, { at: call.path }]));
        let list!: ReturnType<typeof usePagedList<{ at: string }>>;
        const screen = mount(
            defineComponent({
                setup() {
                    list = usePagedList<{ at: string }>('people', () => ({ search: search.value }), { filtered, refused });
                    return () => h('p', list.answer.value?.at ?? '');
                },
            }),
        );
        await screen.show();
        list.page.value = 3;
        await vi.waitFor(() => expect(list.answer.value?.at).toContain('page=3'));
        search.value = 'robin';
        await vi.waitFor(() => expect(list.answer.value?.at).toContain('search=robin&page=1'));
        expect([list.page.value, filtered.mock.calls.length]).toEqual([1, 1]);
        search.value = '?';
        await vi.waitFor(() => expect(refused).toHaveBeenCalledOnce());
        expect(list.answer.value?.at, 'what was there stays').toContain('search=robin');
    });
});

describe('a number', () => {
    it('within its bounds is taken; nothing, where it may be empty, is what that stands for', async () => {
        const m = mount<number | null>(NumberField, { modelValue: 5, least: 1, most: 10, label: 'Places', empty: null });
        await m.show();
        for (const [typed, taken] of [
            ['7', 7],
            ['11', 7],
            ['0', 7],
            ['1.5', 7],
            ['', null],
            ['10', 10],
        ] as const) {
            await m.type('input', typed);
            expect(m.last(), typed).toBe(taken);
        }
    });
});
