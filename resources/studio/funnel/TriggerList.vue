<script setup lang="ts">
import { PlusIcon, XMarkIcon } from '@heroicons/vue/20/solid';
import { computed, ref, useId } from 'vue';
import type { Trigger } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import {
    fieldsOf,
    fresh,
    isComplete,
    replaced,
    unique,
    USUAL_HOURS,
    USUAL_SHARE,
    written,
    wordsOf,
    type Fields,
    type Option,
} from '@/funnel/triggerKit';
import { without } from '@/funnel/triggers';
import { choicesOfFunnel, type Choices } from '@/rules/choices';
import { usePeopleKit } from '@/stores/peopleKit';
import { useSession } from '@/stores/session';
import { useToasts } from '@/stores/toasts';
import NumberField from '@/ui/NumberField.vue';
import UiListbox from '@/ui/UiListbox.vue';
import { vKept } from '@/ui/kept';

/** What something waits for: a list one adds to, drawn from what the server says of each kind. Any one of them is enough. */
const model = defineModel<Trigger[]>({ required: true });
const props = defineProps<{
    /** Before the first of them, such as "Starts when". */
    first: string;
    /** On the button, while there is none yet, and once there is one. */
    none: string;
    more: string;
    /** For those who hear the page read: what is chosen here. */
    label: string;
    /** What can be chosen; of the funnel that is open where nothing is said. */
    choices?: Choices;
}>();

const store = useFunnel();
const session = useSession();
const people = usePeopleKit();
const toasts = useToasts();
if (people.kit.rules.length === 0) {
    people.load().catch(toasts.trouble);
}
const id = useId();

const kinds = computed(() => session.kit.triggers);
const kindOptions = computed(() => kinds.value.map((k) => ({ value: k.kind, label: wordsOf(k) })));
const whatOf = (kind: string, field: string) => kinds.value.find((k) => k.kind === kind)?.fields[field] ?? '';

const options = (what: string): Option[] => (props.choices ?? choicesOfFunnel(store.funnel, people.kit))(what);

/** Rows in which something is still to be chosen: they are nobody's business but this list's. */
const unfinished = ref<Fields[]>([]);
const rows = computed(() => [
    ...model.value.map((t) => ({ fields: t as unknown as Fields, was: t as Trigger | null })),
    ...unfinished.value.map((fields) => ({ fields, was: null })),
]);

function take(was: Trigger | null, before: Fields, now: Fields): void {
    if (!isComplete(kinds.value, now)) {
        // One that was complete stays in force until it is so again.
        if (was === null) {
            unfinished.value = unfinished.value.map((u) => (u === before ? now : u));
        } else {
            toasts.say('Something is missing there: it stays as it was.');
        }
        return;
    }
    const trigger = written(kinds.value, now);
    unfinished.value = unfinished.value.filter((u) => u !== before);
    model.value = was === null ? unique([...model.value, trigger]) : replaced(model.value, was, trigger);
}
function setKind(row: { fields: Fields; was: Trigger | null }, kind: string): void {
    const next = fresh(kinds.value, kind, options, model.value);
    if (isComplete(kinds.value, next)) {
        take(row.was, row.fields, next);
        return;
    }
    if (options(whatOf(kind, fieldsOf(kinds.value, kind)[0] ?? '')).length === 0 && whatOf(kind, 'tag') === '') {
        toasts.say('There is nothing of this kind in the funnel yet.');
        return;
    }
    remove(row);
    unfinished.value = [...unfinished.value, next];
}
const set = (row: { fields: Fields; was: Trigger | null }, field: string, value: string | number | boolean) =>
    take(row.was, row.fields, { ...row.fields, [field]: value });
function remove(row: { fields: Fields; was: Trigger | null }): void {
    if (row.was === null) {
        unfinished.value = unfinished.value.filter((u) => u !== row.fields);
    } else {
        model.value = without(model.value, row.was);
    }
}
function add(): void {
    // A click in an email where there is one, for that is when somebody says they are interested.
    for (const kind of ['click', 'form', 'page', 'bought']) {
        const next = fresh(kinds.value, kind, options, model.value);
        if (isComplete(kinds.value, next) && unique([...model.value, written(kinds.value, next)]).length > model.value.length) {
            model.value = [...model.value, written(kinds.value, next)];
            return;
        }
    }
    unfinished.value = [...unfinished.value, { kind: 'tag', tag: '' }];
}
/** Days after a day, or before it. */
const dayWords = (n: number) => (n === 0 ? 'days: the day itself' : n < 0 ? 'days: before it' : 'days after it');
const typed = (event: Event) => (event.target as HTMLInputElement).value;
</script>

