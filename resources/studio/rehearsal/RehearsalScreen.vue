<script setup lang="ts">
import { ArrowUturnLeftIcon, ArrowUturnRightIcon, CheckBadgeIcon } from '@heroicons/vue/20/solid';
import { computed, onMounted, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, ApiError } from '@/api/client';
import type { AllWays, Choice, Funnel, PlayedPromise, Promised, Visitor } from '@/api/types';
import AllWaysList from '@/rehearsal/AllWaysList.vue';
import KeepDialog from '@/rehearsal/KeepDialog.vue';
import NextChoices from '@/rehearsal/NextChoices.vue';
import PromiseList from '@/rehearsal/PromiseList.vue';
import SeenPane from '@/rehearsal/SeenPane.vue';
import type { Item } from '@/rehearsal/strip';
import { useRehearsal } from '@/rehearsal/useRehearsal';
import VisitorDialog from '@/rehearsal/VisitorDialog.vue';
import WayStrip from '@/rehearsal/WayStrip.vue';
import { useSession } from '@/stores/session';
import { useToasts } from '@/stores/toasts';
import NotHere from '@/ui/NotHere.vue';
import UiDialog from '@/ui/UiDialog.vue';
import { utcOf, wallOf } from '@/rehearsal/zones';

/** A funnel is played: who goes through it, what they do, what they see and get, and when. */
const route = useRoute();
const router = useRouter();
const session = useSession();
const toasts = useToasts();
const id = computed(() => String(route.params.id));
const funnel = ref<Funnel | null>(null);
const missing = ref(false);

/** The next full hour. */
const soon = () => `${new Date(Math.ceil(Date.now() / 3_600_000) * 3_600_000).toISOString().slice(0, 19)}Z`;
const visitor = ref<Visitor>({ name: 'Robin Sample', email: 'robin@example.com', zone: session.zone });
const start = ref(soon());
const { ways, active, way, person, busy, refused, body, replay, choose, go, branch, close, anew, take, resume } = useRehearsal(
    id,
    visitor,
    start,
);
const life = computed(() => way.value.life);
const zone = computed(() => life.value?.visitor.zone ?? visitor.value.zone);
const played = computed(() => body(way.value.choices.slice(0, way.value.at)));

const promises = ref<PlayedPromise[]>([]);
async function loadPromises(): Promise<void> {
    promises.value = (await api.get<{ promises: PlayedPromise[] }>(`funnels/${id.value}/promises`)).promises;
}
const broken = computed(() => promises.value.filter((p) => p.broken.length > 0).length);

onMounted(async () => {
    try {
        funnel.value = await api.get<Funnel>(`funnels/${id.value}`);
        await Promise.all([loadPromises(), route.params.promise ? show(String(route.params.promise)) : resume()]);
    } catch (error) {
        missing.value = error instanceof ApiError && error.status === 404;
        if (!missing.value) {
            toasts.trouble(error);
        }
    }
});

async function show(promise: string): Promise<void> {
    listed.value = false;
    const found = funnel.value?.promises.find((p) => p.id === promise);
    if (found) {
        await take(found);
    }
}
watch(
    () => route.params.promise,
    (promise) => promise && funnel.value && void show(String(promise)),
);

const every = ref<AllWays | null>(null);
const trying = ref(false);
async function tryAll(): Promise<void> {
    trying.value = true;
    every.value = null;
    try {
        every.value = await api.get<AllWays>(`funnels/${id.value}/all-ways`);
    } catch (error) {
        trying.value = false;
        toasts.trouble(error);
    }
}
async function showWay(from: string, choices: Choice[]): Promise<void> {
    trying.value = false;
    mail.value = -1;
    await take({ visitor: every.value?.visitor ?? visitor.value, start: from, choices });
}

const choosing = ref(false);
const keeping = ref(false);
const listed = ref(false);
const all = ref(false);
const mail = ref(-1);

async function begin(who: Visitor, wall: string): Promise<void> {
    visitor.value = who;
    person.value = null;
    start.value = utcOf(wall, who.zone);
    await replay();
    choosing.value = refused.value !== null;
}

/** Something on the timeline: its email is read, or the way goes back to where it happened. */
async function open(which: number, item: Item): Promise<void> {
    active.value = which;
    mail.value = item.mail;
    if (item.mail < 0 && item.choice > 0) {
        await go(item.choice);
    }
}
async function next(choice: Parameters<typeof choose>[0]): Promise<void> {
    mail.value = -1;
    await choose(choice);
}
async function kept(promise: Promised): Promise<void> {
    keeping.value = false;
    funnel.value?.promises.push(promise);
    toasts.say('It is promised. You find it under “Promises”, and with each publishing.');
    await loadPromises();
}
async function changed(): Promise<void> {
    funnel.value = await api.get<Funnel>(`funnels/${id.value}`);
    await loadPromises();
}
async function showPromise(promise: string): Promise<void> {
    listed.value = false;
    if (route.params.promise === promise) {
        await show(promise);
    } else {
        await router.push(`/funnels/${id.value}/rehearsal/${promise}`);
    }
}
const where = computed(() => `${visitor.value.zone.replaceAll('_', ' ')}, on a ${visitor.value.phone ? 'phone' : 'computer'}`);
</script>

