import { counted } from '@/ui/format';
import type { GuideNumbers } from '@/api/types';

/** A length of time, as short as it can be said: "40 s", "12 min", "1 h 5 min". */
export function timeWords(seconds: number): string {
    if (seconds < 60) {
        return `${Math.round(seconds)} s`;
    }
    const minutes = Math.round(seconds / 60);
    return minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h${minutes % 60 > 0 ? ` ${minutes % 60} min` : ''}`;
}

/** How long a page takes, beside its name: "40 s to read". */
export const toRead = (seconds: number): string => `${timeWords(Math.max(1, seconds))} to read`;

/** How a guide is read, in a sentence. */
export function readingSentence(n: GuideNumbers): string {
    if (n.begun === 0) {
        return n.given === 0
            ? 'Nobody has this guide yet. Whoever joins gets it.'
            : `${counted(n.given, 'person', 'people')} may read it. Nobody has begun yet.`;
    }
    const finished = n.finished === 0 ? 'nobody has finished it yet' : `${n.finished} finished it`;
    return `Of ${counted(n.given, 'person', 'people')} who may read it ${n.begun} began and ${finished}; half of them read for ${timeWords(n.median)} or longer.`;
}

/** Where people stop, in a sentence. */
export function stopSentence(n: GuideNumbers): string {
    if (n.begun < n.least) {
        return `Where people stop is said once ${n.least} have begun.`;
    }
    const page = n.pages.find((p) => p.id === n.stop?.page);
    return !n.stop || !page
        ? 'Whoever begins goes on to the last page.'
        : `Most stop at page ${n.stop.number}, “${page.name}”: of ${n.stop.came} who came to it ${n.stop.stopped} went no further.`;
}

/** What is read twice, in a sentence; nothing where nobody came back. */
export function againSentence(n: GuideNumbers): string {
    const most = [...n.pages].sort((a, b) => b.again - a.again)[0];
    return !most || most.again === 0
        ? ''
        : `What they come back to most is “${most.name}”: ${counted(most.again, 'person', 'people')} read in it on another occasion.`;
}
