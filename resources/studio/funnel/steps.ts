import { api } from '@/api/client';
import type { Email, Form, OwnDesign, Page, Sequence, SharedSection } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { useNotices } from '@/stores/notices';

interface Way {
    toPage?: string | null;
    toUrl?: string | null;
}

/** What the server carries out at once on the draft: pages, ways and emails that come and go, each with its way back. */
export function useSteps() {
    const store = useFunnel();
    const notices = useNotices();
    const id = () => store.funnel!.id;
    /** Whatever is typed and not saved yet goes first: what is loaded takes its place. */
    async function reload(): Promise<void> {
        await store.flush();
        await store.load(id());
    }

    /** Does it, reloads the draft, and remembers how it is undone. */
    async function act(label: string, redo: () => Promise<unknown>, undo: () => Promise<unknown>): Promise<void> {
        store.remember({
            label,
            redo: async () => {
                await redo();
                await reload();
            },
            undo: async () => {
                await undo();
                await reload();
            },
        });
        await reload();
    }

    async function addEmail(sequence = ''): Promise<Email> {
        await store.flush();
        const made = await api.post<Email>(`funnels/${id()}/emails`, { sequence });
        await act(
            'an email was added',
            () => api.post(`emails/${made.id}/restore`),
            () => api.delete(`emails/${made.id}`),
        );
        return made;
    }

    async function deleteEmail(target: Email): Promise<void> {
        await store.flush();
        await api.delete(`emails/${target.id}`);
        await act(
            `“${target.name}” was taken out`,
            () => api.delete(`emails/${target.id}`),
            () => api.post(`emails/${target.id}/restore`),
        );
        store.sayDone(`“${target.name}” is taken out of the draft.`);
    }

    /** Something that is made empty and can be taken out again. */
    async function add<T extends { id: string; name: string }>(path: string, label: string): Promise<T> {
        await store.flush();
        const thing = await api.post<T>(`funnels/${id()}/${path}`);
        await act(
            label,
            () => api.post(`${path}/${thing.id}/restore`),
            () => api.delete(`${path}/${thing.id}`),
        );
        return thing;
    }

    async function remove(path: string, target: { id: string; name: string }): Promise<void> {
        await store.flush();
        await api.delete(`${path}/${target.id}`);
        await act(
            `“${target.name}” was taken out`,
            () => api.delete(`${path}/${target.id}`),
            () => api.post(`${path}/${target.id}/restore`),
        );
        store.sayDone(`“${target.name}” is taken out of the draft.`);
    }

    const addSequence = () => add<Sequence>('sequences', 'a sequence was added');
    const removeSequence = (target: Sequence) => remove('sequences', target);
    const addForm = () => add<Form>('forms', 'a form was added');
    const removeForm = (target: Form) => remove('forms', target);

    async function connect(pageId: string, outcome: string, target: Way | null): Promise<void> {
        const before = store.funnel!.ways.find((w) => w.page === pageId && w.outcome === outcome) ?? null;
        const put = (t: Way | null) =>
            api.put(
                `pages/${pageId}/ways`,
                t ? { outcome, toPage: t.toPage ?? undefined, toUrl: t.toUrl ?? undefined } : { outcome, none: true },
            );
        await put(target);
        await act(
            'where a way leads',
            () => put(target),
            () => put(before),
        );
    }

    /** Says what became of the ways, and offers the way back. */
    function tell(words: string, sentences: string[]): void {
        store.sayDone([words, ...sentences].join(' '));
    }

    async function made(answer: { page: Page; sentences: string[] }, words: string): Promise<Page> {
        await act(
            `“${answer.page.name}” was added`,
            () => api.post(`pages/${answer.page.id}/restore`),
            () => api.delete(`pages/${answer.page.id}`),
        );
        tell(words, answer.sentences);
        return answer.page;
    }

    async function addPage(given: { role: string; after?: string; design?: string; empty?: boolean }): Promise<Page> {
        await store.flush();
        const answer = await api.post<{ page: Page; sentences: string[] }>(`funnels/${id()}/pages`, given);
        return made(answer, `“${answer.page.name}” is in the draft.`);
    }

    async function duplicatePage(page: Page): Promise<Page> {
        await store.flush();
        const answer = await api.post<{ page: Page; sentences: string[] }>(`pages/${page.id}/duplicate`);
        return made(answer, `“${answer.page.name}” is in the draft, beside the one it was copied from.`);
    }

    async function takePageOut(page: Page): Promise<void> {
        await store.flush();
        const { sentences } = await api.delete<{ sentences: string[] }>(`pages/${page.id}`);
        await act(
            `“${page.name}” was taken out`,
            () => api.delete(`pages/${page.id}`),
            () => api.post(`pages/${page.id}/restore`),
        );
        tell(`“${page.name}” is taken out of the draft.`, sentences);
    }

    async function movePage(page: Page, by: -1 | 1): Promise<void> {
        const before = store.funnel!.pages.map((p) => p.id);
        const at = before.indexOf(page.id);
        const to = at + by;
        if (to < 0 || to >= before.length) {
            return;
        }
        const after = before.filter((p) => p !== page.id);
        after.splice(to, 0, page.id);
        const put = (pages: string[]) => api.put(`funnels/${id()}/order`, { pages });
        await store.flush();
        await put(after);
        await act(
            'the order of the pages',
            () => put(after),
            () => put(before),
        );
        if (to === 0 || at === 0) {
            store.sayDone(`“${store.funnel!.pages[0]?.name}” is now the first page visitors see.`);
        }
    }

    /** The funnel's own words and the address parameters it lets onto its pages. */
    async function setWords(words: { fields: Record<string, string>; parameters: string[] }): Promise<void> {
        const before = { fields: store.funnel!.fields, parameters: store.funnel!.parameters };
        const put = (w: object) => api.put(`funnels/${id()}`, w);
        await put(words);
        await act(
            'the funnel’s own words',
            () => put(words),
            () => put(before),
        );
    }

    /** Only one that no page shows can go; brought back, it is as it was. */
    async function removeShared(target: SharedSection): Promise<void> {
        await store.flush();
        let current = target.id;
        const take = () => api.delete(`shared-sections/${current}`);
        await take();
        await act(`the shared section “${target.name}”`, take, async () => {
            current = (await api.post<SharedSection>(`funnels/${id()}/shared-sections`, { name: target.name, section: target.section })).id;
        });
        store.sayDone(`“${target.name}” is taken out.`);
    }

    async function keepDesign(given: object): Promise<void> {
        const design = await api.post<OwnDesign>('designs', given);
        store.remember({
            label: `the design “${design.name}”`,
            redo: () => api.post(`designs/${design.id}/restore`),
            undo: () => api.delete(`designs/${design.id}`),
        });
        notices.say(`“${design.name}” is kept. You find it under “Your own” in every funnel.`);
    }

    return {
        addEmail,
        deleteEmail,
        addSequence,
        removeSequence,
        addForm,
        removeForm,
        connect,
        addPage,
        duplicatePage,
        takePageOut,
        movePage,
        setWords,
        removeShared,
        keepDesign,
    };
}
