import { createRouter, createWebHistory } from 'vue-router';
import { kindsOfParts, partEntry } from '@/funnel/parts';
import FunnelsHome from '@/funnels/FunnelsHome.vue';

declare module 'vue-router' {
    interface RouteMeta {
        title?: string;
    }
}

/** What of a funnel opens on the desk: its parts by kind, what it sells as a whole, and its settings. */
const opens = [...kindsOfParts.filter((kind) => partEntry(kind).desk), 'offers', 'settings'].join('|');

export const router = createRouter({
    history: createWebHistory('/studio'),
    routes: [
        { path: '/', redirect: '/funnels' },
        { path: '/funnels', component: FunnelsHome, meta: { title: 'Funnels' } },
        { path: '/funnels/new', component: () => import('@/funnels/NewFunnel.vue'), meta: { title: 'New funnel' } },
        {
            path: `/funnels/:id/:open(${opens})?/:part?`,
            component: () => import('@/funnel/FunnelScreen.vue'),
            meta: { title: 'Funnel' },
        },
        {
            path: '/funnels/:id/rehearsal/:promise?',
            component: () => import('@/rehearsal/RehearsalScreen.vue'),
            meta: { title: 'Rehearsal' },
        },
        {
            path: '/funnels/:id/phrases',
            component: () => import('@/settings/PhrasesScreen.vue'),
            meta: { title: 'What visitors are told' },
        },
        {
            path: '/funnels/:id/webinar/:part/sessions/:session',
            component: () => import('@/webinar/SessionScreen.vue'),
            meta: { title: 'Session' },
        },
        { path: '/people', component: () => import('@/people/PeopleList.vue'), meta: { title: 'People' } },
        { path: '/people/warmth', component: () => import('@/people/WarmthScreen.vue'), meta: { title: 'Warmth' } },
        { path: '/people/submissions', component: () => import('@/people/SubmissionsScreen.vue'), meta: { title: 'Submissions' } },
        { path: '/people/imports/:id?', component: () => import('@/people/ImportScreen.vue'), meta: { title: 'Import people' } },
        { path: '/people/:id', component: () => import('@/people/PersonView.vue'), meta: { title: 'Person' } },
        { path: '/emails/broadcasts', component: () => import('@/outbox/BroadcastList.vue'), meta: { title: 'Broadcasts' } },
        { path: '/emails/broadcasts/:id', component: () => import('@/outbox/BroadcastDesk.vue'), meta: { title: 'Broadcast' } },
        { path: '/emails/sequences', component: () => import('@/outbox/SequenceList.vue'), meta: { title: 'Sequences' } },
        { path: '/emails/:id?', component: () => import('@/outbox/OutboxScreen.vue'), meta: { title: 'Outbox' } },
        // Where these screens were before.
        { path: '/outbox/:rest(.*)*', redirect: (to) => to.fullPath.replace('/outbox', '/emails') },
        { path: '/sales', redirect: '/sales/orders' },
        { path: '/sales/orders', component: () => import('@/sales/OrdersScreen.vue'), meta: { title: 'Orders' } },
        { path: '/sales/orders/:id', component: () => import('@/sales/OrderScreen.vue'), meta: { title: 'Order' } },
        { path: '/sales/ledger', component: () => import('@/sales/LedgerScreen.vue'), meta: { title: 'Practice ledger' } },
        { path: '/results/:id?/:part?', component: () => import('@/results/ResultsScreen.vue'), meta: { title: 'Results' } },
        { path: '/settings/domains', component: () => import('@/settings/DomainsScreen.vue'), meta: { title: 'Domains' } },
        { path: '/settings/rules', component: () => import('@/rules/RulesScreen.vue'), meta: { title: 'Rules' } },
        { path: '/settings/sites', component: () => import('@/settings/SitesScreen.vue'), meta: { title: 'Sites' } },
        {
            path: '/settings/phrases',
            component: () => import('@/settings/PhrasesScreen.vue'),
            meta: { title: 'What visitors are told' },
        },
        { path: '/settings', component: () => import('@/settings/SettingsScreen.vue'), meta: { title: 'Settings' } },
        { path: '/:any(.*)*', component: () => import('@/ui/NotHere.vue'), meta: { title: 'Not here' } },
    ],
});

router.afterEach((to) => {
    document.title = `${to.meta.title ?? 'Studio'} · Upbeat Lantern`;
});
