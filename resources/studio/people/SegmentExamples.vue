<script setup lang="ts">
import type { Rules } from '@/api/types';
import { usePeopleKit } from '@/stores/peopleKit';

/** Segments to begin with: one is chosen, and its rules can be changed. */
defineEmits<{ choose: [rules: Rules, name: string] }>();

const people = usePeopleKit();
</script>

<template>
    <div v-if="people.kit.examples.length > 0">
        <p class="caption">Begin with one of these and change it, or make your own:</p>
        <ul class="mt-1.5 flex flex-wrap gap-1.5">
            <li v-for="e in people.kit.examples" :key="e.name">
                <button
                    type="button"
                    class="rounded border border-line bg-paper px-2.5 py-1 hover:bg-lamp-pale"
                    @click="$emit('choose', e.rules, e.name)"
                >
                    {{ e.name }}
                </button>
            </li>
        </ul>
    </div>
</template>
