<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '@/api/client';
import type { Funnel, Tested, TestResults } from '@/api/types';
import EndTest from '@/results/EndTest.vue';
import TestCard from '@/results/TestCard.vue';
import { beginTest } from '@/results/beginTest';
import { usePulse } from '@/stores/pulse';
import { useToasts } from '@/stores/toasts';
import UiListbox from '@/ui/UiListbox.vue';

/** The split tests of a funnel: those that run, and what was learned from those that ended. */
const props = defineProps<{ funnel: string }>();

const toasts = useToasts();
const router = useRouter();
const tests = ref<TestResults[] | null>(null);
const draft = ref<Funnel | null>(null);
const ending = ref<TestResults | null>(null);

async function load(): Promise<void> {
    try {
        [tests.value, draft.value] = await Promise.all([
            api.get<{ tests: TestResults[] }>(`funnels/${props.funnel}/tests`).then((a) => a.tests),
            api.get<Funnel>(`funnels/${props.funnel}`),
        ]);
    } catch (error) {
        toasts.trouble(error);
    }
}
watch(() => props.funnel, load, { immediate: true });
usePulse(load);

const running = computed(() => tests.value?.filter((t) => t.endedAt === null) ?? []);
const ended = computed(() => tests.value?.filter((t) => t.endedAt !== null) ?? []);
/** Prepared, and not started yet. */
const waiting = computed(
    () =>
        draft.value?.splitTests
            .filter((t) => !t.on)
            .map((t) => ({ test: t, variant: draft.value!.variants.find((v) => v.test === t.id) }))
            .filter((t) => t.variant) ?? [],
);
const free = computed(() => {
    const found = draft.value;
    const groups: { of: Tested; word: string; parts: { id: string; name: string }[] }[] = [
        { of: 'page', word: 'Page', parts: found?.pages ?? [] },
        { of: 'popup', word: 'Pop-up', parts: found?.popups.filter((p) => p.on) ?? [] },
        { of: 'email', word: 'Email', parts: found?.emails ?? [] },
        { of: 'timing', word: 'Timing', parts: found?.sequences.filter((q) => found.emails.some((e) => e.sequence === q.id)) ?? [] },
    ];
    return groups.flatMap(({ of, word, parts }) =>
        parts
            .filter((p) => !found?.splitTests.some((t) => t.part === p.id))
            .map((p) => ({ of, value: p.id, label: of === 'page' ? p.name : `${word}: ${p.name}` })),
    );
});
const part = ref('');

async function begin(): Promise<void> {
    try {
        const chosen = free.value.find((f) => f.value === part.value) ?? free.value[0]!;
        await router.push(await beginTest(draft.value!, chosen.value, chosen.of));
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <div v-if="tests && draft" class="mt-5">
        <div class="flex flex-wrap items-end justify-between gap-4">
            <p class="max-w-2xl text-lg">
                {{
                    running.length > 0
                        ? 'Some people get one version, some another. Here is what can be said so far.'
                        : 'Give some people another version of a page, an email, a pop-up or a timing, and see which one brings more.'
                }}
            </p>
            <form v-if="free.length > 0" class="flex items-end gap-2" @submit.prevent="begin">
                <UiListbox
                    class="w-64"
                    label="What to test"
                    :model-value="part || free[0]!.value"
                    :options="free"
                    @update:model-value="(p: string) => (part = p)"
                />
                <button type="submit" class="btn-main">Begin a split test</button>
            </form>
        </div>
        <p v-for="w in waiting" :key="w.test.id" class="mt-4">
            The split test of “{{ w.test.name }}” is not started yet.
            <RouterLink class="link" :to="`/funnels/${funnel}/variant/${w.variant!.id}`">Go on with it</RouterLink>
        </p>
        <TestCard v-for="t in running" :key="t.id" class="mt-6" :test="t" @end="ending = t" />
        <template v-if="ended.length > 0">
            <h2 class="mt-10 text-xl">What was learned</h2>
            <TestCard v-for="t in ended" :key="t.id" class="mt-4" :test="t" @changed="load" />
        </template>
        <EndTest
            v-if="ending"
            :test="ending"
            @close="ending = null"
            @ended="
                ending = null;
                load();
            "
        />
    </div>
</template>
