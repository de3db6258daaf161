<script setup lang="ts">
import { ExclamationTriangleIcon, InformationCircleIcon } from '@heroicons/vue/20/solid';
import type { AllWays, Choice } from '@/api/types';
import { count } from '@/ui/format';
import { showMoney } from '@/ui/money';

/** What all ways through a funnel come to: what goes wrong in any of them, and the kinds of people there are. */
defineProps<{ all: AllWays; onlyFindings?: boolean }>();
defineEmits<{ show: [start: string, way: Choice[]] }>();
</script>

<template>
    <div>
        <p v-if="!onlyFindings" class="text-soft" data-test="places">
            {{ count(all.places) }} places that really differ were tried<template v-if="all.cut">; the longest ways were left out</template
            >.
        </p>
        <ul v-if="all.findings.length > 0" class="mt-2 divide-y divide-line">
            <li
                v-for="finding in all.findings"
                :key="finding.code + finding.of"
                class="flex items-start gap-2 py-2"
                data-test="way-finding"
            >
                <component
                    :is="finding.way.length > 0 ? ExclamationTriangleIcon : InformationCircleIcon"
                    class="mt-0.5 size-5 shrink-0"
                    :class="finding.way.length > 0 ? 'text-clay' : 'text-soft'"
                    aria-hidden="true"
                />
                <span class="flex-1">{{ finding.words }}</span>
                <button
                    v-if="finding.way.length > 0 && finding.start"
                    type="button"
                    class="btn shrink-0"
                    @click="$emit('show', finding.start, finding.way)"
                >
                    Show me
                </button>
            </li>
        </ul>
        <p v-else-if="!onlyFindings" class="mt-2 font-medium text-pine">Nothing contradicts itself in any of them.</p>
        <template v-if="!onlyFindings">
            <h3 class="mt-5 text-lg">Kinds of people</h3>
            <table class="mt-1 w-full text-left">
                <thead class="caption">
                    <tr class="border-b border-line">
                        <th scope="col" class="py-1.5 pr-3 font-medium">What became of them</th>
                        <th scope="col" class="px-3 text-right font-medium">Emails</th>
                        <th scope="col" class="px-3 text-right font-medium">In one day</th>
                        <th scope="col" class="px-3 text-right font-medium">Paid</th>
                        <th scope="col"><span class="sr-only">Actions</span></th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="kind in all.kinds" :key="kind.words" class="border-b border-line">
                        <th scope="row" class="py-1.5 pr-3 font-normal">{{ kind.words }}</th>
                        <td class="px-3 text-right">{{ kind.emails }}</td>
                        <td class="px-3 text-right">{{ kind.mostADay }}</td>
                        <td class="px-3 text-right">{{ kind.paid > 0 ? showMoney(kind.paid, all.currency) : '–' }}</td>
                        <td class="py-1 text-right">
                            <button v-if="kind.way.length > 0" type="button" class="btn-quiet" @click="$emit('show', kind.start, kind.way)">
                                Show me
                            </button>
                        </td>
                    </tr>
                </tbody>
            </table>
            <p class="mt-2 caption">Emails and payments are the most that anybody of that kind gets or pays at once.</p>
        </template>
    </div>
</template>
