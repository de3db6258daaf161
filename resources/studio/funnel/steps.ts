import { api } from '@/api/client';
import type { OwnDesign, Page, Tested, Variant } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { partEntry, type PartKind, type PartOf } from '@/funnel/parts';
import { useToasts } from '@/stores/toasts';

interface Way {
    toPage?: string | null;
    toUrl?: string | null;
}

/** What the server carries out at once on the draft: pages, ways and emails that come and go, each with its way back. */
export function useSteps() {
    const store = useFunnel();
    const toasts = useToasts();
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

    /** A part that is made with little in it and can be removed again. */
    async function add<K extends PartKind>(kind: K, given: object = {}): Promise<PartOf<K>> {
        await store.flush();
        const part = await api.post<PartOf<K>>(`funnels/${id()}/parts`, { kind, ...given });
        const { label } = partEntry(kind);
        await act(
            `${/^[aeiou]/.test(label) ? 'an' : 'a'} ${label} was added`,
            () => api.post(`parts/${part.id}/restore`),
            () => api.delete(`parts/${part.id}`),
        );
        return part;
    }

    /** A split test, with a first variant that is a copy of what it is of. */
    async function beginTest(of: Tested, part: string): Promise<Variant> {
        const test = store.funnel?.splitTests.find((t) => t.part === part) ?? (await add('split-test', { of, part }));
        return add('variant', { test: test.id });
    }

    /** Removes a part, and says what became of the rest of the funnel. */
    async function remove(target: { id: string; name: string }): Promise<void> {
        await store.flush();
        const { sentences } = await api.delete<{ sentences: string[] }>(`parts/${target.id}`);
        await act(
            `“${target.name}” was removed`,
            () => api.delete(`parts/${target.id}`),
            () => api.post(`parts/${target.id}/restore`),
        );
        tell(`“${target.name}” is removed from the draft.`, sentences);
    }

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
            () => api.post(`parts/${answer.page.id}/restore`),
            () => api.delete(`parts/${answer.page.id}`),
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

    async function keepDesign(given: object): Promise<void> {
        const design = await api.post<OwnDesign>('designs', given);
        store.remember({
            label: `the design “${design.name}”`,
            redo: () => api.post(`designs/${design.id}/restore`),
            undo: () => api.delete(`designs/${design.id}`),
        });
        toasts.say(`“${design.name}” is saved. You find it under “Your own” in every funnel.`);
    }

    return {
        act,
        add,
        beginTest,
        remove,
        connect,
        addPage,
        duplicatePage,
        movePage,
        setWords,
        keepDesign,
    };
}
