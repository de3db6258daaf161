<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '@/api/client';
import type { OwnDesign } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { useSteps } from '@/funnel/steps';
import { useDrawings } from '@/stores/drawings';
import { useToasts } from '@/stores/toasts';
import { useSession } from '@/stores/session';
import UiDialog from '@/ui/UiDialog.vue';
import UiListbox from '@/ui/UiListbox.vue';

/** One question: which page comes next, and where. */
const props = defineProps<{ open: boolean; /** The page to come after; '' for the last. */ behind: string }>();
const emit = defineEmits<{ close: [] }>();

const store = useFunnel();
const steps = useSteps();
const session = useSession();
const toasts = useToasts();
const drawings = useDrawings();
const router = useRouter();
const after = ref('');
const own = ref<OwnDesign[]>([]);
const busy = ref(false);
const WORDS: Record<string, string> = {
    'opt-in': 'Asks for the address',
    registration: 'For a webinar',
    form: 'A form, and nothing else',
    'thank-you': 'After joining',
    confirmation: 'After registering',
    lesson: 'One of a series',
    room: 'Where the webinar is',
    replay: 'For those who missed it',
    sales: 'The programme and its price',
    checkout: 'Where it is paid',
    upsell: 'One more thing',
    downsell: 'Something smaller',
    delivery: 'After buying',
    closed: 'While the funnel is closed',
    free: 'A few words to begin with',
};
const places = computed(() => store.funnel?.pages.map((p) => ({ value: p.id, label: `After “${p.name}”`, svg: drawings.of(p.id) })) ?? []);

watch(
    () => props.open,
    async (open) => {
        if (!open) {
            return;
        }
        const pages = store.funnel?.pages ?? [];
        const closed = pages.at(-1)?.role === 'closed';
        after.value = props.behind || (pages[pages.length - (closed && pages.length > 1 ? 2 : 1)]?.id ?? '');
        try {
            own.value = (await api.get<{ designs: OwnDesign[] }>('designs')).designs.filter((d) => d.kind === 'page');
        } catch (error) {
            toasts.trouble(error);
        }
    },
);

async function add(given: { role: string; design?: string; empty?: boolean }): Promise<void> {
    busy.value = true;
    try {
        const page = await steps.addPage({ ...given, after: after.value || undefined });
        emit('close');
        await router.push(`/funnels/${store.funnel?.id}/page/${page.id}`);
    } catch (error) {
        toasts.trouble(error);
    } finally {
        busy.value = false;
    }
}
</script>

<template>
    <UiDialog :open="open" title="Add a page" wide @close="emit('close')">
        <UiListbox v-if="places.length > 0" v-model="after" class="mt-4 max-w-sm" :options="places" label="Where" />
        <div class="mt-4 grid grid-cols-3 gap-2">
            <button
                v-for="role in session.kit.roles"
                :key="role.id"
                type="button"
                class="rounded border border-line px-3 py-2 text-left hover:bg-lamp-pale"
                :disabled="busy"
                @click="add({ role: role.id })"
            >
                <span class="block font-medium">{{ role.label }}</span>
                <span class="block caption">{{ WORDS[role.id] }}</span>
            </button>
            <button
                type="button"
                class="rounded border border-line px-3 py-2 text-left hover:bg-lamp-pale"
                :disabled="busy"
                @click="add({ role: 'free', empty: true })"
            >
                <span class="block font-medium">Empty page</span>
                <span class="block caption">Section by section</span>
            </button>
            <button
                v-for="design in own"
                :key="design.id"
                type="button"
                class="rounded border border-line px-3 py-2 text-left hover:bg-lamp-pale"
                :disabled="busy"
                @click="add({ role: design.role, design: design.id })"
            >
                <span class="block truncate font-medium">{{ design.name }}</span>
                <span class="block caption">Your own design</span>
            </button>
        </div>
        <p class="hint mt-4">The ways around it are connected by themselves; you are told how.</p>
    </UiDialog>
</template>
