<script setup lang="ts">
import { ExclamationTriangleIcon } from '@heroicons/vue/20/solid';
import { computed } from 'vue';
import { api } from '@/api/client';
import type { TestResults } from '@/api/types';
import CsvLink from '@/results/CsvLink.vue';
import { useToasts } from '@/stores/toasts';
import { count, counted, day, percent } from '@/ui/format';
import TextField from '@/ui/TextField.vue';

/** One split test: what it says in a sentence, and the numbers behind it. */
const props = defineProps<{ test: TestResults }>();
const emit = defineEmits<{ end: []; changed: [] }>();

const toasts = useToasts();
const sentence = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);
const most = computed(() => Math.max(...props.test.arms.map((a) => a.high), 0.000001));
const at = (value: number) => `${Math.max(0, Math.min(100, (100 * value) / most.value))}%`;
/** Never certain. */
const chance = (best: number) => (best > 0.99 ? 'over 99 %' : best < 0.01 ? 'under 1 %' : percent(best, 0));
const when = computed(() => {
    const { startedAt, endedAt, days, mostDays, endedHow } = props.test;
    if (endedAt === null) {
        return `Since ${day(startedAt)}, ${counted(days, 'day')} of at most ${count(mostDays)}`;
    }
    const how = { owner: 'ended', 'by-itself': 'ended by itself', withdrawn: 'withdrawn' }[endedHow ?? 'owner'];
    return `${day(startedAt)} to ${day(endedAt)}, ${how}`;
});

async function learn(learned: string): Promise<void> {
    try {
        await api.put(`tests/${props.test.id}/learned`, { learned });
        emit('changed');
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <section class="border-t border-line pt-4" :aria-label="`Split test of ${test.name}`" data-test="split-test">
        <div class="flex flex-wrap items-baseline justify-between gap-x-4">
            <h3 class="text-lg">
                <RouterLink class="link" :to="`/funnels/${test.funnel}/${test.partKind}/${test.part}`">{{ test.name }}</RouterLink>
            </h3>
            <p class="caption">{{ when }} · wants more: {{ test.goalLabel.toLowerCase() }}</p>
        </div>
        <p class="mt-1 text-lg" :class="{ 'text-pine': test.verdict === 'winner' }" data-test="verdict">{{ test.sentence }}</p>
        <p v-if="test.waiting && !test.endedAt" data-test="waiting">{{ test.waiting }}</p>
        <p v-if="test.cost && !test.endedAt" class="text-soft">{{ test.cost }}</p>
        <p v-if="test.winner && test.endedAt" class="mt-1">
            Everybody gets {{ test.winner === 'a' ? 'what there was before' : `variant ${test.winner.toUpperCase()}` }} since.
        </p>
        <p v-for="w in test.warnings" :key="w" class="mt-2 flex gap-2 rounded-md bg-lamp-pale px-3 py-2" role="note">
            <ExclamationTriangleIcon class="mt-0.5 size-5 shrink-0" aria-hidden="true" />{{ w }}
        </p>
        <table class="mt-3 w-full text-right">
            <thead>
                <tr class="border-b border-line caption">
                    <th class="py-1.5 text-left font-medium">Version</th>
                    <th class="px-3 font-medium">{{ sentence(test.who) }}</th>
                    <th class="px-3 font-medium">{{ sentence(test.verb) }}</th>
                    <th class="w-2/5 px-3 text-left font-medium">Where it truly lies</th>
                    <th class="font-medium">The best</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="a in test.arms" :key="a.letter" class="border-b border-line">
                    <td class="py-2 text-left">
                        <span class="mr-2 font-semibold">{{ a.letter.toUpperCase() }}</span>{{ a.note }}
                    </td>
                    <td class="px-3">{{ count(a.visitors) }}</td>
                    <td class="px-3">{{ count(a.reached) }}</td>
                    <td class="px-3 text-left">
                        <template v-if="a.visitors > 0">
                            <span class="relative block h-3 rounded bg-line" aria-hidden="true"
                                ><span
                                    class="absolute inset-y-0 rounded bg-pine/40"
                                    :style="{ left: at(a.low), right: `calc(100% - ${at(a.high)})` }"
                                ></span
                                ><span class="absolute inset-y-0 w-0.5 bg-pine" :style="{ left: at(a.mean) }"></span
                            ></span>
                            <span class="caption">{{ a.value }}, {{ a.between }}</span></template
                        ><span v-else class="caption">Nobody yet</span>
                    </td>
                    <td>{{ a.visitors > 0 ? chance(a.best) : '–' }}</td>
                </tr>
            </tbody>
        </table>
        <CsvLink
            class="mt-1 inline-flex"
            name="split-test"
            :head="['version', 'what differs', test.who, test.verb, 'mean', 'at least', 'at most', 'chance of being the best']"
            :rows="test.arms.map((a) => [a.letter.toUpperCase(), a.note, a.visitors, a.reached, a.mean, a.low, a.high, a.best])"
        />
        <div v-if="!test.endedAt" class="mt-3">
            <button type="button" :class="['winner', 'same', 'unknown'].includes(test.verdict) ? 'btn-main' : 'btn'" @click="emit('end')">
                {{ test.verdict === 'winner' ? `End the test, and give everybody ${test.leader.toUpperCase()}` : 'End the test' }}
            </button>
        </div>
        <TextField
            v-else
            class="mt-3 max-w-xl"
            label="What was learned"
            hint="A line for yourself, for the next time."
            :model-value="test.learned"
            :maxlength="2000"
            @update:model-value="learn"
        />
    </section>
</template>
