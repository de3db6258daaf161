<script setup lang="ts">
import {
    ArrowRightIcon,
    BanknotesIcon,
    ClockIcon,
    DocumentIcon,
    EnvelopeIcon,
    ExclamationTriangleIcon,
    TagIcon,
    VideoCameraIcon,
} from '@heroicons/vue/20/solid';
import { computed, nextTick, ref, watch } from 'vue';
import { columnsOf, daysOf, gap, itemsOf, lanesOf, type Item } from '@/rehearsal/strip';
import type { Way } from '@/rehearsal/useRehearsal';
import { calendarDay, shortAt, timeAt } from '@/ui/format';

/** The ways of a rehearsal on one timeline: a column for each day on which something happens, a row for each way. */
const props = defineProps<{ ways: Way[]; active: number; zone: string }>();
/** Is told what only the owner knows of as well? */
const all = defineModel<boolean>('all', { required: true });
defineEmits<{ open: [way: number, item: Item] }>();

const ICONS = {
    choice: ArrowRightIcon,
    page: DocumentIcon,
    email: EnvelopeIcon,
    money: BanknotesIcon,
    deadline: ClockIcon,
    session: VideoCameraIcon,
    trouble: ExclamationTriangleIcon,
    quiet: TagIcon,
};
const TONES: Record<Item['kind'], string> = {
    choice: 'font-semibold text-ink',
    page: 'text-ink',
    session: 'text-ink',
    email: 'text-pine',
    money: 'text-pine',
    deadline: 'text-clay-deep',
    trouble: 'text-clay-deep',
    quiet: 'text-soft',
};
const items = computed(() => props.ways.map((w) => (w.life ? itemsOf(w.life, all.value) : [])));
const ends = computed(() => props.ways.flatMap((w) => w.life?.deadlines.filter((d) => d.left > 0).map((d) => d.ends) ?? []));
const days = computed(() => daysOf(items.value, props.zone, ends.value));
/** By way. */
const lanes = computed(() => props.ways.map((w) => (w.life ? lanesOf(w.life, days.value, props.zone) : [])));
/** The last day on which anything has happened. */
const latest = computed(() => days.value.findLastIndex((day) => day.items.some((list) => list.length > 0)));
const time = (iso: string) => timeAt(iso, props.zone);
const until = (iso: string) => shortAt(iso, props.zone);
const between = (i: number) => (i === 0 ? 0 : gap(days.value[i - 1]!.date, days.value[i]!.date));

const box = ref<HTMLElement>();
// What has just happened is in sight.
watch(
    () => props.ways.map((w) => w.life?.now).join(),
    async () => {
        await nextTick();
        box.value?.querySelector('[data-latest]')?.scrollIntoView({ inline: 'end', block: 'nearest' });
    },
);
</script>

<template>
    <div class="relative flex min-h-0 flex-col border-y border-line bg-raised">
        <label class="absolute top-1 right-3 z-10 flex items-center gap-1.5 bg-raised pl-2 caption"
            ><input v-model="all" type="checkbox" class="size-3.5 accent-pine" />Also what only you see</label
        >
        <div ref="box" class="min-h-0 flex-1 overflow-auto" tabindex="0" role="region" aria-label="What happens, day by day">
            <p v-if="days.length === 0" class="px-6 py-5 text-soft">
                Nothing has happened yet. Choose what your visitor does first, and their days line up here.
            </p>
            <ol v-else class="flex min-w-max">
                <li v-for="(day, i) in days" :key="day.date" class="flex" :data-latest="i === latest ? '' : undefined">
                    <div v-if="between(i) > 0" class="relative flex w-12 shrink-0 flex-col border-l border-line bg-paper">
                        <span class="border-b border-line py-1.5 text-sm font-semibold" aria-hidden="true">&nbsp;</span>
                        <div v-for="(theirs, w) in lanes" :key="w" class="flex-1" aria-hidden="true">
                            <ul v-if="theirs.length > 0" class="pt-1">
                                <li
                                    v-for="lane in theirs"
                                    :key="lane.id"
                                    class="mb-0.5 h-5"
                                    :class="{ 'bg-clay-pale': i > lane.from && i <= lane.to }"
                                ></li>
                            </ul>
                        </div>
                        <span class="absolute inset-0 flex items-center justify-center px-1 text-center caption leading-tight">{{
                            between(i) === 1 ? 'a day' : `${between(i)} days`
                        }}</span>
                    </div>
                    <section class="flex min-w-56 shrink-0 flex-col border-l border-line">
                        <h3 class="border-b border-line px-3 py-1.5 font-sans text-sm font-semibold">
                            {{ calendarDay(day.date, { weekday: 'short', day: 'numeric', month: 'short' }) }}
                        </h3>
                        <div
                            v-for="(list, w) in day.items"
                            :key="w"
                            class="flex flex-1 flex-col"
                            :class="{ 'border-t border-dashed border-edge': w > 0 }"
                            role="group"
                            :aria-label="ways.length > 1 ? (w === 0 ? 'First way' : 'Second way') : undefined"
                        >
                            <ul v-if="lanes[w]!.length > 0" class="pt-1" aria-label="Deadlines">
                                <li
                                    v-for="lane in lanes[w]"
                                    :key="lane.id"
                                    class="mb-0.5 h-5 overflow-hidden text-sm leading-5 whitespace-nowrap"
                                    :class="
                                        i >= lane.from && i <= lane.to
                                            ? [
                                                  'bg-clay-pale text-clay-deep',
                                                  i === lane.from ? 'ml-1.5 rounded-l-full pl-2.5' : 'pl-1.5',
                                                  i === lane.to ? 'mr-1.5 rounded-r-full pr-2.5' : '',
                                                  i === lane.to && i > lane.from ? 'text-right' : '',
                                              ]
                                            : ''
                                    "
                                    :aria-hidden="i < lane.from || i > lane.to"
                                    :title="`${lane.name}: until ${until(lane.ends)}`"
                                >
                                    <template v-if="i === lane.from">{{ lane.name }}</template>
                                    <template v-if="i === lane.to"> until {{ until(lane.ends) }}</template>
                                </li>
                            </ul>
                            <div class="flex">
                                <ol v-for="(column, c) in columnsOf(list, ways.length > 1 ? 3 : 5)" :key="c" class="w-56 px-1.5 py-1.5">
                                    <li v-for="item in column" :key="item.key">
                                        <button
                                            type="button"
                                            class="flex w-full items-start gap-1.5 rounded px-1.5 py-0.5 text-left text-sm leading-snug hover:bg-lamp-pale"
                                            :class="[TONES[item.kind], { 'opacity-45': item.choice > ways[w]!.at }]"
                                            :title="item.words"
                                            @click="$emit('open', w, item)"
                                        >
                                            <component :is="ICONS[item.kind]" class="mt-0.5 size-3.5 shrink-0" aria-hidden="true" />
                                            <span class="line-clamp-2 min-w-0 flex-1">{{ item.words }}</span>
                                            <time :datetime="item.at" class="shrink-0 caption">{{ time(item.at) }}</time>
                                        </button>
                                    </li>
                                </ol>
                            </div>
                        </div>
                    </section>
                </li>
            </ol>
        </div>
    </div>
</template>
