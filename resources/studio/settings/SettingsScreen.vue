<script setup lang="ts">
import { computed, ref } from 'vue';
import { ApiError } from '@/api/client';
import type { Business } from '@/api/types';
import BusinessFields from '@/settings/BusinessFields.vue';
import MailServer from '@/settings/MailServer.vue';
import OwnFields from '@/settings/OwnFields.vue';
import WebHooks from '@/settings/WebHooks.vue';
import OwnDesigns from '@/settings/OwnDesigns.vue';
import { useToasts } from '@/stores/toasts';
import { useSession } from '@/stores/session';
import { useLeaving } from '@/ui/leaving';

const session = useSession();
const toasts = useToasts();
const business = ref<Business>({ ...(session.business as Business) });
const error = ref<ApiError | null>(null);
const busy = ref(false);
const same = computed(() => JSON.stringify(business.value) === JSON.stringify(session.business));
useLeaving({
    flush: () => Promise.resolve(),
    saved: () => same.value,
    trouble: () => (same.value ? '' : 'Press “Save the business” first.'),
});

async function save(): Promise<void> {
    const before = { ...(session.business as Business) };
    busy.value = true;
    error.value = null;
    try {
        await session.saveBusiness(business.value);
        // As it was taken in: without blanks at its ends, and the like.
        business.value = { ...(session.business as Business) };
        toasts.say('Your business is saved. Published pages take it over with their next version; emails at once.', {
            label: 'Undo',
            run: async () => {
                await session.saveBusiness(before);
                business.value = { ...before };
            },
        });
    } catch (caught) {
        if (caught instanceof ApiError && caught.status === 422) {
            error.value = caught;
        } else {
            toasts.trouble(caught);
        }
    } finally {
        busy.value = false;
    }
}
</script>

<template>
    <div class="mx-auto max-w-3xl px-8 py-10">
        <h1 class="text-3xl">Settings</h1>
        <p class="mt-2 text-soft">Who is speaking: this stands on your pages and in every email.</p>
        <form class="mt-8" novalidate @submit.prevent="save">
            <BusinessFields v-model="business" :error="error" with-hosts />
            <button type="submit" class="mt-6 btn-main" :disabled="busy">Save the business</button>
        </form>
        <section class="mt-12">
            <h2 class="text-xl">Your other sites</h2>
            <p class="mt-1 text-soft">
                One line on a blog or site of yours, once: then pop-ups and forms are placed there from your funnels.
            </p>
            <RouterLink to="/settings/sites" class="mt-3 btn inline-flex">Sites</RouterLink>
        </section>
        <MailServer />
        <OwnFields />
        <WebHooks />
        <OwnDesigns />
    </div>
</template>
