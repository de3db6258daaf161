<script setup lang="ts">
import { computed, ref } from 'vue';
import { ApiError } from '@/api/client';
import type { Page, PageOutcome } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { useSteps } from '@/funnel/steps';
import { useDrawings } from '@/stores/drawings';
import { useToasts } from '@/stores/toasts';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';

/** Where one outcome of one page leads: a page of the funnel, or an outside address. */
const props = defineProps<{ page: Pick<Page, 'id'>; outcome: PageOutcome }>();
const emit = defineEmits<{ changed: [] }>();

const store = useFunnel();
const steps = useSteps();
const toasts = useToasts();
const drawings = useDrawings();
const outside = ref('');
const outsideOpen = ref(false);
const error = ref('');
const way = computed(() => store.funnel?.ways.find((w) => w.page === props.page.id && w.outcome === props.outcome.outcome));
const shown = computed(() => (outsideOpen.value || way.value?.toUrl ? 'outside' : (way.value?.toPage ?? 'none')));
const targets = computed(() => [
    ...(store.funnel?.pages.filter((p) => p.id !== props.page.id).map((p) => ({ value: p.id, label: p.name, svg: drawings.of(p.id) })) ??
        []),
    ...(store.funnel?.guides.filter((g) => g.id !== props.page.id).map((g) => ({ value: g.id, label: `The guide “${g.name}”` })) ?? []),
    { value: 'outside', label: 'An outside web address' },
    ...(props.outcome.must && way.value ? [] : [{ value: 'none', label: 'Nowhere' }]),
]);

async function lead(to: string): Promise<void> {
    error.value = '';
    if (to === 'outside') {
        outside.value = way.value?.toUrl ?? 'https://';
        outsideOpen.value = true;
        return;
    }
    await connect(to === 'none' ? null : { toPage: to });
}

async function connect(to: { toPage?: string; toUrl?: string } | null): Promise<void> {
    try {
        await steps.connect(props.page.id, props.outcome.outcome, to);
        outsideOpen.value = false;
        emit('changed');
    } catch (caught) {
        if (caught instanceof ApiError && caught.status === 422) {
            error.value = caught.message;
        } else {
            toasts.trouble(caught);
        }
    }
}
</script>

<template>
    <div>
        <UiListbox :model-value="shown" :options="targets" :label="`${outcome.who} go to`" @update:model-value="lead" />
        <form
            v-if="outsideOpen || way?.toUrl"
            class="mt-2 flex items-end gap-2"
            @submit.prevent="connect({ toUrl: outside || (way?.toUrl ?? '') })"
        >
            <TextField
                :model-value="outsideOpen ? outside : (way?.toUrl ?? '')"
                class="flex-1"
                label="Web address"
                :error="error"
                @update:model-value="
                    (v: string) => {
                        outside = v;
                        outsideOpen = true;
                    }
                "
            />
            <button type="submit" class="btn">Set</button>
        </form>
    </div>
</template>
