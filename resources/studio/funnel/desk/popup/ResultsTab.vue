<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { api } from '@/api/client';
import type { PopupNumbers, PopupResults } from '@/api/types';
import PopupTester from '@/funnel/desk/popup/PopupTester.vue';
import { TRIGGERS } from '@/funnel/desk/popup/triggerWords';
import { usePopup } from '@/funnel/desk/popup/usePopup';
import { useSession } from '@/stores/session';
import { useToasts } from '@/stores/toasts';
import { count, interval, percent } from '@/ui/format';

/** What it brought, and the question why it shows or does not. */
const props = defineProps<{ id: string }>();

const work = usePopup(props.id);
const session = useSession();
const toasts = useToasts();
const results = ref<PopupResults | null>(null);
onMounted(async () => {
    try {
        results.value = await api.get<PopupResults>(`parts/${props.id}/popup`);
    } catch (error) {
        toasts.trouble(error);
    }
});
const rate = (n: PopupNumbers) => (n.rate.rate === null ? '–' : `${percent(n.rate.rate)} (${interval(n.rate)})`);
const SHOWN = { label: 'Shown', of: 'shown' } as const;
const JOINED = { label: 'Joined', of: 'joined' } as const;
/** By trigger and by place, as far as there is anything to tell. */
const tables = computed(() =>
    [
        {
            what: 'By what opened it',
            each: 'Opened',
            columns: [SHOWN, JOINED],
            rows: (results.value?.triggers ?? []).map((t) => ({ ...t, name: TRIGGERS[t.trigger] ?? t.trigger, note: '' })),
        },
        {
            what: 'By place',
            each: 'Place',
            columns: [{ label: 'Views', of: 'eligible' } as const, SHOWN, JOINED],
            rows: (results.value?.places ?? []).map((p) => ({ ...p, name: p.name || 'A page that is gone', note: p.pattern })),
        },
    ].filter((table) => table.rows.length > 0),
);
const whole = computed(() => results.value?.numbers);
const zone = computed(() => session.zone);
</script>

<template>
    <div class="space-y-6">
        <section v-if="results">
            <p v-if="!whole || whole.shown === 0" class="text-soft">
                {{
                    work.popup.value.on ? 'It has not been shown to anybody yet.' : 'It is switched off, and has not been shown to anybody.'
                }}
            </p>
            <template v-else>
                <dl class="grid grid-cols-2 gap-x-4 gap-y-1" data-test="popup-numbers">
                    <dt>Shown</dt>
                    <dd class="text-right tabular-nums">{{ count(whole.shown) }}</dd>
                    <dt>Joined</dt>
                    <dd class="text-right tabular-nums">{{ count(whole.joined) }}</dd>
                    <dt>Closed</dt>
                    <dd class="text-right tabular-nums">{{ count(whole.closed) }}</dd>
                    <dt>Followed a link</dt>
                    <dd class="text-right tabular-nums">{{ count(whole.clicked) }}</dd>
                </dl>
                <p class="mt-2">Rate: {{ rate(whole) }}</p>
                <template v-for="table in tables" :key="table.what">
                    <h3 class="mt-4 label">{{ table.what }}</h3>
                    <table class="w-full text-sm">
                        <thead>
                            <tr class="text-left text-soft">
                                <th class="font-normal">{{ table.each }}</th>
                                <th v-for="column in table.columns" :key="column.label" class="text-right font-normal">
                                    {{ column.label }}
                                </th>
                                <th class="text-right font-normal">Rate</th>
                            </tr>
                        </thead>
                        <tbody>
                            <tr v-for="(row, n) in table.rows" :key="n" class="border-t border-line align-top">
                                <td>
                                    {{ row.name }}<span v-if="row.note" class="block text-soft">{{ row.note }}</span>
                                </td>
                                <td v-for="column in table.columns" :key="column.label" class="text-right tabular-nums">
                                    {{ count(row[column.of]) }}
                                </td>
                                <td class="text-right tabular-nums" :title="rate(row)">{{ percent(row.rate.rate) }}</td>
                            </tr>
                        </tbody>
                    </table>
                </template>
                <p class="hint mt-2">
                    In brackets: between which rates the true one most likely lies. How many would have joined without it nobody knows.
                </p>
            </template>
        </section>
        <PopupTester :id="id" :zone="zone" />
    </div>
</template>
