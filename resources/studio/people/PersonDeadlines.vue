<script setup lang="ts">
import { computed, ref } from 'vue';
import { api } from '@/api/client';
import type { Person, PersonDeadline } from '@/api/types';
import { dateTime } from '@/ui/format';
import DateField from '@/ui/DateField.vue';
import UiDialog from '@/ui/UiDialog.vue';
import UiListbox from '@/ui/UiListbox.vue';

/** The deadlines of a person: why they run, until when, and what the owner can do to them. */
const props = defineProps<{ person: Person }>();
const emit = defineEmits<{ act: [work: () => Promise<unknown>, words: string] }>();

const theirs = computed(() => props.person.deadlines.filter((d) => d.state !== 'not-started'));
const startable = computed(() => props.person.deadlines.filter((d) => d.state !== 'running' && d.canStart));
const starting = ref('');
const moving = ref<PersonDeadline | null>(null);
const until = ref('');

function act(d: PersonDeadline, how: string, words: string, more: object = {}): void {
    emit('act', () => api.post(`people/${props.person.id}/deadlines/${d.id}`, { act: how, ...more }), words);
}
function start(): void {
    const d = startable.value.find((x) => x.id === starting.value) ?? startable.value[0];
    if (d) {
        act(d, 'start', `“${d.name}” runs for them from now on.`);
    }
}
function move(): void {
    if (moving.value && until.value) {
        act(moving.value, 'move', 'Its end is changed. Their emails move along.', { until: until.value });
        moving.value = null;
    }
}
</script>

<template>
    <section v-if="person.deadlines.length > 0" aria-labelledby="deadlines">
        <h2 id="deadlines" class="text-xl">Deadlines</h2>
        <div v-for="d in theirs" :key="d.id" class="border-b border-line py-2" data-test="deadline">
            <p>
                <RouterLink v-if="d.live" class="font-medium hover:underline" :to="`/funnels/${d.funnelId}/deadline/${d.id}`">{{
                    d.name
                }}</RouterLink><span v-else class="font-medium">{{ d.name }}</span>
                <span class="ml-1.5 text-soft">{{ d.funnel }}</span>
                <span
                    class="ml-2 rounded px-1.5 py-0.5 text-sm font-medium"
                    :class="d.state === 'running' ? 'bg-lamp-pale' : 'bg-clay-pale text-clay-deep'"
                    >{{ d.state }}</span
                >
            </p>
            <p>{{ d.state === 'running' ? 'Until' : 'Ended' }} {{ dateTime(d.endsAt) }}</p>
            <p class="caption">Since {{ dateTime(d.startedAt) }}. {{ d.why }}</p>
            <div v-if="d.live && d.canStart" class="mt-0.5 -ml-2 flex flex-wrap">
                <button type="button" class="btn-quiet" @click="((moving = d), (until = ''))">Change its end</button>
                <button v-if="d.state === 'running'" type="button" class="btn-quiet" @click="act(d, 'end', 'It is over for them.')">
                    End it
                </button>
                <button
                    type="button"
                    class="btn-quiet"
                    @click="act(d, 'remove', 'Removed: for them it has never started, and may start again.')"
                >
                    Remove it
                </button>
            </div>
        </div>
        <div v-if="startable.length > 0" class="mt-2 flex items-end gap-2">
            <UiListbox
                class="w-72"
                :model-value="starting || startable[0]!.id"
                label="Start a deadline"
                :options="startable.map((d) => ({ value: d.id, label: `${d.name} · ${d.funnel}` }))"
                @update:model-value="(id: string) => (starting = id)"
            />
            <button type="button" class="btn" @click="start">Start</button>
        </div>
        <UiDialog :open="moving !== null" title="When shall it end?" @close="moving = null">
            <form class="mt-4" @submit.prevent="move">
                <DateField
                    v-model="until"
                    time
                    label="New end"
                    :hint="`On their clock: ${(person.timezone ?? 'your own zone').replaceAll('_', ' ')}.`"
                />
                <button type="submit" class="mt-4 btn-main" :disabled="until === ''">Move it</button>
            </form>
        </UiDialog>
    </section>
</template>
