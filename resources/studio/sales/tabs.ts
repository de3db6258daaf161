export const salesTabs = [
    { label: 'Orders', to: '/sales/orders' },
    { label: 'Practice ledger', to: '/sales/ledger' },
];
