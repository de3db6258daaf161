<script setup lang="ts">
import { onMounted, ref } from 'vue';
import { api } from '@/api/client';
import type { WarmthSuggestions } from '@/api/types';
import { useToasts } from '@/stores/toasts';
import { counted } from '@/ui/format';

/** What the owner's own sales say of the weights. What is taken from it is tried first, like anything else. */
const emit = defineEmits<{ use: [action: string, points: number] }>();
const props = defineProps<{ points: Record<string, number> }>();
const found = ref<WarmthSuggestions | null>(null);
const toasts = useToasts();
onMounted(async () => {
    try {
        found.value = await api.get<WarmthSuggestions>('warmth/suggestions');
    } catch (error) {
        toasts.trouble(error);
    }
});
</script>

<template>
    <section v-if="found" aria-labelledby="sales-say" class="mt-8 border-t border-line pt-5" data-test="suggestions">
        <h2 id="sales-say" class="text-xl">What your own sales say</h2>
        <p v-if="found.buyers < found.least" class="hint">
            Once {{ found.least }} people have bought on a later day than they joined, this says which of these came before it. So far:
            {{ found.buyers }}.
        </p>
        <template v-else>
            <p class="hint">
                {{ counted(found.buyers, 'buyer') }}, each beside the others who had joined as long ago. It says what came before, not what
                was the cause.
            </p>
            <ul class="mt-3 space-y-4">
                <li v-for="a in found.actions" :key="a.id">
                    <p class="font-medium">{{ a.label }}</p>
                    <p class="text-sm text-soft">
                        {{ a.did }}&nbsp;% of buyers had, of the others {{ a.others }}&nbsp;%: they buy {{ a.times }} times as often. Sure
                        to {{ a.sure }}&nbsp;%.
                    </p>
                    <button
                        v-if="(props.points[a.id] ?? a.now) !== a.points"
                        type="button"
                        class="mt-1 btn"
                        @click="emit('use', a.id, a.points)"
                    >
                        Try {{ counted(a.points, 'point') }} instead of {{ props.points[a.id] ?? a.now }}
                    </button>
                </li>
            </ul>
            <p v-if="found.actions.length === 0" class="mt-2 text-soft">
                None of them came before buying more often than by chance, as far as can be known.
            </p>
            <p v-else-if="found.nothing.length > 0" class="mt-4 text-sm text-soft">
                Of these nothing is sure: {{ found.nothing.join(', ').toLowerCase() }}.
            </p>
        </template>
    </section>
</template>
