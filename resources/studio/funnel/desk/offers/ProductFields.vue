<script setup lang="ts">
import { TrashIcon, XMarkIcon } from '@heroicons/vue/24/outline';
import { ref } from 'vue';
import { api, ApiError } from '@/api/client';
import type { Product } from '@/api/types';
import { useSellingPart } from '@/funnel/desk/offers/sellingPart';
import { useFunnel } from '@/funnel/funnelStore';
import FileDrop from '@/ui/FileDrop.vue';
import TagsField from '@/ui/TagsField.vue';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';

const props = defineProps<{ id: string }>();

const store = useFunnel();
const { part: product, edit, takeOut } = useSellingPart('product', () => props.id);
const busy = ref(false);
const error = ref('');

async function bring(file: File): Promise<void> {
    busy.value = true;
    error.value = '';
    const form = new FormData();
    form.set('file', file);
    try {
        await store.flush();
        Object.assign(product.value, await api.post<Product>(`parts/${props.id}/file`, form));
        await store.refreshNumbers();
    } catch (caught) {
        error.value = caught instanceof ApiError ? caught.message : 'The file could not be uploaded. Please try again.';
    } finally {
        busy.value = false;
    }
}
</script>

<template>
    <div class="grid max-w-4xl gap-x-10 gap-y-6 lg:grid-cols-2">
        <div class="min-w-0 space-y-5">
            <TextField
                :model-value="product.name"
                label="Name"
                :maxlength="120"
                hint="Your buyers read it: at the checkout, on receipts, among their purchases."
                @update:model-value="(name: string) => edit({ name }, 'the name of a product')"
            />
            <TextField
                :model-value="product.line"
                label="In one sentence"
                :maxlength="300"
                hint="Stands below the name at the checkout."
                @update:model-value="(line: string) => edit({ line }, 'the line of a product')"
            />
            <TagsField
                :model-value="product.tags"
                label="Tags that buyers get"
                @update:model-value="(tags: string[]) => edit({ tags }, 'the tags of a product')"
            />
            <button type="button" class="btn-quiet text-clay-deep" @click="takeOut">
                <TrashIcon class="size-4.5" aria-hidden="true" />Remove this product
            </button>
        </div>
        <div class="min-w-0 space-y-5">
            <div>
                <h3 class="label">Files they can download</h3>
                <ul v-if="product.files.length > 0" class="mb-2">
                    <li v-for="file in product.files" :key="file.id" class="flex items-center gap-2">
                        <span class="min-w-0 flex-1 truncate">{{ file.name }}</span>
                        <button
                            type="button"
                            class="btn-quiet"
                            :aria-label="`Remove ${file.name}`"
                            @click="edit({ files: product.files.filter((f) => f.id !== file.id) }, 'the files of a product', true)"
                        >
                            <XMarkIcon class="size-4.5" aria-hidden="true" />
                        </button>
                    </li>
                </ul>
                <FileDrop
                    :file="null"
                    :label="busy ? 'On its way …' : 'Choose a file, or drop it here'"
                    hint="Up to 100 MB"
                    :error="error"
                    @choose="bring"
                />
            </div>
            <UiListbox
                :model-value="product.sequence ?? ''"
                label="Sequence that starts"
                :options="[{ value: '', label: 'None' }, ...(store.funnel?.sequences.map((q) => ({ value: q.id, label: q.name })) ?? [])]"
                @update:model-value="(sequence: string) => edit({ sequence: sequence || null }, 'what buying starts', true)"
            />
            <UiListbox
                :model-value="product.page ?? ''"
                label="Page that opens to buyers alone"
                :options="[
                    { value: '', label: 'None' },
                    ...(store.funnel?.pages.slice(1).map((p) => ({ value: p.id, label: p.name })) ?? []),
                ]"
                @update:model-value="(page: string) => edit({ page: page || null }, 'the page of a product', true)"
            />
            <TextField
                :model-value="product.url"
                label="Or an address elsewhere"
                hint="Such as your course platform. Buyers are led there from their receipt."
                placeholder="https://"
                @update:model-value="(url: string) => edit({ url }, 'the address of a product')"
            />
        </div>
    </div>
</template>
