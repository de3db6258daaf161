<script setup lang="ts">
import FoldSection from '@/ui/FoldSection.vue';
import { counted } from '@/ui/format';
import { onMounted, ref } from 'vue';
import { api } from '@/api/client';
import type { OwnDesign } from '@/api/types';
import { useToasts } from '@/stores/toasts';

/** The pages and sections kept as designs of one's own. */
const toasts = useToasts();
const designs = ref<OwnDesign[]>([]);

async function load(): Promise<void> {
    try {
        designs.value = (await api.get<{ designs: OwnDesign[] }>('designs')).designs;
    } catch (error) {
        toasts.trouble(error);
    }
}
onMounted(load);

async function takeOut(design: OwnDesign): Promise<void> {
    try {
        await api.delete(`designs/${design.id}`);
        await load();
        toasts.say(`“${design.name}” is removed. Pages made from it stay as they are.`, {
            label: 'Undo',
            run: async () => {
                await api.post(`designs/${design.id}/restore`);
                await load();
            },
        });
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <FoldSection v-if="designs.length > 0" name="own-designs" title="Your own designs" :summary="counted(designs.length, 'design')">
        <p class="mt-1 text-soft">Pages and sections you saved, for any of your funnels.</p>
        <ul class="mt-3 divide-y divide-line border-y border-line">
            <li v-for="design in designs" :key="design.id" class="flex items-center justify-between gap-4 py-2">
                <span class="min-w-0 truncate"
                    ><span class="font-medium">{{ design.name }}</span> <span class="ml-1 text-soft">{{ design.kind }}</span></span
                >
                <button type="button" class="btn-quiet" @click="takeOut(design)">Remove</button>
            </li>
        </ul>
    </FoldSection>
</template>
