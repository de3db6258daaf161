import { defineStore } from 'pinia';
import { computed, ref, toRaw, watch } from 'vue';
import { api } from '@/api/client';
import type { Funnel } from '@/api/types';
import { findPart, partEntry, type Kind } from '@/funnel/parts';
import { useToasts } from '@/stores/toasts';
import { useHistory, type Step } from '@/ui/history';
import { copy, diff, patched, same } from '@/ui/patches';
import { useSaveQueue } from '@/ui/saveQueue';

export type { Kind } from '@/funnel/parts';
export type Values = Record<string, unknown>;

const keyOf = (kind: Kind, id: string) => `${kind}:${id}`;
function readKey(key: string): { kind: Kind; id: string } {
    const at = key.indexOf(':');
    return { kind: key.slice(0, at) as Kind, id: key.slice(at + 1) };
}

/** The funnel that is open: its draft, what is still to be saved, and the way back. */
export const useFunnel = defineStore('funnel', () => {
    const toasts = useToasts();
    const funnel = ref<Funnel | null>(null);
    /** Goes up when the draft changed in a way the page on the desk must be drawn anew for. */
    const redraw = ref(0);

    const page = (id: string) => findPart(funnel.value, 'page', id);
    const email = (id: string) => findPart(funnel.value, 'email', id);
    const sequence = (id: string) => findPart(funnel.value, 'sequence', id);
    const form = (id: string) => findPart(funnel.value, 'form', id);
    const shared = (id: string) => findPart(funnel.value, 'shared-section', id);
    const leadMagnet = (id: string) => findPart(funnel.value, 'lead-magnet', id);
    const product = (id: string) => findPart(funnel.value, 'product', id);
    const offer = (id: string) => findPart(funnel.value, 'offer', id);
    const coupon = (id: string) => findPart(funnel.value, 'coupon', id);
    const deadline = (id: string) => findPart(funnel.value, 'deadline', id);
    const popup = (id: string) => findPart(funnel.value, 'popup', id);
    const webinar = (id: string) => findPart(funnel.value, 'webinar', id);
    const splitTest = (id: string) => findPart(funnel.value, 'split-test', id);
    const variant = (id: string) => findPart(funnel.value, 'variant', id);
    const guide = (id: string) => findPart(funnel.value, 'guide', id);
    const guidePage = (id: string) => findPart(funnel.value, 'guide-page', id);
    const thing = (kind: Kind, id: string) =>
        (kind === 'funnel' ? funnel.value : findPart(funnel.value, kind, id)) as unknown as Values | null | undefined;

    const queue = useSaveQueue(
        async (key, fields, meanwhile) => {
            const { kind, id } = readKey(key);
            const target = thing(kind, id);
            if (!target) {
                return;
            }
            const body: Values = { revision: target.revision };
            fields.forEach((f) => (body[f] = copy(toRaw(target[f])) ?? null));
            const answer = await api.put<Values>(kind === 'funnel' ? `funnels/${id}` : `parts/${id}`, body);
            for (const [field, value] of Object.entries(answer)) {
                // What was typed meanwhile is newer than the answer; what an email says is never written over while it is typed.
                if (field === 'revision' || (!meanwhile().has(field) && field in target && field !== 'body')) {
                    target[field] = value;
                }
            }
        },
        (sent) => {
            // A page and what it shares are drawn from the screen; for the rest the page on the desk is drawn anew.
            const redraws = (kind: Kind) => kind !== 'funnel' && partEntry(kind).redraws;
            if (sent.some((key) => redraws(readKey(key).kind))) {
                redraw.value++;
            }
        },
    );
    const history = useHistory((key, patches, back) => {
        const { kind, id } = readKey(key);
        const target = thing(kind, id);
        const fields = [...new Set(patches.map((p) => String(p.path[0])))];
        const now: Values = Object.fromEntries(fields.map((f) => [f, copy(toRaw(target?.[f]))]));
        const next = patched(now, patches, back);
        apply(kind, id, Object.fromEntries(fields.map((f) => [f, next[f]])), true);
    });

    async function load(id: string): Promise<void> {
        if (funnel.value?.id !== id) {
            await queue.flush();
            funnel.value = null;
            history.clear();
            queue.drop();
        }
        let fresh: Funnel;
        let before: number;
        do {
            before = edits;
            fresh = await api.get<Funnel>(`funnels/${id}`);
            // What was changed on the screen while it was on its way is not in it: it goes first, and all is asked for again.
        } while (edits !== before && (await queue.flush()));
        funnel.value = fresh;
    }

    /** Takes over the numbers and the state, and leaves alone what is being edited. */
    async function refreshNumbers(): Promise<void> {
        if (!funnel.value) {
            return;
        }
        const fresh = await api.get<Funnel>(`funnels/${funnel.value.id}`);
        const { pageNumbers, emailNumbers, sequenceNumbers, popupNumbers, sequences, state, changed, liveVersion, nextVersion } = fresh;
        Object.assign(funnel.value, { pageNumbers, emailNumbers, sequenceNumbers, popupNumbers, state, changed, liveVersion, nextVersion });
        // A pause is not drafted: it may have changed by itself.
        sequences.forEach((s) => Object.assign(sequence(s.id) ?? {}, { paused: s.paused, pausedAt: s.pausedAt }));
    }

    /** Changes a thing on the screen at once and saves it soon. */
    function edit(kind: Kind, id: string, values: Values, label: string, now = false): void {
        editAll([{ kind, id, values }], label, now);
    }

    /** Several things at once, as one act that is undone in one. */
    function editAll(edits: { kind: Kind; id: string; values: Values }[], label: string, now = false): void {
        const changes = edits.flatMap(({ kind, id, values }) => {
            const target = thing(kind, id);
            const fields = Object.keys(values).filter((f) => target && !same(toRaw(target[f]), values[f]));
            const patches = fields.flatMap((f) => diff(toRaw(target![f]), values[f], [f]));
            return patches.length === 0 ? [] : [{ kind, id, patches, values: Object.fromEntries(fields.map((f) => [f, copy(values[f])])) }];
        });
        if (changes.length > 0) {
            history.changed(
                label,
                changes.map((c) => ({ key: keyOf(c.kind, c.id), patches: c.patches })),
            );
            changes.forEach((c) => apply(c.kind, c.id, c.values, now));
        }
    }

    /** How many changes there were on the screen. */
    let edits = 0;
    function apply(kind: Kind, id: string, values: Values, now: boolean): void {
        edits++;
        const target = thing(kind, id);
        if (target && funnel.value) {
            Object.assign(target, values);
            funnel.value.changed = true;
            queue.changed(keyOf(kind, id), Object.keys(values), now);
        }
    }

    /** Another window has a newer draft: take it over, and give up what was typed here. */
    async function takeNewer(): Promise<void> {
        queue.drop();
        history.clear();
        if (funnel.value) {
            await load(funnel.value.id);
            redraw.value++;
        }
    }

    async function move(back: boolean): Promise<void> {
        try {
            const step = await history.move(back);
            if (step) {
                await queue.flush();
                toasts.say(`${back ? 'Undone' : 'Redone'}: ${step.label}`);
            }
        } catch (error) {
            toasts.trouble(error);
        }
    }

    /** Says what was just done and offers the way back, for as long as undoing would take back this and nothing later. */
    function sayDone(words: string): void {
        const latest = () => history.done.value.at(-1);
        const step = latest();
        const id = toasts.say(words, { label: 'Undo', run: () => move(true) });
        const stop = watch(latest, (now) => {
            if (now !== step) {
                toasts.dismiss(id);
                stop();
            }
        });
    }

    const saving = computed(
        () =>
            ({
                saved: 'Everything is saved',
                saving: 'Saving …',
                waiting: 'Saving …',
                offline: 'No connection. Your work is kept here and saved when it is back.',
                conflict: 'This was changed in another window.',
                refused: queue.trouble.value,
            })[queue.status.value],
    );

    return {
        funnel,
        redraw,
        status: queue.status,
        saving,
        /** The thing that was refused, to be led to. */
        refusedAt: computed(() => (queue.refusedAt.value === '' ? null : readKey(queue.refusedAt.value))),
        done: history.done,
        undone: history.undone,
        page,
        email,
        sequence,
        form,
        leadMagnet,
        product,
        offer,
        coupon,
        deadline,
        popup,
        webinar,
        splitTest,
        variant,
        guide,
        guidePage,
        shared,
        load,
        refreshNumbers,
        edit,
        editAll,
        flush: queue.flush,
        takeNewer,
        /** Puts a step of another kind (a page added or removed) on the way back. */
        remember: (step: Step) => history.push(step),
        undo: () => move(true),
        redo: () => move(false),
        sayDone,
    };
});
