<script setup lang="ts">
import { copy } from '@/ui/copy';
import { CheckCircleIcon } from '@heroicons/vue/24/outline';
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { api, ApiError } from '@/api/client';
import type { AllWays, Choice, Finding, PlayedPromise, RunningDeadline, Version } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import FindingList from '@/funnel/golive/FindingList.vue';
import AllWaysList from '@/rehearsal/AllWaysList.vue';
import { layOut } from '@/rehearsal/useRehearsal';
import PromiseList from '@/rehearsal/PromiseList.vue';
import { useDrawings } from '@/stores/drawings';
import { useToasts } from '@/stores/toasts';
import { count } from '@/ui/format';
import SvgPicture from '@/ui/SvgPicture.vue';
import UiDialog from '@/ui/UiDialog.vue';

const props = defineProps<{ open: boolean }>();
const emit = defineEmits<{ close: [] }>();

const store = useFunnel();
const toasts = useToasts();
const drawings = useDrawings();
const router = useRouter();
const findings = ref<Finding[] | null>(null);
const note = ref('');
const busy = ref(false);
const published = ref<{ version: Version; url: string } | null>(null);
const changes = ref<{ about: string; sentences: string[] }[]>([]);
const affected = ref<{ sequence: string; name: string; people: number; sentences: string[] }[]>([]);
const running = ref<RunningDeadline[]>([]);
const move = ref<string[]>([]);
const promises = ref<PlayedPromise[]>([]);
const ways = ref<AllWays | null>(null);
const brokenPromises = computed(() => promises.value.filter((p) => p.broken.length > 0).length);
const blocked = computed(() => findings.value?.some((f) => f.blocks) ?? true);

watch(
    () => props.open,
    async (open) => {
        if (!open || !store.funnel) {
            return;
        }
        findings.value = null;
        ways.value = null;
        published.value = null;
        try {
            await store.flush();
            const [checked, differs, moved, runs, played] = await Promise.all([
                api.get<{ findings: Finding[] }>(`funnels/${store.funnel.id}/check`),
                api.get<{ changes: { about: string; sentences: string[] }[] }>(`funnels/${store.funnel.id}/changes`),
                api.get<{ affected: typeof affected.value }>(`funnels/${store.funnel.id}/affected`),
                api.get<{ deadlines: RunningDeadline[] }>(`funnels/${store.funnel.id}/running-deadlines`),
                api.get<{ promises: PlayedPromise[] }>(`funnels/${store.funnel.id}/promises`),
            ]);
            affected.value = moved.affected;
            running.value = runs.deadlines;
            promises.value = played.promises;
            // What takes longer comes when it is there.
            ways.value = await api.get<AllWays>(`funnels/${store.funnel.id}/all-ways`);
            move.value = [];
            findings.value = checked.findings;
            changes.value = differs.changes;
        } catch (error) {
            toasts.trouble(error);
        }
    },
);

/** Looks again after something was fixed right here. */
async function check(): Promise<void> {
    try {
        findings.value = (await api.get<{ findings: Finding[] }>(`funnels/${store.funnel!.id}/check`)).findings;
    } catch (error) {
        toasts.trouble(error);
    }
}

async function playAgain(): Promise<void> {
    try {
        promises.value = (await api.get<{ promises: PlayedPromise[] }>(`funnels/${store.funnel!.id}/promises`)).promises;
        await store.load(store.funnel!.id);
    } catch (error) {
        toasts.trouble(error);
    }
}
async function showWay(start: string, way: Choice[]): Promise<void> {
    layOut(store.funnel!.id, ways.value!.visitor, start, way);
    emit('close');
    await router.push(`/funnels/${store.funnel?.id}/rehearsal`);
}
async function rehearse(promise: string): Promise<void> {
    emit('close');
    await router.push(`/funnels/${store.funnel?.id}/rehearsal/${promise}`);
}

