<script setup lang="ts">
import { ArrowsRightLeftIcon, ChevronDownIcon, ChevronLeftIcon, ChevronUpIcon, PlusIcon } from '@heroicons/vue/20/solid';
import { computed, onMounted, ref } from 'vue';
import { api, ApiError } from '@/api/client';
import type { AutomationRule, RuleList } from '@/api/types';
import { choicesOfBusiness } from '@/rules/choices';
import RuleFields from '@/rules/RuleFields.vue';
import RuleLog from '@/rules/RuleLog.vue';
import { ruleNumbers } from '@/rules/words';
import { usePeopleKit } from '@/stores/peopleKit';
import { usePulse } from '@/stores/pulse';
import { useToasts } from '@/stores/toasts';

/** Rules of the whole business, which are at work as soon as they are saved; and those of funnels, to be seen beside them. */
const toasts = useToasts();
const people = usePeopleKit();
const list = ref<RuleList | null>(null);
const open = ref('');
const trouble = ref('');
const choices = computed(() => choicesOfBusiness(people.kit));

async function load(): Promise<void> {
    try {
        list.value = await api.get<RuleList>('rules');
    } catch (caught) {
        toasts.trouble(caught);
    }
}
onMounted(async () => {
    await people.load().catch(toasts.trouble);
    await load();
});
usePulse(() => (saving ? undefined : load()));

/** One save at a time, so that each knows the revision it is made on. */
let saving: Promise<unknown> | null = null;
async function run(work: () => Promise<unknown>, words = ''): Promise<void> {
    const before = saving;
    const mine = (async () => {
        await before;
        trouble.value = '';
        try {
            await work();
            if (words) {
                toasts.say(words);
            }
        } catch (caught) {
            if (caught instanceof ApiError && caught.status === 422) {
                trouble.value = caught.message;
            } else {
                toasts.trouble(caught);
            }
        }
        await load();
    })();
    saving = mine;
    await mine;
    if (saving === mine) {
        saving = null;
    }
}

const find = (id: string) => list.value?.rules.find((r) => r.id === id);
const edit = (id: string, values: Partial<AutomationRule>) =>
    run(() => api.put(`rules/${id}`, { ...values, revision: find(id)?.revision }));
const add = () =>
    run(async () => {
        const made = await api.post<AutomationRule>('rules', { name: `Rule ${(list.value?.rules.length ?? 0) + 1}`, when: [] });
        open.value = made.id;
    });
const setPaused = (rule: AutomationRule, paused: boolean) =>
    run(
        () => api.post(`rules/${rule.id}/${paused ? 'pause' : 'resume'}`),
        paused ? `“${rule.name}” is paused. Nothing sets it off, and what it has waiting waits on.` : `“${rule.name}” is at work again.`,
    );
const remove = (rule: AutomationRule) =>
    run(async () => {
        await api.delete(`rules/${rule.id}`);
        toasts.say(`“${rule.name}” is removed. What it had waiting for people comes to nothing.`, {
            label: 'Undo',
            run: () => run(() => api.post(`rules/${rule.id}/restore`)),
        });
    });
function move(rule: AutomationRule, by: -1 | 1): void {
    const ids = list.value?.rules.map((r) => r.id) ?? [];
    const at = ids.indexOf(rule.id);
    ids.splice(at, 1);
    ids.splice(at + by, 0, rule.id);
    void run(() => api.put('rules/order', { ids }));
}
</script>

