<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue';
import type { Variant } from '@/api/types';
import VariantFrame from '@/funnel/desk/experiment/VariantFrame.vue';
import { useEmailFields } from '@/funnel/desk/email/useEmailFields';
import { useFunnel } from '@/funnel/funnelStore';

const EmailSheet = defineAsyncComponent(() => import('@/emails/EmailSheet.vue'));
/** Another subject or text for an email. */
const props = defineProps<{ variant: Variant }>();

const store = useFunnel();
const { pages, fields } = useEmailFields();
const email = computed(() => store.email(store.splitTest(props.variant.test)?.part ?? ''));
</script>

<template>
    <VariantFrame :variant="variant">
        <p v-if="email" class="text-soft">
            Another version of “{{ email.name }}”: its subject and its text can differ. When it goes out ({{ email.timingWords }}) and who
            gets it stay as they are.
        </p>
        <EmailSheet
            :path="`emails/${variant.id}`"
            :changed="store.redraw"
            :subject="variant.subject ?? ''"
            :body="variant.body ?? ''"
            :has-lead-magnet="(store.funnel?.leadMagnets.length ?? 0) > 0"
            :pages="pages"
            :fields="fields"
            :deadlines="store.funnel?.deadlines"
            @update:subject="(subject: string) => store.edit('variant', variant.id, { subject }, 'the subject of a variant')"
            @update:body="(body: string) => store.edit('variant', variant.id, { body }, 'the words of a variant')"
        />
    </VariantFrame>
</template>
