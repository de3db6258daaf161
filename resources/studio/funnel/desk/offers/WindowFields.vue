<script setup lang="ts">
import { useSession } from '@/stores/session';
import { vKept } from '@/ui/kept';

/** From when and until when something holds, on the owner's clocks. */
defineProps<{ label: string; from: string; until: string }>();
defineEmits<{ change: [{ from: string; until: string }] }>();
const session = useSession();
const read = (event: Event) => (event.target as HTMLInputElement).value.slice(0, 16);
</script>

<template>
    <fieldset>
        <legend class="label">{{ label }}</legend>
        <div class="grid grid-cols-2 gap-3">
            <label class="block"
                ><span class="caption">from</span
                ><input v-kept="from" type="datetime-local" class="input" @change="$emit('change', { from: read($event), until })"
            /></label>
            <label class="block"
                ><span class="caption">until</span
                ><input v-kept="until" type="datetime-local" class="input" @change="$emit('change', { from, until: read($event) })"
            /></label>
        </div>
        <p class="hint">Empty for always. On the clocks of {{ session.zone.replaceAll('_', ' ') }}.</p>
    </fieldset>
</template>
