<script setup lang="ts">
import { ref } from 'vue';
import { api } from '@/api/client';
import type { SharedSection } from '@/api/types';
import FunnelWords from '@/funnel/desk/FunnelWords.vue';
import { useFunnel } from '@/funnel/funnelStore';
import { useSteps } from '@/funnel/steps';
import { useToasts } from '@/stores/toasts';
import { dateTime } from '@/ui/format';

/** What else belongs to a funnel: its own words, and a link to show the draft. */
const store = useFunnel();
const steps = useSteps();
const toasts = useToasts();
const words = ref(false);
const link = ref<{ url: string; until: string } | null>(null);

async function preview(): Promise<void> {
    try {
        link.value = await api.post<{ url: string; until: string }>(`funnels/${store.funnel!.id}/preview-link`);
        await navigator.clipboard.writeText(link.value.url).catch(() => undefined);
    } catch (error) {
        toasts.trouble(error);
    }
}

async function removeShared(shared: SharedSection): Promise<void> {
    try {
        await steps.remove(shared);
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <div v-if="store.funnel" class="space-y-4">
        <div v-if="store.funnel.sharedSections.length > 0">
            <h3 class="font-sans font-semibold">Shared sections</h3>
            <ul>
                <li v-for="shared in store.funnel.sharedSections" :key="shared.id" class="flex items-center justify-between gap-2">
                    <span class="truncate">{{ shared.name }}</span>
                    <button type="button" class="btn-quiet" @click="removeShared(shared)">Remove</button>
                </li>
            </ul>
        </div>
        <div class="flex flex-wrap gap-2">
            <button type="button" class="btn" @click="words = true">Your own merge fields</button>
            <button type="button" class="btn" @click="preview">Preview link</button>
        </div>
        <p v-if="link" class="rounded bg-lamp-pale p-3">
            Whoever has this link sees the draft until {{ dateTime(link.until) }}. Nothing they do is stored.
            <span class="mt-1 block text-sm break-all select-all" data-test="preview-url">{{ link.url }}</span>
        </p>
        <FunnelWords :open="words" @close="words = false" />
    </div>
</template>
