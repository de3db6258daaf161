import { useEventListener } from '@vueuse/core';
import type { Desk } from '@/funnel/desk/useDesk';

/** Where keys belong to what is typed or chosen. */
const FIELDS = 'input, textarea, select, [contenteditable="true"], [role=listbox], [role=dialog], [role=menu]';

/**
 * What is selected on the desk, moved, removed and copied by keys.
 *
 * @param listens may keys do anything at the moment?
 * @param sections may whole sections be moved, removed and copied, or blocks alone?
 */
export function useDeskKeys(desk: Desk, listens: () => boolean, sections = true): void {
    useEventListener('keydown', (event: KeyboardEvent) => {
        const now = desk.selection.value;
        if (!now || !listens() || (event.target instanceof HTMLElement && event.target.closest(FIELDS))) {
            return;
        }
        const command = event.ctrlKey || event.metaKey;
        const key = event.key.toLowerCase();
        const { section, block } = now;
        const act = (ofBlock: (id: string) => unknown, ofSection: () => unknown) => (block ? ofBlock(block) : ofSection());
        if (key === 'escape') {
            desk.select(block ? { section } : null);
        } else if (!block && !sections) {
            return;
        } else if (event.altKey && (key === 'arrowup' || key === 'arrowdown')) {
            const by = key === 'arrowup' ? -1 : 1;
            act(
                (id) => desk.moveBlock(section, id, by),
                () => desk.moveSection(section, by),
            );
        } else if (key === 'delete' || key === 'backspace') {
            act(
                (id) => desk.removeBlock(section, id),
                () => desk.removeSection(section),
            );
        } else if (command && key === 'd') {
            act(
                (id) => desk.duplicateBlock(section, id),
                () => desk.duplicateSection(section),
            );
        } else if (command && key === 'c' && !block && getSelection()?.isCollapsed !== false) {
            desk.copySection(section);
        } else if (command && key === 'v' && sections && desk.canPaste()) {
            void desk.pasteSection(section);
        } else {
            return;
        }
        event.preventDefault();
    });
}
