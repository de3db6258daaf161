<script setup lang="ts">
import { ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { api, query } from '@/api/client';
import type { Funnel, Leak, Leaks } from '@/api/types';
import { beginTest } from '@/results/beginTest';
import CsvLink from '@/results/CsvLink.vue';
import { useToasts } from '@/stores/toasts';
import { percent } from '@/ui/format';
import type { ResultPeriod } from '@/results/period';

/** Where a funnel loses people: each step beside what is known to be possible, the worst first. */
const props = defineProps<{ funnel: string; period: ResultPeriod }>();

const toasts = useToasts();
const router = useRouter();
const answer = ref<Leaks | null>(null);
const draft = ref<Funnel | null>(null);

async function load(): Promise<void> {
    try {
        [answer.value, draft.value] = await Promise.all([
            api.get<Leaks>(`funnels/${props.funnel}/leaks?${query(props.period)}`),
            api.get<Funnel>(`funnels/${props.funnel}`),
        ]);
    } catch (error) {
        toasts.trouble(error);
    }
}
watch(() => [props.funnel, props.period], load, { immediate: true });

/** Where something that can be tried is done. */
function placeOf(leak: Leak, to: Leak['tries'][number]['to']): string {
    const funnel = draft.value!;
    const at = (path: string) => `/funnels/${funnel.id}/${path}`;
    const page = funnel.pages.find((p) => p.id === leak.page) ?? funnel.pages[0];
    const onPage = JSON.stringify(page?.document ?? {});
    switch (to) {
        case 'form': {
            const form = funnel.forms.find((f) => onPage.includes(f.id)) ?? funnel.forms[0];
            return form ? at(`form/${form.id}`) : at('');
        }
        case 'email':
            return funnel.sequences[0] ? at(`sequence/${funnel.sequences[0].id}`) : at('');
        case 'webinar':
            return funnel.webinars[0] ? at(`webinar/${funnel.webinars[0].id}`) : at('');
        case 'offers':
            return at('offers');
        default:
            return page ? at(`page/${page.id}`) : at('');
    }
}

async function test(leak: Leak): Promise<void> {
    try {
        await router.push(await beginTest(draft.value!, leak.page));
    } catch (error) {
        toasts.trouble(error);
    }
}
const most = (leak: Leak) => Math.max(leak.reference, leak.usual?.high ?? 0, leak.rate.high ?? 0) * 1.1;
const at = (leak: Leak, value: number) => `${Math.min(100, (100 * value) / most(leak))}%`;
</script>

<template>
    <div v-if="answer && draft" class="mt-5">
        <p class="max-w-3xl text-lg" data-test="worst">
            <template v-if="answer.leaks[0]">The worst leak is at “{{ answer.leaks[0].name }}”. {{ answer.leaks[0].gain }}</template
            ><template v-else>No leak is to be seen: every step goes as well as anything that is known to be possible.</template>
        </p>
        <ol class="mt-5 space-y-6">
            <li v-for="(leak, i) in answer.leaks" :key="leak.kind + leak.page" class="border-t border-line pt-4" data-test="leak">
                <h2 class="text-lg">{{ i + 1 }}. {{ leak.name }}</h2>
                <p class="mt-1">{{ leak.sentence }}</p>
                <div class="relative mt-3 h-4 max-w-2xl rounded bg-line" aria-hidden="true">
                    <span
                        v-if="leak.usual"
                        class="absolute inset-y-0 rounded bg-pine/25"
                        :style="{ left: at(leak, leak.usual.low), right: `calc(100% - ${at(leak, leak.usual.high)})` }"
                    ></span>
                    <span
                        class="absolute inset-y-1 rounded bg-clay/60"
                        :style="{ left: at(leak, leak.rate.low ?? 0), right: `calc(100% - ${at(leak, leak.rate.high ?? 0)})` }"
                    ></span>
                    <span class="absolute inset-y-0 w-0.5 bg-clay-deep" :style="{ left: at(leak, leak.rate.rate ?? 0) }"></span>
                    <span class="absolute -inset-y-1 w-0.5 bg-pine" :style="{ left: at(leak, leak.reference) }"></span>
                </div>
                <p class="mt-1 max-w-2xl caption">
                    Yours {{ percent(leak.rate.rate, 1)
                    }}<template v-if="leak.usual"> · usual {{ percent(leak.usual.low, 0) }} to {{ percent(leak.usual.high, 0) }}</template
                    ><template v-if="leak.past && leak.past.rate !== null"> · before {{ percent(leak.past.rate, 1) }}</template
                    ><template v-if="leak.other"> · “{{ leak.otherName }}” {{ percent(leak.other.rate, 1) }}</template>
                </p>
                <p v-if="i > 0" class="mt-2">{{ leak.gain }}</p>
                <ul class="mt-2 space-y-1">
                    <li v-for="t in leak.tries" :key="t.words">
                        <button v-if="t.to === 'test'" type="button" class="link" @click="test(leak)">{{ t.words }}</button>
                        <RouterLink v-else class="link" :to="placeOf(leak, t.to)">{{ t.words }}</RouterLink>
                    </li>
                </ul>
            </li>
        </ol>
        <template v-if="answer.quiet.length > 0">
            <h2 class="mt-8 text-lg">The other steps</h2>
            <ul class="mt-1 list-disc space-y-1 pl-5 text-soft">
                <li v-for="q in answer.quiet" :key="q">{{ q }}</li>
            </ul>
        </template>
        <CsvLink
            v-if="answer.leaks.length > 0"
            class="mt-4 inline-flex"
            name="leaks"
            :head="['step', 'share', 'share at least', 'share at most', 'could be', 'what it would bring']"
            :rows="answer.leaks.map((l) => [l.name, l.rate.rate, l.rate.low, l.rate.high, l.reference, l.gain])"
        />
        <p class="hint">
            Usual means rules of thumb of the trade, wide as they are. Each gain assumes that this one step comes up to its reference and
            all else stays as it is; the range is how sure your own rate is.
        </p>
    </div>
</template>
