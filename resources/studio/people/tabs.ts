export const peopleTabs = [
    { label: 'Everybody', to: '/people' },
    { label: 'Submissions', to: '/people/submissions' },
    { label: 'Import people', to: '/people/imports' },
];
export const outboxTabs = [
    { label: 'Messages', to: '/outbox' },
    { label: 'Broadcasts', to: '/outbox/broadcasts' },
];
