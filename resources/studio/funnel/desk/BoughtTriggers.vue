<script setup lang="ts">
/** A switch for each offer of the funnel: buying it starts or ends something. */
import type { Trigger } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import * as triggers from '@/funnel/triggers';
import UiSwitch from '@/ui/UiSwitch.vue';

const model = defineModel<Trigger[]>({ required: true });
defineProps<{ words: string }>();
const store = useFunnel();
</script>

<template>
    <UiSwitch
        v-for="offer in store.funnel?.offers"
        :key="offer.id"
        class="mt-2"
        :model-value="triggers.has(model, { kind: 'bought-offer', offer: offer.id })"
        :label="`${words} “${offer.name}”`"
        @update:model-value="(on: boolean) => (model = triggers.set(model, { kind: 'bought-offer', offer: offer.id }, on))"
    />
</template>
