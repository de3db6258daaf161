<script setup lang="ts">
import { TrashIcon } from '@heroicons/vue/24/outline';
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import AtTheEnd from '@/funnel/desk/deadline/AtTheEnd.vue';
import ExampleStrip from '@/funnel/desk/deadline/ExampleStrip.vue';
import GuardFields from '@/funnel/desk/deadline/GuardFields.vue';
import MovesAlong from '@/funnel/desk/deadline/MovesAlong.vue';
import RuleSentence from '@/funnel/desk/deadline/RuleSentence.vue';
import WhoIsIn from '@/funnel/desk/deadline/WhoIsIn.vue';
import { useFunnel } from '@/funnel/funnelStore';
import { useSteps } from '@/funnel/steps';
import { useToasts } from '@/stores/toasts';
import TextField from '@/ui/TextField.vue';

/** A deadline: its rule as one sentence, how it plays out, what it guards, and who is in it. */
const props = defineProps<{ id: string }>();

const store = useFunnel();
const steps = useSteps();
const router = useRouter();
const toasts = useToasts();
const deadline = computed(() => store.deadline(props.id)!);
const edit = (values: Record<string, unknown>, label: string, now = true) => store.edit('deadline', props.id, values, label, now);

async function takeOut(): Promise<void> {
    try {
        await steps.remove(deadline.value);
        await router.push(`/funnels/${store.funnel?.id}`);
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <div v-if="deadline" class="relative h-full overflow-auto">
        <div class="mx-auto grid max-w-6xl gap-x-12 gap-y-7 px-6 py-6 lg:grid-cols-[1.65fr_1fr]">
            <div class="min-w-0 space-y-7">
                <RuleSentence :deadline="deadline" @edit="edit" />
                <MovesAlong :deadline="deadline" />
                <ExampleStrip :deadline="deadline" />
                <GuardFields :deadline="deadline" @edit="edit" />
            </div>
            <div class="min-w-0 space-y-7">
                <TextField
                    :model-value="deadline.name"
                    label="Private name"
                    :maxlength="120"
                    @update:model-value="(name: string) => edit({ name }, 'the name of a deadline', false)"
                />
                <WhoIsIn :id="id" :live="store.funnel?.liveVersion !== null" :everyone="!deadline.duration" />
                <AtTheEnd :deadline="deadline" @edit="edit" />
                <button type="button" class="btn-quiet text-clay-deep" @click="takeOut">
                    <TrashIcon class="size-4.5" aria-hidden="true" />Remove this deadline
                </button>
            </div>
        </div>
    </div>
</template>
