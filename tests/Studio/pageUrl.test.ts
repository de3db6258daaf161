import { expect, it } from 'vitest';
import { pageUrl } from '@/funnel/pageUrl';

/** The same addresses that the core makes: see AddressFormTest. */
it.each([
    ['below', '', 'https://x.example/plan'],
    ['below', 'thanks', 'https://x.example/plan/thanks'],
    ['front', '', 'https://x.example/'],
    ['front', 'thanks', 'https://x.example/plan/thanks'],
    ['alone', '', 'https://x.example/'],
    ['alone', 'thanks', 'https://x.example/thanks'],
    ['alone', 'my', 'https://x.example/plan/my'],
    ['alone', 'plan', 'https://x.example/plan/plan'],
] as const)('makes the address of a page (%s, “%s”)', (form, page, url) => {
    expect(pageUrl({ address: 'plan', place: { front: 'https://x.example', form, reserved: ['my'] } }, page)).toBe(url);
});

it('has none for no funnel', () => {
    expect(pageUrl(null, 'thanks')).toBe('');
});
