import { useEventListener } from '@vueuse/core';
import { ref } from 'vue';

interface Point {
    x: number;
    y: number;
}

/** What is being drawn from a page: the outcome, where none is chosen yet the page alone. */
export interface Drawn {
    page: string;
    outcome: string | null;
    from: Point;
    to: Point;
    /** The page that it would lead to. */
    target: string | null;
}

/** How far a finger trembles on a click. */
const STILL = 6;

/**
 * Drawing a way with the pointer, from where one presses to the page on which one lets go.
 *
 * @param led what to do with a way that was drawn
 */
export function useWayDrag(led: (page: string, outcome: string | null, target: string) => void) {
    const drawn = ref<Drawn | null>(null);
    let begun: { page: string; outcome: string | null; from: Point } | null = null;
    /** The click that ends a drawing chooses nothing. */
    let swallows = false;

    const pageUnder = (at: Point, not: string): string | null => {
        const id = document.elementFromPoint(at.x, at.y)?.closest<HTMLElement>('[data-page]')?.dataset.page ?? null;
        return id === not ? null : id;
    };
    function begin(event: PointerEvent, page: string, outcome: string | null): void {
        if (event.button === 0) {
            begun = { page, outcome, from: { x: event.clientX, y: event.clientY } };
        }
    }
    useEventListener(window, 'pointermove', (event: PointerEvent) => {
        const to = { x: event.clientX, y: event.clientY };
        if (begun && (drawn.value || Math.hypot(to.x - begun.from.x, to.y - begun.from.y) > STILL)) {
            drawn.value = { ...begun, to, target: pageUnder(to, begun.page) };
        }
    });
    function end(): void {
        const { value } = drawn;
        begun = null;
        drawn.value = null;
        if (value) {
            swallows = true;
            setTimeout(() => (swallows = false));
            if (value.target) {
                led(value.page, value.outcome, value.target);
            }
        }
    }
    useEventListener(window, 'pointerup', end);
    useEventListener(window, 'pointercancel', () => {
        begun = null;
        drawn.value = null;
    });
    useEventListener(window, 'keydown', (event: KeyboardEvent) => {
        if (event.key === 'Escape' && drawn.value) {
            begun = null;
            drawn.value = null;
        }
    });
    /** For what is pressed: not after a way was drawn from it. */
    const unlessDrawn = (act: () => void) => () => {
        if (!swallows) {
            act();
        }
    };
    return { drawn, begin, unlessDrawn };
}
