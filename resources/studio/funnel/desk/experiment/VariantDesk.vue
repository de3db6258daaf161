<script setup lang="ts">
import { computed } from 'vue';
import EmailVariant from '@/funnel/desk/experiment/EmailVariant.vue';
import TimingVariant from '@/funnel/desk/experiment/TimingVariant.vue';
import PageDesk from '@/funnel/desk/PageDesk.vue';
import PopupDesk from '@/funnel/desk/popup/PopupDesk.vue';
import { useFunnel } from '@/funnel/funnelStore';

/** A variant, worked on as what it is a variant of is. */
const props = defineProps<{ id: string }>();

const store = useFunnel();
const variant = computed(() => store.variant(props.id));
</script>

<template>
    <template v-if="variant">
        <PageDesk v-if="variant.of === 'page'" :id="id" :key="id" variant />
        <PopupDesk v-else-if="variant.of === 'popup'" :id="id" :key="id" />
        <EmailVariant v-else-if="variant.of === 'email'" :key="id" :variant="variant" />
        <TimingVariant v-else :key="id" :variant="variant" />
    </template>
</template>
