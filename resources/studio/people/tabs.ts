export const peopleTabs = [
    { label: 'Everybody', to: '/people' },
    { label: 'Warmth', to: '/people/warmth' },
    { label: 'Submissions', to: '/people/submissions' },
    { label: 'Import people', to: '/people/imports' },
];
export const outboxTabs = [
    { label: 'Broadcasts', to: '/emails/broadcasts' },
    { label: 'Sequences', to: '/emails/sequences' },
    { label: 'Outbox', to: '/emails' },
];
