<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { api } from '@/api/client';
import type { PopupNumbers, PopupResults } from '@/api/types';
import PopupTester from '@/funnel/desk/popup/PopupTester.vue';
import { TRIGGERS } from '@/funnel/desk/popup/triggerWords';
import { usePopup } from '@/funnel/desk/popup/usePopup';
import { useSession } from '@/stores/session';
import { useToasts } from '@/stores/toasts';
import { count, percent } from '@/ui/format';

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
const rate = (n: PopupNumbers) =>
    n.rate.rate === null ? '–' : `${percent(n.rate.rate)} (${percent(n.rate.low ?? 0)} to ${percent(n.rate.high ?? 0)})`;
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
                <h3 v-if="results.triggers.length > 0" class="mt-4 label">By what opened it</h3>
                <table v-if="results.triggers.length > 0" class="w-full text-sm">
                    <thead>
                        <tr class="text-left text-soft">
                            <th class="font-normal">Opened</th>
                            <th class="text-right font-normal">Shown</th>
                            <th class="text-right font-normal">Joined</th>
                            <th class="text-right font-normal">Rate</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="t in results.triggers" :key="t.trigger" class="border-t border-line">
                            <td>{{ TRIGGERS[t.trigger] ?? t.trigger }}</td>
                            <td class="text-right tabular-nums">{{ count(t.shown) }}</td>
                            <td class="text-right tabular-nums">{{ count(t.joined) }}</td>
                            <td class="text-right tabular-nums" :title="rate(t)">
                                {{ t.rate.rate === null ? '–' : percent(t.rate.rate) }}
                            </td>
                        </tr>
                    </tbody>
                </table>
                <h3 v-if="results.places.length > 0" class="mt-4 label">By place</h3>
                <table v-if="results.places.length > 0" class="w-full text-sm">
                    <thead>
                        <tr class="text-left text-soft">
                            <th class="font-normal">Place</th>
                            <th class="text-right font-normal">Visits</th>
                            <th class="text-right font-normal">Shown</th>
                            <th class="text-right font-normal">Joined</th>
                            <th class="text-right font-normal">Rate</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="p in results.places" :key="p.id + p.pattern" class="border-t border-line align-top">
                            <td>
                                {{ p.name || 'A page that is gone' }}<span v-if="p.pattern" class="block text-soft">{{ p.pattern }}</span>
                            </td>
                            <td class="text-right tabular-nums">{{ count(p.eligible) }}</td>
                            <td class="text-right tabular-nums">{{ count(p.shown) }}</td>
                            <td class="text-right tabular-nums">{{ count(p.joined) }}</td>
                            <td class="text-right tabular-nums" :title="rate(p)">
                                {{ p.rate.rate === null ? '–' : percent(p.rate.rate) }}
                            </td>
                        </tr>
                    </tbody>
                </table>
                <p class="hint mt-2">
                    In brackets: between which rates the true one most likely lies. How many would have joined without it nobody knows.
                </p>
            </template>
        </section>
        <PopupTester :id="id" :zone="zone" />
    </div>
</template>
