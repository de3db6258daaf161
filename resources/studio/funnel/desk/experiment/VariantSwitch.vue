<script setup lang="ts">
import { PlusIcon } from '@heroicons/vue/20/solid';
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import { useFunnel } from '@/funnel/funnelStore';
import { useSteps } from '@/funnel/steps';
import { useToasts } from '@/stores/toasts';

/** From one version of a page in a split test to the next. Nothing where the page is in none. */
const props = defineProps<{ page: string; open: string }>();

const MOST = 5;
const store = useFunnel();
const steps = useSteps();
const toasts = useToasts();
const router = useRouter();
const test = computed(() => store.funnel?.splitTests.find((t) => t.page === props.page));
const variants = computed(() => (store.funnel?.variants ?? []).filter((v) => v.test === test.value?.id));

async function another(): Promise<void> {
    try {
        const made = await steps.add('variant', { test: test.value!.id, from: props.open });
        await router.push(`/funnels/${store.funnel!.id}/variant/${made.id}`);
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <nav v-if="test" class="flex sheet p-0.5 shadow" aria-label="Versions in the split test" data-test="variants">
        <RouterLink
            :to="`/funnels/${store.funnel!.id}/page/${page}`"
            class="btn-quiet"
            :class="{ 'bg-line text-ink': open === page }"
            title="The page as it is"
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
