<script setup lang="ts">
import { TrashIcon } from '@heroicons/vue/24/outline';
import { computed, defineAsyncComponent, onMounted } from 'vue';
import { useRouter } from 'vue-router';
import type { EmailTiming as Timing, Rules } from '@/api/types';
import EmailTiming from '@/funnel/desk/email/EmailTiming.vue';
import { useEmailFields } from '@/funnel/desk/email/useEmailFields';
import SplitTestSection from '@/funnel/desk/experiment/SplitTestSection.vue';
import { useFunnel } from '@/funnel/funnelStore';
import { audienceWords } from '@/funnel/timeline/listing';
import { useSteps } from '@/funnel/steps';
import { useToasts } from '@/stores/toasts';
import RulesField from '@/people/RulesField.vue';
import { usePeopleKit } from '@/stores/peopleKit';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';

const EmailSheet = defineAsyncComponent(() => import('@/emails/EmailSheet.vue'));
const props = defineProps<{ id: string }>();

const store = useFunnel();
const steps = useSteps();
const toasts = useToasts();
const router = useRouter();
const people = usePeopleKit();
const email = computed(() => store.email(props.id));
const some = computed(() => (email.value?.only.rules.length ?? 0) > 0);
const sequence = computed(() => store.sequence(email.value?.sequence ?? '')?.name ?? 'no sequence');
const whom = computed(() =>
    email.value && some.value ? `to those for whom: ${audienceWords(email.value.only, people.kit)}` : 'to everybody in it',
);
/** What is not written yet begins with when it goes out; what is, with its words. */
const unfolded = email.value?.subject === '';
onMounted(() => people.load().catch(toasts.trouble));
const { pages, fields } = useEmailFields();
const setTiming = (timing: Timing) => store.edit('email', props.id, { timing }, 'when the email goes out', true);

async function takeOut(): Promise<void> {
    const target = email.value;
    if (!target) {
        return;
    }
    try {
        await router.push(`/funnels/${store.funnel?.id}`);
        await steps.remove(target);
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <div v-if="email" class="h-full min-h-0 overflow-auto px-6 py-4">
        <div class="mx-auto max-w-[54rem] space-y-3">
            <details class="rounded-md border border-line bg-raised" :open="unfolded">
                <summary class="cursor-pointer px-4 py-2.5">
                    <span class="font-medium">{{ email.name }}</span>
                    <span class="text-soft"> · {{ email.timingWords }} · {{ sequence }} · {{ whom }}</span>
                </summary>
                <div class="space-y-4 border-t border-line p-4">
                    <div class="grid gap-4 sm:grid-cols-2">
                        <TextField
                            :model-value="email.name"
                            label="Private name"
                            @update:model-value="(name: string) => store.edit('email', id, { name }, 'the name of an email')"
                        />
                        <UiListbox
                            :model-value="email.sequence"
                            label="Sequence"
                            :options="store.funnel?.sequences.map((q) => ({ value: q.id, label: q.name })) ?? []"
                            @update:model-value="
                                (sequence: string) => store.edit('email', id, { sequence }, 'the sequence of an email', true)
                            "
                        />
                    </div>
                    <EmailTiming :timing="email.timing" @change="setTiming" />
                    <div>
                        <span class="label">Who gets it</span>
                        <RulesField
                            :model-value="email.only"
                            @update:model-value="(only: Rules) => store.edit('email', id, { only }, 'who gets an email')"
                        />
                        <p class="hint">
                            {{
                                some
                                    ? 'It is looked up when the email is due. Two emails at one time, one for those of whom it holds and one for the others, make a branch.'
                                    : 'Everybody in the sequence.'
                            }}
                        </p>
                    </div>
                </div>
            </details>
            <EmailSheet
                :key="id"
                :path="`emails/${id}`"
                :changed="store.redraw"
                :subject="email.subject"
                :body="email.body"
                :has-lead-magnet="(store.funnel?.leadMagnets.length ?? 0) > 0"
                :pages="pages"
                :fields="fields"
                :deadlines="store.funnel?.deadlines"
                @update:subject="(subject: string) => store.edit('email', id, { subject }, 'the subject')"
                @update:body="(body: string) => store.edit('email', id, { body }, `the words of “${email!.name}”`)"
            />
            <SplitTestSection of="email" :part="id" hint="Send some readers another subject or text, and see which one does more." />
            <button type="button" class="btn-quiet text-clay-deep" @click="takeOut">
                <TrashIcon class="size-4.5" aria-hidden="true" />Remove this email
            </button>
        </div>
    </div>
</template>
