import { defineAsyncComponent, type Component } from 'vue';

/** The parts of a funnel's results: each a tab with an address of its own. */
export const partsOfResults: { path: string; label: string; overTime: boolean; component: Component }[] = [
    { path: '', label: 'What happened', overTime: true, component: defineAsyncComponent(() => import('@/results/WhatHappened.vue')) },
    { path: 'leaks', label: 'Where it leaks', overTime: true, component: defineAsyncComponent(() => import('@/results/LeaksPart.vue')) },
    { path: 'tests', label: 'Split tests', overTime: false, component: defineAsyncComponent(() => import('@/results/SplitTests.vue')) },
    {
        path: 'forecast',
        label: 'Forecast',
        overTime: false,
        component: defineAsyncComponent(() => import('@/results/ForecastPart.vue')),
    },
    { path: 'plan', label: 'Plan', overTime: false, component: defineAsyncComponent(() => import('@/results/PlanPart.vue')) },
];

/** The parts of the results of all funnels together. */
export const partsOfAll: { path: string; label: string; component: Component }[] = [
    { path: '', label: 'All funnels', component: defineAsyncComponent(() => import('@/results/AllFunnels.vue')) },
    { path: 'costs', label: 'Costs', component: defineAsyncComponent(() => import('@/results/CostPart.vue')) },
];
