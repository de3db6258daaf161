<script setup lang="ts">
import { pageUrl } from '@/funnel/pageUrl';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import type { Page, PageSettings } from '@/api/types';
import NameDialog from '@/funnel/desk/NameDialog.vue';
import SplitTestSection from '@/funnel/desk/experiment/SplitTestSection.vue';
import MediaField from '@/funnel/desk/column/MediaField.vue';
import { useDesk } from '@/funnel/desk/useDesk';
import { useFunnel } from '@/funnel/funnelStore';
import { useSteps } from '@/funnel/steps';
import WayField from '@/funnel/timeline/WayField.vue';
import { useSession } from '@/stores/session';
import { useToasts } from '@/stores/toasts';
import { compact } from '@/ui/compact';
import TextField from '@/ui/TextField.vue';
import { languageName } from '@/ui/languages';
import VisitorLanguage from '@/ui/VisitorLanguage.vue';
import UiListbox from '@/ui/UiListbox.vue';

const props = defineProps<{ page: Page }>();

const store = useFunnel();
const steps = useSteps();
const desk = useDesk();
const session = useSession();
const toasts = useToasts();
const router = useRouter();
const keeping = ref(false);
const isEntry = computed(() => store.funnel?.pages[0]?.id === props.page.id);
const settings = computed(() => props.page.settings);
const visibility = [
    { value: 'usual', label: 'As usual: the entry page only' },
    { value: 'shown', label: 'May be found' },
    { value: 'hidden', label: 'Hidden' },
];
function set(values: Partial<PageSettings>, now = false): void {
    store.edit('page', props.page.id, { settings: compact({ ...settings.value, ...values }, true) }, 'the settings of a page', now);
}

const found = computed(() => {
    const seen = visibility.find((v) => v.value === hidden.value)?.label ?? '';
    return [settings.value.title || 'Its headline', languageName(settings.value.language ?? store.funnel?.language ?? 'en'), seen].join(
        ' · ',
    );
});
const hidden = computed(() => (settings.value.hidden === undefined ? 'usual' : settings.value.hidden ? 'hidden' : 'shown'));

async function run(work: () => Promise<unknown>): Promise<void> {
    try {
        await work();
    } catch (error) {
        toasts.trouble(error);
    }
}

async function duplicate(): Promise<void> {
    const made = await steps.duplicatePage(props.page);
    await router.push(`/funnels/${store.funnel?.id}/page/${made.id}`);
}

async function takeOut(): Promise<void> {
    await steps.remove(props.page);
    await router.push(`/funnels/${store.funnel?.id}`);
}

function keep(name: string): void {
    keeping.value = false;
    const document = { ...props.page.document, sections: desk.sections.value.map((s) => ({ ...s, shared: undefined })) };
    void run(() => steps.keepDesign({ kind: 'page', name, role: props.page.role, document }));
}
</script>

<template>
    <div class="space-y-6">
        <section class="space-y-3">
            <h2 class="text-lg">Names</h2>
            <TextField
                :model-value="page.name"
                label="Private name"
                :hint="page.roleLabel"
                @update:model-value="(name: string) => store.edit('page', page.id, { name }, 'the name of a page')"
            />
            <TextField
                v-if="!isEntry"
                :model-value="page.address"
                label="Web address"
                :hint="`${pageUrl(store.funnel, page.address)}. Once public, an old address leads here for good.`"
                @update:model-value="(address: string) => store.edit('page', page.id, { address }, 'the address of a page')"
            />
            <p v-else class="hint">This is the first page visitors see, at {{ store.funnel?.url }}</p>
        </section>
        <section v-if="page.outcomes.length > 0" class="space-y-3">
            <h2 class="text-lg">Where visitors go next</h2>
            <WayField v-for="outcome in page.outcomes" :key="outcome.outcome" :page="page" :outcome="outcome" />
        </section>
        <details>
            <summary class="cursor-pointer">
                <span class="text-lg font-semibold">When it is shared or found</span>
                <span class="block truncate pl-4 text-soft">{{ found }}</span>
            </summary>
            <div class="mt-3 space-y-3">
                <TextField
                    :model-value="settings.title ?? ''"
                    label="Title"
                    hint="In the browser’s tab and in search results. Empty: the headline."
                    @update:model-value="(title: string) => set({ title })"
                />
                <TextField
                    :model-value="settings.description ?? ''"
                    label="Description"
                    :lines="2"
                    @update:model-value="(description: string) => set({ description })"
                />
                <MediaField
                    :chosen="settings.picture"
                    label="Picture shown with a link to it"
                    @choose="(p) => set({ picture: p?.id }, true)"
                />
                <UiListbox
                    :model-value="hidden"
                    :options="visibility"
                    label="Search engines"
                    @update:model-value="(v: string) => set({ hidden: v === 'usual' ? undefined : v === 'hidden' }, true)"
                />
                <VisitorLanguage
                    :model-value="settings.language ?? ''"
                    label="Language"
                    :inherited="store.funnel?.language ?? 'en'"
                    @update:model-value="(language: string) => set({ language: language || undefined }, true)"
                />
            </div>
        </details>
        <SplitTestSection of="page" :part="page.id" hint="Show some visitors another version, and see which one brings more." />
        <section class="flex flex-wrap gap-2">
            <h2 class="w-full text-lg">This page</h2>
            <button type="button" class="btn" @click="run(duplicate)">Duplicate</button>
            <button type="button" class="btn" :disabled="isEntry" @click="run(() => steps.movePage(page, -1))">Earlier</button>
            <button
                type="button"
                class="btn"
                :disabled="store.funnel?.pages.at(-1)?.id === page.id"
                @click="run(() => steps.movePage(page, 1))"
            >
                Later
            </button>
            <button type="button" class="btn" @click="keeping = true">Save as design</button>
            <a class="btn" :href="`/studio/api/pages/${page.id}/html`">Export as HTML</a>
            <button type="button" class="btn text-clay-deep" @click="run(takeOut)">Remove</button>
        </section>
        <details>
            <summary class="cursor-pointer text-lg font-semibold">Your own code</summary>
            <p class="hint mt-1">
                Runs on your public page only, never in here. Put in only what you trust: it can do anything on that page.
            </p>
            <p v-if="session.session.ownCode === false" class="mt-2 rounded-md bg-lamp-pale px-3 py-2 text-sm" role="note">
                It is kept but does not run here: the Studio and your pages share one host, so it could act as you. Give the pages a host of
                their own with <code>SITE_URL</code>, and it will.
            </p>
            <TextField
                class="mt-2"
                :model-value="settings.head ?? ''"
                label="Before the end of the head"
                :lines="4"
                @update:model-value="(head: string) => set({ head })"
            />
            <TextField
                class="mt-2"
                :model-value="settings.bodyEnd ?? ''"
                label="Before the end of the body"
                :lines="4"
                @update:model-value="(bodyEnd: string) => set({ bodyEnd })"
            />
        </details>
        <NameDialog
            :open="keeping"
            title="Save this page as a design"
            :given="page.name"
            button="Save"
            @name="keep"
            @close="keeping = false"
        />
    </div>
</template>
