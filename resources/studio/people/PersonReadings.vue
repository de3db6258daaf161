<script setup lang="ts">
import { onMounted, ref } from 'vue';
import { api } from '@/api/client';
import type { PersonReading } from '@/api/types';
import { timeWords } from '@/funnel/desk/guide/words';
import { useToasts } from '@/stores/toasts';
import { ago, counted, dateTime } from '@/ui/format';

/** What somebody read of guides: a strip of pages with the time on each, and what they ticked, wrote and clicked. */
const props = defineProps<{ person: string }>();

const toasts = useToasts();
const readings = ref<PersonReading[]>([]);
onMounted(async () => {
    try {
        readings.value = (await api.get<{ readings: PersonReading[] }>(`people/${props.person}/reading`)).readings;
    } catch (error) {
        toasts.trouble(error);
    }
});
function sentence(r: PersonReading): string {
    const read = r.pages.filter((p) => p.read).length;
    const how = r.finishedAt ? 'Finished' : `Read ${read} of ${counted(r.pages.length, 'page')}`;
    const times = r.stays > 1 ? `, in ${r.stays} sittings` : '';
    return r.seconds === 0
        ? 'Opened, and not read yet.'
        : `${how}: ${timeWords(r.seconds)}${times}, last ${r.lastAt ? ago(r.lastAt) : ''}.`;
}
/** As high as its share of the page they spent most time on. */
const height = (r: PersonReading, seconds: number) =>
    Math.max(seconds > 0 ? 8 : 2, (100 * seconds) / Math.max(1, ...r.pages.map((p) => p.seconds)));
</script>

<template>
    <section v-if="readings.length > 0" aria-labelledby="reading" data-test="reading">
        <h2 id="reading" class="text-xl">What they read</h2>
        <div v-for="r in readings" :key="r.id" class="mt-2">
            <RouterLink class="link" :to="`/funnels/${r.funnelId}/guide/${r.id}?view=readers`">{{ r.title }}</RouterLink>
            <p>{{ sentence(r) }}</p>
            <ol class="mt-2 flex gap-1">
                <li
                    v-for="(p, i) in r.pages"
                    :key="p.id"
                    class="min-w-0 flex-1"
                    :title="`${p.name}: ${p.seconds > 0 ? timeWords(p.seconds) : 'not seen'}${p.stays > 1 ? `, came back ${counted(p.stays - 1, 'time')}` : ''}`"
                >
                    <span class="flex h-12 items-end rounded-sm bg-line/60" aria-hidden="true"
                        ><span
                            class="block w-full rounded-sm"
                            :class="p.read ? 'bg-pine' : 'bg-pine/40'"
                            :style="{ height: `${height(r, p.seconds)}%` }"
                        ></span
                    ></span>
                    <span class="block truncate text-center text-xs text-soft"
                        ><span class="sr-only">{{ p.name }}: </span>{{ p.seconds > 0 ? timeWords(p.seconds) : i + 1 }}</span
                    >
                </li>
            </ol>
            <dl v-if="r.words.length > 0" class="mt-2 space-y-2">
                <div v-for="w in r.words" :key="w.asked">
                    <dt class="caption">{{ w.asked }}</dt>
                    <dd class="border-l-2 border-lamp pl-2 whitespace-pre-wrap">{{ w.said }}</dd>
                </div>
            </dl>
            <p v-if="r.ticks.length > 0" class="mt-2">
                Ticked off:
                {{
                    r.ticks
                        .filter((t) => t.done)
                        .map((t) => `“${t.thing}”`)
                        .join(', ')
                }}
                <span class="text-soft">({{ r.ticks.filter((t) => t.done).length }} of {{ r.ticks.length }})</span>
            </p>
            <ul v-if="r.clicks.length > 0" class="mt-2">
                <li v-for="(c, i) in r.clicks" :key="i">
                    Clicked on “{{ c.words }}” <span class="caption">{{ dateTime(c.at) }}</span>
                </li>
            </ul>
        </div>
    </section>
</template>
