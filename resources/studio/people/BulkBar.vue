<script setup lang="ts">
import { computed, ref } from 'vue';
import { api } from '@/api/client';
import { useToasts } from '@/stores/toasts';
import { usePeopleKit } from '@/stores/peopleKit';
import { count, counted } from '@/ui/format';
import UiDialog from '@/ui/UiDialog.vue';
import UiListbox from '@/ui/UiListbox.vue';

/** What can be done to many people at once, each with its way back. */
const props = defineProps<{ chosen: string[]; total: number; filters: Record<string, string | undefined> }>();
const everybody = defineModel<boolean>('everybody', { required: true });
const emit = defineEmits<{ done: []; clear: [] }>();

const toasts = useToasts();
const people = usePeopleKit();
type Kind = 'tag' | 'untag' | 'start' | 'stop' | 'unsubscribe';
const asking = ref<Kind | null>(null);
const of = ref('');
const busy = ref(false);
const many = computed(() => (everybody.value ? props.total : props.chosen.length));
const titles: Record<Kind, string> = {
    tag: 'Which tag is added?',
    untag: 'Which tag is removed?',
    start: 'Which sequence starts for them?',
    stop: 'Which sequence ends for them?',
    unsubscribe: 'Unsubscribe them?',
};
const done: Record<Kind, (n: string) => string> = {
    tag: (n) => `${n} got the tag.`,
    untag: (n) => `${n} lost the tag.`,
    start: (n) => `${n} enter the sequence.`,
    stop: (n) => `${n} leave the sequence.`,
    unsubscribe: (n) => `${n} get no more emails.`,
};

function open(kind: Kind): void {
    of.value =
        kind === 'untag' ? (people.kit.tags[0]?.name ?? '') : ['start', 'stop'].includes(kind) ? (people.kit.sequences[0]?.id ?? '') : '';
    asking.value = kind;
}

async function act(): Promise<void> {
    const kind = asking.value;
    if (!kind) {
        return;
    }
    busy.value = true;
    try {
        const whom = everybody.value ? { everybody: true, ...props.filters } : { ids: props.chosen };
        const act = await api.post<{ id: string; people: number }>('people/acts', { kind, of: of.value, ...whom });
        asking.value = null;
        toasts.say(
            act.people === 0 ? 'There was nothing to change for these people.' : done[kind](counted(act.people, 'person', 'people')),
            {
                label: 'Undo',
                run: async () => {
                    await api.post(`people/acts/${act.id}/undo`);
                    emit('done');
                },
            },
        );
        emit('done');
    } catch (error) {
        toasts.trouble(error);
    } finally {
        busy.value = false;
    }
}
</script>

<template>
    <div class="flex flex-wrap items-center gap-2 rounded-md bg-lamp-pale px-3 py-2" role="toolbar" aria-label="Selected people">
        <strong>{{ counted(many, 'person', 'people') }} selected</strong>
        <button v-if="!everybody && total > chosen.length" type="button" class="link" @click="everybody = true">
            Select all {{ count(total) }}
        </button>
        <span class="ml-auto flex flex-wrap gap-1.5">
            <button type="button" class="btn" @click="open('tag')">Add a tag</button>
            <button type="button" class="btn" @click="open('untag')">Remove a tag</button>
            <button type="button" class="btn" @click="open('start')">Start a sequence</button>
            <button type="button" class="btn" @click="open('stop')">End a sequence</button>
            <button type="button" class="btn" @click="open('unsubscribe')">Unsubscribe</button>
            <button type="button" class="btn-quiet" @click="emit('clear')">Nobody</button>
        </span>
        <UiDialog :open="asking !== null" :title="asking ? titles[asking] : ''" @close="asking = null">
            <form class="mt-4" novalidate @submit.prevent="act">
                <template v-if="asking === 'tag'">
                    <label class="label" for="bulk-tag">Tag</label>
                    <input id="bulk-tag" v-model="of" class="input" maxlength="60" list="bulk-tags" autocomplete="off" />
                    <datalist id="bulk-tags">
                        <option v-for="t in people.kit.tags" :key="t.id" :value="t.name"></option>
                    </datalist>
                    <p class="hint">A tag that starts a sequence starts it for these people, too.</p>
                </template>
                <UiListbox
                    v-else-if="asking === 'untag'"
                    v-model="of"
                    label="Tag"
                    :options="people.kit.tags.map((t) => ({ value: t.name, label: t.name }))"
                />
                <UiListbox
                    v-else-if="asking === 'start' || asking === 'stop'"
                    v-model="of"
                    label="Sequence"
                    :options="people.kit.sequences.map((s) => ({ value: s.id, label: `${s.name} · ${s.funnel}` }))"
                />
                <p v-else>They stay on your list and can come back by themselves. What waits for them is not sent.</p>
                <div class="mt-5 flex gap-2">
                    <button type="submit" class="btn-main" :disabled="busy || (asking !== 'unsubscribe' && of.trim() === '')">
                        {{ busy ? 'One moment …' : `Yes, ${counted(many, 'person', 'people')}` }}
                    </button>
                    <button type="button" class="btn-quiet" @click="asking = null">Not now</button>
                </div>
            </form>
        </UiDialog>
    </div>
</template>
