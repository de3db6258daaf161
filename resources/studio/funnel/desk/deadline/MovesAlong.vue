<script setup lang="ts">
import { computed } from 'vue';
import type { Deadline } from '@/api/types';
import { followersOf } from '@/funnel/desk/deadline/followers';
import { useFunnel } from '@/funnel/funnelStore';
import { partPath, type PartKind } from '@/funnel/parts';

/** Which emails, pages and sequences follow a deadline: they move when it does. */
const props = defineProps<{ deadline: Deadline }>();

const store = useFunnel();
const rows = computed(() => {
    const found = store.funnel ? followersOf(store.funnel, props.deadline.id) : null;
    const row = (kind: PartKind, part: { id: string; name: string }, note: string) => ({ kind, id: part.id, name: part.name, note });
    return found
        ? [
              ...found.emails.map((e) => row('email', e, e.timingWords)),
              ...found.sequences.map((q) => row('sequence', q, 'waits for its end')),
              ...found.saying.map((e) => row('email', e, `says when it ends; goes out ${e.timingWords}`)),
              ...found.pages.map((p) => row('page', p, 'has its countdown')),
          ]
        : [];
});
</script>

<template>
    <section aria-labelledby="moves-along" data-test="moves-along">
        <h3 id="moves-along" class="text-lg">What follows it</h3>
        <p v-if="rows.length === 0" class="mt-1 text-soft">
            No email and no countdown yet. An email follows it once its timing says “By a deadline”.
        </p>
        <template v-else>
            <p class="mt-1 text-soft">These move when its end moves. Nobody gets an email that would come too late.</p>
            <ul class="mt-2 divide-y divide-line border-y border-line">
                <li v-for="row in rows" :key="row.kind + row.id + row.note" class="flex justify-between gap-4 py-1.5">
                    <RouterLink class="min-w-0 truncate font-medium hover:underline" :to="partPath(store.funnel!, row.kind, row.id)">{{
                        row.name
                    }}</RouterLink>
                    <span class="shrink-0 text-soft">{{ row.note }}</span>
                </li>
            </ul>
        </template>
    </section>
</template>
