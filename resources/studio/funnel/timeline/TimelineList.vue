<script setup lang="ts">
import { PrinterIcon } from '@heroicons/vue/20/solid';
import { computed, onMounted } from 'vue';
import { useFunnel } from '@/funnel/funnelStore';
import { partEntry, partPath } from '@/funnel/parts';
import { layOut } from '@/funnel/timeline/layout';
import { listingOf } from '@/funnel/timeline/listing';
import type { TimelineNumbers } from '@/funnel/timeline/numbers';
import { usePeopleKit } from '@/stores/peopleKit';
import { useSession } from '@/stores/session';
import { useToasts } from '@/stores/toasts';

/** The timeline in words, for reading and printing. */
const props = defineProps<{ numbers: TimelineNumbers | null }>();

const store = useFunnel();
const session = useSession();
const people = usePeopleKit();
const toasts = useToasts();
onMounted(() => people.load().catch(toasts.trouble));

const moments = computed(() => {
    const funnel = store.funnel!;
    const chart = layOut(funnel, { width: 1140, zoom: 1, quietRoles: session.kit.popups.quietRoles, now: new Date() });
    return listingOf(funnel, chart, props.numbers, people.kit);
});
const print = () => window.print();
</script>

<template>
    <div class="px-6 py-4" data-test="timeline-list">
        <div class="mb-2 flex justify-end print:hidden">
            <button type="button" class="btn-quiet" @click="print"><PrinterIcon class="size-4.5" aria-hidden="true" />Print</button>
        </div>
        <ol class="divide-y divide-line">
            <li v-for="moment in moments" :key="moment.key" class="grid gap-x-6 py-3 sm:grid-cols-[9rem_1fr]">
                <h2 class="font-sans text-base font-semibold">{{ moment.words }}</h2>
                <ul class="space-y-2">
                    <li v-for="entry in moment.entries" :key="entry.kind + entry.id" class="flex gap-2.5">
                        <component
                            :is="partEntry(entry.kind).icon"
                            class="mt-1 size-4 shrink-0"
                            :class="partEntry(entry.kind).presses ? 'text-clay' : 'text-pine'"
                            aria-hidden="true"
                        />
                        <div>
                            <RouterLink class="font-medium hover:underline" :to="partPath(store.funnel!, entry.kind, entry.id)">{{
                                entry.name
                            }}</RouterLink>
                            <span class="ml-2 text-soft">{{ entry.what }}</span>
                            <span v-for="line in entry.lines" :key="line" class="block text-sm text-soft">{{ line }}</span>
                        </div>
                    </li>
                </ul>
            </li>
        </ol>
        <p v-if="numbers" class="hint">* Opens are a guess: mail programs open by themselves, and some readers load no pictures.</p>
    </div>
</template>
