<script setup lang="ts">
import { pageUrl } from '@/funnel/pageUrl';
import { ArrowTopRightOnSquareIcon, BellAlertIcon, TrashIcon } from '@heroicons/vue/24/outline';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '@/api/client';
import type { Guide, Telling } from '@/api/types';
import RemindersDialog from '@/funnel/desk/guide/RemindersDialog.vue';
import { useFunnel } from '@/funnel/funnelStore';
import { partPath } from '@/funnel/parts';
import { useSteps } from '@/funnel/steps';
import WayField from '@/funnel/timeline/WayField.vue';
import { useSession } from '@/stores/session';
import { useToasts } from '@/stores/toasts';
import NumberField from '@/ui/NumberField.vue';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';
import UiSwitch from '@/ui/UiSwitch.vue';
import { counted } from '@/ui/format';

/** What holds for a guide: who may read it, when it is finished, what its owner is told, and who is reminded. */
const props = defineProps<{ guide: Guide }>();

const store = useFunnel();
const session = useSession();
const steps = useSteps();
const router = useRouter();
const toasts = useToasts();
const reminding = ref(false);
const set = (values: Partial<Guide>, now = true) => store.edit('guide', props.guide.id, values, 'the settings of the guide', now);
const pages = computed(() => store.funnel!.guidePages.filter((p) => p.guide === props.guide.id && !p.hidden).length);
const given = computed(() => store.funnel!.leadMagnets.find((m) => m.guide === props.guide.id));
const TELLS: { value: Telling; label: string }[] = [
    { value: 'at-once', label: 'At once' },
    { value: 'daily', label: 'In one email a day' },
    { value: 'never', label: 'Not at all' },
];
/** Sequences that those leave who finish it. */
const reminders = computed(() =>
    store.funnel!.sequences.filter((s) => s.ends.some((t) => t.kind === 'guide-finished' && t.guide === props.guide.id)),
);

async function look(): Promise<void> {
    try {
        await store.flush();
        const { url } = await api.post<{ url: string }>(`funnels/${store.funnel!.id}/preview-link`);
        const [path, query] = url.split('?');
        open(`${path}/${props.guide.address}?${query}`, '_blank', 'noopener');
    } catch (error) {
        toasts.trouble(error);
    }
}
async function takeOut(): Promise<void> {
    try {
        await steps.remove(props.guide);
        await router.push(`/funnels/${store.funnel?.id}`);
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <div class="mx-auto grid max-w-4xl gap-x-12 gap-y-7 px-8 py-6 lg:grid-cols-2">
        <section class="space-y-4">
            <h2 class="text-xl">The guide</h2>
            <TextField
                :model-value="guide.title"
                label="Title"
                hint="Its readers see it."
                :maxlength="200"
                @update:model-value="(title: string) => set({ title }, false)"
            />
            <TextField
                :model-value="guide.address"
                label="Web address"
                :hint="pageUrl(store.funnel, guide.address)"
                :maxlength="60"
                @update:model-value="(address: string) => set({ address }, false)"
            />
            <p v-if="given" class="text-soft">
                Given by
                <RouterLink class="link" :to="partPath(store.funnel!, 'lead-magnet', given.id)">“{{ given.title }}”</RouterLink>: whoever
                joins reads it at once.
            </p>
            <p v-else class="font-medium text-clay-deep">
                No lead magnet gives it, so nobody gets it.
                <RouterLink
                    v-if="store.funnel!.leadMagnets[0]"
                    class="underline"
                    :to="partPath(store.funnel!, 'lead-magnet', store.funnel!.leadMagnets[0]!.id)"
                    >Choose what you give away</RouterLink
                >
            </p>
            <button type="button" class="btn" @click="look">
                <ArrowTopRightOnSquareIcon class="size-4.5" aria-hidden="true" />Preview the guide
            </button>
        </section>
        <section class="space-y-4">
            <h2 class="text-xl">Who may read</h2>
            <NumberField
                :model-value="guide.open"
                :least="0"
                :most="60"
                label="Pages that anybody may read before joining"
                :unit="`of ${counted(pages, 'page')}, from the first`"
                @update:model-value="(open) => set({ open })"
            />
            <UiSwitch
                :model-value="guide.saves"
                :label="guide.saves ? 'Readers may save it as a PDF' : 'Readers cannot save it as a PDF'"
                @update:model-value="(saves) => set({ saves })"
            />
            <WayField v-for="outcome in guide.outcomes" :key="outcome.outcome" :page="guide" :outcome="outcome" />
            <p class="hint">A button in the guide leads there if it leads to “The next page for those who take the next step”.</p>
        </section>
        <section class="space-y-4">
            <h2 class="text-xl">Finished</h2>
            <UiListbox
                :model-value="guide.finish.kind"
                :options="session.kit.finishes.map((f) => ({ value: f.id as Guide['finish']['kind'], label: f.label }))"
                label="Somebody has finished it when"
                @update:model-value="(kind) => set({ finish: { ...guide.finish, kind } })"
            />
            <NumberField
                v-if="guide.finish.kind === 'share'"
                :model-value="guide.finish.share"
                :least="10"
                :most="100"
                label="How many of the pages"
                unit="percent"
                @update:model-value="(share) => set({ finish: { ...guide.finish, share } })"
            />
            <p class="hint">
                A page counts as read once it was in view for a while, by somebody who was there, and was scrolled most of the way down.
            </p>
        </section>
        <section class="space-y-4">
            <h2 class="text-xl">You are told</h2>
            <UiListbox
                :model-value="guide.begun"
                :options="TELLS"
                label="When somebody begins to read"
                @update:model-value="(begun) => set({ begun })"
            />
            <UiListbox
                :model-value="guide.finished"
                :options="TELLS"
                label="When somebody has finished"
                @update:model-value="(finished) => set({ finished })"
            />
        </section>
        <section class="space-y-3 lg:col-span-2">
            <h2 class="text-xl">Reminders</h2>
            <p v-if="reminders.length === 0" class="text-soft">
                Nobody is reminded. An email to those who have not begun, and one to those who have not finished, brings many back to where
                they left off; it stops by itself once they are through.
            </p>
            <ul v-else class="space-y-1">
                <li v-for="s in reminders" :key="s.id">
                    <RouterLink class="link" :to="partPath(store.funnel!, 'sequence', s.id)">{{ s.name }}</RouterLink>
                    <span class="text-soft">
                        · {{ counted(store.funnel!.emails.filter((e) => e.sequence === s.id).length, 'email') }}, ended by finishing the
                        guide</span
                    >
                </li>
            </ul>
            <button type="button" class="btn" @click="reminding = true">
                <BellAlertIcon class="size-4.5" aria-hidden="true" />{{ reminders.length === 0 ? 'Add reminders' : 'Add more reminders' }}
            </button>
        </section>
        <button type="button" class="btn-quiet justify-self-start text-clay-deep" @click="takeOut">
            <TrashIcon class="size-4.5" aria-hidden="true" />Remove this guide
        </button>
        <RemindersDialog :open="reminding" :guide="guide" @close="reminding = false" />
    </div>
</template>
