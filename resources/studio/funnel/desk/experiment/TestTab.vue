<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { api, ApiError, query } from '@/api/client';
import type { SplitTest, TestGoal, Variant } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { TESTED } from '@/funnel/parts';
import { useSteps } from '@/funnel/steps';
import { useToasts } from '@/stores/toasts';
import { count, percent } from '@/ui/format';
import NumberField from '@/ui/NumberField.vue';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';
import UiSwitch from '@/ui/UiSwitch.vue';

/** What is set before a split test begins: what it wants, who sees what, and when it is called. */
const props = defineProps<{ variant: Variant }>();

const store = useFunnel();
const steps = useSteps();
const router = useRouter();
const toasts = useToasts();
const test = computed(() => store.splitTest(props.variant.test)!);
const variants = computed(() => (store.funnel?.variants ?? []).filter((v) => v.test === test.value.id));
const sum = computed(() => test.value.weight + variants.value.reduce((n, v) => n + v.weight, 0));
const share = (weight: number) => (sum.value > 0 ? percent(weight / sum.value, 0) : '–');
const set = (values: Partial<SplitTest>) => store.edit('split-test', test.value.id, values, 'a split test', true);

/** How many it takes, by what there is today. */
const sizes = ref<{ more: number; visitors: number }[]>([]);
const rate = computed(() => {
    const { of, part, goal, usual } = test.value;
    const email = store.funnel?.emailNumbers[part];
    const known = {
        page: store.funnel?.pageNumbers[part]?.rate.rate,
        popup: goal === 'signup' ? store.funnel?.popupNumbers[part]?.rate.rate : 0,
        email: email?.sent ? ((goal === 'open' ? email.opened : goal === 'click' ? email.clicked : 0) ?? 0) / email.sent : 0,
        timing: 0,
    }[of];
    return known || usual;
});
watch(
    () => [rate.value, variants.value.length],
    async () => {
        try {
            const asked = { rate: Math.max(1, Math.min(900, Math.round(rate.value * 1000))), variants: variants.value.length + 1 };
            sizes.value = (await api.get<{ sizes: { more: number; visitors: number }[] }>(`tests/size?${query(asked)}`)).sizes;
        } catch (error) {
            if (!(error instanceof ApiError && error.offline)) {
                toasts.trouble(error);
            }
        }
    },
    { immediate: true },
);

const starting = ref(false);
const trouble = ref('');
async function start(): Promise<void> {
    starting.value = true;
    trouble.value = '';
    try {
        await store.flush();
        await api.post(`split-tests/${test.value.id}/start`);
        await store.load(store.funnel!.id);
        toasts.say(`The split test runs. Its results show as soon as there are ${test.value.who}.`);
        await router.push(`/results/${store.funnel!.id}/tests`);
    } catch (error) {
        trouble.value = error instanceof ApiError ? error.message : '';
        toasts.trouble(error);
    } finally {
        starting.value = false;
    }
}

async function remove(): Promise<void> {
    try {
        const { of, part, id } = test.value;
        const last = variants.value.length === 1;
        await steps.remove(props.variant);
        if (last) {
            await steps.remove({ id, name: 'Split test' });
        }
        await router.push(`/funnels/${store.funnel!.id}/${TESTED[of]}/${part}`);
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <div class="space-y-6">
        <section class="space-y-3">
            <h2 class="text-lg">Variant {{ variant.letter.toUpperCase() }}</h2>
            <TextField
                :model-value="variant.name"
                label="What is different"
                hint="A note for you. Results speak of it."
                :maxlength="120"
                @update:model-value="(name: string) => store.edit('variant', variant.id, { name }, 'the note of a variant')"
            />
            <p v-if="variant.differs.length === 0" class="rounded-md bg-lamp-pale px-3 py-2 text-sm" role="note">
                It is still a copy. Change what you want to test: one thing at a time tells you most.
            </p>
            <ul v-else class="list-disc pl-5 text-sm text-soft" data-test="differs">
                <li v-for="d in variant.differs" :key="d">{{ d }}</li>
            </ul>
        </section>
        <template v-if="!test.on">
            <section class="space-y-3">
                <h2 class="text-lg">The test</h2>
                <UiListbox
                    :model-value="test.goal"
                    label="Wants more"
                    :options="test.goals"
                    @update:model-value="(goal: TestGoal) => set({ goal })"
                />
                <p v-if="test.goal === 'open'" class="hint">
                    Mail programs open by themselves, in both variants alike: the difference shows, but it takes longer. Clicks are sure.
                </p>
                <div class="space-y-2">
                    <p class="label">{{ test.who === 'readers' ? 'Who gets what' : 'Who sees what' }}</p>
                    <div class="flex items-end gap-3">
                        <NumberField
                            class="w-20"
                            :model-value="test.weight"
                            :least="0"
                            :most="100"
                            label="A"
                            @update:model-value="(weight) => set({ weight })"
                        /><span class="pb-2 text-soft">{{ share(test.weight) }} of {{ test.who }}</span>
                    </div>
                    <div v-for="v in variants" :key="v.id" class="flex items-end gap-3">
                        <NumberField
                            class="w-20"
                            :model-value="v.weight"
                            :least="0"
                            :most="100"
                            :label="v.letter.toUpperCase()"
                            @update:model-value="(weight) => store.edit('variant', v.id, { weight }, 'who sees a variant', true)"
                        /><span class="pb-2 text-soft">{{ share(v.weight) }} of {{ test.who }}</span>
                    </div>
                </div>
                <NumberField
                    :model-value="test.mostDays"
                    :least="14"
                    :most="120"
                    label="Wait at most"
                    unit="days"
                    @update:model-value="(mostDays) => set({ mostDays })"
                />
                <UiSwitch
                    :model-value="test.byItself"
                    label="Give everybody the winner as soon as there is one"
                    @update:model-value="(byItself) => set({ byItself })"
                />
                <p class="hint">
                    A winner is named after a week at the earliest, and by mistake in at most five of a hundred tests, however often you
                    look.
                </p>
            </section>
            <section v-if="sizes.length > 0">
                <h2 class="text-lg">How long it takes</h2>
                <table class="mt-1 w-full text-right text-sm" data-test="sizes">
                    <tbody>
                        <tr v-for="s in sizes" :key="s.more" class="border-b border-line">
                            <td class="py-1 text-left">To find {{ s.more }} % more</td>
                            <td>{{ count(s.visitors) }} {{ test.who }}</td>
                        </tr>
                    </tbody>
                </table>
                <p class="hint">In eight of ten tests, from {{ percent(rate) }} today.</p>
            </section>
            <section class="space-y-2">
                <button type="button" class="btn-main w-full" :disabled="starting" @click="start">Start the split test</button>
                <p v-if="trouble" class="text-sm text-clay-deep" role="alert">{{ trouble }}</p>
                <p class="hint">It publishes version {{ store.funnel!.nextVersion }}, with everything you have changed in this funnel.</p>
                <button type="button" class="btn w-full text-clay-deep" @click="remove">Remove this variant</button>
            </section>
        </template>
        <section v-else class="space-y-2">
            <p>The split test runs: what you change on a variant now spoils it once it is published.</p>
            <RouterLink class="btn-main w-full" :to="`/results/${store.funnel!.id}/tests`">See its results</RouterLink>
        </section>
    </div>
</template>
