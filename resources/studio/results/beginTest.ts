import { api } from '@/api/client';
import type { Funnel, Tested } from '@/api/types';

/** The variant on which a split test goes on: its first one, made together with the test where there is none yet. */
export async function beginTest(
    funnel: Pick<Funnel, 'id' | 'splitTests' | 'variants'>,
    part: string,
    of: Tested = 'page',
): Promise<string> {
    const add = (given: object) => api.post<{ id: string }>(`funnels/${funnel.id}/parts`, given);
    const test = funnel.splitTests.find((t) => t.part === part) ?? (await add({ kind: 'split-test', of, part }));
    const variant = funnel.variants.find((v) => v.test === test.id) ?? (await add({ kind: 'variant', test: test.id }));
    return `/funnels/${funnel.id}/variant/${variant.id}`;
}
