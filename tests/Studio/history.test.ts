import { describe, expect, it } from 'vitest';
import { historyWords } from '../../resources/studio/people/historyWords';
import type { HistoryItem } from '../../resources/studio/api/types';
import kinds from '../fixtures/history.json';

describe('a person’s history', () => {
    it('has words for everything that the application tells, and for nothing else', () => {
        expect(Object.keys(historyWords).sort()).toEqual(kinds);
        for (const kind of kinds) {
            expect(historyWords[kind]!({ kind, what: 'First Season' } as HistoryItem), kind).toMatch(/[a-z]{3,}/);
        }
    });
});
