<script setup lang="ts">
import { PlusIcon, XMarkIcon } from '@heroicons/vue/20/solid';
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import type { Guide } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { useGuideSteps, type Reminder } from '@/funnel/guideSteps';
import { partPath } from '@/funnel/parts';
import { useToasts } from '@/stores/toasts';
import NumberField from '@/ui/NumberField.vue';
import UiDialog from '@/ui/UiDialog.vue';
import UiListbox from '@/ui/UiListbox.vue';

/** On which days who is reminded of a guide: a sequence comes of it, which can be changed like any other. */
const props = defineProps<{ open: boolean; guide: Guide }>();
const emit = defineEmits<{ close: [] }>();

const store = useFunnel();
const steps = useGuideSteps();
const router = useRouter();
const toasts = useToasts();
const busy = ref(false);
const list = ref<Reminder[]>([
    { days: 1, not: 'begun' },
    { days: 3, not: 'finished' },
    { days: 7, not: 'finished' },
]);
const WHOM: { value: Reminder['not']; label: string }[] = [
    { value: 'begun', label: 'those who have not begun' },
    { value: 'finished', label: 'those who have not finished' },
];
function more(): void {
    list.value.push({ days: Math.max(0, ...list.value.map((r) => r.days)) + 3, not: 'finished' });
}
async function make(): Promise<void> {
    busy.value = true;
    try {
        const sequence = await steps.remind(props.guide.id, list.value);
        emit('close');
        await router.push(partPath(store.funnel!, 'sequence', sequence));
    } catch (error) {
        toasts.trouble(error);
    } finally {
        busy.value = false;
    }
}
</script>

<template>
    <UiDialog :open="open" title="Who is reminded, and when?" @close="emit('close')">
        <p class="mt-2 text-soft">
            Each is an email that leads to where its reader left off. Whoever finishes the guide gets none of them any more.
        </p>
        <ul class="mt-4 space-y-3">
            <li v-for="(reminder, i) in list" :key="i" class="grid grid-cols-[9rem_1fr_auto] items-end gap-3">
                <NumberField
                    v-model="reminder.days"
                    :least="1"
                    :most="365"
                    label="After joining"
                    hide-label
                    :unit="reminder.days === 1 ? 'day' : 'days'"
                />
                <UiListbox v-model="reminder.not" :options="WHOM" label="To whom" hide-label />
                <button type="button" class="btn-quiet px-1.5" aria-label="Remove this one" @click="list.splice(i, 1)">
                    <XMarkIcon class="size-5" aria-hidden="true" />
                </button>
            </li>
        </ul>
        <button v-if="list.length < 10" type="button" class="mt-2 -ml-2 btn-quiet" @click="more">
            <PlusIcon class="size-4.5" aria-hidden="true" />One more
        </button>
        <div class="mt-6 flex gap-3">
            <button type="button" class="btn-main" :disabled="busy || list.length === 0" @click="make">Write these emails</button>
            <button type="button" class="btn-quiet" @click="emit('close')">Cancel</button>
        </div>
    </UiDialog>
</template>
