import { createPinia, setActivePinia } from 'pinia';
import { describe, expect, it, vi } from 'vitest';
import { createApp, h } from 'vue';
import { createMemoryHistory, createRouter, RouterView } from 'vue-router';
import { useToasts } from '@/stores/toasts';
import { useLeaving, type Unsaved } from '@/ui/leaving';

async function screen(given: Partial<Unsaved>) {
    const flush = vi.fn(async () => undefined);
    const unsaved = { flush, saved: () => true, trouble: () => '', ...given };
    const desk = { setup: () => (useLeaving(unsaved), () => h('p', 'Desk')) };
    const router = createRouter({
        history: createMemoryHistory(),
        routes: [
            { path: '/letters/:id/:part?', component: desk },
            { path: '/people', component: { render: () => h('p', 'People') } },
        ],
    });
    const pinia = createPinia();
    setActivePinia(pinia);
    const app = createApp(RouterView);
    app.use(router).use(pinia);
    await router.push('/letters/1');
    app.mount(document.createElement('div'));
    return { router, flush, at: () => router.currentRoute.value.path, notice: () => useToasts().toasts.at(-1) };
}

const unload = () => !window.dispatchEvent(new Event('beforeunload', { cancelable: true }));

describe('leaving', () => {
    it('saves on the way out, and on the way to another thing, but not within one', async () => {
        const { router, flush, at } = await screen({});
        await router.push('/letters/1/settings');
        expect(flush).not.toHaveBeenCalled();
        await router.push('/letters/2');
        await router.push('/people');
        expect([flush.mock.calls.length, at(), unload()]).toEqual([2, '/people', false]);
    });

    it('lets nobody go unseen from what could not be saved, and anybody who means to', async () => {
        const { router, at, notice } = await screen({ trouble: () => 'A subject, please.' });
        await router.push('/people');
        expect([at(), notice()!.words]).toEqual(['/letters/1', 'Some of your work is not saved yet. A subject, please.']);
        notice()!.action!.run();
        await vi.waitFor(() => expect(at()).toBe('/people'));
    });

    it('asks again the next time', async () => {
        const { router, at, notice } = await screen({ trouble: () => 'No connection.' });
        await router.push('/letters/2');
        notice()!.action!.run();
        await vi.waitFor(() => expect(at()).toBe('/letters/2'));
        await router.push('/people');
        expect(at()).toBe('/letters/2');
    });

    it('holds the window only while something is unsaved', async () => {
        let saved = false;
        const { flush, router } = await screen({ saved: () => saved });
        expect([unload(), flush.mock.calls.length]).toEqual([true, 1]);
        saved = true;
        expect(unload()).toBe(false);
        saved = false;
        await router.push('/people');
        expect(unload(), 'the screen is gone').toBe(false);
    });
});
