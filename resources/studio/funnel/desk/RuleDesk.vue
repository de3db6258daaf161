<script setup lang="ts">
import { PauseIcon, PlayIcon, TrashIcon } from '@heroicons/vue/24/outline';
import { computed, onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '@/api/client';
import type { AutomationRule, RuleNumbers } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { findPart } from '@/funnel/parts';
import { useSteps } from '@/funnel/steps';
import { choicesOfFunnel } from '@/rules/choices';
import RuleFields from '@/rules/RuleFields.vue';
import RuleLog from '@/rules/RuleLog.vue';
import { ruleNumbers } from '@/rules/words';
import { usePeopleKit } from '@/stores/peopleKit';
import { usePulse } from '@/stores/pulse';
import { useToasts } from '@/stores/toasts';

/** A rule of a funnel: how it is read, all that can be changed in it, and what it did. */
const props = defineProps<{ id: string }>();

const store = useFunnel();
const steps = useSteps();
const people = usePeopleKit();
const toasts = useToasts();
const router = useRouter();
const rule = computed(() => findPart(store.funnel, 'automation', props.id));
const choices = computed(() => choicesOfFunnel(store.funnel, people.kit));
const numbers = ref<RuleNumbers | undefined>();

const edit = (values: Partial<AutomationRule>, label: string, now: boolean) =>
    store.edit('automation', props.id, values as Record<string, unknown>, label, now);

async function run(work: () => Promise<unknown>, words = ''): Promise<void> {
    try {
        await work();
        if (words) {
            toasts.say(words);
        }
    } catch (error) {
        toasts.trouble(error);
    }
}
const count = () =>
    run(async () => {
        const found = await api.get<{ numbers: Record<string, RuleNumbers> }>(`funnels/${store.funnel!.id}/rules`);
        numbers.value = found.numbers[props.id];
    });
onMounted(count);
usePulse(count);

const setPaused = (paused: boolean) =>
    run(
        async () => {
            await api.post(`rules/${props.id}/${paused ? 'pause' : 'resume'}`);
            await store.load(store.funnel!.id);
        },
        paused ? 'The rule is paused. Nothing sets it off, and what it has waiting waits on.' : 'The rule is at work again.',
    );
const takeOut = () =>
    run(async () => {
        if (rule.value) {
            await steps.remove(rule.value);
            await router.push(`/funnels/${store.funnel?.id}`);
        }
    });
</script>

<template>
    <div v-if="rule" class="h-full overflow-auto">
        <div class="mx-auto grid max-w-6xl gap-x-12 gap-y-6 px-6 py-6 lg:grid-cols-[1.5fr_1fr]">
            <section aria-labelledby="rule" class="min-w-0">
                <h2 id="rule" class="text-2xl">{{ rule.name }}</h2>
                <p class="mt-2 mb-6 rounded bg-lamp-pale p-3 text-lg" data-test="rule-words">{{ rule.words }}</p>
                <RuleFields :rule="rule" :choices="choices" @edit="edit" />
            </section>
            <section aria-label="The rule at work" class="min-w-0 space-y-5">
                <div>
                    <p>{{ ruleNumbers(numbers, rule.paused) }}</p>
                    <div class="mt-2 flex gap-2">
                        <button v-if="!rule.paused" type="button" class="btn" @click="setPaused(true)">
                            <PauseIcon class="size-4.5" aria-hidden="true" />Pause
                        </button>
                        <button v-else type="button" class="btn" @click="setPaused(false)">
                            <PlayIcon class="size-4.5" aria-hidden="true" />Resume
                        </button>
                        <button type="button" class="btn-quiet text-clay-deep" @click="takeOut">
                            <TrashIcon class="size-4.5" aria-hidden="true" />Remove this rule
                        </button>
                    </div>
                    <p class="hint">It is at work as it was published last. A pause holds at once.</p>
                </div>
                <RuleLog :rule="id" />
            </section>
        </div>
    </div>
</template>
