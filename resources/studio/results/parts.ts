import { defineAsyncComponent, type Component } from 'vue';

/** The parts of a funnel's results: each a tab with an address of its own. */
export const partsOfResults: { path: string; label: string; overTime: boolean; component: Component }[] = [
    { path: '', label: 'What happened', overTime: true, component: defineAsyncComponent(() => import('@/results/WhatHappened.vue')) },
    { path: 'tests', label: 'Split tests', overTime: false, component: defineAsyncComponent(() => import('@/results/SplitTests.vue')) },
];
