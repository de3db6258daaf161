<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { api, query } from '@/api/client';
import type { Reading } from '@/api/types';
import CsvLink from '@/results/CsvLink.vue';
import { useToasts } from '@/stores/toasts';
import { count, counted, percent } from '@/ui/format';
import { betweenWords } from '@/results/plain';
import UiDialog from '@/ui/UiDialog.vue';
import type { ResultPeriod } from '@/results/period';

/** How far people read on a page, and which of its buttons they press. */
const props = defineProps<{ page: string; period: ResultPeriod }>();
const emit = defineEmits<{ close: [] }>();

const toasts = useToasts();
const reading = ref<Reading | null>(null);
/** What came of anything that was pressed. */
const any = computed(() => ({
    joined: reading.value?.buttons.some((b) => b.signups > 0),
    bought: reading.value?.buttons.some((b) => b.orders > 0),
}));
onMounted(async () => {
    try {
        reading.value = await api.get<Reading>(`pages/${props.page}/reading?${query(props.period)}`);
    } catch (error) {
        toasts.trouble(error);
        emit('close');
    }
});
</script>

<template>
    <UiDialog open :title="reading?.name ?? 'How far they read'" wide @close="emit('close')">
        <div v-if="reading" data-test="reading">
            <p class="mt-2 text-lg">{{ reading.sentence }}</p>
            <table v-if="reading.read > 0" class="mt-3 w-full">
                <thead>
                    <tr class="border-b border-line text-left caption">
                        <th class="py-1.5 font-medium">Section</th>
                        <th class="w-1/2 font-medium">Came as far</th>
                        <th class="text-right font-medium">Stopped there</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="s in reading.sections" :key="s.id" class="border-b border-line">
                        <td class="max-w-60 truncate py-1.5">{{ s.title || 'Without a heading' }}</td>
                        <td :title="betweenWords(s.reached)">
                            <span class="flex items-center gap-2"
                                ><span class="h-2 rounded bg-pine/50" :style="{ width: `${70 * (s.reached.rate ?? 0)}%` }"></span
                                >{{ percent(s.reached.rate, 0) }}</span
                            >
                        </td>
                        <td class="text-right">{{ count(s.stopped) }}</td>
                    </tr>
                </tbody>
            </table>
            <CsvLink
                v-if="reading.read > 0"
                name="sections"
                :head="['section', 'came as far', 'at least', 'at most', 'stopped there']"
                :rows="reading.sections.map((s) => [s.title, s.reached.rate, s.reached.low, s.reached.high, s.stopped])"
            />
            <h3 class="mt-5 text-lg">What they press</h3>
            <table v-if="reading.buttons.length > 0" class="mt-1 w-full">
                <thead>
                    <tr class="border-b border-line text-right caption">
                        <th class="py-1.5 text-left font-medium">Button, link or form</th>
                        <th class="pl-3 font-medium">Clicked</th>
                        <th class="pl-3 font-medium">Of visitors</th>
                        <th v-if="any.joined" class="pl-3 font-medium">Then joined</th>
                        <th v-if="any.bought" class="pl-3 font-medium">Then bought</th>
                        <th v-if="any.bought" class="pl-3 font-medium">Revenue</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="b in reading.buttons" :key="b.id" class="border-b border-line text-right">
                        <td class="max-w-80 truncate py-1.5 text-left">{{ b.words }}</td>
                        <td class="pl-3" :title="counted(b.clicks, 'click')">{{ count(b.people) }}</td>
                        <td class="pl-3" :title="betweenWords(b.rate)">{{ percent(b.rate.rate, 0) }}</td>
                        <td v-if="any.joined" class="pl-3" :title="betweenWords(b.signupRate)">{{ count(b.signups) }}</td>
                        <td v-if="any.bought" class="pl-3" :title="betweenWords(b.orderRate)">{{ count(b.orders) }}</td>
                        <td v-if="any.bought" class="pl-3">{{ b.revenue || '–' }}</td>
                    </tr>
                </tbody>
            </table>
            <CsvLink
                v-if="reading.buttons.length > 0"
                name="buttons"
                :head="['button', 'clicks', 'people', 'joined', 'bought', 'revenue']"
                :rows="reading.buttons.map((b) => [b.words, b.clicks, b.people, b.signups, b.orders, b.revenue])"
            />
            <p v-if="reading.buttons.length > 0" class="hint">
                Each browser once. Whoever clicked on two of them and then joined or bought counts for both.
            </p>
            <p v-else class="text-soft">Nothing was pressed in this time.</p>
        </div>
    </UiDialog>
</template>