<template>
    <div class="mx-auto max-w-4xl px-8 py-10">
        <RouterLink to="/settings" class="-ml-2 btn-quiet"><ChevronLeftIcon class="size-4" aria-hidden="true" />Settings</RouterLink>
        <div class="flex items-center justify-between gap-4">
            <h1 class="text-3xl">Rules</h1>
            <button type="button" class="btn-main" @click="add"><PlusIcon class="size-5" aria-hidden="true" />A rule</button>
        </div>
        <p class="mt-2 text-soft">
            When this happens to somebody, do that: whatever funnel it happens in. These rules are at work as soon as they are saved, in
            this order.
        </p>
        <p v-if="trouble" class="mt-4 rounded bg-clay-pale p-3 text-clay-deep" role="alert">{{ trouble }} It stays as it was.</p>
        <p v-if="list && list.rules.length === 0" class="mt-6 border-t border-line pt-5">
            There is none yet. For example: when somebody becomes warm, tell me by email.
        </p>
        <ul v-if="list" class="mt-6 divide-y divide-line border-t border-line" data-test="rules">
            <li v-for="(rule, i) in list.rules" :key="rule.id" class="py-4">
                <div class="flex items-start gap-3">
                    <ArrowsRightLeftIcon class="mt-1 size-5 shrink-0" :class="rule.paused ? 'text-soft' : 'text-pine'" aria-hidden="true" />
                    <div class="min-w-0 flex-1">
                        <h2 class="font-sans text-base font-semibold">{{ rule.name }}</h2>
                        <p :class="{ 'text-clay-deep': !rule.whole }" data-test="rule-words">{{ rule.words }}</p>
                        <p class="caption" :class="{ 'text-clay-deep': (list.numbers[rule.id]?.trouble ?? 0) > 0 }">
                            {{ ruleNumbers(list.numbers[rule.id], rule.paused) }}
                        </p>
                        <p v-if="rule.circle" class="mt-1 text-clay-deep">It could go round for ever. {{ rule.circle }}</p>
                    </div>
                    <div class="flex shrink-0 items-center gap-1">
                        <button
                            type="button"
                            class="btn-quiet px-1.5"
                            :disabled="i === 0"
                            :aria-label="`Earlier: ${rule.name}`"
                            @click="move(rule, -1)"
                        >
                            <ChevronUpIcon class="size-5" aria-hidden="true" />
                        </button>
                        <button
                            type="button"
                            class="btn-quiet px-1.5"
                            :disabled="i === list.rules.length - 1"
                            :aria-label="`Later: ${rule.name}`"
                            @click="move(rule, 1)"
                        >
                            <ChevronDownIcon class="size-5" aria-hidden="true" />
                        </button>
                        <button type="button" class="btn" :aria-expanded="open === rule.id" @click="open = open === rule.id ? '' : rule.id">
                            {{ open === rule.id ? 'Close' : 'Change' }}
                        </button>
                    </div>
                </div>
                <div v-if="open === rule.id" class="mt-5 space-y-8 pl-8">
                    <RuleFields :rule="rule" :choices="choices" @edit="(values) => edit(rule.id, values)" />
                    <div class="flex gap-2">
                        <button type="button" class="btn" @click="setPaused(rule, !rule.paused)">
                            {{ rule.paused ? 'Resume' : 'Pause' }}
                        </button>
                        <button type="button" class="btn-quiet text-clay-deep" @click="remove(rule)">Remove this rule</button>
                    </div>
                    <RuleLog :rule="rule.id" />
                </div>
            </li>
        </ul>
        <section v-if="list && list.ofFunnels.length > 0" aria-labelledby="of-funnels" class="mt-10">
            <h2 id="of-funnels" class="text-xl">Rules in funnels</h2>
            <p class="mt-1 text-soft">They belong to the draft of their funnel, and are at work as it was published last.</p>
            <ul class="mt-3 divide-y divide-line border-t border-line">
                <li v-for="rule in list.ofFunnels" :key="rule.id" class="py-3">
                    <RouterLink :to="`/funnels/${rule.funnel.id}/automation/${rule.id}`" class="font-semibold hover:underline">{{
                        rule.name
                    }}</RouterLink>
                    <span class="text-soft"> · {{ rule.funnel.name }}{{ rule.live ? '' : ' · not published yet' }}</span>
                    <p>{{ rule.words }}</p>
                    <p class="caption">{{ ruleNumbers(list.numbers[rule.id], rule.paused) }}</p>
                </li>
            </ul>
        </section>
    </div>
</template>
