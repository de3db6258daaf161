<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { api, ApiError } from '@/api/client';
import { useToasts } from '@/stores/toasts';
import { dateTime } from '@/ui/format';
import TextField from '@/ui/TextField.vue';
import UiDialog from '@/ui/UiDialog.vue';
import UiListbox from '@/ui/UiListbox.vue';

interface Mood {
    isOutbox: boolean;
    slowMs: number;
    failingUntil: string;
    bouncing: string[];
    complaining: string[];
}

/** The outbox can be told to behave like a mail provider on a bad day, to see what happens then. */
const props = defineProps<{ open: boolean }>();
const emit = defineEmits<{ close: [] }>();

const toasts = useToasts();
const mood = ref<Mood | null>(null);
const bouncing = ref('');
const complaining = ref('');
const failing = ref(0);
const error = ref('');
const isFailing = computed(() => mood.value?.failingUntil && new Date(mood.value.failingUntil) > new Date());

watch(
    () => props.open,
    async (open) => {
        if (!open) {
            return;
        }
        try {
            mood.value = await api.get<Mood>('messages/mood');
            bouncing.value = mood.value.bouncing.join('\n');
            complaining.value = mood.value.complaining.join('\n');
            failing.value = isFailing.value ? -1 : 0;
        } catch (caught) {
            toasts.trouble(caught);
        }
    },
);

async function save(): Promise<void> {
    if (!mood.value) {
        return;
    }
    const lines = (words: string) => words.split(/[\n,]+/).map((l) => l.trim());
    const until =
        failing.value < 0
            ? mood.value.failingUntil
            : failing.value === 0
              ? ''
              : new Date(Date.now() + failing.value * 60_000).toISOString();
    try {
        await api.put('messages/mood', {
            slowMs: mood.value.slowMs,
            failingUntil: until,
            bouncing: lines(bouncing.value),
            complaining: lines(complaining.value),
        });
        toasts.say('The outbox behaves so from now on.');
        emit('close');
    } catch (caught) {
        error.value = caught instanceof ApiError ? caught.message : '';
    }
}
</script>

<template>
    <UiDialog :open="open" title="Simulate delivery problems" @close="emit('close')">
        <form v-if="mood" class="mt-3 space-y-4" novalidate @submit.prevent="save">
            <p class="text-soft">
                {{
                    mood.isOutbox
                        ? 'Messages stay in this outbox. It can behave as a mail provider does when things go wrong, and you see what becomes of your emails.'
                        : 'A real mail server is connected, so nothing here has any effect until you go back to the outbox.'
                }}
            </p>
            <UiListbox
                v-model="mood.slowMs"
                label="How fast it takes a message"
                :options="[
                    { value: 0, label: 'At once' },
                    { value: 250, label: 'In a quarter of a second' },
                    { value: 2000, label: 'In two seconds' },
                ]"
            />
            <UiListbox
                v-model="failing"
                label="Out of order"
                :options="[
                    ...(isFailing ? [{ value: -1, label: `Until ${dateTime(mood.failingUntil)}` }] : []),
                    { value: 0, label: 'No, it works' },
                    { value: 2, label: 'For two minutes' },
                    { value: 60, label: 'For an hour' },
                ]"
            />
            <TextField
                v-model="bouncing"
                label="Mailboxes that do not exist"
                :lines="2"
                hint="Addresses, one a line, or a whole host like @gone.example."
            />
            <TextField v-model="complaining" label="Readers who report what they get as spam" :lines="2" />
            <p v-if="error" class="font-medium text-clay-deep" role="alert">{{ error }}</p>
            <button type="submit" class="btn-main">Save</button>
        </form>
    </UiDialog>
</template>
