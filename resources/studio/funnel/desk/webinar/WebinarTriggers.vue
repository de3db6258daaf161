<script setup lang="ts">
/** A switch for each thing that may happen around a webinar: it starts or ends something. */
import type { Trigger } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import * as triggers from '@/funnel/triggers';
import UiSwitch from '@/ui/UiSwitch.vue';

const model = defineModel<Trigger[]>({ required: true });
const props = defineProps<{ words: string }>();
const store = useFunnel();
const set = (t: Trigger, on: boolean) => (model.value = triggers.set(model.value, t, on));
const registered = (webinar: string): Trigger => ({ kind: 'registered', webinar });
const outcome = (o: (typeof triggers.OUTCOMES)[number]['value'], webinar: string): Trigger => ({ kind: 'webinar', outcome: o, webinar });
const anyOf = (webinar: string) => triggers.OUTCOMES.some((o) => triggers.has(model.value, outcome(o.value, webinar)));
</script>

<template>
    <template v-for="webinar in store.funnel?.webinars" :key="webinar.id">
        <UiSwitch
            class="mt-2"
            :model-value="triggers.has(model, registered(webinar.id))"
            :label="`${props.words} they register for “${webinar.name}”`"
            @update:model-value="(on: boolean) => set(registered(webinar.id), on)"
        />
        <details class="mt-1 ml-1" :open="anyOf(webinar.id)">
            <summary class="cursor-pointer text-sm">or by what becomes of their session</summary>
            <UiSwitch
                v-for="o in triggers.OUTCOMES"
                :key="o.value"
                class="mt-2"
                :model-value="triggers.has(model, outcome(o.value, webinar.id))"
                :label="`${props.words} ${o.label}`"
                @update:model-value="(on: boolean) => set(outcome(o.value, webinar.id), on)"
            />
        </details>
    </template>
</template>
