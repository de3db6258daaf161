<script setup lang="ts">
import { PlusIcon, XMarkIcon } from '@heroicons/vue/20/solid';
import { computed, ref, useId, watch } from 'vue';
import type { Act } from '@/api/types';
import { cleaned, fieldsOf, fresh, isComplete, lacks } from '@/rules/acts';
import type { Choices } from '@/rules/choices';
import { useSession } from '@/stores/session';
import { useToasts } from '@/stores/toasts';
import UiListbox from '@/ui/UiListbox.vue';
import { vKept } from '@/ui/kept';
import { copy } from '@/ui/patches';

/** What a rule does, in order. A row in which something is still missing is nobody's business but this list's. */
const model = defineModel<Act[]>({ required: true });
const props = defineProps<{ choices: Choices }>();

const TODAY = '{{today}}';
const session = useSession();
const toasts = useToasts();
const id = useId();
const kinds = computed(() => session.kit.acts);
const options = computed(() => kinds.value.map((k) => ({ value: k.kind, label: k.label })));
const rows = ref<Act[]>(copy(model.value));
const whole = () => rows.value.filter((r) => isComplete(kinds.value, r)).map((r) => cleaned(kinds.value, r));
watch(model, (now) => {
    if (JSON.stringify(now) !== JSON.stringify(whole())) {
        rows.value = copy(now);
    }
});

function put(next: Act[]): void {
    rows.value = next;
    if (JSON.stringify(whole()) !== JSON.stringify(model.value)) {
        model.value = whole();
    }
}
const replace = (i: number, act: Act) => put(rows.value.map((r, j) => (j === i ? act : r)));
function setKind(i: number, kind: string): void {
    if (lacks(kinds.value, kind, props.choices)) {
        toasts.say('There is nothing of this kind yet.');
        return;
    }
    replace(i, fresh(kinds.value, kind, props.choices));
}
const set = (i: number, field: string, value: string) => replace(i, { ...rows.value[i]!, [field]: value });
const typed = (event: Event) => (event.target as HTMLInputElement).value;
const PLACEHOLDERS: Record<string, string> = {
    tag: 'The name of a tag',
    value: 'Leave empty to empty it',
    words: 'In your own words',
    address: 'https://…',
};
const LABELS: Record<string, string> = { tag: 'Which tag', value: 'Its new value', words: 'The words', address: 'The web address' };
</script>

<template>
    <div role="group" aria-label="What it does" class="space-y-2">
        <div v-for="(row, i) in rows" :key="i" class="grid grid-cols-[auto_1fr_auto] items-start gap-2">
            <span class="w-24 pt-2 text-soft">{{ i === 0 ? '' : 'and then' }}</span>
            <div class="flex flex-wrap items-center gap-2">
                <UiListbox
                    class="min-w-48 flex-1"
                    :model-value="row.kind"
                    :options="options"
                    label="What it does"
                    hide-label
                    @update:model-value="(kind: string) => setKind(i, kind)"
                />
                <template v-for="[field, what] in fieldsOf(kinds, row.kind)" :key="field">
                    <template v-if="['tag', 'value', 'words', 'address'].includes(what)">
                        <span v-if="what === 'value' && row[field] === TODAY" class="flex min-w-48 flex-1 items-center gap-2"
                            >the day on which it happens
                            <button type="button" class="btn-quiet" @click="set(i, field, '')">Change</button></span
                        >
                        <input
                            v-else
                            v-kept="row[field] ?? ''"
                            class="input min-w-48 flex-1"
                            :type="what === 'address' ? 'url' : 'text'"
                            :maxlength="what === 'tag' ? 60 : 500"
                            :list="what === 'tag' ? `${id}-tags` : undefined"
                            :aria-label="LABELS[what]"
                            :placeholder="PLACEHOLDERS[what]"
                            @change="(e) => set(i, field, typed(e))"
                        />
                        <button v-if="what === 'value' && row[field] === ''" type="button" class="btn-quiet" @click="set(i, field, TODAY)">
                            The day it happens
                        </button>
                    </template>
                    <UiListbox
                        v-else
                        class="min-w-48 flex-1"
                        :model-value="row[field] ?? ''"
                        :options="choices(what)"
                        label="Which one"
                        hide-label
                        @update:model-value="(value: string) => set(i, field, value)"
                    />
                </template>
            </div>
            <button type="button" class="btn-quiet px-1.5" aria-label="Remove this one" @click="put(rows.filter((_, j) => j !== i))">
                <XMarkIcon class="size-5" aria-hidden="true" />
            </button>
        </div>
        <button type="button" class="-ml-2 btn-quiet" @click="put([...rows, { kind: 'tag', tag: '' }])">
            <PlusIcon class="size-4.5" aria-hidden="true" />{{ rows.length === 0 ? 'Choose what it does' : 'Something else it does' }}
        </button>
        <datalist :id="`${id}-tags`"><option v-for="t in choices('tag')" :key="t.value" :value="t.value" /></datalist>
    </div>
</template>
