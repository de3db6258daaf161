<script setup lang="ts">
import { ref, watch } from 'vue';
import { api, query } from '@/api/client';
import type { RuleRun, RuleRunState } from '@/api/types';
import { usePulse } from '@/stores/pulse';
import { useToasts } from '@/stores/toasts';
import { dateTime } from '@/ui/format';
import PageTurner from '@/ui/PageTurner.vue';
import UiListbox from '@/ui/UiListbox.vue';

/** What a rule did, to whom and why. */
const props = defineProps<{ rule: string }>();

const toasts = useToasts();
const runs = ref<RuleRun[] | null>(null);
const [page, pages, total] = [ref(1), ref(1), ref(0)];
const state = ref<RuleRunState | ''>('');
const STATES: { value: RuleRunState | ''; label: string }[] = [
    { value: '', label: 'Everybody' },
    { value: 'done', label: 'For whom it acted' },
    { value: 'waiting', label: 'For whom it waits' },
    { value: 'passed', label: 'For whom it did not hold' },
    { value: 'failed', label: 'Where it failed' },
    { value: 'stopped', label: 'Where it was stopped' },
    { value: 'gone', label: 'Where something was gone' },
];

async function load(): Promise<void> {
    try {
        const found = await api.get<{ runs: RuleRun[]; page: number; pages: number; total: number }>(
            `rules/${props.rule}/log?${query({ page: page.value, state: state.value })}`,
        );
        [runs.value, pages.value, total.value] = [found.runs, found.pages, found.total];
    } catch (caught) {
        toasts.trouble(caught);
    }
}
watch([() => props.rule, state], () => {
    page.value = 1;
    void load();
});
watch(page, load);
void load();
usePulse(load);

function words(run: RuleRun): string {
    switch (run.state) {
        case 'waiting':
            return `Acts ${dateTime(run.dueAt)}.${run.trouble ? ` ${run.trouble}` : ''}`;
        case 'done':
            return run.did.map((d) => (d.trouble ? `${d.words} – ${d.trouble}` : d.words)).join(', ');
        default:
            return run.trouble ?? '';
    }
}
</script>

<template>
    <section aria-labelledby="log">
        <div class="flex items-end justify-between gap-3">
            <h3 id="log" class="label">What it did</h3>
            <UiListbox v-model="state" class="w-56" label="Which of it" hide-label :options="STATES" />
        </div>
        <p v-if="runs && runs.length === 0" class="mt-2 text-soft">Nothing yet.</p>
        <ol v-else-if="runs" class="mt-1 divide-y divide-line" data-test="rule-log">
            <li v-for="run in runs" :key="run.id" class="py-2">
                <div class="flex items-baseline justify-between gap-3">
                    <RouterLink v-if="run.person" :to="`/people/${run.person.id}`" class="min-w-0 truncate font-medium hover:underline">{{
                        run.person.name
                    }}</RouterLink>
                    <span v-else class="text-soft">Somebody who is gone</span>
                    <span class="shrink-0 caption">{{ dateTime(run.actedAt ?? run.happenedAt) }}</span>
                </div>
                <p :class="['failed', 'stopped', 'gone'].includes(run.state) ? 'text-clay-deep' : ''">{{ words(run) }}</p>
                <p class="caption">{{ run.why }}{{ run.after ? ' Another rule led to it.' : '' }}</p>
            </li>
        </ol>
        <PageTurner v-if="total > 0" :page="page" :pages="pages" :total="total" one="entry" many="entries" @turn="(p) => (page = p)" />
    </section>
</template>
