import { useToasts } from '@/stores/toasts';

/**
 * Puts something on the clipboard and says so. Browsers may keep theirs closed: then it is said where it can be copied from by hand.
 *
 * @param what is copied, as a sentence begins: “The link”
 */
export async function copy(what: string, value: string): Promise<void> {
    const toasts = useToasts();
    try {
        await navigator.clipboard.writeText(value);
        toasts.say(`${what} is copied.`);
    } catch {
        toasts.say(`Your browser keeps its clipboard closed. ${what}, to copy by hand: ${value}`);
    }
}
