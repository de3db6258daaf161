<script setup lang="ts">
import { computed, ref } from 'vue';
import { api, ApiError } from '@/api/client';
import type { LeadMagnet } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { useToasts } from '@/stores/toasts';
import { count } from '@/ui/format';
import FileDrop from '@/ui/FileDrop.vue';
import TextField from '@/ui/TextField.vue';

const props = defineProps<{ id: string }>();

const store = useFunnel();
const toasts = useToasts();
const error = ref('');
const busy = ref(false);
const leadMagnet = computed(() => store.leadMagnet(props.id));
const downloads = computed(() => Object.values(store.funnel?.pageNumbers ?? {}).reduce((sum, n) => sum + n.downloads, 0));

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
</script>

<template>
    <div v-if="leadMagnet" class="relative h-full overflow-auto">
        <div class="mx-auto max-w-xl space-y-5 px-6 py-6">
            <h2 class="text-2xl">What you give away</h2>
            <TextField
                :model-value="leadMagnet.title"
                label="Title"
                hint="Used in new emails; the words on your pages stay as you wrote them."
                @update:model-value="(title: string) => store.edit('lead-magnet', id, { title }, 'the title of the lead magnet')"
            />
            <div>
                <p class="label">The file</p>
                <p v-if="leadMagnet.file" class="mb-3">
                    {{ leadMagnet.file.name }}
                    <span class="text-soft">· {{ leadMagnet.file.note }} · downloaded {{ count(downloads) }} times</span>
                </p>
                <FileDrop
                    :file="null"
                    :label="
                        busy ? 'On its way …' : leadMagnet.file ? 'Choose another file in its place' : 'Choose the file, or drop it here'
                    "
                    hint="PDF, document, zip, picture, sound or MP4 video, up to 100 MB"
                    :error="error"
                    @choose="bring"
                />
            </div>
        </div>
    </div>
</template>
