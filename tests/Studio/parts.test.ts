import { describe, expect, it } from 'vitest';
import { choicesOf, kindsOfParts, partEntry, PARTS, partsOf } from '../../resources/studio/funnel/parts';
import kinds from '../fixtures/parts.json';
import { draft } from './server';

describe('the kinds of parts', () => {
    it('are those that the application has, each in its list and by its name', () => {
        const known = Object.fromEntries(
            kindsOfParts.map((kind) => {
                const { list, label, desk } = partEntry(kind);
                return [kind, { list, label, opens: desk !== undefined }];
            }),
        );
        expect(known).toEqual(kinds);
    });

    it('say of each part of a draft what matters, and how it is chosen', () => {
        const funnel = draft();
        for (const kind of kindsOfParts) {
            const { summary } = partEntry(kind);
            partsOf(funnel, kind).forEach((part) => expect(summary?.(part, funnel).words ?? 'none', kind).not.toBe(''));
            expect(choicesOf(funnel, kind).map((c) => c.label)).toEqual(partsOf(funnel, kind).map((p) => p.name));
        }
        expect(PARTS['lead-magnet'].summary!({ ...funnel.leadMagnets[0]!, file: null }, funnel)).toEqual({
            words: 'No file and no guide yet',
            lacking: true,
        });
        const offer = { id: 'o', name: 'Season', open: false, priceWords: '290' } as never;
        expect(choicesOf({ ...funnel, offers: [offer] }, 'offer')).toEqual([{ value: 'o', label: 'Season, 290' }]);
    });
});
