<script setup lang="ts">
import { CheckCircleIcon, ExclamationTriangleIcon, InformationCircleIcon } from '@heroicons/vue/24/outline';
import { computed, ref } from 'vue';
import type { Broadcast, Finding } from '@/api/types';
import { useSession } from '@/stores/session';
import { counted } from '@/ui/format';
import DateField from '@/ui/DateField.vue';
import UiDialog from '@/ui/UiDialog.vue';

const props = defineProps<{ open: boolean; broadcast: Broadcast; findings: Finding[] }>();
const emit = defineEmits<{ close: []; send: [at: string] }>();

const session = useSession();
const at = ref('');
const later = ref(false);
const blocked = computed(() => props.findings.some((f) => f.blocks));
</script>

<template>
    <UiDialog :open="open" :title="blocked ? 'Not quite ready' : 'Send it?'" @close="emit('close')">
        <p v-if="findings.length === 0" class="mt-3 flex items-center gap-2">
            <CheckCircleIcon class="size-6 text-pine" aria-hidden="true" />No problems found.
        </p>
        <ul v-else class="mt-3 max-h-60 divide-y divide-line overflow-auto">
            <li v-for="f in findings" :key="f.code + f.message" class="flex items-start gap-3 py-2.5">
                <component
                    :is="f.blocks ? ExclamationTriangleIcon : InformationCircleIcon"
                    class="size-6 shrink-0"
                    :class="f.blocks ? 'text-clay' : 'text-soft'"
                    aria-hidden="true"
                /><span>{{ f.message }}</span>
            </li>
        </ul>
        <p v-if="blocked" class="mt-3 text-soft">Fix what is marked first. Nothing has gone out.</p>
        <form v-else class="mt-4 space-y-4" @submit.prevent="emit('send', later ? at : '')">
            <fieldset class="space-y-2">
                <legend class="sr-only">When</legend>
                <label class="flex items-center gap-2.5"
                    ><input v-model="later" type="radio" :value="false" class="size-4 accent-pine" />Now</label
                >
                <label class="flex items-center gap-2.5"
                    ><input v-model="later" type="radio" :value="true" class="size-4 accent-pine" />At a time, by the clock of
                    {{ session.zone.replaceAll('_', ' ') }}</label
                >
                <DateField v-if="later" v-model="at" class="ml-6.5 w-64" time label="Day and time" hide-label />
            </fieldset>
            <p v-if="broadcast.settings.otherSubject" class="text-soft">
                First {{ broadcast.settings.share }} % get one of the two subjects; after
                {{ counted(broadcast.settings.hours, 'hour') }} the better one goes to the rest.
            </p>
            <div class="flex gap-2">
                <button type="submit" class="btn-main" :disabled="later && at === ''">
                    {{ later ? 'Schedule it for' : 'Send it to' }} {{ counted(broadcast.people, 'person', 'people') }}
                </button>
                <button type="button" class="btn-quiet" @click="emit('close')">Not yet</button>
            </div>
        </form>
    </UiDialog>
</template>
