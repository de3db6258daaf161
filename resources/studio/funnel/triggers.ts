import type { Trigger, WebinarOutcome } from '@/api/types';

/** What starts a sequence or ends it, as lists of one kind, for the fields that show them. */
const same = (a: Trigger, b: Trigger) => JSON.stringify(a) === JSON.stringify(b);

export const tagsOf = (triggers: Trigger[]): string[] => triggers.flatMap((t) => (t.kind === 'tag' ? [t.tag] : []));
export const formsOf = (triggers: Trigger[]): string[] => triggers.flatMap((t) => (t.kind === 'form' ? [t.form] : []));
export const has = (triggers: Trigger[], trigger: Trigger): boolean => triggers.some((t) => same(t, trigger));
export const without = (triggers: Trigger[], trigger: Trigger): Trigger[] => triggers.filter((t) => !same(t, trigger));
export const withTags = (triggers: Trigger[], tags: string[]): Trigger[] => [
    ...triggers.filter((t) => t.kind !== 'tag'),
    ...tags.map((tag): Trigger => ({ kind: 'tag', tag })),
];
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
