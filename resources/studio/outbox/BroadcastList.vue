<script setup lang="ts">
import { PlusIcon } from '@heroicons/vue/20/solid';
import { onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '@/api/client';
import type { Broadcast, BroadcastRow } from '@/api/types';
import { outboxTabs } from '@/people/tabs';
import { useToasts } from '@/stores/toasts';
import { usePulse } from '@/stores/pulse';
import { ago, count, dateTime, percent } from '@/ui/format';
import ScreenTabs from '@/ui/ScreenTabs.vue';
import UiMenu from '@/ui/UiMenu.vue';

const router = useRouter();
const toasts = useToasts();
const rows = ref<BroadcastRow[] | null>(null);

async function load(): Promise<void> {
    try {
        rows.value = (await api.get<{ broadcasts: BroadcastRow[] }>('broadcasts')).broadcasts;
    } catch (error) {
        toasts.trouble(error);
    }
}
onMounted(load);
usePulse(load);

async function write(): Promise<void> {
    try {
        const made = await api.post<Broadcast>('broadcasts');
        await router.push(`/emails/broadcasts/${made.id}`);
    } catch (error) {
        toasts.trouble(error);
    }
}

async function duplicate(row: BroadcastRow): Promise<void> {
    try {
        const made = await api.post<Broadcast>(`broadcasts/${row.id}/duplicate`);
        await router.push(`/emails/broadcasts/${made.id}`);
    } catch (error) {
        toasts.trouble(error);
    }
}

async function takeOut(row: BroadcastRow): Promise<void> {
    try {
        await api.delete(`broadcasts/${row.id}`);
        await load();
        toasts.say(`“${row.name}” is removed.`, {
            label: 'Undo',
            run: async () => {
                await api.post(`broadcasts/${row.id}/restore`);
                await load();
            },
        });
    } catch (error) {
        toasts.trouble(error);
    }
}
const states: Record<BroadcastRow['state'], string> = {
    draft: 'Draft',
    scheduled: 'Scheduled',
    testing: 'Split test runs',
    sending: 'On its way',
    sent: 'Sent',
    stopped: 'Stopped',
};
const share = (n: number, of: number) => (of > 0 ? percent(n / of, 0) : '–');
</script>

<template>
    <div class="mx-auto max-w-6xl px-8 py-6">
        <div class="flex items-end justify-between gap-4">
            <h1 class="text-3xl">Emails</h1>
            <button type="button" class="btn-main" @click="write"><PlusIcon class="size-5" aria-hidden="true" />Write a broadcast</button>
        </div>
        <ScreenTabs class="mt-3" :tabs="outboxTabs" />
        <template v-if="rows">
            <p v-if="rows.length === 0" class="mt-8 max-w-xl text-soft">
                A broadcast is one email to many at once: to everybody, or to those a segment finds. Sequences go by themselves; this is for
                news.
            </p>
            <table v-else class="mt-4 w-full table-fixed">
                <thead>
                    <tr class="border-b border-line text-left caption">
                        <th class="py-2 font-medium">Email</th>
                        <th class="w-[22%] py-2 font-medium">State</th>
                        <th class="w-20 py-2 text-right font-medium">Sent</th>
                        <th
                            class="w-22 py-2 text-right font-medium"
                            title="Mail programs open by themselves, and some readers load no pictures"
                        >
                            Opened*
                        </th>
                        <th class="w-20 py-2 text-right font-medium">Clicked</th>
                        <th class="w-16 py-2 text-right font-medium" title="Unsubscribed, bounced or complained after it">Left</th>
                        <th class="w-14"></th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="row in rows" :key="row.id" class="border-b border-line hover:bg-raised">
                        <td class="py-2.5 pr-4">
                            <RouterLink :to="`/emails/broadcasts/${row.id}`" class="block truncate font-medium hover:underline">{{
                                row.name
                            }}</RouterLink>
                            <span class="block truncate text-soft">{{ row.subject || 'No subject yet' }}</span>
                        </td>
                        <td class="py-2.5 pr-4">
                            <span :class="{ 'font-medium': ['testing', 'sending', 'scheduled'].includes(row.state) }">{{
                                states[row.state]
                            }}</span>
                            <span class="block caption">{{
                                row.state === 'scheduled'
                                    ? dateTime(row.sendAt)
                                    : row.startedAt
                                      ? dateTime(row.startedAt)
                                      : `changed ${ago(row.updatedAt)}`
                            }}</span>
                        </td>
                        <td class="py-2.5 text-right">{{ row.numbers ? count(row.numbers.sent) : '–' }}</td>
                        <td class="py-2.5 text-right">{{ row.numbers ? share(row.numbers.opened, row.numbers.sent) : '–' }}</td>
                        <td class="py-2.5 text-right">{{ row.numbers ? share(row.numbers.clicked, row.numbers.sent) : '–' }}</td>
                        <td class="py-2.5 text-right">{{ row.numbers ? count(row.numbers.lost) : '–' }}</td>
                        <td class="py-2.5 text-right">
                            <UiMenu
                                :label="`More about “${row.name}”`"
                                :items="[
                                    { label: 'Write another one like it', run: () => duplicate(row) },
                                    { label: 'Remove', trouble: true, run: () => takeOut(row) },
                                ]"
                                >⋯</UiMenu
                            >
                        </td>
                    </tr>
                </tbody>
            </table>
            <p v-if="rows.length > 0" class="hint">
                * Opens are a guess: mail programs open by themselves, and some readers load no pictures.
            </p>
        </template>
    </div>
</template>
