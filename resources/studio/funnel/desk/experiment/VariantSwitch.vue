<script setup lang="ts">
import { PlusIcon } from '@heroicons/vue/20/solid';
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import type { SplitTest } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { TESTED } from '@/funnel/parts';
import { useSteps } from '@/funnel/steps';
import { useToasts } from '@/stores/toasts';

/** From one version of what a split test is of to the next. */
const props = defineProps<{ test: SplitTest; open: string }>();

const MOST = 5;
const store = useFunnel();
const steps = useSteps();
const toasts = useToasts();
const router = useRouter();
const variants = computed(() => (store.funnel?.variants ?? []).filter((v) => v.test === props.test.id));

async function another(): Promise<void> {
    try {
        const made = await steps.add('variant', { test: props.test.id, from: props.open });
        await router.push(`/funnels/${store.funnel!.id}/variant/${made.id}`);
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <nav class="flex sheet p-0.5 shadow" aria-label="Versions in the split test" data-test="variants">
        <RouterLink
            :to="`/funnels/${store.funnel!.id}/${TESTED[test.of]}/${test.part}`"
            class="btn-quiet"
            :class="{ 'bg-line text-ink': open === test.part }"
            title="As it is"
            >A</RouterLink
        >
        <RouterLink
            v-for="v in variants"
            :key="v.id"
            :to="`/funnels/${store.funnel!.id}/variant/${v.id}`"
            class="btn-quiet"
            :class="{ 'bg-line text-ink': open === v.id }"
            :title="v.name"
            >{{ v.letter.toUpperCase() }}</RouterLink
        >
        <button
            v-if="!test.on && variants.length < MOST - 1"
            type="button"
            class="btn-quiet px-2"
            aria-label="Another variant, as a copy of this one"
            title="Another variant, as a copy of this one"
            @click="another"
        >
            <PlusIcon class="size-4" aria-hidden="true" />
        </button>
    </nav>
</template>