<template>
    <NotHere v-if="missing" />
    <div v-else-if="funnel" class="flex h-full min-h-0 flex-col">
        <header class="flex min-h-15 shrink-0 flex-wrap items-center gap-x-4 gap-y-1 px-6 py-2">
            <div class="min-w-0">
                <RouterLink :to="`/funnels/${id}`" class="caption hover:underline">{{ funnel.name }}</RouterLink>
                <h1 class="text-xl leading-tight">Rehearsal</h1>
            </div>
            <p class="min-w-0 text-sm leading-tight" data-test="visitor">
                <strong class="font-semibold">{{ person?.name ?? visitor.name }}</strong><span class="block caption">{{ where }}</span>
            </p>
            <button type="button" class="btn-quiet" @click="choosing = true">Change</button>
            <div class="ml-auto flex flex-wrap items-center gap-1.5">
                <button
                    type="button"
                    class="btn-quiet"
                    aria-label="One step back"
                    title="One step back"
                    :disabled="way.at === 0 || busy"
                    @click="go(way.at - 1)"
                >
                    <ArrowUturnLeftIcon class="size-4.5" aria-hidden="true" />
                </button>
                <button
                    type="button"
                    class="btn-quiet"
                    aria-label="One step on"
                    title="One step on"
                    :disabled="way.at >= way.choices.length || busy"
                    @click="go(way.at + 1)"
                >
                    <ArrowUturnRightIcon class="size-4.5" aria-hidden="true" />
                </button>
                <button type="button" class="btn-quiet" :disabled="way.choices.length === 0" @click="anew">Start over</button>
                <button v-if="ways.length === 1" type="button" class="btn" :disabled="way.at === 0" @click="branch">
                    Compare another way
                </button>
                <button type="button" class="btn" @click="tryAll">All ways</button>
                <button v-if="promises.length > 0" type="button" class="btn" @click="listed = true">
                    Promises<span v-if="broken > 0" class="rounded-full bg-clay-pale px-1.5 text-sm text-clay-deep">{{ broken }}</span>
                </button>
                <button type="button" class="btn-main" :disabled="way.at === 0 || person !== null" @click="keeping = true">
                    <CheckBadgeIcon class="size-4.5" aria-hidden="true" />Save as promise
                </button>
            </div>
        </header>
        <div v-if="ways.length > 1" class="flex items-center gap-1 px-6 pb-2" role="tablist" aria-label="Ways">
            <template v-for="(_, i) in ways" :key="i">
                <button
                    type="button"
                    role="tab"
                    :aria-selected="active === i"
                    class="rounded-md px-3 py-1 font-medium"
                    :class="active === i ? 'bg-lamp-pale text-ink' : 'text-soft hover:text-ink'"
                    @click="active = i"
                >
                    {{ i === 0 ? 'First way (above)' : 'Second way (below)' }}
                </button>
                <button type="button" class="btn-quiet" @click="close(i)">Remove</button>
            </template>
        </div>
        <WayStrip v-model:all="all" class="max-h-[42%] min-h-28 shrink-0" :ways="ways" :active="active" :zone="zone" @open="open" />
        <div v-if="life" class="flex min-h-0 flex-1">
            <SeenPane
                :funnel="id"
                :life="life"
                :body="played"
                :phone="visitor.phone ?? false"
                :zone="zone"
                :mail="mail"
                @mail="(n: number) => (mail = n)"
                @press="(choice: Choice) => !busy && next(choice)"
            />
            <aside class="w-84 shrink-0 overflow-auto border-l border-line bg-raised px-5 py-4" aria-label="What they do next">
                <h2 class="mb-3 text-lg">What do they do next?</h2>
                <NextChoices :life="life" :busy="busy" :zone="zone" @choose="next" />
            </aside>
        </div>
        <p v-else class="p-8 text-soft" role="status">Playing …</p>
        <VisitorDialog
            :open="choosing"
            :visitor="visitor"
            :start="wallOf(start, visitor.zone)"
            :refused="refused"
            @close="choosing = false"
            @take="begin"
        />
        <KeepDialog :open="keeping" :funnel="id" :life="life" :body="played" @close="keeping = false" @kept="kept" />
        <UiDialog :open="trying" title="All ways at once" wide @close="trying = false">
            <div class="mt-3">
                <AllWaysList v-if="every" :all="every" @show="showWay" />
                <p v-else class="text-soft" role="status">Trying everything that anybody can do …</p>
            </div>
        </UiDialog>
        <UiDialog :open="listed" title="Promises" wide @close="listed = false">
            <p class="mt-3 text-soft">Each is played with the draft as it is now, from its own beginning.</p>
            <PromiseList class="mt-2" :promises="promises" @show="showPromise" @changed="changed" />
        </UiDialog>
    </div>
    <p v-else class="p-10 text-soft" role="status">Opening the rehearsal …</p>
</template>
