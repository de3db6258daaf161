<script setup lang="ts">
import { TrashIcon } from '@heroicons/vue/24/outline';
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '@/api/client';
import type { WebinarFacts } from '@/api/types';
import AfterwardsFields from '@/funnel/desk/webinar/AfterwardsFields.vue';
import ScheduleSentence from '@/funnel/desk/webinar/ScheduleSentence.vue';
import SessionTable from '@/funnel/desk/webinar/SessionTable.vue';
import ShownFields from '@/funnel/desk/webinar/ShownFields.vue';
import WeeksCalendar from '@/funnel/desk/webinar/WeeksCalendar.vue';
import { useFunnel } from '@/funnel/funnelStore';
import { useSteps } from '@/funnel/steps';
import { usePulse } from '@/stores/pulse';
import { useToasts } from '@/stores/toasts';
import TextField from '@/ui/TextField.vue';

/** A webinar: its schedule as one sentence, how that falls in a visitor's weeks, what is shown, and who was there. */
const props = defineProps<{ id: string }>();

const store = useFunnel();
const steps = useSteps();
const router = useRouter();
const toasts = useToasts();
const webinar = computed(() => store.webinar(props.id)!);
const facts = ref<WebinarFacts | null>(null);
const edit = (values: Record<string, unknown>, label: string, now = true) => store.edit('webinar', props.id, values, label, now);

/** Once somebody has registered, that is what one comes for. */
const known = computed(() => facts.value?.sessions.some((s) => s.registered > 0) ?? false);

async function load(): Promise<void> {
    try {
        facts.value = await api.get<WebinarFacts>(`parts/${props.id}/webinar`);
    } catch (error) {
        toasts.trouble(error);
    }
}
watch(() => [props.id, webinar.value?.revision], load, { immediate: true });
usePulse(load);

async function takeOut(): Promise<void> {
    try {
        await steps.remove(webinar.value);
        await router.push(`/funnels/${store.funnel?.id}`);
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <div v-if="webinar" class="relative h-full overflow-auto">
        <div class="mx-auto grid max-w-6xl gap-x-12 gap-y-7 px-6 py-6 lg:grid-cols-[1.65fr_1fr]">
            <div class="min-w-0 space-y-7">
                <ScheduleSentence :webinar="webinar" @edit="edit">
                    <SessionTable v-if="facts && known" class="mt-4" :webinar="webinar" :facts="facts" />
                </ScheduleSentence>
                <SessionTable v-if="facts && !known" :webinar="webinar" :facts="facts" />
                <WeeksCalendar :webinar="webinar" />
            </div>
            <div class="min-w-0 space-y-7">
                <div class="grid gap-4">
                    <TextField
                        :model-value="webinar.name"
                        label="Private name"
                        :maxlength="120"
                        @update:model-value="(name: string) => edit({ name }, 'the name of a webinar', false)"
                    />
                    <TextField
                        :model-value="webinar.title"
                        label="Title, as those who register read it"
                        :maxlength="200"
                        @update:model-value="(title: string) => edit({ title }, 'the title of a webinar', false)"
                    />
                </div>
                <ShownFields :webinar="webinar" :facts="facts" @edit="edit" />
                <AfterwardsFields :webinar="webinar" @edit="edit" />
                <button type="button" class="btn-quiet text-clay-deep" @click="takeOut">
                    <TrashIcon class="size-4.5" aria-hidden="true" />Remove this webinar
                </button>
            </div>
        </div>
    </div>
</template>
