<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { LAST, periodWords, type ResultPeriod } from '@/results/period';
import { useSession } from '@/stores/session';
import DateField from '@/ui/DateField.vue';
import UiListbox from '@/ui/UiListbox.vue';
import { todayIn } from '@/ui/wallClock';

/** The time to look at: one of the usual ones, or from one day to another. */
const period = defineModel<ResultPeriod>({ required: true });

const CHOSEN = -1;
const session = useSession();
const open = ref(false);
const from = ref('');
const to = ref('');
const error = ref('');
const choices = computed(() => [...LAST, { value: CHOSEN, label: 'days' in period.value ? 'From … to …' : periodWords(period.value) }]);
watch(open, (is) => {
    if (is) {
        const today = todayIn(session.zone);
        from.value = 'days' in period.value ? today.subtract({ days: period.value.days - 1 }).toString() : period.value.from;
        to.value = 'days' in period.value ? today.toString() : period.value.to;
        error.value = '';
    }
});

function choose(days: number): void {
    open.value = days === CHOSEN;
    if (days !== CHOSEN) {
        period.value = { days };
    }
}
function take(): void {
    if (to.value < from.value) {
        error.value = 'The last day comes before the first.';
    } else if (Date.parse(to.value) - Date.parse(from.value) >= 800 * 86_400_000) {
        error.value = 'That is more than 800 days. Please choose a shorter time.';
    } else {
        period.value = { from: from.value, to: to.value };
        open.value = false;
    }
}
</script>

<template>
    <div class="relative">
        <UiListbox
            class="w-52"
            :model-value="'days' in period ? period.days : CHOSEN"
            label="Time"
            hide-label
            :options="choices"
            @update:model-value="choose"
        />
        <form
            v-if="open"
            class="absolute right-0 z-20 mt-1 w-72 space-y-3 sheet p-4 shadow-lg"
            data-test="from-to"
            @submit.prevent="take"
            @keydown.esc="open = false"
        >
            <DateField v-model="from" label="From" required />
            <DateField v-model="to" label="To" required />
            <p v-if="error" class="text-sm text-clay-deep" role="alert">{{ error }}</p>
            <div class="flex justify-end gap-2">
                <button type="button" class="btn" @click="open = false">Cancel</button>
                <button type="submit" class="btn-main">Show</button>
            </div>
        </form>
    </div>
</template>
