<script setup lang="ts">
import { ChatBubbleLeftRightIcon, EnvelopeIcon } from '@heroicons/vue/20/solid';
import { watchDebounced } from '@vueuse/core';
import { computed, onMounted, ref } from 'vue';
import { api } from '@/api/client';
import type { WarmPerson, WarmthList, WarmthMove, WarmthWeights } from '@/api/types';
import { peopleTabs } from '@/people/tabs';
import WarmthMark from '@/people/WarmthMark.vue';
import WarmthSuggestions from '@/people/WarmthSuggestions.vue';
import { usePulse } from '@/stores/pulse';
import { useToasts } from '@/stores/toasts';
import { ago, count, counted } from '@/ui/format';
import ScreenTabs from '@/ui/ScreenTabs.vue';
import UiSwitch from '@/ui/UiSwitch.vue';

/** Whom to write to first, and why; and what it goes by, to be changed with sliders. */
const toasts = useToasts();
const list = ref<WarmthList | null>(null);
/** What is tried: points by action, and the half-life. */
const tried = ref<{ points: Record<string, number>; halfLife: number } | null>(null);
const moves = ref<WarmthMove[]>([]);
const busy = ref(false);
const asTried = (w: WarmthWeights) => ({ points: Object.fromEntries(w.actions.map((a) => [a.id, a.points])), halfLife: w.halfLife });
function withPoints(action: string, points: number) {
    const now = tried.value ?? asTried(list.value!.weights);
    return { ...now, points: { ...now.points, [action]: points } };
}
const changed = computed(() => tried.value !== null && JSON.stringify(tried.value) !== JSON.stringify(asTried(list.value!.weights)));

async function load(): Promise<void> {
    try {
        list.value = await api.get<WarmthList>('warmth');
    } catch (error) {
        toasts.trouble(error);
    }
}
onMounted(load);
usePulse(load);

watchDebounced(
    () => JSON.stringify(tried.value),
    async () => {
        if (!changed.value) {
            moves.value = [];
            return;
        }
        try {
            moves.value = (await api.post<{ people: WarmthMove[] }>('warmth/preview', tried.value!)).people;
        } catch (error) {
            toasts.trouble(error);
        }
    },
    { debounce: 250 },
);

async function run(work: () => Promise<unknown>, words = '', undo?: () => Promise<unknown>): Promise<void> {
    busy.value = true;
    try {
        await work();
        await load();
        if (words) {
            toasts.say(words, undo && { label: 'Undo', run: () => run(undo) });
        }
    } catch (error) {
        toasts.trouble(error);
    } finally {
        busy.value = false;
    }
}
const keep = () =>
    run(async () => {
        await api.put('warmth', tried.value!);
        tried.value = null;
        moves.value = [];
    }, 'Everybody’s warmth is worked out by the new weights.');
const spoken = (p: WarmPerson) =>
    run(
        () => api.post(`people/${p.id}/spoken`),
        `You have spoken to ${p.name || p.email}. They are left out of this list for two weeks.`,
        () => api.delete(`people/${p.id}/spoken`),
    );
</script>

