<script setup lang="ts">
import { ExclamationTriangleIcon, InformationCircleIcon } from '@heroicons/vue/24/outline';
import { computed } from 'vue';
import type { Finding } from '@/api/types';
import FindingFix from '@/funnel/golive/FindingFix.vue';
import { isFixedHere } from '@/funnel/golive/fixes';

/** What the go-live check found: what keeps the funnel from going live, and what could be better. */
const props = defineProps<{ findings: Finding[] }>();
const emit = defineEmits<{ open: [finding: Finding]; fixed: [] }>();

const groups = computed(() =>
    [
        { key: 'must', words: 'Must be fixed', list: props.findings.filter((f) => f.blocks), icon: ExclamationTriangleIcon },
        { key: 'could', words: 'Could be better', list: props.findings.filter((f) => !f.blocks), icon: InformationCircleIcon },
    ].filter((g) => g.list.length > 0),
);
const keyOf = (f: Finding) => f.code + f.id + f.message;
</script>

<template>
    <div class="max-h-[55vh] overflow-auto">
        <section v-for="group in groups" :key="group.key" class="mt-3" :aria-label="group.words">
            <h3 class="font-sans text-base font-semibold">
                {{ group.words }} <span class="font-normal text-soft">{{ group.list.length }}</span>
            </h3>
            <ul class="divide-y divide-line">
                <li v-for="finding in group.list" :key="keyOf(finding)" class="flex gap-3 py-2.5">
                    <component
                        :is="group.icon"
                        class="mt-0.5 size-6 shrink-0"
                        :class="finding.blocks ? 'text-clay' : 'text-soft'"
                        aria-hidden="true"
                    />
                    <div class="min-w-0 flex-1">
                        <div class="flex items-center gap-3">
                            <span class="flex-1">{{ finding.message }}</span>
                            <button type="button" :class="isFixedHere(finding) ? 'btn-quiet' : 'btn'" @click="emit('open', finding)">
                                {{ finding.openLabel }}
                            </button>
                        </div>
                        <FindingFix v-if="isFixedHere(finding)" class="mt-2" :finding="finding" @fixed="emit('fixed')" />
                    </div>
                </li>
            </ul>
        </section>
    </div>
</template>
