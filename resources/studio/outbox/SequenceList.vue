<script setup lang="ts">
import { onMounted, ref } from 'vue';
import { api } from '@/api/client';
import type { SequenceRow } from '@/api/types';
import { outboxTabs } from '@/people/tabs';
import { usePulse } from '@/stores/pulse';
import { useToasts } from '@/stores/toasts';
import { count, counted, dateTime, percent } from '@/ui/format';
import ScreenTabs from '@/ui/ScreenTabs.vue';
import UiMenu from '@/ui/UiMenu.vue';

/** The sequences of all funnels, and how they do. */
const toasts = useToasts();
const rows = ref<SequenceRow[] | null>(null);

async function load(): Promise<void> {
    try {
        rows.value = (await api.get<{ sequences: SequenceRow[] }>('sequences')).sequences;
    } catch (error) {
        toasts.trouble(error);
    }
}
onMounted(load);
usePulse(load);

const share = (n: number, of: number) => (of > 0 ? percent(n / of, 0) : '–');
async function act(row: SequenceRow, what: 'pause' | 'resume', words: string): Promise<void> {
    try {
        await api.post(`sequences/${row.id}/${what}`);
        await load();
        toasts.say(words);
    } catch (error) {
        toasts.trouble(error);
    }
}
const menu = (row: SequenceRow) => [
    row.paused
        ? { label: 'Resume', run: () => act(row, 'resume', `“${row.name}” goes on. What waited is moved by as long as it was paused.`) }
        : { label: 'Pause', run: () => act(row, 'pause', `“${row.name}” is paused: nothing of it goes out until you resume it.`) },
];
</script>

<template>
    <div class="mx-auto max-w-6xl px-8 py-6">
        <h1 class="text-3xl">Emails</h1>
        <ScreenTabs class="mt-3" :tabs="outboxTabs" />
        <template v-if="rows">
            <p v-if="rows.length === 0" class="mt-8 max-w-xl text-soft">
                No funnel has a sequence yet. A sequence writes to people by itself, from the moment they join: open a funnel and add one.
            </p>
            <table v-else class="mt-4 w-full table-fixed">
                <caption class="caption-bottom pt-3 text-left caption">
                    Sent, opened, clicked and left are those of the last four weeks. * Opens are a guess: mail programs open by themselves,
                    and some readers load no pictures.
                </caption>
                <thead>
                    <tr class="border-b border-line text-left caption">
                        <th class="py-2 font-medium">Sequence</th>
                        <th class="w-20 py-2 text-right font-medium">Emails</th>
                        <th class="w-22 py-2 text-right font-medium">In it now</th>
                        <th class="w-44 py-2 pl-6 font-medium">Next</th>
                        <th class="w-20 py-2 text-right font-medium">Sent</th>
                        <th class="w-22 py-2 text-right font-medium">Opened*</th>
                        <th class="w-20 py-2 text-right font-medium">Clicked</th>
                        <th class="w-16 py-2 text-right font-medium" title="Unsubscribed, bounced or complained after it">Left</th>
                        <th class="w-14"><span class="sr-only">Actions</span></th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="row in rows" :key="row.id" class="border-b border-line hover:bg-raised">
                        <td class="py-2.5 pr-4">
                            <RouterLink
                                :to="`/funnels/${row.funnel}/sequence/${row.id}`"
                                class="block truncate font-medium hover:underline"
                                >{{ row.name }}</RouterLink
                            >
                            <span class="block truncate text-soft">{{ row.funnelName }}{{ row.live ? '' : ' · not live' }}</span>
                        </td>
                        <td class="py-2.5 text-right">{{ count(row.emails) }}</td>
                        <td class="py-2.5 text-right font-medium">{{ count(row.inside) }}</td>
                        <td class="py-2.5 pl-6">
                            <span v-if="row.paused" class="font-medium text-clay-deep">Paused</span>
                            <template v-else-if="row.nextAt">{{ dateTime(row.nextAt) }}</template>
                            <span v-else class="text-soft">nothing waits</span>
                            <span v-if="row.waiting > 0" class="block caption">{{ counted(row.waiting, 'email') }} waiting</span>
                        </td>
                        <td class="py-2.5 text-right">{{ count(row.sent) }}</td>
                        <td class="py-2.5 text-right">{{ share(row.opened, row.sent) }}</td>
                        <td class="py-2.5 text-right">{{ share(row.clicked, row.sent) }}</td>
                        <td class="py-2.5 text-right">{{ count(row.lost) }}</td>
                        <td class="py-2.5 text-right"><UiMenu :label="`More about “${row.name}”`" :items="menu(row)">⋯</UiMenu></td>
                    </tr>
                </tbody>
            </table>
        </template>
    </div>
</template>