/** As it will be: a small drawing of the page that a change is about. */
const pictureOf = (about: string): string | undefined => {
    const pages = store.funnel?.pages.filter((p) => p.name === about) ?? [];
    return pages.length === 1 ? drawings.of(pages[0]!.id) : undefined;
};

async function publish(): Promise<void> {
    if (!store.funnel) {
        return;
    }
    busy.value = true;
    try {
        published.value = await api.post(`funnels/${store.funnel.id}/publish`, { note: note.value, move: move.value });
        note.value = '';
        await store.refreshNumbers();
    } catch (error) {
        if (error instanceof ApiError && Array.isArray(error.body.findings)) {
            findings.value = error.body.findings as Finding[];
        } else {
            toasts.trouble(error);
        }
    } finally {
        busy.value = false;
    }
}

async function openFinding(finding: Finding): Promise<void> {
    emit('close');
    if (finding.open === 'settings') {
        await router.push(finding.code === 'no-pages' ? `/funnels/${store.funnel?.id}` : '/settings');
        return;
    }
    if (finding.open === 'phrases') {
        await router.push(`/funnels/${store.funnel?.id}/phrases`);
        return;
    }
    const place = finding.place ? `?place=${finding.place}` : '';
    await router.push(`/funnels/${store.funnel?.id}/${finding.open === 'way' ? 'page' : finding.open}/${finding.id}${place}`);
}
</script>

