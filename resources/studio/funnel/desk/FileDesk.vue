<script setup lang="ts">
import { BookOpenIcon, DocumentTextIcon } from '@heroicons/vue/24/outline';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { api, ApiError } from '@/api/client';
import type { LeadMagnet } from '@/api/types';
import DocumentDialog from '@/funnel/desk/guide/DocumentDialog.vue';
import { useFunnel } from '@/funnel/funnelStore';
import { useGuideSteps } from '@/funnel/guideSteps';
import { partPath } from '@/funnel/parts';
import { useToasts } from '@/stores/toasts';
import { count, counted } from '@/ui/format';
import FileDrop from '@/ui/FileDrop.vue';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';

/** What is given away: a file to download, a guide to read in the browser, or both. */
const props = defineProps<{ id: string }>();

const store = useFunnel();
const steps = useGuideSteps();
const router = useRouter();
const toasts = useToasts();
const error = ref('');
const busy = ref(false);
const reading = ref(false);
const leadMagnet = computed(() => store.leadMagnet(props.id));
const downloads = computed(() => Object.values(store.funnel?.pageNumbers ?? {}).reduce((sum, n) => sum + n.downloads, 0));
const guide = computed(() => store.guide(leadMagnet.value?.guide ?? ''));
const pages = computed(() => store.funnel?.guidePages.filter((p) => p.guide === guide.value?.id).length ?? 0);
const give = (to: string) => store.edit('lead-magnet', props.id, { guide: to === '' ? null : to }, 'what is given away', true);

async function bring(file: File): Promise<void> {
    busy.value = true;
    error.value = '';
    const form = new FormData();
    form.set('file', file);
    try {
        await store.flush();
        const saved = await api.post<LeadMagnet>(`parts/${props.id}/file`, form);
        if (leadMagnet.value) {
            Object.assign(leadMagnet.value, saved);
        }
        await store.refreshNumbers();
        toasts.say(`“${file.name}” is in. Links already sent out give this file from now on.`);
    } catch (caught) {
        error.value = caught instanceof ApiError ? caught.message : 'The file could not be uploaded. Please try again.';
    } finally {
        busy.value = false;
    }
}
async function make(): Promise<void> {
    try {
        const made = await steps.make(props.id);
        await router.push(partPath(store.funnel!, 'guide', made.id));
    } catch (caught) {
        toasts.trouble(caught);
    }
}
</script>

<template>
    <div v-if="leadMagnet" class="relative h-full overflow-auto">
        <div class="mx-auto max-w-4xl px-8 py-6">
            <h2 class="text-2xl">What you give away</h2>
            <TextField
                class="mt-4 max-w-xl"
                :model-value="leadMagnet.title"
                label="Title"
                hint="Used in new emails; the words on your pages stay as you wrote them."
                @update:model-value="(title: string) => store.edit('lead-magnet', id, { title }, 'the title of the lead magnet')"
            />
            <p class="mt-5 text-soft">A file to download, a guide to read in the browser, or both.</p>
            <div class="mt-3 grid gap-10 lg:grid-cols-2">
                <section>
                    <h3 class="text-lg">The file</h3>
                    <p v-if="leadMagnet.file" class="mt-1 mb-3">
                        {{ leadMagnet.file.name }}
                        <span class="text-soft">· {{ leadMagnet.file.note }} · downloaded {{ count(downloads) }} times</span>
                    </p>
                    <FileDrop
                        class="mt-2"
                        :file="null"
                        :label="
                            busy
                                ? 'On its way …'
                                : leadMagnet.file
                                  ? 'Choose another file in its place'
                                  : 'Choose the file, or drop it here'
                        "
                        hint="PDF, document, zip, picture, sound or MP4 video, up to 100 MB"
                        :error="error"
                        @choose="bring"
                    />
                </section>
                <section>
                    <h3 class="text-lg">The guide</h3>
                    <template v-if="guide">
                        <p class="mt-1">
                            <RouterLink class="link" :to="partPath(store.funnel!, 'guide', guide.id)">{{ guide.title }}</RouterLink>
                            <span class="text-soft"> · {{ counted(pages, 'page') }}</span>
                        </p>
                        <div class="mt-3 flex flex-wrap gap-2">
                            <RouterLink class="btn" :to="partPath(store.funnel!, 'guide', guide.id)"
                                ><BookOpenIcon class="size-5" aria-hidden="true" />Open the guide</RouterLink
                            >
                            <button type="button" class="btn-quiet" @click="give('')">Give no guide</button>
                        </div>
                    </template>
                    <template v-else>
                        <p class="mt-1 text-soft">
                            A guide is read page by page, right after joining. You see how far each person came, and who is serious.
                        </p>
                        <div class="mt-3 flex flex-wrap gap-2">
                            <button type="button" class="btn" @click="make">
                                <BookOpenIcon class="size-5" aria-hidden="true" />Make a guide
                            </button>
                            <button type="button" class="btn" @click="reading = true">
                                <DocumentTextIcon class="size-5" aria-hidden="true" />From a document
                            </button>
                        </div>
                        <UiListbox
                            v-if="store.funnel!.guides.length > 0"
                            class="mt-4 max-w-xs"
                            :model-value="''"
                            :options="[
                                { value: '', label: 'No guide' },
                                ...store.funnel!.guides.map((g) => ({ value: g.id, label: g.title })),
                            ]"
                            label="Or give one that is there"
                            @update:model-value="give"
                        />
                    </template>
                </section>
            </div>
        </div>
        <DocumentDialog :open="reading" :lead-magnet="id" @close="reading = false" />
    </div>
</template>
