<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { Choice, Life, Option } from '@/api/types';
import { shortAt } from '@/ui/format';
import UiListbox from '@/ui/UiListbox.vue';

/** What the visitor can do next. */
const props = defineProps<{ life: Life; busy: boolean; zone: string }>();
const emit = defineEmits<{ choose: [Choice] }>();

const GROUPS: { key: Option['group']; title: string }[] = [
    { key: 'page', title: 'On this page' },
    { key: 'popup', title: 'In a pop-up' },
    { key: 'mailbox', title: 'In their mailbox' },
    { key: 'session', title: 'Their session' },
    { key: 'time', title: 'Let time pass' },
    { key: 'device', title: 'Elsewhere' },
];
const groups = computed(() =>
    GROUPS.map((g) => ({ ...g, options: props.life.options.filter((o) => o.group === g.key) })).filter((g) => g.options.length > 0),
);
const pages = computed(() => props.life.options.filter((o) => o.group === 'address'));
const session = ref('');
const bumps = ref<string[]>([]);
watch(
    () => props.life,
    () => {
        session.value = '';
        bumps.value = [];
    },
);
const moment = (iso: string) => shortAt(iso, props.zone);

function choose(option: Option): void {
    emit('choose', {
        ...option.choice,
        ...(option.sessions?.length && session.value ? { session: session.value } : {}),
        ...(option.bumps?.length && bumps.value.length > 0 ? { bumps: bumps.value } : {}),
    });
}
</script>

<template>
    <div class="space-y-4">
        <section v-for="group in groups" :key="group.key">
            <h3 class="mb-1 font-sans text-sm font-semibold text-soft">
                {{ group.key === 'page' && !life.page ? 'They come' : group.title }}
            </h3>
            <ul class="space-y-1.5">
                <li v-for="option in group.options" :key="JSON.stringify(option.choice)">
                    <UiListbox
                        v-if="option.sessions && option.sessions.length > 0"
                        v-model="session"
                        class="mb-1.5"
                        label="Session"
                        :options="[
                            { value: '', label: `The first, ${moment(option.sessions[0]!.at)}` },
                            ...option.sessions.slice(1).map((s) => ({ value: s.key, label: moment(s.at) })),
                        ]"
                    />
                    <p v-else-if="option.sessions" class="caption">No session is offered now.</p>
                    <label v-for="bump in option.bumps ?? []" :key="bump.id" class="mb-1 flex items-center gap-2 text-sm">
                        <input v-model="bumps" type="checkbox" :value="bump.id" class="size-4 accent-pine" />
                        With “{{ bump.name }}”
                    </label>
                    <button
                        type="button"
                        class="btn w-full justify-start text-left whitespace-normal"
                        :disabled="busy"
                        @click="choose(option)"
                    >
                        {{ option.words }}
                    </button>
                </li>
            </ul>
        </section>
        <details>
            <summary class="cursor-pointer text-sm font-semibold text-soft">Open a page by its address</summary>
            <ul class="mt-1.5 space-y-1">
                <li v-for="option in pages" :key="option.choice.of">
                    <button type="button" class="text-left link" :disabled="busy" @click="choose(option)">{{ option.words }}</button>
                </li>
            </ul>
        </details>
    </div>
</template>
