import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { api, ApiError } from '@/api/client';
import type { Business, Kit, Look, Session } from '@/api/types';

/** Who is signed in, and the business they speak for. */
export const useSession = defineStore('session', () => {
    const session = ref<Session>({ signedIn: false, zones: [], locales: [] });
    const loaded = ref(false);

    const business = computed(() => session.value.business);
    const zone = computed(() => session.value.business?.timezone ?? 'UTC');
    const locale = computed(() => session.value.business?.locale ?? 'en-GB');
    const looks = computed<Look[]>(() => session.value.looks ?? []);

    const kit = computed<Kit>(
        () =>
            session.value.kit ?? {
                designs: [],
                pageDesigns: [],
                sections: [],
                guideSections: [],
                finishes: [],
                blocks: [],
                arrangements: [],
                icons: [],
                roles: [],
                currencies: [],
                languages: [],
                spokenLanguages: [],
                languagesWithTwoWays: [],
                starterLanguages: [],
                triggers: [],
                acts: [],
                deadlineStates: [],
                popups: { stands: [], sizes: [], backdrops: [], entries: [], designs: [], triggers: [], quietRoles: [] },
                headingFonts: [],
                bodyFonts: [],
                personFields: {},
                ownerFields: {},
                sessionFields: {},
            },
    );

    async function load(): Promise<void> {
        session.value = await api.get<Session>('session');
        loaded.value = true;
    }

    async function signIn(email: string, password: string): Promise<void> {
        session.value = await api.post<Session>('session', { email, password });
    }

    async function setUp(given: object): Promise<void> {
        session.value = await api.post<Session>('setup', given);
    }

    async function signOut(): Promise<void> {
        try {
            await api.delete('session');
        } catch (error) {
            // Whoever is signed out already, by another tab or by time, gets what they asked for.
            if (!(error instanceof ApiError && error.status === 401)) {
                throw error;
            }
        }
        location.assign('/studio');
    }

    async function saveBusiness(given: Business): Promise<void> {
        session.value.business = await api.put<Business>('settings', given);
    }

    return { session, loaded, business, zone, locale, looks, kit, load, signIn, setUp, signOut, saveBusiness };
});