<template>
    <UiDialog
        :open="open"
        :title="published ? `Version ${published.version.number} is live` : blocked && findings ? 'Not quite ready' : 'Ready for visitors?'"
        @close="emit('close')"
    >
        <div v-if="published" class="mt-4">
            <p class="flex items-center gap-2 text-lg">
                <CheckCircleIcon class="size-6 text-pine" aria-hidden="true" />Every page went live together. Share this link:
            </p>
            <p
                class="mt-4 rounded-md border border-line bg-paper px-4 py-3 text-lg font-medium break-all select-all"
                data-test="public-url"
            >
                {{ published.url }}
            </p>
            <p class="mt-3 text-soft">
                Try it as a stranger would: open it in a private window and sign up. What you open from the Studio is not counted.
            </p>
            <div class="mt-5 flex gap-2">
                <button type="button" class="btn-main" @click="copy('The link', published?.url ?? '')">Copy the link</button>
                <a class="btn" :href="store.funnel?.openUrl" target="_blank" rel="noopener">Open as a visitor</a>
                <button type="button" class="btn-quiet" @click="emit('close')">Close</button>
            </div>
        </div>
        <div v-else-if="findings" class="mt-3">
            <p v-if="findings.length === 0" class="flex items-center gap-2">
                <CheckCircleIcon class="size-6 text-pine" aria-hidden="true" />No problems found.
            </p>
            <FindingList v-else :findings="findings" @open="openFinding" @fixed="check" />
            <section v-if="brokenPromises > 0" class="mt-3 rounded-md bg-clay-pale px-4 py-3" data-test="broken-promises">
                <h3 class="text-base">
                    {{
                        brokenPromises === 1 ? 'A promise would not hold any more:' : `${brokenPromises} promises would not hold any more:`
                    }}
                </h3>
                <PromiseList :promises="promises" only-broken @show="rehearse" @changed="playAgain" />
            </section>
            <p v-else-if="promises.length > 0" class="mt-3 flex items-center gap-2 text-soft" data-test="promises-hold">
                <CheckCircleIcon class="size-5 text-pine" aria-hidden="true" />{{
                    promises.length === 1 ? 'Your promise holds.' : `All ${promises.length} promises hold.`
                }}
            </p>
            <section v-if="ways && ways.findings.length > 0" class="mt-3 border-t border-line pt-3" data-test="way-findings">
                <h3 class="text-base">Found by trying all ways</h3>
                <AllWaysList :all="ways" only-findings @show="showWay" />
            </section>
            <details v-if="changes.length > 0" class="mt-3" :open="findings.length < 4">
                <summary class="cursor-pointer font-medium">What is different from what is live</summary>
                <ul class="mt-2 max-h-52 space-y-2 overflow-auto" data-test="changes">
                    <li v-for="change in changes" :key="change.about" class="flex gap-3">
                        <SvgPicture
                            v-if="pictureOf(change.about)"
                            class="mt-1 h-14 w-22 shrink-0 border border-line object-cover object-top"
                            :svg="pictureOf(change.about)!"
                        />
                        <div class="min-w-0">
                            <p class="font-medium">{{ change.about }}</p>
                            <p v-for="sentence in change.sentences" :key="sentence" class="text-soft">{{ sentence }}</p>
                        </div>
                    </li>
                </ul>
            </details>
            <section v-for="one in affected" :key="one.sequence" class="mt-3 rounded-md bg-lamp-pale px-4 py-3" data-test="affected">
                <h3 class="text-base">
                    {{ one.people === 1 ? 'One person is' : `${count(one.people)} people are` }} in “{{ one.name }}”. For them:
                </h3>
                <p v-for="sentence in one.sentences" :key="sentence">{{ sentence }}</p>
            </section>
            <fieldset v-for="one in running" :key="one.id" class="mt-3 rounded-md bg-lamp-pale px-4 py-3" data-test="running">
                <legend class="sr-only">Deadlines that run</legend>
                <p v-if="one.kind === 'personal'" class="font-medium">
                    “{{ one.name }}” was the same moment for everyone, who are in it now. It is each person's own from this version on.
                </p>
                <p v-else class="font-medium">
                    “{{ one.name }}” runs for {{ one.running === 1 ? 'one person' : `${count(one.running)} people` }} and
                    {{ one.kind === 'everyone' ? 'is the same moment for everyone from this version on.' : 'has another rule now.' }}
                </p>
                <label class="mt-1.5 flex items-start gap-2.5"
                    ><input
                        type="radio"
                        class="mt-1 size-4 accent-pine"
                        :name="`run-${one.id}`"
                        :checked="!move.includes(one.id)"
                        @change="move = move.filter((m) => m !== one.id)"
                    /><span>{{
                        one.kind === 'personal'
                            ? 'Keep what was promised: that moment holds for everyone until it is over. After it, each person’s own begins.'
                            : 'Keep what was promised: each ends when it was told to them.'
                    }}</span></label
                >
                <label class="mt-1 flex items-start gap-2.5"
                    ><input
                        type="radio"
                        class="mt-1 size-4 accent-pine"
                        :name="`run-${one.id}`"
                        :checked="move.includes(one.id)"
                        @change="move = [...move, one.id]"
                    /><span v-if="one.kind === 'personal'">End it now: for each person it begins anew, as the new rule says.</span
                    ><span v-else
                        >Move them to the new rule: {{ count(one.later) }} end later, {{ count(one.earlier) }} end earlier<template
                            v-if="one.over > 0"
                            >, {{ count(one.over) }} of them at once</template
                        >. Their emails move along.</span
                    ></label
                >
            </fieldset>
            <template v-if="!blocked">
                <label class="mt-4 label" for="publish-note"
                    >What is new? <span class="font-normal text-soft">(a note for yourself, optional)</span></label
                >
                <input id="publish-note" v-model="note" class="input" maxlength="300" autocomplete="off" />
                <div class="mt-5 flex gap-2">
                    <button type="button" class="btn-main" :disabled="busy" @click="publish">
                        {{ busy ? 'Publishing …' : 'Make it live' }}
                    </button>
                    <button type="button" class="btn-quiet" @click="emit('close')">Not yet</button>
                </div>
            </template>
            <p v-else class="mt-3 text-soft">Fix what is marked, then publish again. Nothing has changed for visitors.</p>
        </div>
        <p v-else class="mt-4 text-soft" role="status">Checking …</p>
    </UiDialog>
</template>
