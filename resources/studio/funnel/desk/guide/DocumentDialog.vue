<script setup lang="ts">
import { ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { api, ApiError } from '@/api/client';
import type { Guide, ReadPage } from '@/api/types';
import { docxHtml } from '@/funnel/desk/guide/docx';
import { useFunnel } from '@/funnel/funnelStore';
import { useGuideSteps } from '@/funnel/guideSteps';
import { partPath } from '@/funnel/parts';
import { useToasts } from '@/stores/toasts';
import { count, counted } from '@/ui/format';
import FileDrop from '@/ui/FileDrop.vue';
import UiDialog from '@/ui/UiDialog.vue';

/** A document becomes pages of a guide: looked at first, then added to one, or made a guide of its own. */
const props = defineProps<{ open: boolean; guide?: Guide; leadMagnet?: string }>();
const emit = defineEmits<{ close: [] }>();

const store = useFunnel();
const steps = useGuideSteps();
const router = useRouter();
const toasts = useToasts();
const text = ref('');
const file = ref<File | null>(null);
const error = ref('');
const busy = ref(false);
/** Do they come in place of the pages that are there? */
const instead = ref(false);
const pages = ref<(ReadPage & { taken: boolean })[]>([]);
watch(
    () => props.open,
    () => {
        [text.value, file.value, error.value, pages.value, instead.value] = ['', null, '', [], false];
    },
);

async function read(): Promise<void> {
    busy.value = true;
    error.value = '';
    try {
        const form = new FormData();
        if (file.value && /\.docx$/i.test(file.value.name)) {
            form.set('format', 'html');
            form.set('text', await docxHtml(file.value));
        } else if (file.value) {
            form.set('document', file.value);
        } else {
            form.set('text', text.value);
        }
        const found = await api.post<{ pages: ReadPage[] }>(`funnels/${store.funnel!.id}/documents`, form);
        pages.value = found.pages.map((p) => ({ ...p, taken: true }));
    } catch (caught) {
        error.value =
            caught instanceof ApiError || caught instanceof RangeError ? caught.message : 'It could not be read. Please try again.';
    } finally {
        busy.value = false;
    }
}
async function take(): Promise<void> {
    busy.value = true;
    const taken = pages.value.filter((p) => p.taken).map(({ name, document }) => ({ name, document }));
    try {
        if (props.guide) {
            const made = await steps.addPages(props.guide.id, { pages: taken, instead: instead.value });
            emit('close');
            await router.push(partPath(store.funnel!, 'guide-page', made[0]!.id));
        } else {
            const made = await steps.make(props.leadMagnet!, taken);
            emit('close');
            await router.push(partPath(store.funnel!, 'guide', made.id));
        }
    } catch (caught) {
        toasts.trouble(caught);
    } finally {
        busy.value = false;
    }
}
</script>

<template>
    <UiDialog :open="open" title="Pages from a document" wide @close="emit('close')">
        <form v-if="pages.length === 0" class="mt-3 space-y-4" @submit.prevent="read">
            <p class="text-soft">
                Its text becomes pages, one for each chapter, for you to work on. Pictures are not taken along: add them afterwards.
            </p>
            <FileDrop
                :file="file"
                label="Choose a document, or drop it here"
                hint="Word (.docx), PDF, Markdown, HTML or text, up to 20 MB"
                accept=".docx,.pdf,.md,.markdown,.html,.htm,.txt"
                :error="error"
                @choose="
                    file = $event;
                    error = '';
                "
            />
            <div v-if="!file">
                <label class="label" for="document-text">Or paste its text</label>
                <textarea
                    id="document-text"
                    v-model="text"
                    class="input min-h-40"
                    placeholder="A line that begins with # is a heading, one with - [ ] a thing to tick off."
                ></textarea>
            </div>
            <button type="submit" class="btn-main" :disabled="busy || (!file && text.trim() === '')">
                {{ busy ? 'Reading it …' : 'See the pages' }}
            </button>
        </form>
        <div v-else class="mt-3">
            <p class="text-soft">
                {{ counted(pages.length, 'page') }}, {{ count(pages.reduce((sum, p) => sum + p.words, 0)) }} words. Untick what you do not
                need; names can be changed here or later.
            </p>
            <ol class="mt-3 max-h-[50vh] divide-y divide-line overflow-auto border-y border-line" data-test="document-pages">
                <li v-for="(page, i) in pages" :key="i" class="grid grid-cols-[auto_1fr_auto] items-center gap-3 py-2 pr-2">
                    <input v-model="page.taken" type="checkbox" class="size-4.5 accent-pine" :aria-label="`Take “${page.name}”`" />
                    <span class="min-w-0" :class="{ 'opacity-50': !page.taken }">
                        <input
                            v-model="page.name"
                            class="input min-h-8 border-transparent px-1 py-0 font-medium"
                            maxlength="120"
                            :aria-label="`Name of page ${i + 1}`"
                        />
                        <span class="block truncate px-1 caption">{{ page.begins }}</span>
                    </span>
                    <span class="caption">{{ count(page.words) }} words</span>
                </li>
            </ol>
            <label v-if="guide" class="mt-4 flex items-center gap-2">
                <input v-model="instead" type="checkbox" class="size-4.5 accent-pine" />In place of the pages that are there now
            </label>
            <div class="mt-5 flex gap-3">
                <button type="button" class="btn-main" :disabled="busy || !pages.some((p) => p.taken)" @click="take">
                    {{ guide ? 'Add' : 'Make a guide of' }} {{ counted(pages.filter((p) => p.taken).length, 'page') }}
                </button>
                <button type="button" class="btn-quiet" @click="pages = []">Another document</button>
            </div>
        </div>
    </UiDialog>
</template>
