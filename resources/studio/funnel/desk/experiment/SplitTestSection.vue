<script setup lang="ts">
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import type { Tested } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { useSteps } from '@/funnel/steps';
import { useToasts } from '@/stores/toasts';

/** Where a split test of what is on the desk begins, or goes on. */
const props = defineProps<{ of: Tested; part: string; hint: string }>();

const store = useFunnel();
const steps = useSteps();
const router = useRouter();
const toasts = useToasts();
const test = computed(() => store.funnel?.splitTests.find((t) => t.part === props.part));
const variants = computed(() => (store.funnel?.variants ?? []).filter((v) => v.test === test.value?.id));

async function begin(): Promise<void> {
    try {
        const made = variants.value[0] ?? (await steps.beginTest(props.of, props.part));
        await router.push(`/funnels/${store.funnel?.id}/variant/${made.id}`);
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <section data-test="split-test-here">
        <h2 class="text-lg">Split test</h2>
        <p class="hint">{{ test?.on ? 'It is running.' : test ? 'It is not started yet.' : hint }}</p>
        <div class="mt-2 flex flex-wrap gap-2">
            <button v-if="variants.length === 0" type="button" class="btn" @click="begin">Test another version</button>
            <RouterLink v-for="v in variants" :key="v.id" class="btn" :to="`/funnels/${store.funnel?.id}/variant/${v.id}`"
                >{{ v.letter.toUpperCase() }}: {{ v.name }}</RouterLink
            >
            <RouterLink v-if="test?.on" class="btn" :to="`/results/${store.funnel?.id}/tests`">Its results</RouterLink>
        </div>
    </section>
</template>
