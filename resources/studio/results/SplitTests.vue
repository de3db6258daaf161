<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '@/api/client';
import type { Funnel, TestResults } from '@/api/types';
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
const free = computed(
    () =>
        draft.value?.pages
            .filter((p) => !draft.value!.splitTests.some((t) => t.page === p.id))
            .map((p) => ({ value: p.id, label: p.name })) ?? [],
);
const page = ref('');

async function begin(): Promise<void> {
    try {
        await router.push(await beginTest(draft.value!, page.value || free.value[0]!.value));
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
                        ? 'Some visitors see one version, some another. Here is what can be said so far.'
                        : 'Show some visitors another version of a page, and see which one brings more.'
                }}
            </p>
            <form v-if="free.length > 0" class="flex items-end gap-2" @submit.prevent="begin">
                <UiListbox
                    class="w-56"
                    label="Page to test"
                    :model-value="page || free[0]!.value"
                    :options="free"
                    @update:model-value="(p: string) => (page = p)"
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
