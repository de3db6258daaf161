import type { Finding } from '@/api/types';

/** What the check misses that can be given right where it says so. */
const FIXES = {
    'no-price': 'price',
    'file-missing': 'file',
    'sender-missing': 'sender',
    'no-subject': 'subject',
    'dead-end': 'way',
} as const;

export type Fix = (typeof FIXES)[keyof typeof FIXES];

export const fixOf = (finding: Finding): Fix | null =>
    // Broadcasts have subjects too; what is asked for here are those of the funnel.
    finding.code === 'no-subject' && finding.open !== 'email' ? null : (FIXES[finding.code as keyof typeof FIXES] ?? null);

export const isFixedHere = (finding: Finding): boolean => fixOf(finding) !== null;
