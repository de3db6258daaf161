<script setup lang="ts">
import { onMounted, ref } from 'vue';
import { api } from '@/api/client';
import type { PopupRow } from '@/api/types';
import { TRIGGERS } from '@/funnel/desk/popup/triggerWords';
import CsvLink from '@/results/CsvLink.vue';
import { popupsSentence } from '@/results/tableWords';
import { useToasts } from '@/stores/toasts';
import { count, interval, percent } from '@/ui/format';

/** What the pop-ups of a funnel brought, by what opened them. */
const props = defineProps<{ funnel: string }>();

const toasts = useToasts();
const popups = ref<PopupRow[]>([]);
onMounted(async () => {
    try {
        popups.value = (await api.get<{ popups: PopupRow[] }>(`funnels/${props.funnel}/popups`)).popups;
    } catch (error) {
        toasts.trouble(error);
    }
});
</script>

<template>
    <section v-if="popups.length > 0">
        <h2 class="text-xl">Pop-ups and placed forms</h2>
        <p class="mt-1">{{ popupsSentence(popups) }}</p>
        <table class="mt-2 w-full text-right" data-test="popups">
            <thead>
                <tr class="border-b border-line caption">
                    <th class="py-1.5 text-left font-medium">Pop-up</th>
                    <th class="font-medium">Shown</th>
                    <th class="font-medium">Closed</th>
                    <th class="font-medium">Joined</th>
                    <th class="font-medium">Rate</th>
                </tr>
            </thead>
            <tbody v-for="p in popups" :key="p.id">
                <tr class="border-b border-line">
                    <td class="py-2 text-left">
                        <RouterLink class="link" :to="`/funnels/${funnel}/popup/${p.id}`">{{ p.name }}</RouterLink>
                    </td>
                    <td>{{ count(p.numbers.shown) }}</td>
                    <td>{{ count(p.numbers.closed) }}</td>
                    <td>{{ count(p.numbers.joined) }}</td>
                    <td>
                        <span class="font-medium">{{ percent(p.numbers.rate.rate) }}</span><span class="block caption">{{
                            interval(p.numbers.rate)
                        }}</span>
                    </td>
                </tr>
                <tr v-for="t in p.triggers.length > 1 ? p.triggers : []" :key="t.trigger" class="border-b border-line text-soft">
                    <td class="py-1 pl-4 text-left">{{ TRIGGERS[t.trigger] ?? t.trigger }}</td>
                    <td>{{ count(t.shown) }}</td>
                    <td>{{ count(t.closed) }}</td>
                    <td>{{ count(t.joined) }}</td>
                    <td>{{ percent(t.rate.rate) }}</td>
                </tr>
            </tbody>
        </table>
        <CsvLink
            name="pop-ups"
            :head="['pop-up', 'shown', 'closed', 'joined', 'share', 'share at least', 'share at most']"
            :rows="popups.map(({ name, numbers: n }) => [name, n.shown, n.closed, n.joined, n.rate.rate, n.rate.low, n.rate.high])"
        />
        <p class="hint">Since each was first shown. How many would have joined without it nobody knows.</p>
    </section>
</template>
