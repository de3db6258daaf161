import type { EmailTiming } from '@/api/types';

/** The same for two moments that are the same, in whatever order their parts stand. */
export const timingKey = (timing: EmailTiming): string =>
    Object.entries(timing)
        .filter(([, value]) => value !== undefined && value !== null && value !== 0)
        .sort(([a], [b]) => a.localeCompare(b))
        .map(([key, value]) => `${key}=${JSON.stringify(value)}`)
        .join(' ');
