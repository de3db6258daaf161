import FunnelDesk from '@/funnel/desk/FunnelDesk.vue';
import { useFunnel } from '@/funnel/funnelStore';
import { useToasts } from '@/stores/toasts';
import { describe, expect, it, vi } from 'vitest';
import { nextTick } from 'vue';
import { mount } from './mount';
import { server } from './server';
import { funnel } from './timeline/funnel';

describe('what is known of a funnel', () => {
    it('is left alone when it comes after the funnel was left', async () => {
        const calls = server((call) => [200, call.path.includes('versions') ? { versions: [] } : { people: [], total: 7, orders: [] }]);
        const m = mount(FunnelDesk, { news: 0 });
        const store = useFunnel();
        store.funnel = funnel({
            name: 'Sales',
            address: 'sales',
            url: 'http://x.example/sales',
            place: { front: 'http://x.example', form: 'below', reserved: [] },
            goal: 'sell',
            sharedSections: [],
            leadMagnets: [],
            coupons: [],
            language: 'en',
        });
        await m.show();
        await vi.waitFor(() => expect(calls.length).toBeGreaterThan(1));
        store.funnel = null;
        await nextTick();
        await vi.waitFor(() => expect(calls.length).toBe(2));
        await new Promise((done) => setTimeout(done));
        expect(useToasts().toasts).toEqual([]);
        m.end();
    });
});
