import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { api } from '@/api/client';
import type { Email, Funnel, Page, PageNumbers } from '@/api/types';
import { count, percent } from '@/ui/format';

/** Of how long numbers stand on the timeline. */
export type Period = '28' | '0' | 'none';

/** What the server counts of a time. */
export interface TimelineNumbers {
    pages: Record<string, PageNumbers>;
    /** Browsers that were on each page. */
    visitors: Record<string, number>;
    emails: Funnel['emailNumbers'];
    /** By page and outcome: how many went that way, of how many who could. */
    ways: Record<string, Record<string, { taken: number; of: number }>>;
}

/** The numbers on the timeline of the funnel that is open. */
export const useTimelineNumbers = defineStore('timeline-numbers', () => {
    const period = useLocalStorage<Period>('timeline-period', '28');
    const found = ref<TimelineNumbers | null>(null);
    let asked = 0;

    async function load(funnel: string): Promise<void> {
        if (period.value === 'none') {
            found.value = null;
            return;
        }
        // Two answers may come in another order than they were asked for.
        const turn = ++asked;
        const answer = await api.get<TimelineNumbers>(`funnels/${funnel}/numbers?days=${period.value}`);
        if (turn === asked) {
            found.value = answer;
        }
    }

    return { period, load, numbers: computed(() => (period.value === 'none' ? null : found.value)) };
});

/** The share of those who were on a page that went the way of an outcome; '' where nobody could yet. */
export function shareOf(numbers: TimelineNumbers | null, page: string, outcome: string): string {
    const way = numbers?.ways[page]?.[outcome];
    return way && way.of > 0 ? percent(Math.min(1, way.taken / way.of), 0) : '';
}

/** The same in a sentence: "31 of 78". */
export function takenOf(numbers: TimelineNumbers | null, page: string, outcome: string): string {
    const way = numbers?.ways[page]?.[outcome];
    return way && way.of > 0 ? `${count(way.taken)} of ${count(way.of)}` : '';
}

/** The price of what is offered on a page. */
function priceOn(funnel: Funnel, page: Page): string {
    const ids = page.document.sections.flatMap((s) => s.blocks.flatMap((b) => (typeof b.offer === 'string' ? [b.offer] : [])));
    const offer = funnel.offers.find((o) => ids.includes(o.id));
    return offer ? (offer.open ? 'no price' : offer.priceWords) : '';
}

/** The one number that counts for a page, and what goes with it: where something is paid, what was sold. Narrow, in fewer words. */
export function pageNote(funnel: Funnel, numbers: TimelineNumbers, page: Page, isNarrow = false): { number: string; words: string } {
    const visitors = numbers.visitors[page.id] ?? 0;
    const sales = numbers.pages[page.id]?.sales ?? 0;
    const price = priceOn(funnel, page);
    if (price && (sales > 0 || ['checkout', 'upsell', 'downsell'].includes(page.role))) {
        return { number: count(sales), words: `sold · ${price}` };
    }
    const words: Record<string, string> = { room: 'came', replay: 'watched' };
    const who = words[page.role] ?? (visitors === 1 ? 'visitor' : 'visitors');
    return { number: count(visitors), words: price ? `${isNarrow ? '' : `${who} `}· ${price}` : who };
}

/** What became of an email, in a line. */
export function emailNote(numbers: TimelineNumbers, email: Email): string {
    const { sent = 0, waiting = 0, sending = 0, opened = 0, clicked = 0, lost = 0 } = numbers.emails[email.id] ?? {};
    const share = (n: number) => `${Math.round((n / sent) * 100)} %`;
    const due = waiting + sending;
    return [
        `${count(sent)} sent`,
        due > 0 ? `${count(due)} waiting` : '',
        sent > 0 ? `${share(opened)} opened*` : '',
        // Without a link there is nothing to click.
        sent > 0 && email.body.includes('<a ') ? `${share(clicked)} clicked` : '',
        lost > 0 ? `${count(lost)} left` : '',
    ]
        .filter(Boolean)
        .join(' · ');
}
