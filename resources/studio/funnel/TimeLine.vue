<script setup lang="ts">
import { ChevronDownIcon, ChevronUpIcon, EnvelopeIcon, PlusIcon } from '@heroicons/vue/20/solid';
import { computed } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useFunnel } from '@/funnel/funnelStore';
import type { Email, Page } from '@/api/types';
import { useNotices } from '@/stores/notices';
import { useSession } from '@/stores/session';
import { count, counted, interval, percent } from '@/ui/format';

/** One column of the time scale: a page the visitor meets, or a later moment at which emails fall. */
interface Station {
    key: string;
    when: string;
    page?: Page;
    emails: Email[];
    outcome?: { label: string; share: number | null };
}

const folded = defineModel<boolean>('folded', { required: true });
const store = useFunnel();
const session = useSession();
const notices = useNotices();
const router = useRouter();
const route = useRoute();

const colours = computed(() => {
    const look = session.looks.find((l) => l.id === store.funnel?.look);
    return {
        paper: look?.colours.paper ?? '#fff',
        ink: look?.colours.ink ?? '#000',
        accent: store.funnel?.accent ?? look?.colours.accent ?? '#000',
    };
});

/** Pages in the order of the way first; then, on the same scale, the moments after joining. */
const stations = computed<Station[]>(() => {
    const funnel = store.funnel;
    if (!funnel) {
        return [];
    }
    const result: Station[] = funnel.pages.map((page, i) => {
        const numbers = funnel.pageNumbers[page.id];
        return {
            key: page.id,
            when: i === 0 ? 'First visit' : i === 1 ? 'On joining' : 'Then',
            page,
            emails: i === 1 ? funnel.emails.filter((e) => e.offset === 0) : [],
            outcome: page.outcomes[0] ? { label: page.outcomes[0].label, share: numbers?.rate.rate ?? null } : undefined,
        };
    });
    const later = funnel.emails.filter((e) => e.offset > 0 || funnel.pages.length < 2);
    for (const offset of [...new Set(later.map((e) => e.offset))].sort((a, b) => a - b)) {
        const emails = later.filter((e) => e.offset === offset);
        result.push({
            key: `t${offset}`,
            when: offset % 1440 === 0 && offset > 0 ? `Day ${offset / 1440}` : (emails[0]?.delayLabel ?? ''),
            emails,
        });
    }
    return result;
});

const isOpen = (kind: string, id: string) => route.params.open === kind && route.params.part === id;
const go = (kind: string, id: string) => router.push(`/funnels/${store.funnel?.id}/${kind}/${id}`);

function sent(email: Email): string {
    const numbers = store.funnel?.emailNumbers[email.id] ?? {};
    const waiting = (numbers.waiting ?? 0) + (numbers.sending ?? 0);
    return `${count(numbers.sent ?? 0)} sent${waiting > 0 ? ` · ${count(waiting)} due` : ''}`;
}

/** Merge fields as a stranger would read them: with their fallback. */
const asRead = (words: string) => words.replace(/\{\{\s*[a-z_]+\s*(?:\|([^{}|]*))?\}\}/g, (_, fallback?: string) => fallback ?? '');

async function addEmail(): Promise<void> {
    try {
        const made = await store.addEmail();
        await go('email', made.id);
    } catch (error) {
        notices.trouble(error);
    }
}
</script>

