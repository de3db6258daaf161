import { defineStore } from 'pinia';
import { computed, ref, toRaw, watch } from 'vue';
import { api, ApiError } from '@/api/client';
import type { Email, Form, Funnel, LeadMagnet, Page, Sequence, SharedSection } from '@/api/types';
import { useNotices } from '@/stores/notices';

export type Kind = 'page' | 'form' | 'email' | 'sequence' | 'lead-magnet' | 'shared' | 'funnel';
export type Values = Record<string, unknown>;

interface Part {
    kind: Kind;
    id: string;
    before: Values;
    after: Values;
}

/** What one act of the owner changed: usually one thing, sometimes several at once. */
interface Change {
    label: string;
    parts: Part[];
    at: number;
}

/** An act that the server carries out at once, such as taking a page out. */
export interface Step {
    label: string;
    undo: () => Promise<unknown>;
    redo: () => Promise<unknown>;
}

const SAVE_AFTER_MS = 500;
const RETRY_AFTER_MS = 3000;
/** Keystrokes closer together than this are undone together. */
const ONE_CHANGE_MS = 1500;

const copy = <T>(value: T): T => (value === undefined ? value : (JSON.parse(JSON.stringify(toRaw(value))) as T));

/**
 * The funnel that is open: its draft, what is still to be saved, and the way back. Each thing (a page, a form, an
 * email) is saved on its own, newest values only, and never twice at once.
 */