<template>
    <div class="mx-auto max-w-6xl px-8 py-8">
        <h1 class="text-3xl">People</h1>
        <ScreenTabs class="mt-4" :tabs="peopleTabs" />
        <div v-if="list" class="mt-5 grid gap-x-12 gap-y-8 lg:grid-cols-[1.7fr_1fr]">
            <section aria-labelledby="first" class="min-w-0">
                <h2 id="first" class="text-2xl">Write to these first</h2>
                <p class="mt-1 text-soft">
                    <template v-for="(b, i) in list.bands" :key="b.band"
                        >{{ i > 0 ? ' · ' : '' }}{{ count(b.people) }} {{ b.label.toLowerCase() }}</template
                    >
                </p>
                <UiSwitch
                    class="mt-3"
                    :model-value="list.notices"
                    label="Tell me by email when somebody becomes warm"
                    @update:model-value="(on: boolean) => run(() => api.put('warmth/notices', { on }))"
                />
                <ol class="mt-3" data-test="first">
                    <li v-for="p in list.people" :key="p.id" class="flex items-start justify-between gap-4 border-b border-line py-3">
                        <div class="min-w-0">
                            <RouterLink :to="`/people/${p.id}`" class="font-medium hover:underline">{{ p.name || p.email }}</RouterLink>
                            <WarmthMark class="ml-3" :score="p.score" :band="p.band" :label="p.bandLabel" />
                            <span class="mt-0.5 block text-soft"
                                >{{ p.reason }}<template v-if="p.activeAt"> Last seen {{ ago(p.activeAt) }}.</template></span
                            >
                        </div>
                        <div class="flex shrink-0 gap-1">
                            <a class="btn" :href="`mailto:${p.email}`"><EnvelopeIcon class="size-4.5" aria-hidden="true" />Write</a>
                            <button type="button" class="btn" :disabled="busy" @click="spoken(p)">
                                <ChatBubbleLeftRightIcon class="size-4.5" aria-hidden="true" />Spoken to
                            </button>
                        </div>
                    </li>
                </ol>
                <p v-if="list.people.length === 0" class="mt-3 text-soft">
                    Nobody is warm enough yet. Whoever clicks, comes to a webinar or looks at a sales page shows up here, with the reason.
                </p>
            </section>
            <section aria-labelledby="weights">
                <h2 id="weights" class="text-xl">What it goes by</h2>
                <p class="hint">Each counts once a day, and fades by half with each half-life.</p>
                <div class="mt-3 space-y-3">
                    <label class="block">
                        <span class="flex justify-between"
                            ><span>Half-life</span
                            ><span class="font-medium">{{ counted((tried ?? list.weights).halfLife, 'day') }}</span></span
                        >
                        <input
                            class="w-full accent-pine"
                            type="range"
                            min="1"
                            :max="list.weights.mostDays"
                            :value="(tried ?? list.weights).halfLife"
                            aria-label="Half-life in days"
                            @input="
                                tried = {
                                    ...(tried ?? asTried(list.weights)),
                                    halfLife: Number(($event.target as HTMLInputElement).value),
                                }
                            "
                        />
                    </label>
                    <label v-for="a in list.weights.actions" :key="a.id" class="block">
                        <span class="flex justify-between"
                            ><span>{{ a.label }}</span
                            ><span class="font-medium">{{ tried?.points[a.id] ?? a.points }}</span></span
                        >
                        <input
                            class="w-full accent-pine"
                            type="range"
                            min="0"
                            :max="list.weights.most"
                            :value="tried?.points[a.id] ?? a.points"
                            :aria-label="`Points for: ${a.label}`"
                            @input="tried = withPoints(a.id, Number(($event.target as HTMLInputElement).value))"
                        />
                    </label>
                </div>
                <WarmthSuggestions
                    :points="(tried ?? asTried(list.weights)).points"
                    @use="(action, points) => (tried = withPoints(action, points))"
                />
                <div v-if="changed" class="sticky bottom-0 mt-4 space-y-2 border-t border-line bg-paper py-3" data-test="moves">
                    <h3 class="label">With these weights</h3>
                    <ol class="max-h-56 overflow-auto">
                        <li v-for="m in moves" :key="m.id" class="flex justify-between gap-3 py-0.5 text-sm">
                            <span class="truncate">{{ m.name }}</span>
                            <span class="whitespace-nowrap"
                                >{{ m.now }} → <span class="font-medium">{{ m.then }}</span></span
                            >
                        </li>
                    </ol>
                    <div class="flex gap-2">
                        <button type="button" class="btn-main" :disabled="busy" @click="keep">Take them over</button>
                        <button
                            type="button"
                            class="btn"
                            @click="
                                tried = null;
                                moves = [];
                            "
                        >
                            As before
                        </button>
                    </div>
                </div>
            </section>
        </div>
    </div>
</template>
