<script setup lang="ts">
import { copy } from '@/ui/copy';
import FoldSection from '@/ui/FoldSection.vue';
import { CheckCircleIcon, ExclamationTriangleIcon } from '@heroicons/vue/20/solid';
import { computed, onMounted, ref } from 'vue';
import { api, ApiError } from '@/api/client';
import type { MailServer } from '@/api/types';
import { useSession } from '@/stores/session';
import { useToasts } from '@/stores/toasts';
import { ago } from '@/ui/format';
import NumberField from '@/ui/NumberField.vue';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';

/** Where emails go: into the outbox of the Studio, or to the owner's mail server; with a test, and what to write into the DNS. */
const session = useSession();
const toasts = useToasts();
const server = ref<MailServer | null>(null);
const password = ref('');
const error = ref<ApiError | null>(null);
const busy = ref(false);
const result = ref<{ works: boolean; words: string; answer: string } | null>(null);

onMounted(async () => {
    try {
        server.value = await api.get<MailServer>('settings/mail');
    } catch (caught) {
        toasts.trouble(caught);
    }
});

const ways = computed(() => [
    { value: 'outbox', label: 'Outbox', words: 'Nothing leaves this machine: emails are kept here, to be read under Emails.' },
    { value: 'server', label: 'Your mail server', words: 'That of your mail provider, named below.' },
    ...(server.value?.file ? [{ value: 'file', label: server.value.file, words: 'As it stands in the file .env on this machine.' }] : []),
]);
const encryptions = [
    { value: 'starttls', label: 'STARTTLS, usually port 587' },
    { value: 'tls', label: 'TLS from the start, usually port 465' },
    { value: 'none', label: 'None: all can be read on its way' },
];
/** The usual port goes along with the encryption, unless another one was typed. */
function encrypt(encryption: string): void {
    const usual: Record<string, number> = { starttls: 587, tls: 465 };
    const found = server.value!;
    if (Object.values(usual).includes(found.port) && usual[encryption]) {
        found.port = usual[encryption];
    }
    found.encryption = encryption as MailServer['encryption'];
}
const summary = computed(() =>
    server.value?.way === 'server'
        ? server.value.host || 'Not named yet'
        : (ways.value.find((w) => w.value === server.value?.way)?.label ?? ''),
);
const typed = () => {
    const { way, host, port, encryption, username } = server.value!;
    return { way, host: host.trim(), port, encryption, username, password: password.value };
};

async function ask(act: () => Promise<void>): Promise<void> {
    busy.value = true;
    error.value = null;
    result.value = null;
    try {
        await act();
    } catch (caught) {
        if (caught instanceof ApiError && caught.status === 422) {
            error.value = caught;
        } else {
            toasts.trouble(caught);
        }
    } finally {
        busy.value = false;
    }
}
const save = () =>
    ask(async () => {
        server.value = await api.put<MailServer>('settings/mail', typed());
        password.value = '';
        toasts.say('Saved. It holds from the next email on.');
    });
const test = () =>
    ask(async () => {
        result.value = await api.post('settings/mail/test', typed());
    });
const renew = () =>
    ask(async () => {
        const had = server.value!.reports !== null;
        const { reports, reportedAt } = await api.post<MailServer>('settings/mail/reports');
        Object.assign(server.value!, { reports, reportedAt });
        toasts.say(had ? 'This is the address from now on. The one before takes nothing any more.' : 'This address takes reports now.');
    });
</script>

