<script setup lang="ts">
import { useSession } from '@/stores/session';
import DateField from '@/ui/DateField.vue';

/** From when and until when something holds, on the owner's clocks. */
defineProps<{ label: string; from: string; until: string }>();
defineEmits<{ change: [{ from: string; until: string }] }>();
const session = useSession();
</script>

<template>
    <fieldset>
        <legend class="label">{{ label }}</legend>
        <div class="grid gap-3">
            <DateField :model-value="from" time label="From" @update:model-value="(moment) => $emit('change', { from: moment, until })" />
            <DateField :model-value="until" time label="Until" @update:model-value="(moment) => $emit('change', { from, until: moment })" />
        </div>
        <p class="hint">Empty for always. On the clocks of {{ session.zone.replaceAll('_', ' ') }}.</p>
    </fieldset>
</template>
