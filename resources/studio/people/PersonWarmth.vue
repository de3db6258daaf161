<script setup lang="ts">
import type { Warmth } from '@/api/types';
import WarmthMark from '@/people/WarmthMark.vue';
import { calendarDay } from '@/ui/format';

/** How warm somebody is: what it is made of, what faded, and what would raise it. */
defineProps<{ warmth: Warmth }>();

const points = (n: number) => n.toFixed(1).replace(/\.0$/, '');
</script>

<template>
    <section aria-labelledby="warmth" data-test="warmth">
        <div class="flex items-baseline justify-between gap-3">
            <h2 id="warmth" class="text-xl">Warmth</h2>
            <WarmthMark :score="warmth.score" :band="warmth.band" :label="warmth.bandLabel" />
        </div>
        <p class="mt-1">{{ warmth.sentence }}</p>
        <table v-if="warmth.parts.length > 0" class="mt-2 w-full text-right">
            <thead>
                <tr class="border-b border-line caption">
                    <th class="py-1.5 text-left font-medium">They</th>
                    <th class="px-2 font-medium">Last</th>
                    <th class="px-2 font-medium">Points</th>
                    <th class="font-medium">Faded</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="p in warmth.parts" :key="p.action" class="border-b border-line">
                    <td class="py-1.5 text-left">
                        {{ p.words }}<span v-if="p.times > 1" class="ml-1.5 caption">on {{ p.times }} days</span>
                    </td>
                    <td class="px-2 whitespace-nowrap">{{ calendarDay(p.last) }}</td>
                    <td class="px-2 font-medium">{{ points(p.points) }}</td>
                    <td class="text-soft">{{ p.faded > 0 ? points(p.faded) : '–' }}</td>
                </tr>
            </tbody>
        </table>
        <p v-if="warmth.raises.length > 0" class="hint">
            It would be
            <template v-for="(r, i) in warmth.raises" :key="r.words"
                >{{ i > 0 ? (i === warmth.raises.length - 1 ? ' or ' : ', ') : '' }}{{ r.to }} if they {{ r.words }} today</template
            >.
        </p>
    </section>
</template>