<template>
    <section aria-label="Timeline" class="relative shrink-0 border-b border-line bg-raised">
        <!-- folded: a strip to move along while working on the desk -->
        <div v-if="folded" class="flex h-12 items-center gap-1 overflow-x-auto px-5">
            <template v-for="(station, i) in stations" :key="station.key">
                <span v-if="i > 0" class="h-px w-5 shrink-0 bg-edge/50" aria-hidden="true"></span>
                <button
                    v-if="station.page"
                    type="button"
                    class="chip"
                    :class="{ open: isOpen('page', station.page.id) }"
                    @click="go('page', station.page.id)"
                >
                    <span
                        class="size-2.5 rounded-sm border"
                        :style="{ background: colours.paper, borderColor: colours.accent }"
                        aria-hidden="true"
                    ></span>
                    {{ station.page.name }}
                </button>
                <button
                    v-for="email in station.emails"
                    :key="email.id"
                    type="button"
                    class="chip"
                    :class="{ open: isOpen('email', email.id) }"
                    @click="go('email', email.id)"
                >
                    <EnvelopeIcon class="size-3.5 text-pine" aria-hidden="true" />{{ email.name }}
                </button>
            </template>
            <button type="button" class="ml-auto btn-quiet" @click="folded = false">
                Open the timeline<ChevronDownIcon class="size-4" aria-hidden="true" />
            </button>
        </div>

        <div v-else class="overflow-x-auto px-6 pt-3 pb-4">
            <ol class="relative flex min-w-max items-stretch">
                <li
                    v-for="(station, i) in stations"
                    :key="station.key"
                    class="grid shrink-0 grid-rows-[128px_34px_auto]"
                    :class="station.page ? (station.outcome ? 'w-74' : 'w-58') : 'w-42'"
                >
                    <!-- above the string: what the visitor sees -->
                    <div class="flex items-end pb-1.5">
                        <button
                            v-if="station.page"
                            type="button"
                            class="page-sheet"
                            :class="{ open: isOpen('page', station.page.id) }"
                            :style="{ background: colours.paper, color: colours.ink }"
                            @click="go('page', station.page.id)"
                        >
                            <span class="block h-1.5 w-10" :style="{ background: colours.accent }" aria-hidden="true"></span>
                            <span class="mt-1.5 line-clamp-2 font-display text-sm leading-snug font-semibold">{{
                                asRead(station.page.headline) || station.page.name
                            }}</span>
                            <span class="mt-auto block truncate text-sm font-medium">{{ station.page.name }}</span>
                            <span class="block text-sm">{{
                                counted(store.funnel?.pageNumbers[station.page.id]?.visitors ?? 0, 'visitor')
                            }}</span>
                        </button>
                        <span
                            v-if="station.outcome"
                            class="self-center px-2 text-center text-sm"
                            :title="`${count(store.funnel?.pageNumbers[station.key]?.signups ?? 0)} joined; 95 % sure: ${interval(store.funnel?.pageNumbers[station.key]?.rate ?? { successes: 0, trials: 0, rate: null, low: null, high: null })}`"
                        >
                            <span class="block text-lg font-semibold text-pine">{{ percent(station.outcome.share) }}</span>
                            <span class="block leading-tight text-soft">{{ station.outcome.label }}</span>
                            <span class="block text-lg leading-none text-pine" aria-hidden="true">→</span>
                        </span>
                    </div>
                    <!-- the string, with a light at each moment -->
                    <div class="relative flex items-center">
                        <span
                            class="absolute top-1/2 right-0 left-0 h-px"
                            :class="i === stations.length - 1 ? 'bg-gradient-to-r from-edge to-transparent' : 'bg-edge'"
                            aria-hidden="true"
                        ></span>
                        <span
                            class="relative ml-4 size-3.5 rounded-full border-2 border-ink"
                            :class="store.funnel?.state === 'live' ? 'bg-lamp' : 'bg-raised'"
                            aria-hidden="true"
                        ></span>
                        <span class="relative ml-1.5 bg-raised px-1 text-sm font-medium">{{ station.when }}</span>
                    </div>
                    <!-- below the string: what comes by mail -->
                    <div class="ml-5.5 flex flex-col items-start">
                        <template v-for="email in station.emails" :key="email.id">
                            <span class="ml-3 h-2.5 w-px bg-edge" aria-hidden="true"></span>
                            <button type="button" class="mail" :class="{ open: isOpen('email', email.id) }" @click="go('email', email.id)">
                                <span class="flex items-center gap-1.5 font-medium"
                                    ><EnvelopeIcon class="size-4 shrink-0 text-pine" aria-hidden="true" /><span class="truncate">{{
                                        email.name
                                    }}</span></span
                                >
                                <span class="block truncate caption">{{ sent(email) }}</span>
                            </button>
                        </template>
                    </div>
                </li>
                <li class="grid w-44 shrink-0 grid-rows-[128px_34px_auto]">
                    <span></span><span></span>
                    <button type="button" class="mt-2.5 btn-quiet justify-self-start" @click="addEmail">
                        <PlusIcon class="size-4" aria-hidden="true" />Add a follow-up
                    </button>
                </li>
            </ol>
            <button v-if="route.params.open" type="button" class="absolute top-2 right-4 btn-quiet" @click="folded = true">
                Fold<ChevronUpIcon class="size-4" aria-hidden="true" />
            </button>
        </div>
    </section>
</template>

<style scoped>
@reference '../style.css';
.chip {
    @apply flex h-8 shrink-0 items-center gap-1.5 rounded-full border border-transparent px-3 text-sm font-medium;
    &:hover {
        @apply bg-lamp-pale;
    }
    &.open {
        @apply border-ink bg-lamp-pale;
    }
}
.page-sheet {
    @apply flex h-[120px] w-50 flex-col rounded-t-sm rounded-b border border-edge/60 p-3 text-left shadow-sm;
    &:hover {
        @apply shadow-md;
    }
    &.open {
        @apply outline-2 outline-offset-2 outline-ink;
    }
}
.mail {
    @apply block w-38 rounded border border-line bg-paper px-2.5 py-1.5 text-left text-sm;
    &:hover {
        @apply bg-lamp-pale;
    }
    &.open {
        @apply border-ink bg-lamp-pale;
    }
}
</style>