export const useFunnel = defineStore('funnel', () => {
    const notices = useNotices();
    const funnel = ref<Funnel | null>(null);
    /** Goes up when the draft changed in a way the page on the desk must be drawn anew for. */
    const redraw = ref(0);
    const status = ref<'saved' | 'saving' | 'waiting' | 'offline' | 'conflict' | 'refused'>('saved');
    const refusal = ref('');
    const done = ref<(Change | Step)[]>([]);
    const undone = ref<(Change | Step)[]>([]);
    const dirty = new Map<string, { kind: Kind; id: string; keys: Set<string> }>();
    /** What the server would not take, and why: sent again when it is changed, and no hindrance to all the rest. */
    const refused = new Map<string, string>();
    /** The thing that was refused, to be led to. */
    const refusedAt = ref<{ kind: Kind; id: string } | null>(null);
    let timer: ReturnType<typeof setTimeout> | undefined;
    let running: Promise<void> | null = null;

    const page = (id: string) => funnel.value?.pages.find((p) => p.id === id);
    const email = (id: string) => funnel.value?.emails.find((e) => e.id === id);
    const sequence = (id: string) => funnel.value?.sequences.find((s) => s.id === id);
    const form = (id: string) => funnel.value?.forms.find((f) => f.id === id);
    const shared = (id: string) => funnel.value?.sharedSections.find((s) => s.id === id);
    const leadMagnet = (id: string) => funnel.value?.leadMagnets.find((l) => l.id === id);

    function thing(kind: Kind, id: string): Values | undefined {
        const found: Page | Form | Email | Sequence | LeadMagnet | SharedSection | Funnel | null | undefined =
            kind === 'page'
                ? page(id)
                : kind === 'form'
                  ? form(id)
                  : kind === 'email'
                    ? email(id)
                    : kind === 'sequence'
                      ? sequence(id)
                      : kind === 'lead-magnet'
                        ? leadMagnet(id)
                        : kind === 'shared'
                          ? shared(id)
                          : funnel.value;
        return (found ?? undefined) as unknown as Values | undefined;
    }

    async function load(id: string): Promise<void> {
        if (funnel.value?.id !== id) {
            await flush();
            funnel.value = null;
            done.value = [];
            undone.value = [];
            dirty.clear();
            refused.clear();
            refusal.value = '';
            status.value = 'saved';
        }
        funnel.value = await api.get<Funnel>(`funnels/${id}`);
    }

    /** Takes over the numbers and the state, and leaves alone what is being edited. */
    async function refreshNumbers(): Promise<void> {
        if (!funnel.value) {
            return;
        }
        const fresh = await api.get<Funnel>(`funnels/${funnel.value.id}`);
        const { pageNumbers, emailNumbers, sequenceNumbers, sequences, state, changed, liveVersion, nextVersion } = fresh;
        Object.assign(funnel.value, { pageNumbers, emailNumbers, sequenceNumbers, state, changed, liveVersion, nextVersion });
        // Standing still is not drafted: it may have changed by itself.
        sequences.forEach((s) => Object.assign(sequence(s.id) ?? {}, { paused: s.paused, pausedAt: s.pausedAt }));
    }

    /** Changes a thing on the screen at once and saves it soon. */
    function edit(kind: Kind, id: string, values: Values, label: string, now = false): void {
        editAll([{ kind, id, values }], label, now);
    }

    /** Several things at once, as one act that is undone in one. */
    function editAll(edits: { kind: Kind; id: string; values: Values }[], label: string, now = false): void {
        const parts: Part[] = [];
        for (const { kind, id, values } of edits) {
            const target = thing(kind, id);
            const before: Values = {};
            for (const key of Object.keys(values)) {
                before[key] = copy(toRaw(target?.[key]));
            }
            if (target && JSON.stringify(before) !== JSON.stringify(values)) {
                parts.push({ kind, id, before, after: copy(values) });
            }
        }
        if (parts.length === 0) {
            return;
        }
        const [first] = parts;
        const last = done.value.at(-1);
        const [same] = last && 'parts' in last ? last.parts : [];
        const goesOn =
            last &&
            'parts' in last &&
            last.parts.length === 1 &&
            parts.length === 1 &&
            same?.kind === first?.kind &&
            same?.id === first?.id;
        if (goesOn && same && first && last.label === label && Date.now() - last.at < ONE_CHANGE_MS) {
            Object.assign(same.after, first.after);
            last.at = Date.now();
        } else {
            done.value.push({ label, parts, at: Date.now() });
        }
        undone.value = [];
        parts.forEach((p) => apply(p.kind, p.id, p.after, now));
    }

    function apply(kind: Kind, id: string, values: Values, now: boolean): void {
        const target = thing(kind, id);
        if (!target || !funnel.value) {
            return;
        }
        Object.assign(target, copy(values));
        funnel.value.changed = true;
        const key = `${kind}:${id}`;
        const entry = dirty.get(key) ?? { kind, id, keys: new Set<string>() };
        Object.keys(values).forEach((k) => entry.keys.add(k));
        dirty.set(key, entry);
        refused.delete(key);
        if (status.value !== 'conflict') {
            status.value = 'waiting';
        }
        clearTimeout(timer);
        timer = setTimeout(() => void flush(), now ? 0 : SAVE_AFTER_MS);
    }

    /** Saves all that is not saved yet; whoever awaits it may rely on the server having it. */
    async function flush(): Promise<void> {
        clearTimeout(timer);
        while (running) {
            await running;
        }
        if (dirty.size === 0 || status.value === 'conflict') {
            return;
        }
        running = saveAll().finally(() => {
            running = null;
        });
        await running;
    }

    async function saveAll(): Promise<void> {
        status.value = 'saving';
        let others = false;
        for (const [key, entry] of [...dirty]) {
            if (refused.has(key)) {
                continue;
            }
            dirty.delete(key);
            // A page and what it shares are drawn from the screen; for the rest the page on the desk is drawn anew.
            others ||= ['lead-magnet', 'email'].includes(entry.kind);
            const target = thing(entry.kind, entry.id);
            if (!target) {
                continue;
            }
            const body: Values = { revision: target.revision };
            entry.keys.forEach((k) => (body[k] = copy(toRaw(target[k])) ?? null));
            try {
                const answer = await save(entry.kind, entry.id, body);
                const newer = dirty.get(key);
                for (const [k, v] of Object.entries(answer)) {
                    // What was typed meanwhile is newer than the answer.
                    if (k === 'revision' || (!newer?.keys.has(k) && k in target && k !== 'body')) {
                        target[k] = v;
                    }
                }
            } catch (error) {
                if (!keep(key, entry, error)) {
                    return;
                }
            }
        }
        const [at, why] = [...refused].at(-1) ?? ['', ''];
        refusal.value = why;
        refusedAt.value = at === '' ? null : { kind: dirty.get(at)!.kind, id: dirty.get(at)!.id };
        status.value = refused.size > 0 ? 'refused' : dirty.size > 0 ? 'waiting' : 'saved';
        if (others) {
            redraw.value++;
        }
    }

    function save(kind: Kind, id: string, body: Values): Promise<Values> {
        const path = {
            page: 'pages',
            form: 'forms',
            email: 'emails',
            sequence: 'sequences',
            funnel: 'funnels',
            shared: 'shared-sections',
            'lead-magnet': 'lead-magnets',
        }[kind];
        return kind === 'lead-magnet' ? api.post<Values>(`${path}/${id}`, body) : api.put<Values>(`${path}/${id}`, body);
    }

    /** A save that failed: what was typed stays, and the reason decides whether all the rest can be saved meanwhile. */
    function keep(key: string, entry: { kind: Kind; id: string; keys: Set<string> }, error: unknown): boolean {
        const newer = dirty.get(key);
        newer?.keys.forEach((k) => entry.keys.add(k));
        if (error instanceof ApiError && error.status === 409) {
            dirty.set(key, entry);
            status.value = 'conflict';
        } else if (error instanceof ApiError && error.status === 422) {
            // Saved as soon as it is mended: the next change of this thing sends it again. One has come already, perhaps.
            dirty.set(key, entry);
            if (!newer) {
                refused.set(key, error.message);
            }
            return true;
        } else {
            dirty.set(key, entry);
            status.value = 'offline';
            timer = setTimeout(() => void flush(), RETRY_AFTER_MS);
        }
        return false;
    }

    /** Another window has a newer draft: take it over, and give up what was typed here. */
    async function takeNewer(): Promise<void> {
        dirty.clear();
        refused.clear();
        status.value = 'saved';
        done.value = [];
        undone.value = [];
        if (funnel.value) {
            await load(funnel.value.id);
            redraw.value++;
        }
    }

    /** Puts a step of another kind (an email added or taken out) on the way back. */
    function remember(step: Step): void {
        done.value.push(step);
        undone.value = [];
    }

    async function move(from: typeof done, to: typeof done, back: boolean): Promise<void> {
        const step = from.value.at(-1);
        if (!step) {
            return;
        }
        from.value = from.value.slice(0, -1);
        to.value = [...to.value, step];
        try {
            if ('parts' in step) {
                step.parts.forEach((p) => apply(p.kind, p.id, back ? p.before : p.after, true));
                await flush();
            } else {
                await (back ? step.undo() : step.redo());
            }
            notices.say(`${back ? 'Undone' : 'Done again'}: ${step.label}`);
        } catch (error) {
            notices.trouble(error);
        }
    }

    const undo = () => move(done, undone, true);
    const redo = () => move(undone, done, false);

    /** Says what was just done and offers the way back, for as long as undoing would take back this and nothing later. */
    function sayDone(words: string): void {
        const latest = () => done.value.at(-1);
        const step = latest();
        const id = notices.say(words, { label: 'Undo', run: undo });
        const stop = watch(latest, (now) => {
            if (now !== step) {
                notices.dismiss(id);
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
                refused: refusal.value,
            })[status.value],
    );

    return {
        funnel,
        redraw,
        status,
        saving,
        refusedAt,
        done,
        undone,
        page,
        email,
        sequence,
        form,
        leadMagnet,
        shared,
        load,
        refreshNumbers,
        edit,
        editAll,
        flush,
        takeNewer,
        remember,
        undo,
        redo,
        sayDone,
    };
});