<template>
    <FoldSection name="mail-server" title="Mail server" :summary="summary">
        <p class="mt-1 text-soft">Where your emails go.</p>
        <form v-if="server" class="mt-4" novalidate @submit.prevent="save">
            <fieldset class="space-y-2">
                <legend class="sr-only">Where your emails go</legend>
                <label v-for="way in ways" :key="way.value" class="flex items-start gap-2.5"
                    ><input v-model="server.way" type="radio" name="mail-way" class="mt-1 size-4.5 accent-pine" :value="way.value" /><span
                        ><span class="font-medium">{{ way.label }}</span
                        ><span class="block caption">{{ way.words }}</span></span
                    ></label
                >
            </fieldset>
            <div v-if="server.way === 'server'" class="mt-4 grid gap-4 sm:grid-cols-2">
                <TextField
                    v-model="server.host"
                    label="Server"
                    hint="Such as smtp.example. Your mail provider tells you."
                    :error="error?.field('host')"
                    autocomplete="off"
                />
                <NumberField v-model="server.port" label="Port" :least="1" :most="65535" :error="error?.field('port')" />
                <UiListbox :model-value="server.encryption" label="Encryption" :options="encryptions" @update:model-value="encrypt" />
                <span class="hidden sm:block"></span>
                <TextField
                    v-model="server.username"
                    label="User name"
                    hint="Nothing where the server asks for none."
                    :error="error?.field('username')"
                    autocomplete="off"
                />
                <TextField
                    v-model="password"
                    type="password"
                    label="Password"
                    :hint="
                        server.hasPassword
                            ? 'One is kept, encrypted, and never shown. Type a new one to change it.'
                            : 'Kept encrypted, and never shown again.'
                    "
                    :error="error?.field('password')"
                    autocomplete="new-password"
                />
            </div>
            <div class="mt-4 flex flex-wrap gap-2">
                <button type="submit" class="btn-main" :disabled="busy">Save</button>
                <button
                    v-if="server.way === 'server'"
                    type="button"
                    class="btn"
                    :disabled="busy || server.host.trim() === ''"
                    @click="test"
                >
                    {{ busy ? 'Asking the server …' : `Send a test to ${session.session.user?.email}` }}
                </button>
            </div>
            <div
                v-if="result"
                role="status"
                class="mt-3 flex gap-2 rounded-md px-4 py-3"
                :class="result.works ? 'bg-pine-pale' : 'bg-clay-pale text-clay-deep'"
            >
                <component
                    :is="result.works ? CheckCircleIcon : ExclamationTriangleIcon"
                    class="mt-0.5 size-5 shrink-0"
                    aria-hidden="true"
                />
                <p>
                    {{ result.words }}
                    <span v-if="result.answer" class="mt-1 block text-sm break-words">The server’s own words: {{ result.answer }}</span>
                </p>
            </div>
        </form>
        <details v-if="server && server.records.length > 0" class="mt-4">
            <summary class="cursor-pointer font-medium">What to write into the DNS, so that others believe your emails</summary>
            <dl class="mt-2 divide-y divide-line border-y border-line">
                <div v-for="record in server.records" :key="record.name" class="py-3">
                    <dt class="font-medium break-all">
                        {{ record.name }} <span class="font-normal text-soft">{{ record.type }}</span>
                    </dt>
                    <dd>
                        <span class="flex items-center gap-2"
                            ><code class="min-w-0 flex-1 text-sm break-all select-all">{{ record.value }}</code
                            ><button type="button" class="btn-quiet" @click="copy('The value', record.value)">Copy</button></span
                        >
                        <span class="block caption">{{ record.for }}</span>
                    </dd>
                </div>
            </dl>
        </details>
        <div v-if="server && server.way !== 'outbox'" class="mt-6" data-test="returned">
            <h3 class="text-lg font-semibold">What comes back</h3>
            <p class="text-soft">
                Some emails bounce hours after a server took them, and some readers report them as unwanted. Told here, such people get no
                more of your emails, and you see it with them.
            </p>
            <template v-if="server.reports">
                <p class="mt-2 flex items-center gap-2">
                    <code class="min-w-0 flex-1 text-sm break-all select-all">{{ server.reports }}</code>
                    <button type="button" class="btn-quiet" @click="copy('The address', server.reports)">Copy</button>
                    <button type="button" class="btn-quiet" @click="renew">Another address</button>
                </p>
                <p class="hint">
                    Give it to your mail provider as the address for bounces and complaints, or have the mailbox of
                    {{ session.business?.senderAddress }} hand returned emails on to it. What both may send is written in docs/running.md.
                    {{ server.reportedAt ? `Something was last told ${ago(server.reportedAt)}.` : 'Nothing was told yet.' }}
                </p>
            </template>
            <button v-else type="button" class="mt-2 btn" @click="renew">Make an address for it</button>
        </div>
    </FoldSection>
</template>
