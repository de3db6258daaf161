<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { api } from '@/api/client';
import type { Choice, Life } from '@/api/types';
import { pressed, type Presses } from '@/rehearsal/presses';
import { useToasts } from '@/stores/toasts';
import { useSession } from '@/stores/session';
import { longAt } from '@/ui/format';
import { showMoney } from '@/ui/money';

/** What the visitor sees: the page they look at, their mailbox, and what is known of them. */
const props = defineProps<{
    funnel: string;
    life: Life;
    body: { start: string; choices: Choice[] };
    phone: boolean;
    zone: string;
    /** An email that is to be shown, by its place in the mailbox; -1 for none. */
    mail: number;
}>();
const emit = defineEmits<{ mail: [number]; press: [Choice] }>();

const toasts = useToasts();
const session = useSession();
const tab = ref<'page' | 'mail' | 'known'>('page');
const html = ref('');
const subject = ref('');
const presses = ref<Presses>({});
let asked = 0;

async function look(): Promise<void> {
    const mine = ++asked;
    const wanted = tab.value === 'mail' ? props.mail : -1;
    if (tab.value === 'known' || (tab.value === 'page' && !props.life.page) || (tab.value === 'mail' && wanted < 0)) {
        html.value = '';
        return;
    }
    try {
        const seen = await api.post<{ html: string; subject?: string; presses?: Presses }>(`funnels/${props.funnel}/rehearsal/look`, {
            ...props.body,
            mail: wanted,
        });
        if (mine === asked) {
            html.value = seen.html;
            subject.value = seen.subject ?? '';
            presses.value = seen.presses ?? {};
        }
    } catch (error) {
        toasts.trouble(error);
    }
}
watch(
    () => props.mail,
    (mail) => {
        if (mail >= 0) {
            tab.value = 'mail';
        }
    },
);
watch(
    () => props.life,
    (now, before) => {
        // Whoever goes on is shown the page again.
        if (now !== before && props.mail < 0) {
            tab.value = 'page';
        }
    },
);
watch([() => props.life, tab, () => props.mail], look, { immediate: true });

// In some browsers a page in a sandbox hears nothing of what is pressed on it: so it stands in none, and no script in it ever runs.
const POLICY = "script-src 'none'; object-src 'none'; form-action 'none'; base-uri 'self'";
const framed = (still: string) => {
    const policy = `<meta http-equiv="Content-Security-Policy" content="${POLICY}">`;
    const style = `<style>${still}{pointer-events:none}a,button,.button{cursor:pointer}</style>`;
    return html.value.replace('<head>', `<head>${policy}<base target="_blank">${style}`);
};

/** What is pressed on the page is what its visitor does next; the page itself stays as it is until it is played. */
function listen(event: Event): void {
    (event.target as HTMLIFrameElement).contentDocument?.addEventListener('click', (click) => {
        click.preventDefault();
        const choice = pressed(click.target as Element, presses.value, props.life.options);
        if (choice) {
            emit('press', choice);
        } else if (choice === null) {
            toasts.say('That leads nowhere in a rehearsal.');
        }
    });
}
const left = (seconds: number) => {
    const days = Math.floor(seconds / 86_400);
    const hours = Math.floor((seconds % 86_400) / 3600);
    const minutes = Math.floor((seconds % 3600) / 60);
    return seconds === 0
        ? 'over'
        : days > 0
          ? `${days} d ${hours} h left`
          : hours > 0
            ? `${hours} h ${minutes} min left`
            : `${minutes} min left`;
};
const paid = computed(() => showMoney(props.life.paid, props.life.currency));
const tabs = computed(() => [
    { value: 'page' as const, label: props.life.page ? props.life.page.name : 'Page' },
    { value: 'mail' as const, label: `Mailbox (${props.life.mails.length})` },
    { value: 'known' as const, label: 'What is known' },
]);
</script>

