<script setup lang="ts">
import { computed, ref } from 'vue';
import LookPicker from '@/funnel/desk/LookPicker.vue';
import PicturePicker from '@/funnel/desk/PicturePicker.vue';
import { useFunnel } from '@/funnel/funnelStore';
import type { Arrangement, Page, PageDocument } from '@/api/types';
import { ApiError } from '@/api/client';
import { useNotices } from '@/stores/notices';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';

const props = defineProps<{ page: Page }>();
const emit = defineEmits<{ document: [label: string, change: (document: PageDocument) => void, now: boolean] }>();

const store = useFunnel();
const notices = useNotices();
const outside = ref('');
const outsideOpen = ref(false);
const error = ref('');
const isEntry = computed(() => store.funnel?.pages[0]?.id === props.page.id);
const opening = computed(() => props.page.document.sections.find((s) => s.kind === 'opening'));
const arrangements: { value: Arrangement; label: string }[] = [
    { value: 'split-right', label: 'Words left, picture right' },
    { value: 'split-left', label: 'Picture left, words right' },
    { value: 'centred', label: 'Centred' },
    { value: 'left', label: 'Left' },
    { value: 'boxed', label: 'On a card' },
];

function arrange(value: Arrangement): void {
    const id = opening.value?.id;
    emit('document', 'the arrangement', (d) => d.sections.filter((s) => s.id === id).forEach((s) => (s.arrangement = value)), true);
}

function background(value: { colour?: string; picture?: string } | undefined): void {
    emit(
        'document',
        'the background',
        (d) => {
            delete d.background;
            if (value) {
                d.background = value;
            }
        },
        true,
    );
}

function target(outcome: string): string {
    const way = store.funnel?.ways.find((w) => w.page === props.page.id && w.outcome === outcome);
    return way?.toPage ?? (way?.toUrl ? 'outside' : '');
}

const targets = computed(() => [
    ...(store.funnel?.pages.filter((p) => p.id !== props.page.id).map((p) => ({ value: p.id, label: p.name })) ?? []),
    { value: 'outside', label: 'An outside web address' },
]);

async function lead(outcome: string, to: string): Promise<void> {
    error.value = '';
    if (to === 'outside') {
        outside.value = store.funnel?.ways.find((w) => w.page === props.page.id && w.outcome === outcome)?.toUrl ?? 'https://';
        outsideOpen.value = true;
        return;
    }
    outsideOpen.value = false;
    await connect(outcome, { toPage: to });
}

async function connect(outcome: string, to: { toPage?: string; toUrl?: string }): Promise<void> {
    try {
        await store.connect(props.page.id, outcome, to);
        outsideOpen.value = false;
    } catch (caught) {
        if (caught instanceof ApiError && caught.status === 422) {
            error.value = caught.message;
        } else {
            notices.trouble(caught);
        }
    }
}
</script>

<template>
    <div class="space-y-6">
        <p class="text-soft">Click any words on the page and type.</p>
        <section>
            <h2 class="text-lg">Look <span class="font-sans text-sm font-normal text-soft">of the whole funnel</span></h2>
            <LookPicker class="mt-2" />
        </section>
        <section v-if="opening" class="space-y-3">
            <h2 class="text-lg">This page</h2>
            <UiListbox :model-value="opening.arrangement" :options="arrangements" label="Arrangement" @update:model-value="arrange" />
            <div>
                <span class="label">Background</span>
                <div class="flex flex-wrap items-center gap-2">
                    <button
                        type="button"
                        class="btn"
                        :aria-pressed="!page.document.background"
                        :class="{ 'border-ink ring-1 ring-ink': !page.document.background }"
                        @click="background(undefined)"
                    >
                        As the look
                    </button>
                    <label class="btn" :class="{ 'border-ink ring-1 ring-ink': page.document.background?.colour }">
                        <input
                            type="color"
                            class="size-6 cursor-pointer border-0 p-0"
                            :value="page.document.background?.colour ?? '#ffffff'"
                            aria-label="Background colour"
                            @change="background({ colour: ($event.target as HTMLInputElement).value })"
                        />
                        Colour
                    </label>
                </div>
                <PicturePicker
                    class="mt-2"
                    :chosen="page.document.background?.picture"
                    label="Background picture"
                    @choose="(p) => background(p ? { picture: p.id } : undefined)"
                />
            </div>
        </section>
        <section v-for="outcome in page.outcomes" :key="outcome.outcome">
            <h2 class="text-lg">Where the way leads</h2>
            <UiListbox
                class="mt-2"
                :model-value="outsideOpen ? 'outside' : target(outcome.outcome)"
                :options="targets"
                :label="`Those who ${outcome.label} go to`"
                @update:model-value="(to: string) => lead(outcome.outcome, to)"
            />
            <form
                v-if="outsideOpen || target(outcome.outcome) === 'outside'"
                class="mt-2 flex items-end gap-2"
                @submit.prevent="connect(outcome.outcome, { toUrl: outside })"
            >
                <TextField v-model="outside" class="flex-1" label="Web address" :error="error" />
                <button type="submit" class="btn">Set</button>
            </form>
        </section>
        <section class="space-y-3">
            <h2 class="text-lg">Names</h2>
            <TextField
                :model-value="page.name"
                label="Private name"
                @update:model-value="(name: string) => store.edit('page', page.id, { name }, 'the name of a page')"
            />
            <TextField
                v-if="!isEntry"
                :model-value="page.address"
                label="Web address"
                :hint="`${store.funnel?.url}/${page.address}`"
                @update:model-value="(address: string) => store.edit('page', page.id, { address }, 'the address of a page')"
            />
        </section>
    </div>
</template>
