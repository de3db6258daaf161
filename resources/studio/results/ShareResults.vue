<script setup lang="ts">
import { copy } from '@/ui/copy';
import { onMounted, ref } from 'vue';
import { api } from '@/api/client';
import { useToasts } from '@/stores/toasts';
import { counted, dateTime } from '@/ui/format';
import UiDialog from '@/ui/UiDialog.vue';

/** Links by which somebody else may look at the results of a funnel. */
const props = defineProps<{ funnel: string; days: number }>();
const emit = defineEmits<{ close: [] }>();

interface ResultLink {
    id: string;
    url: string;
    days: number;
    createdAt: string;
}
const toasts = useToasts();
const links = ref<ResultLink[]>([]);

async function run(work: () => Promise<unknown>): Promise<void> {
    try {
        await work();
    } catch (error) {
        toasts.trouble(error);
    }
}
onMounted(() => run(async () => (links.value = (await api.get<{ links: ResultLink[] }>(`funnels/${props.funnel}/result-links`)).links)));
const make = () =>
    run(async () => links.value.unshift(await api.post<ResultLink>(`funnels/${props.funnel}/result-links`, { days: props.days })));
const takeBack = (link: ResultLink) =>
    run(async () => {
        await api.delete(`result-links/${link.id}`);
        links.value = links.value.filter((l) => l.id !== link.id);
        toasts.say('The link is taken back: whoever has it sees nothing any more.');
    });
</script>

<template>
    <UiDialog open title="Share these results" @close="emit('close')">
        <p class="mt-2 text-soft">Whoever has the link sees the numbers of this funnel as they are then, and no names or addresses.</p>
        <ul class="mt-3" data-test="result-links">
            <li v-for="l in links" :key="l.id" class="border-b border-line py-2">
                <p class="truncate">{{ l.url }}</p>
                <div class="flex items-center gap-2">
                    <span class="caption">The last {{ counted(l.days, 'day') }} · made {{ dateTime(l.createdAt) }}</span>
                    <button type="button" class="btn-quiet" @click="copy('The link', l.url)">Copy</button>
                    <button type="button" class="btn-quiet text-clay-deep" @click="takeBack(l)">Take back</button>
                </div>
            </li>
        </ul>
        <button type="button" class="mt-4 btn-main" @click="make">Make a link</button>
    </UiDialog>
</template>
