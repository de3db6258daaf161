import type { Trigger, WebinarOutcome } from '@/api/types';

/** What starts a sequence or ends it, as a list in which each stands once. */
const same = (a: Trigger, b: Trigger) => JSON.stringify(a) === JSON.stringify(b);

export const has = (triggers: Trigger[], trigger: Trigger): boolean => triggers.some((t) => same(t, trigger));
export const without = (triggers: Trigger[], trigger: Trigger): Trigger[] => triggers.filter((t) => !same(t, trigger));
export const set = (triggers: Trigger[], trigger: Trigger, on: boolean): Trigger[] =>
    on ? [...without(triggers, trigger), trigger] : without(triggers, trigger);

/** What may become of somebody's session of a webinar. */
export const OUTCOMES = [
    { value: 'saw-offer', label: 'they see the offer' },
    { value: 'attended', label: 'they attend' },
    { value: 'left-early', label: 'they leave early' },
    { value: 'missed', label: 'they miss it' },
    { value: 'watched-replay', label: 'they watch the replay' },
] satisfies { value: WebinarOutcome; label: string }[];
