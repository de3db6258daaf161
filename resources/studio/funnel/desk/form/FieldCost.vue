<script setup lang="ts">
import { LightBulbIcon } from '@heroicons/vue/24/outline';
import { onMounted, ref, watch } from 'vue';
import { api } from '@/api/client';
import type { Form } from '@/api/types';

/** What each further field costs, from the owner's own results once there are enough. */
const props = defineProps<{ form: Form }>();

const advice = ref('');
const asked = () => props.form.fields.filter((f) => f.kind !== 'hidden' && (f.step ?? 1) === 1).length;

async function load(): Promise<void> {
    try {
        advice.value = (await api.get<{ advice: string }>(`parts/${props.form.id}/cost?fields=${asked()}`)).advice;
    } catch {
        // Advice that does not come is no trouble of the owner's.
        advice.value = '';
    }
}
onMounted(load);
watch(asked, load);
</script>

<template>
    <p v-if="advice" class="flex gap-2 text-sm text-soft" data-test="field-cost">
        <LightBulbIcon class="size-5 shrink-0" aria-hidden="true" /><span>{{ advice }}</span>
    </p>
</template>
