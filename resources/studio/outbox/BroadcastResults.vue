<script setup lang="ts">
import { computed } from 'vue';
import type { Broadcast } from '@/api/types';
import { count, counted, dateTime, percent } from '@/ui/format';

/** What became of a broadcast that is on its way or has gone out. */
const props = defineProps<{ broadcast: Broadcast }>();

const n = computed(
    () => props.broadcast.numbers ?? { messages: 0, sent: 0, waiting: 0, failed: 0, passed: 0, opened: 0, clicked: 0, lost: 0 },
);
const share = (part: number, of: number) => (of > 0 ? percent(part / of) : '–');
const tiles = computed(() => [
    { label: 'sent', value: count(n.value.sent), note: n.value.waiting > 0 ? `${count(n.value.waiting)} still to go` : '' },
    { label: 'opened', value: share(n.value.opened, n.value.sent), note: 'a guess: mail programs open by themselves' },
    { label: 'clicked', value: share(n.value.clicked, n.value.sent), note: counted(n.value.clicked, 'reader') },
    { label: 'lost', value: count(n.value.lost), note: 'left, bounced or complained' },
]);
const words = computed(
    () =>
        ({
            draft: '',
            scheduled: `It goes out ${dateTime(props.broadcast.sendAt)}. Until then it can be unscheduled.`,
            testing: `The split test runs. ${counted(props.broadcast.settings.hours, 'hour')} after its start the better subject goes to the rest.`,
            sending: 'It is on its way.',
            sent: `It went out ${dateTime(props.broadcast.startedAt)}.`,
            stopped: 'It was stopped on its way.',
        })[props.broadcast.state],
);
</script>

<template>
    <div>
        <p class="text-lg" role="status" data-test="broadcast-state">{{ words }}</p>
        <p class="mt-1 text-soft">To: {{ broadcast.audienceWords }}. Subject: {{ broadcast.subject }}</p>
        <dl v-if="broadcast.numbers" class="mt-6 grid grid-cols-4 gap-6">
            <div v-for="tile in tiles" :key="tile.label">
                <dt class="text-soft">{{ tile.label }}</dt>
                <dd class="font-display text-3xl font-semibold">{{ tile.value }}</dd>
                <dd class="caption">{{ tile.note }}</dd>
            </div>
        </dl>
        <RouterLink v-if="broadcast.numbers" class="mt-4 inline-block link" :to="`/emails?broadcast=${broadcast.id}`"
            >Every single message</RouterLink
        >
        <p v-if="n.failed + n.passed > 0" class="mt-4 text-soft">
            {{ n.failed > 0 ? `${count(n.failed)} could not be delivered. ` : ''
            }}{{
                n.passed > 0
                    ? `${counted(n.passed, 'person was', 'people were')} passed over: they left or bounced meanwhile, or it was stopped.`
                    : ''
            }}
        </p>
        <table v-if="Object.keys(broadcast.variants).length > 0" class="mt-8 w-full">
            <thead>
                <tr class="border-b border-line text-left caption">
                    <th class="py-2 font-medium">Subject</th>
                    <th class="py-2 text-right font-medium">Sent</th>
                    <th class="py-2 text-right font-medium">Opened</th>
                    <th class="py-2 text-right font-medium">Clicked</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="(v, key) in broadcast.variants" :key="key" class="border-b border-line">
                    <td class="py-2">
                        {{ key === 'b' ? broadcast.settings.otherSubject : broadcast.subject }}
                        <span v-if="broadcast.winner === key" class="ml-2 rounded bg-lamp-pale px-1.5 py-0.5 text-sm font-medium"
                            >went to the rest</span
                        >
                    </td>
                    <td class="py-2 text-right">{{ count(v.sent) }}</td>
                    <td class="py-2 text-right">{{ share(v.opened, v.sent) }}</td>
                    <td class="py-2 text-right">{{ share(v.clicked, v.sent) }}</td>
                </tr>
            </tbody>
        </table>
        <p v-if="broadcast.winnerWhy" class="mt-2 text-soft">{{ broadcast.winnerWhy }}</p>
        <p v-if="broadcast.againAt" class="mt-4 text-soft">
            It went once more to those who had not opened it, {{ dateTime(broadcast.againAt) }}.
        </p>
        <p v-else-if="broadcast.settings.againDays > 0 && broadcast.startedAt" class="mt-4 text-soft">
            It goes once more to those who have not opened it, {{ counted(broadcast.settings.againDays, 'day') }} after it went out.
        </p>
    </div>
</template>
