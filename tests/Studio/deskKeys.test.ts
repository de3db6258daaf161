// @vitest-environment happy-dom
import { afterEach, describe, expect, it, vi } from 'vitest';
import { effectScope, ref } from 'vue';
import type { Desk, Selection } from '@/funnel/desk/useDesk';
import { useDeskKeys } from '@/funnel/desk/useDeskKeys';

const ACTS = [
    'select',
    'moveBlock',
    'moveSection',
    'removeBlock',
    'removeSection',
    'duplicateBlock',
    'duplicateSection',
    'copySection',
    'pasteSection',
] as const;

/** A desk that says what was asked of it. */
function desk(selection: Selection | null, listens = true, sections = true) {
    const asked: string[] = [];
    const acts = Object.fromEntries(ACTS.map((act) => [act, (...given: unknown[]) => asked.push([act, ...given.map(String)].join(' '))]));
    const scope = effectScope();
    scope.run(() => useDeskKeys({ selection: ref(selection), canPaste: () => true, ...acts } as unknown as Desk, () => listens, sections));
    stops.push(() => scope.stop());
    return asked;
}
const stops: (() => void)[] = [];
afterEach(() => {
    stops.splice(0).forEach((stop) => stop());
    vi.unstubAllGlobals();
});
const press = (key: string, more: KeyboardEventInit = {}, target: EventTarget = window) =>
    target.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more }));

describe('keys on the desk', () => {
    const keys: [string, KeyboardEventInit][] = [
        ['ArrowUp', { altKey: true }],
        ['Delete', {}],
        ['d', { ctrlKey: true }],
        ['c', { ctrlKey: true }],
        ['v', { metaKey: true }],
        ['ArrowDown', {}],
    ];
    /** Whether words are selected on the page. */
    const words = (selected: boolean) => vi.stubGlobal('getSelection', () => ({ isCollapsed: !selected }));
    it('move, remove, copy and paste sections', () => {
        words(false);
        const asked = desk({ section: 's' });
        keys.forEach(([key, more]) => press(key, more));
        expect(asked).toEqual(['moveSection s -1', 'removeSection s', 'duplicateSection s', 'copySection s', 'pasteSection s']);
    });
    it('leave it to the browser to copy words that are selected', () => {
        words(true);
        const asked = desk({ section: 's' });
        press('c', { ctrlKey: true });
        expect(asked).toEqual([]);
    });
    it('do so with the block that is selected in one', () => {
        const asked = desk({ section: 's', block: 'b' });
        keys.filter(([key]) => key !== 'v').forEach(([key, more]) => press(key, more));
        expect(asked).toEqual(['moveBlock s b -1', 'removeBlock s b', 'duplicateBlock s b']);
    });
    it('leave sections alone where those are steps', () => {
        const asked = desk({ section: 's' }, true, false);
        keys.forEach(([key, more]) => press(key, more));
        expect(asked).toEqual([]);
    });
    it('do nothing while something is typed, chosen or added', () => {
        const asked = desk({ section: 's' });
        const field = document.body.appendChild(document.createElement('input'));
        press('Delete', {}, field);
        expect([...asked, ...desk({ section: 's' }, false), ...desk(null)]).toEqual([]);
    });
    it('lead out of a block to its section, and out of that', () => {
        const inner = desk({ section: 's', block: 'b' });
        press('Escape');
        expect(inner).toEqual(['select [object Object]']);
        stops.splice(0).forEach((stop) => stop());
        const outer = desk({ section: 's' });
        press('Escape');
        expect(outer).toEqual(['select null']);
    });
});
