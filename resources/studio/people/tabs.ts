export const peopleTabs = [
    { label: 'Everybody', to: '/people' },
    { label: 'Submissions', to: '/people/submissions' },
    { label: 'Import people', to: '/people/imports' },
];
export const outboxTabs = [
    { label: 'Outbox', to: '/emails' },
    { label: 'Broadcasts', to: '/emails/broadcasts' },
];