<template>
    <section class="flex min-h-0 min-w-0 flex-1 flex-col" aria-label="What they see">
        <div class="flex items-center gap-1 px-5 pt-3 pb-2">
            <div role="tablist" class="flex gap-1" aria-label="What is shown">
                <button
                    v-for="one in tabs"
                    :key="one.value"
                    type="button"
                    role="tab"
                    :aria-selected="tab === one.value"
                    class="max-w-64 truncate rounded-md px-3 py-1.5 font-medium"
                    :class="tab === one.value ? 'bg-lamp-pale text-ink' : 'text-soft hover:text-ink'"
                    @click="tab = one.value"
                >
                    {{ one.label }}
                </button>
            </div>
            <p class="ml-auto text-right text-sm leading-tight" data-test="now">
                <strong class="font-semibold">{{ longAt(life.now, zone) }}</strong>
                <span class="block caption"
                    >{{ zone.replaceAll('_', ' ')
                    }}<template v-if="zone !== session.zone"> · {{ longAt(life.now, session.zone) }} where you are</template></span
                >
            </p>
        </div>
        <div class="min-h-0 flex-1 overflow-auto border-t border-line bg-paper">
            <template v-if="tab === 'page'">
                <iframe
                    v-if="life.page && html"
                    :srcdoc="framed('input,select,textarea,label')"
                    title="The page, as they see it"
                    data-test="seen"
                    class="mx-auto block h-full border-line bg-white"
                    :class="phone ? 'w-97.5 border-x' : 'w-full'"
                    @load="listen"
                ></iframe>
                <p v-else-if="!life.page" class="px-6 py-10 text-center text-soft">They are on no page of this funnel now.</p>
            </template>
            <div v-else-if="tab === 'mail'" class="flex h-full">
                <p v-if="life.mails.length === 0" class="px-6 py-10 text-soft">No email has come yet.</p>
                <template v-else>
                    <ol class="w-64 shrink-0 overflow-auto border-r border-line bg-raised" data-test="mailbox">
                        <li v-for="(one, i) in life.mails" :key="i">
                            <button
                                type="button"
                                class="block w-full border-b border-line px-4 py-2 text-left hover:bg-lamp-pale"
                                :class="{ 'bg-lamp-pale': mail === i }"
                                @click="emit('mail', i)"
                            >
                                <span class="block font-medium">{{ one.name }}</span>
                                <span class="caption">{{ longAt(one.at, zone) }}</span>
                            </button>
                        </li>
                    </ol>
                    <div class="flex min-w-0 flex-1 flex-col">
                        <p v-if="mail >= 0 && subject" class="border-b border-line bg-raised px-5 py-2 font-semibold">{{ subject }}</p>
                        <iframe
                            v-if="mail >= 0 && html"
                            :srcdoc="framed('a,button,input,select,textarea,label')"
                            sandbox=""
                            title="The email, as they read it"
                            class="min-h-0 w-full flex-1 bg-white"
                        ></iframe>
                        <p v-else class="px-6 py-10 text-soft">
                            {{ mail >= 0 ? 'The application writes this one itself.' : 'Choose an email to read it as they do.' }}
                        </p>
                    </div>
                </template>
            </div>
            <dl v-else class="grid max-w-2xl grid-cols-[10rem_1fr] gap-x-6 gap-y-3 px-6 py-6">
                <dt class="text-soft">On your list</dt>
                <dd>{{ life.known ? life.subscription : 'not yet' }}</dd>
                <dt class="text-soft">Tags</dt>
                <dd>{{ life.tags.join(', ') || 'none' }}</dd>
                <dt class="text-soft">Deadlines</dt>
                <dd>
                    <span v-for="d in life.deadlines" :key="d.id" class="block"
                        >{{ d.name }}: until {{ longAt(d.ends, zone) }} ({{ left(d.left) }})</span
                    ><template v-if="life.deadlines.length === 0">none has begun for them</template>
                </dd>
                <dt class="text-soft">Paid</dt>
                <dd>
                    {{ paid }}
                    <span v-if="life.instalments.length > 0" class="block caption"
                        >{{ life.instalments.length }} more to come, the next on {{ longAt(life.instalments[0]!.at, zone) }}</span
                    >
                </dd>
                <dt class="text-soft">Device</dt>
                <dd>{{ life.device === 1 ? 'the first one' : `number ${life.device}` }}</dd>
            </dl>
        </div>
    </section>
</template>
