<script setup lang="ts">
import { computed } from 'vue';
import type { Email, EmailTiming as Timing, Variant } from '@/api/types';
import EmailTiming from '@/funnel/desk/email/EmailTiming.vue';
import VariantFrame from '@/funnel/desk/experiment/VariantFrame.vue';
import { useFunnel } from '@/funnel/funnelStore';
import { timingKey } from '@/funnel/desk/experiment/timings';

/** Other moments for the emails of a sequence. */
const props = defineProps<{ variant: Variant }>();

const store = useFunnel();
const sequence = computed(() => store.sequence(store.splitTest(props.variant.test)?.part ?? ''));
const emails = computed(() => (store.funnel?.emails ?? []).filter((e) => e.sequence === sequence.value?.id));
const own = (email: Email) => props.variant.timings?.find((t) => t.email === email.id)?.timing;

/** One that is the same again is none of its own. */
function set(email: Email, timing: Timing | null): void {
    const others = (props.variant.timings ?? []).filter((t) => t.email !== email.id);
    const differs = timing !== null && timingKey(timing) !== timingKey(email.timing);
    store.edit(
        'variant',
        props.variant.id,
        { timings: differs ? [...others, { email: email.id, timing }] : others },
        'when an email of a variant goes out',
        true,
    );
}
</script>

<template>
    <VariantFrame :variant="variant">
        <h2 class="text-2xl">{{ sequence?.name }}, at other moments</h2>
        <p class="text-soft">
            Whoever enters the sequence while the test runs gets the one or the other timing, and keeps it. Those who are in it already stay
            as they are.
        </p>
        <table class="w-full text-left">
            <thead>
                <tr class="border-b border-line caption">
                    <th class="py-1.5 pr-4 font-medium">Email</th>
                    <th class="pr-4 font-medium">As it is</th>
                    <th class="font-medium">In variant {{ variant.letter.toUpperCase() }}</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="email in emails" :key="email.id" class="border-b border-line align-top" :data-test="`timing-${email.id}`">
                    <td class="py-3 pr-4 font-medium">{{ email.name }}</td>
                    <td class="py-3 pr-4 text-soft">{{ email.timingWords }}</td>
                    <td class="py-3" :class="{ 'border-l-3 border-lamp pl-3': own(email) }">
                        <EmailTiming :timing="own(email) ?? email.timing" @change="(t) => set(email, t)" />
                        <button v-if="own(email)" type="button" class="mt-1 link" @click="set(email, null)">As in A again</button>
                    </td>
                </tr>
            </tbody>
        </table>
        <p v-if="emails.length === 0" class="text-soft">This sequence has no emails yet.</p>
    </VariantFrame>
</template>
