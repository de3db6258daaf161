import { watch } from 'vue';

/**
 * One field is as another, until something else is typed into it. What was typed stays, also where the other comes by the very same
 * words on its way to longer ones.
 */
export function follow(other: () => string, field: () => string, set: (words: string) => void): void {
    let given = field();
    watch(
        other,
        (now) => {
            if (field() === given) {
                given = now;
                set(now);
            }
        },
        { flush: 'sync' },
    );
}
