<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Page, PageOutcome } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import WayField from '@/funnel/WayField.vue';
import UiDialog from '@/ui/UiDialog.vue';
import { count, interval, percent } from '@/ui/format';

/** An outcome on the timeline: how many took it, and where it leads; a click chooses another way. */
const props = defineProps<{ page: Page; outcome: PageOutcome }>();

const store = useFunnel();
const open = ref(false);
const way = computed(() => store.funnel?.ways.find((w) => w.page === props.page.id && w.outcome === props.outcome.outcome));
const target = computed(() => store.funnel?.pages.find((p) => p.id === way.value?.toPage));
const numbers = computed(() => store.funnel?.pageNumbers[props.page.id]);
const joined = computed(() => props.outcome.outcome === 'joined' && numbers.value);
const next = computed(() => {
    const pages = store.funnel?.pages ?? [];
    return target.value !== undefined && pages[pages.findIndex((p) => p.id === props.page.id) + 1]?.id === target.value.id;
});
const where = computed(() => (way.value?.toUrl ? 'an outside address' : (target.value?.name ?? 'nowhere yet')));
const title = computed(() =>
    joined.value
        ? `${count(numbers.value!.signups)} joined; 95 % sure: ${interval(numbers.value!.rate)}. They go to ${where.value}.`
        : `${props.outcome.who} go to ${where.value}.`,
);
</script>

<template>
    <button
        type="button"
        class="block w-full rounded px-1.5 py-0.5 text-center text-sm leading-tight hover:bg-lamp-pale"
        :class="{ 'bg-clay-pale text-clay-deep': outcome.must && !way }"
        :title="title"
        @click="open = true"
    >
        <span v-if="joined" class="block text-lg leading-none font-semibold text-pine">{{ percent(numbers!.rate.rate) }}</span>
        <span class="block" :class="way || outcome.must ? '' : 'text-soft'">{{ outcome.label }}</span>
        <span v-if="next" class="block leading-none text-pine" aria-hidden="true">→</span>
        <span v-else-if="way?.toUrl" class="block text-xs text-soft">leads outside</span>
        <span v-else-if="target" class="block leading-none text-soft" aria-hidden="true">↷</span>
        <span v-else-if="!way && outcome.must" class="block text-xs font-semibold">leads nowhere</span>
    </button>
    <UiDialog :open="open" :title="`From “${page.name}”`" @close="open = false">
        <WayField class="mt-4 min-h-72" :page="page" :outcome="outcome" />
        <button type="button" class="btn-main" @click="open = false">Done</button>
    </UiDialog>
</template>
