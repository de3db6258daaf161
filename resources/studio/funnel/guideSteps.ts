import { api } from '@/api/client';
import type { Guide, GuidePage, PageDocument } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { useSteps } from '@/funnel/steps';

/** Pages as they go to the server: of a document that was looked at. */
export interface NewPage {
    name: string;
    document: PageDocument;
}

export interface Reminder {
    days: number;
    /** To whom it is that has not done it. */
    not: 'begun' | 'finished';
}

/** What the server carries out at once on a guide and its pages, each with its way back. */
export function useGuideSteps() {
    const store = useFunnel();
    const { act } = useSteps();
    const funnel = () => store.funnel!.id;
    const remove = (ids: string[]) => ids.reduce((done, id) => done.then(() => api.delete(`parts/${id}`)), Promise.resolve<unknown>(null));
    const restore = (ids: string[]) =>
        ids.reduce((done, id) => done.then(() => api.post(`parts/${id}/restore`)), Promise.resolve<unknown>(null));

    /** A guide that a lead magnet gives from then on. */
    async function make(leadMagnet: string, pages: NewPage[] = []): Promise<Guide> {
        await store.flush();
        const before = store.leadMagnet(leadMagnet)?.guide ?? null;
        const guide = await api.post<Guide>(`funnels/${funnel()}/guides`, { leadMagnet, pages });
        const give = async (id: string | null) => {
            const revision = store.leadMagnet(leadMagnet)?.revision;
            await api.put(`parts/${leadMagnet}`, { revision, guide: id });
        };
        await act(
            'a guide was added',
            async () => {
                await api.post(`parts/${guide.id}/restore`);
                await give(guide.id);
            },
            async () => {
                await give(before);
                await api.delete(`parts/${guide.id}`);
            },
        );
        return guide;
    }

    /** Pages more: one to fill in, a copy of one, or those of a document, which may come in place of all that are there. */
    async function addPages(
        guide: string,
        given: { after?: string; of?: string; pages?: NewPage[]; instead?: boolean },
    ): Promise<GuidePage[]> {
        await store.flush();
        const { pages, removed = [] } = await api.post<{ pages: GuidePage[]; removed?: string[] }>(`guides/${guide}/pages`, given);
        const ids = pages.map((p) => p.id);
        await act(
            ids.length === 1 ? `“${pages[0]!.name}” was added to the guide` : `${ids.length} pages were added to the guide`,
            () => remove(removed).then(() => restore(ids)),
            () => remove([...ids].reverse()).then(() => restore(removed)),
        );
        return pages;
    }

    async function order(guide: string, pages: string[]): Promise<void> {
        const before = store.funnel!.guidePages.filter((p) => p.guide === guide).map((p) => p.id);
        const put = (ids: string[]) => api.put(`guides/${guide}/order`, { pages: ids });
        await store.flush();
        await put(pages);
        await act(
            'the order of the pages of the guide',
            () => put(pages),
            () => put(before),
        );
    }

    /** Emails to those who have not begun it, or not finished it. */
    async function remind(guide: string, reminders: Reminder[]): Promise<string> {
        await store.flush();
        const { sequence, parts } = await api.post<{ sequence: string; parts: string[] }>(`guides/${guide}/reminders`, { reminders });
        await act(
            'reminders of the guide',
            () => restore(parts),
            () => remove([...parts].reverse()),
        );
        return sequence;
    }

    return { make, addPages, order, remind };
}