<template>
    <div role="group" :aria-label="props.label" class="space-y-2">
        <div v-for="(row, i) in rows" :key="JSON.stringify(row.fields) + i" class="grid grid-cols-[auto_1fr_auto] items-start gap-2">
            <span class="w-24 pt-2 whitespace-nowrap text-soft">{{ i === 0 ? props.first : 'or when' }}</span>
            <div class="flex flex-wrap items-center gap-2">
                <UiListbox
                    class="min-w-48 flex-1"
                    :model-value="String(row.fields.kind)"
                    :options="kindOptions"
                    :label="props.label"
                    hide-label
                    @update:model-value="(kind: string) => setKind(row, kind)"
                />
                <template v-for="field in fieldsOf(kinds, String(row.fields.kind))" :key="field">
                    <template v-if="whatOf(String(row.fields.kind), field) === 'tag'">
                        <input
                            v-kept="String(row.fields[field] ?? '')"
                            class="input min-w-48 flex-1"
                            type="text"
                            maxlength="60"
                            :list="`${id}-tags`"
                            aria-label="Which tag"
                            placeholder="The name of a tag"
                            @change="(e) => set(row, field, typed(e))"
                        />
                    </template>
                    <NumberField
                        v-else-if="whatOf(String(row.fields.kind), field) === 'times'"
                        :model-value="Number(row.fields[field] ?? 1)"
                        :least="1"
                        :most="20"
                        label="How many times"
                        hide-label
                        :unit="Number(row.fields[field] ?? 1) > 1 ? 'times' : 'time'"
                        @update:model-value="(n) => set(row, field, String(n))"
                    />
                    <NumberField
                        v-else-if="whatOf(String(row.fields.kind), field) === 'share'"
                        :model-value="Number(row.fields[field] ?? USUAL_SHARE)"
                        :least="10"
                        :most="100"
                        label="How much of it"
                        hide-label
                        unit="% of it"
                        @update:model-value="(n) => set(row, field, String(n))"
                    />
                    <NumberField
                        v-else-if="whatOf(String(row.fields.kind), field) === 'hours'"
                        :model-value="Number(row.fields[field] ?? USUAL_HOURS)"
                        :least="1"
                        :most="720"
                        label="How many hours before the end"
                        hide-label
                        unit="hours before its end"
                        @update:model-value="(n) => set(row, field, n)"
                    />
                    <NumberField
                        v-else-if="whatOf(String(row.fields.kind), field) === 'days'"
                        :model-value="Number(row.fields[field] ?? 0)"
                        :least="-90"
                        :most="90"
                        label="How many days after it; less than 0 is before it"
                        hide-label
                        :unit="dayWords(Number(row.fields[field] ?? 0))"
                        @update:model-value="(n) => set(row, field, n)"
                    />
                    <UiListbox
                        v-else-if="whatOf(String(row.fields.kind), field) === 'yearly'"
                        class="w-44"
                        :model-value="row.fields[field] ? 'yearly' : 'once'"
                        :options="[
                            { value: 'once', label: 'that very day' },
                            { value: 'yearly', label: 'every year' },
                        ]"
                        label="Once, or every year"
                        hide-label
                        @update:model-value="(value: string) => set(row, field, value === 'yearly')"
                    />
                    <UiListbox
                        v-else
                        class="min-w-48 flex-1"
                        :model-value="String(row.fields[field] ?? '')"
                        :options="options(whatOf(String(row.fields.kind), field))"
                        label="Which one"
                        hide-label
                        @update:model-value="(value: string) => set(row, field, value)"
                    />
                </template>
            </div>
            <button type="button" class="btn-quiet px-1.5" aria-label="Remove this one" @click="remove(row)">
                <XMarkIcon class="size-5" aria-hidden="true" />
            </button>
        </div>
        <button type="button" class="-ml-2 btn-quiet" @click="add">
            <PlusIcon class="size-4.5" aria-hidden="true" />{{ rows.length === 0 ? props.none : props.more }}
        </button>
        <datalist :id="`${id}-tags`"><option v-for="t in people.kit.tags" :key="t.name" :value="t.name" /></datalist>
    </div>
</template>
