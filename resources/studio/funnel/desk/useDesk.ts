import { useLocalStorage } from '@vueuse/core';
import { computed, inject, provide, ref, type InjectionKey } from 'vue';
import { api } from '@/api/client';
import type { Block, Fields, PageDocument, PageOutcome, PageSettings, Section, SharedSection } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { useToasts } from '@/stores/toasts';
import { copy } from '@/ui/patches';

const CLIPBOARD = 'lantern-section';

/** An id that no other thing on the page has. */
const newId = () => crypto.randomUUID().replaceAll('-', '').slice(0, 26);

export interface Selection {
    section: string;
    block?: string;
    item?: number;
    field?: string;
}

export type DeskKind = 'page' | 'popup' | 'variant' | 'guide-page';

/** What of a page, a pop-up or a variant of one the desk works on. */
export interface OnDesk {
    id: string;
    name: string;
    document: PageDocument;
    settings?: PageSettings;
    outcomes?: PageOutcome[];
}

/**
 * One page, pop-up or variant on the desk: what is selected, and everything that can be done to its document. A section that is shared
 * is changed where it is kept, so that every page that shows it follows.
 */
function makeDesk(pageId: string, kind: DeskKind) {
    const store = useFunnel();
    const toasts = useToasts();
    const selection = ref<Selection | null>(null);
    /** A copied section, for any page in any window. */
    const clipboard = useLocalStorage(CLIPBOARD, '');

    /** Of a variant there is a desk where it has a document. */
    const variant = (): OnDesk | undefined => {
        const found = store.variant(pageId);
        return found?.document && { ...found, document: found.document };
    };
    /** What is pressed on a page of a guide leads on from the guide. */
    const guidePage = (): OnDesk | undefined => {
        const found = store.guidePage(pageId);
        return found && { ...found, outcomes: store.guide(found.guide)?.outcomes };
    };
    const page = computed<OnDesk | undefined>(() =>
        ({ page: store.page, popup: store.popup, variant, 'guide-page': guidePage })[kind](pageId),
    );
    const shared = (id: string | undefined): SharedSection | undefined => (id ? store.shared(id) : undefined);

    /** A section as it is shown: a shared one with what it shares. */
    function resolved(section: Section): Section {
        const source = shared(section.shared);
        return source
            ? { ...source.section, id: section.id, hidden: section.hidden, entrance: section.entrance, shared: section.shared }
            : section;
    }

    const sections = computed<Section[]>(() => page.value?.document.sections.map(resolved) ?? []);
    const section = computed(() => sections.value.find((s) => s.id === selection.value?.section));
    const block = computed(() => section.value?.blocks.find((b) => b.id === selection.value?.block));

    function select(to: Selection | null): void {
        selection.value = to;
    }

    function editDocument(label: string, change: (document: PageDocument) => void, now = true): void {
        if (page.value) {
            const document = copy(page.value.document);
            change(document);
            store.edit(kind, pageId, { document }, label, now);
        }
    }

    /** Changes what a section holds, wherever that is kept. */
    function editSection(id: string, label: string, change: (section: Section) => void, now = true): void {
        const own = page.value?.document.sections.find((s) => s.id === id);
        const source = shared(own?.shared);
        if (source) {
            const changed = copy(source.section);
            change(changed);
            store.edit('shared-section', source.id, { section: changed }, label, now);
        } else {
            editDocument(label, (d) => d.sections.filter((s) => s.id === id).forEach(change), now);
        }
    }

    function editBlock(sectionId: string, blockId: string, label: string, change: (block: Block) => void, now = true): void {
        editSection(sectionId, label, (s) => s.blocks.filter((b) => b.id === blockId).forEach(change), now);
    }

    /** Words typed on the page. */
    function type(at: Selection, value: string): void {
        editBlock(
            at.section,
            at.block ?? '',
            `words on “${page.value?.name}”`,
            (b) => {
                if (at.item === undefined) {
                    b[at.field ?? 'text'] = value;
                } else if (b.items?.[at.item]) {
                    b.items[at.item] = { ...b.items[at.item], [at.field ?? 'html']: value };
                }
            },
            false,
        );
    }

    function insert(made: Section, after: string | null): void {
        editDocument('a new section', (d) =>
            d.sections.splice(after === null ? 0 : d.sections.findIndex((s) => s.id === after) + 1, 0, made),
        );
        select({ section: made.id });
    }

    async function ask<T>(path: string, body: object): Promise<T | null> {
        try {
            return await api.post<T>(`pages/${pageId}/${path}`, body);
        } catch (error) {
            toasts.trouble(error);
            return null;
        }
    }

    async function addSection(given: { design?: string; own?: string; section?: Section }, after: string | null): Promise<void> {
        const answer = await ask<{ section: Section }>('sections', given);
        if (answer) {
            insert(answer.section, after);
        }
    }

    async function redesign(id: string, design: string): Promise<void> {
        const target = sections.value.find((s) => s.id === id);
        const answer = target && (await ask<{ section: Section }>('redesign', { section: { ...target, shared: undefined }, design }));
        if (answer) {
            editSection(id, 'the design of a section', (s) => {
                Object.assign(s, { arrangement: answer.section.arrangement, blocks: answer.section.blocks });
                s.background = answer.section.background;
            });
        }
    }

    async function restyle(design: string): Promise<void> {
        const answer = await ask<{ document: PageDocument }>('restyle', { document: page.value?.document, design });
        if (answer) {
            store.edit(kind, pageId, { document: answer.document }, 'the design of the page', true);
        }
    }

    async function fix(code: string, place: string): Promise<void> {
        // What is shared is fixed where it is kept.
        const at = sections.value.find((s) => s.blocks.some((b) => b.id === place));
        const document = { ...page.value!.document, sections: at?.shared ? [{ ...at, shared: undefined }] : page.value!.document.sections };
        const answer = await ask<{ document: PageDocument }>('fix', { document, code, place });
        const fixed = answer?.document.sections.find((s) => s.id === at?.id);
        if (answer && at?.shared && fixed) {
            editSection(at.id, 'what the check found', (s) => Object.assign(s, { blocks: fixed.blocks, background: fixed.background }));
        } else if (answer) {
            store.edit(kind, pageId, { document: answer.document }, 'what the check found', true);
        }
    }

    function moveSection(id: string, by: -1 | 1): void {
        editDocument('the order of sections', (d) => {
            const at = d.sections.findIndex((s) => s.id === id);
            const [moved] = d.sections.splice(at, 1);
            if (moved) {
                d.sections.splice(Math.max(0, at + by), 0, moved);
            }
        });
    }

    function orderSections(ids: string[]): void {
        editDocument('the order of sections', (d) => d.sections.sort((a, b) => ids.indexOf(a.id) - ids.indexOf(b.id)));
    }

    function withNewIds(original: Section): Section {
        const made = copy(original);
        made.id = newId();
        made.blocks.forEach((b) => (b.id = newId()));
        return made;
    }

    function duplicateSection(id: string): void {
        const original = page.value?.document.sections.find((s) => s.id === id);
        if (original) {
            insert(withNewIds(original), id);
        }
    }

    function removeSection(id: string): void {
        editDocument('a section was removed', (d) => (d.sections = d.sections.filter((s) => s.id !== id)));
        store.sayDone('The section is removed.');
        select(null);
    }

    function copySection(id: string): void {
        const original = sections.value.find((s) => s.id === id);
        if (original) {
            clipboard.value = JSON.stringify({ ...original, shared: undefined });
            toasts.say('The section is copied. Paste it on any page, of any funnel.');
        }
    }

    async function pasteSection(after: string | null): Promise<void> {
        if (clipboard.value) {
            await addSection({ section: JSON.parse(clipboard.value) as Section }, after);
        }
    }

    const canPaste = () => clipboard.value !== '';

    async function addBlock(sectionId: string, kind: string, after?: string): Promise<void> {
        const into = sections.value.find((s) => s.id === sectionId);
        const answer = into && (await ask<{ block: Block }>('blocks', { kind, section: into.kind }));
        if (answer) {
            editSection(sectionId, 'a new block', (s) => {
                const at = s.blocks.findIndex((b) => b.id === after);
                s.blocks.splice(at < 0 ? s.blocks.length : at + 1, 0, answer.block);
            });
            select({ section: sectionId, block: answer.block.id });
        }
    }

    async function addItem(sectionId: string, of: Block): Promise<void> {
        const into = sections.value.find((s) => s.id === sectionId);
        const answer = into && (await ask<{ item: Fields }>('blocks', { kind: of.kind, section: into.kind, item: true }));
        if (answer) {
            editBlock(sectionId, of.id, 'a new entry', (b) => (b.items = [...(b.items ?? []), answer.item]));
        }
    }

    function moveBlock(sectionId: string, blockId: string, by: -1 | 1): void {
        editSection(sectionId, 'the order of blocks', (s) => {
            const at = s.blocks.findIndex((b) => b.id === blockId);
            const [moved] = s.blocks.splice(at, 1);
            if (moved) {
                s.blocks.splice(Math.max(0, at + by), 0, moved);
            }
        });
    }

    function orderBlocks(sectionId: string, ids: string[]): void {
        editSection(sectionId, 'the order of blocks', (s) => s.blocks.sort((a, b) => ids.indexOf(a.id) - ids.indexOf(b.id)));
    }

    function duplicateBlock(sectionId: string, blockId: string): void {
        editSection(sectionId, 'a block was doubled', (s) => {
            const at = s.blocks.findIndex((b) => b.id === blockId);
            const original = s.blocks[at];
            if (original) {
                const made = copy(original);
                made.id = newId();
                s.blocks.splice(at + 1, 0, made);
                select({ section: sectionId, block: made.id });
            }
        });
    }

    function removeBlock(sectionId: string, blockId: string): void {
        editSection(sectionId, 'a block was removed', (s) => (s.blocks = s.blocks.filter((b) => b.id !== blockId)));
        store.sayDone('It is removed.');
        select({ section: sectionId });
    }

    /** Keeps a section once for the whole funnel; this page shows it from there. */
    async function share(id: string, name: string): Promise<void> {
        const target = page.value?.document.sections.find((s) => s.id === id);
        if (!target || !store.funnel) {
            return;
        }
        const made = await api.post<SharedSection>(`funnels/${store.funnel.id}/parts`, { kind: 'shared-section', name, section: target });
        store.funnel.sharedSections.push(made);
        editDocument('a section is shared', (d) =>
            d.sections.filter((s) => s.id === id).forEach((s) => Object.assign(s, { shared: made.id, blocks: [] })),
        );
    }

    /** A private copy for this page alone. */
    function detach(id: string): void {
        const shown = sections.value.find((s) => s.id === id);
        editDocument('a section is on its own', (d) =>
            d.sections.forEach((s, i) => {
                if (s.id === id && shown) {
                    d.sections[i] = { ...withNewIds(shown), id, shared: undefined };
                }
            }),
        );
    }

    /** The place on a page where a shared section is shown. */
    const placeOf = (source: SharedSection): Section => ({
        id: newId(),
        kind: source.section.kind,
        arrangement: source.section.arrangement,
        shared: source.id,
        blocks: [],
    });

    /** Shows a shared section on this page, after another section. */
    function showShared(source: SharedSection, after: string | null): void {
        insert(placeOf(source), after);
    }

    /** Shows another shared section below this one on phones alone, where this one is hidden. */
    function standInOnPhones(id: string, source: SharedSection): void {
        editDocument('another one for phones', (d) => {
            const at = d.sections.findIndex((s) => s.id === id);
            d.sections.splice(at, 1, { ...d.sections[at]!, hidden: 'phone' }, { ...placeOf(source), hidden: 'desktop' });
        });
    }

    /** Shows a shared section on every page: in place of a section of its kind at the same end, or as the first or last one. */
    function showEverywhere(source: SharedSection): void {
        const top = source.section.kind === 'header';
        const edits = (store.funnel?.pages ?? []).flatMap((p) => {
            const document = copy(p.document);
            if (document.sections.some((s) => s.shared === source.id)) {
                return [];
            }
            const edge = top ? document.sections[0] : document.sections.at(-1);
            const replaces = edge && edge.kind === source.section.kind && edge.hidden === undefined;
            document.sections.splice(top ? 0 : document.sections.length - (replaces ? 1 : 0), replaces ? 1 : 0, placeOf(source));
            return [{ kind: 'page' as const, id: p.id, values: { document } }];
        });
        store.editAll(edits, `“${source.name}” on all pages`, true);
        store.sayDone(`“${source.name}” stands on ${edits.length === 1 ? 'one more page' : `${edits.length} more pages`}.`);
    }

    return {
        pageId,
        kind,
        page,
        sections,
        selection,
        section,
        block,
        select,
        editDocument,
        editSection,
        editBlock,
        type,
        addSection,
        redesign,
        restyle,
        fix,
        moveSection,
        orderSections,
        duplicateSection,
        removeSection,
        copySection,
        pasteSection,
        canPaste,
        addBlock,
        addItem,
        moveBlock,
        orderBlocks,
        duplicateBlock,
        removeBlock,
        share,
        detach,
        showShared,
        standInOnPhones,
        showEverywhere,
    };
}

export type Desk = ReturnType<typeof makeDesk>;

const KEY: InjectionKey<Desk> = Symbol('desk');

export function provideDesk(pageId: string, kind: DeskKind = 'page'): Desk {
    const desk = makeDesk(pageId, kind);
    provide(KEY, desk);
    return desk;
}

export function useDesk(): Desk {
    const desk = inject(KEY);
    if (!desk) {
        throw new Error('There is no page on the desk.');
    }
    return desk;
}
