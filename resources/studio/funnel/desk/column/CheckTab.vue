<script setup lang="ts">
import { CheckCircleIcon, ExclamationTriangleIcon, InformationCircleIcon } from '@heroicons/vue/24/outline';
import { useRouter } from 'vue-router';
import type { Finding } from '@/api/types';
import { useDesk } from '@/funnel/desk/useDesk';
import { useFunnel } from '@/funnel/funnelStore';

defineProps<{ findings: Finding[] }>();

const desk = useDesk();
const store = useFunnel();
const router = useRouter();

function show(finding: Finding): void {
    if (finding.open === 'form') {
        void router.push(`/funnels/${store.funnel?.id}/form/${finding.id}`);
        return;
    }
    const at = desk.sections.value.find((s) => s.id === finding.place || s.blocks.some((b) => b.id === finding.place));
    if (at) {
        desk.select({ section: at.id, block: at.id === finding.place ? undefined : finding.place });
    }
}
</script>

<template>
    <div data-test="page-check">
        <p v-if="findings.length === 0" class="flex items-center gap-2">
            <CheckCircleIcon class="size-6 text-pine" aria-hidden="true" />No problems found on this page.
        </p>
        <ul v-else class="divide-y divide-line">
            <li v-for="finding in findings" :key="finding.code + finding.place + finding.message" class="py-3 first:pt-0">
                <div class="flex gap-2">
                    <component
                        :is="finding.blocks ? ExclamationTriangleIcon : InformationCircleIcon"
                        class="mt-0.5 size-5 shrink-0"
                        :class="finding.blocks ? 'text-clay' : 'text-soft'"
                        :aria-label="finding.blocks ? 'Must be fixed' : 'Could be better'"
                    />
                    <span>{{ finding.message }}</span>
                </div>
                <div class="mt-2 ml-7 flex flex-wrap gap-2">
                    <button v-if="finding.fixLabel" type="button" class="btn" @click="desk.fix(finding.code, finding.place)">
                        {{ finding.fixLabel }}
                    </button>
                    <button v-if="finding.place || finding.open === 'form'" type="button" class="btn-quiet" @click="show(finding)">
                        {{ finding.openLabel }}
                    </button>
                </div>
            </li>
        </ul>
    </div>
</template>
