<script setup lang="ts">
import { ArrowUturnLeftIcon, ArrowUturnRightIcon } from '@heroicons/vue/20/solid';
import { useDebouncedRefHistory } from '@vueuse/core';
import { ref, watch } from 'vue';
import { ApiError } from '@/api/client';
import type { Business } from '@/api/types';
import BusinessFields from '@/settings/BusinessFields.vue';
import MailServer from '@/settings/MailServer.vue';
import FoldSection from '@/ui/FoldSection.vue';
import OwnFields from '@/settings/OwnFields.vue';
import WebHooks from '@/settings/WebHooks.vue';
import OwnDesigns from '@/settings/OwnDesigns.vue';
import { useSession } from '@/stores/session';
import { useAutosave } from '@/ui/autosave';
import { useLeaving } from '@/ui/leaving';

const session = useSession();
const business = ref<Business>({ ...(session.business as Business) });
const error = ref<ApiError | null>(null);
const { undo, redo, canUndo, canRedo } = useDebouncedRefHistory(business, { deep: true, debounce: 600 });

const saving = useAutosave<Business>(async () => {
    try {
        await session.saveBusiness(business.value);
        error.value = null;
    } catch (caught) {
        error.value = caught instanceof ApiError && caught.status === 422 ? caught : null;
        throw caught;
    }
});
const { status, words } = saving;
watch(business, (now) => JSON.stringify(now) !== JSON.stringify(session.business) && saving.edit({ ...now }), { deep: true });
useLeaving({
    flush: saving.flush,
    saved: () => status.value === 'saved',
    trouble: () => (status.value === 'refused' ? 'Something here cannot be saved as it is: see what is marked.' : saving.trouble.value),
});
</script>

<template>
    <div class="mx-auto max-w-3xl px-8 py-10">
        <div class="flex items-center justify-between gap-4">
            <h1 class="text-3xl">Settings</h1>
            <div class="flex items-center gap-1">
                <span
                    class="mr-1 caption"
                    role="status"
                    :class="{ 'font-medium text-clay-deep': ['refused', 'offline'].includes(status) }"
                    >{{ status === 'refused' ? 'Not saved: see what is marked' : words }}</span
                >
                <button type="button" class="btn-quiet" aria-label="Undo" :disabled="!canUndo" @click="undo">
                    <ArrowUturnLeftIcon class="size-4.5" aria-hidden="true" />
                </button>
                <button type="button" class="btn-quiet" aria-label="Redo" :disabled="!canRedo" @click="redo">
                    <ArrowUturnRightIcon class="size-4.5" aria-hidden="true" />
                </button>
            </div>
        </div>
        <p class="mt-2 text-soft">
            Who is speaking: this stands on your pages and in every email. Published pages take a change over with their next version;
            emails at once.
        </p>
        <BusinessFields v-model="business" class="mt-8" :error="error" with-hosts />
        <MailServer />
        <FoldSection name="domains" title="Your domains" summary="Where your pages stand">
            <p class="text-soft">Your pages on domains of your own: what to write into the DNS, and which one links are made with.</p>
            <RouterLink to="/settings/domains" class="mt-3 btn inline-flex">Domains</RouterLink>
        </FoldSection>
        <FoldSection name="other-sites" title="Your other sites" summary="Pop-ups and forms placed elsewhere">
            <p class="text-soft">One line on a blog or site of yours, once: then pop-ups and forms are placed there from your funnels.</p>
            <RouterLink to="/settings/sites" class="mt-3 btn inline-flex">Sites</RouterLink>
        </FoldSection>
        <FoldSection name="rules" title="Rules" summary="When this happens, do that">
            <p class="text-soft">What is to be done by itself whenever something happens to somebody, in whatever funnel.</p>
            <RouterLink to="/settings/rules" class="mt-3 btn inline-flex">Rules</RouterLink>
        </FoldSection>
        <OwnFields />
        <WebHooks />
        <OwnDesigns />
    </div>
</template>
