<script setup lang="ts">
import { computed } from 'vue';
import type { Planned } from '@/api/types';
import { calendarDay, count, counted } from '@/ui/format';

/** How far a goal has come, in a sentence and a bar. */
const props = defineProps<{ goal: Planned; small?: boolean }>();

const WORDS = { signups: 'sign-ups', registrations: 'registrations', sales: 'sales' };
const share = computed(() => Math.min(100, (100 * props.goal.reached) / props.goal.wanted));
const words = computed(() => {
    const g = props.goal;
    const by = `by ${calendarDay(g.until, { day: 'numeric', month: 'long' })}`;
    const head = `${count(g.reached)} of ${count(g.wanted)} ${WORDS[g.what]} ${by}`;
    if (g.reached >= g.wanted) {
        return `${head}: reached`;
    }
    return g.over ? `${head}: its time is over` : `${head}: ${counted(g.days, 'day')} left, ${g.ahead ? 'as planned' : 'behind'}`;
});
</script>

<template>
    <div data-test="progress">
        <p :class="{ 'text-sm': small }">{{ words }}</p>
        <span class="mt-1 block h-1.5 rounded bg-line" aria-hidden="true"
            ><span
                class="block h-1.5 rounded"
                :class="goal.ahead || goal.reached >= goal.wanted ? 'bg-pine' : 'bg-clay'"
                :style="{ width: `${share}%` }"
            ></span
        ></span>
    </div>
</template>
