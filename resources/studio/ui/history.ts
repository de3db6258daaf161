import { ref, type Ref } from 'vue';
import { joined, type Patch } from '@/ui/patches';

/** A change of things on the screen: what of each is different, by path. */
export interface Change {
    label: string;
    parts: { key: string; patches: Patch[] }[];
    at: number;
}

/** An act that the server carries out at once, such as removing a page. */
export interface Step {
    label: string;
    undo: () => Promise<unknown>;
    redo: () => Promise<unknown>;
}

/** So many steps can be taken back; the oldest are forgotten. */
const MOST = 200;
/** Keystrokes closer together than this are undone together. */
const ONE_CHANGE_MS = 1500;

/**
 * What was done, to take it back and do it again.
 *
 * @param change carries out patches of a thing, or takes them back
 */
export function useHistory(change: (key: string, patches: Patch[], back: boolean) => void) {
    const done = ref<(Change | Step)[]>([]) as Ref<(Change | Step)[]>;
    const undone = ref<(Change | Step)[]>([]) as Ref<(Change | Step)[]>;

    function push(step: Change | Step): void {
        done.value = [...done.value, step].slice(-MOST);
        undone.value = [];
    }

    /** Changes that belong together. One that goes on in the same place right away is one with the last. */
    function changed(label: string, parts: Change['parts']): void {
        const last = done.value.at(-1);
        const [only] = parts;
        const goesOn =
            last &&
            'parts' in last &&
            last.label === label &&
            last.parts.length === 1 &&
            parts.length === 1 &&
            last.parts[0]!.key === only!.key;
        if (goesOn && Date.now() - last.at < ONE_CHANGE_MS) {
            last.parts[0]!.patches = joined(last.parts[0]!.patches, only!.patches);
            last.at = Date.now();
            undone.value = [];
        } else {
            push({ label, parts, at: Date.now() });
        }
    }

    /** @returns the step that was taken back or done again, once it is; null where there is none */
    async function move(back: boolean): Promise<Change | Step | null> {
        const [from, to] = back ? [done, undone] : [undone, done];
        const step = from.value.at(-1);
        if (!step) {
            return null;
        }
        from.value = from.value.slice(0, -1);
        to.value = [...to.value, step];
        if ('parts' in step) {
            step.parts.forEach((p) => change(p.key, p.patches, back));
        } else {
            await (back ? step.undo() : step.redo());
        }
        return step;
    }

    function clear(): void {
        done.value = [];
        undone.value = [];
    }

    return { done, undone, push, changed, move, clear };
}
