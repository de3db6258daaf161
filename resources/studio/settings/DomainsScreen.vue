<script setup lang="ts">
import { ChevronLeftIcon } from '@heroicons/vue/20/solid';
import { computed, onMounted, ref } from 'vue';
import { api, ApiError } from '@/api/client';
import type { Domain, DomainList } from '@/api/types';
import DomainRow from '@/settings/DomainRow.vue';
import { leads, NONE } from '@/settings/domains';
import { usePulse } from '@/stores/pulse';
import { useToasts } from '@/stores/toasts';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';

/** The owner's domains: where each leads, what to write into its DNS, and which one links are made with. */
const toasts = useToasts();
const list = ref<DomainList | null>(null);
const name = ref('');
const use = ref<Domain['leadsTo']>('business');
const funnel = ref(NONE);
const error = ref<ApiError | null>(null);
const adding = ref(false);

async function load(): Promise<void> {
    try {
        list.value = await api.get<DomainList>('domains');
    } catch (caught) {
        toasts.trouble(caught);
    }
}
onMounted(load);
usePulse(load);

const funnels = computed(() => (list.value?.funnels ?? []).map((f) => ({ value: f.id, label: f.name })));
const choices = computed(() =>
    use.value === 'business'
        ? [{ value: NONE, label: 'Nothing' }, ...funnels.value]
        : [{ value: NONE, label: 'Please choose' }, ...funnels.value],
);

async function add(): Promise<void> {
    error.value = null;
    adding.value = true;
    try {
        const made = await api.post<Domain>('domains', { name: name.value, leadsTo: use.value, funnel: funnel.value });
        [name.value, use.value, funnel.value] = ['', 'business', NONE];
        await load();
        toasts.say(`“${made.shown}” is on your list. Write its record into the DNS, then check.`);
    } catch (caught) {
        if (caught instanceof ApiError && caught.status === 422) {
            error.value = caught;
        } else {
            toasts.trouble(caught);
        }
    } finally {
        adding.value = false;
    }
}

async function remove(domain: Domain): Promise<void> {
    try {
        await api.delete(`domains/${domain.id}`);
        await load();
        toasts.say(`“${domain.shown}” is removed. Links that were made with it lead nowhere any more.`, {
            label: 'Undo',
            run: async () => {
                await api.post(`domains/${domain.id}/restore`);
                if (domain.primary) {
                    await api.post(`domains/${domain.id}/primary`);
                }
                await load();
            },
        });
    } catch (caught) {
        toasts.trouble(caught);
    }
}
</script>

<template>
    <div class="mx-auto max-w-3xl px-8 py-10">
        <RouterLink to="/settings" class="-ml-2 btn-quiet"><ChevronLeftIcon class="size-4" aria-hidden="true" />Settings</RouterLink>
        <h1 class="text-3xl">Your domains</h1>
        <p class="mt-2 text-soft">
            Pages of yours can stand on domains of your own. One of them is the primary one: links, emails and forms are made with it, and
            all other addresses of the same pages lead to it.
        </p>
        <p v-if="list && list.domains.length === 0" class="mt-6 border-t border-line pt-5">
            Until you add one, your pages stand at <span class="font-medium break-all">{{ list.site }}</span>.
        </p>
        <ul v-if="list" class="mt-6 space-y-8">
            <DomainRow
                v-for="domain in list.domains"
                :key="domain.id"
                :domain="domain"
                :funnels="funnels"
                :primary="leads(list, domain)"
                @changed="load"
                @remove="remove(domain)"
            />
        </ul>
        <form v-if="list" class="mt-10 max-w-xl space-y-4 border-t border-line pt-6" novalidate @submit.prevent="add">
            <h2 class="text-xl">Add a domain</h2>
            <TextField
                v-model="name"
                label="Its name"
                placeholder="www.cello.example"
                hint="You buy a domain from a registrar. Its name, or one below it, such as learn.cello.example."
                :error="error?.field('name')"
            />
            <fieldset>
                <legend class="label">It leads to</legend>
                <label class="mt-1 flex items-center gap-2"
                    ><input
                        v-model="use"
                        type="radio"
                        class="size-4.5 accent-pine"
                        value="business"
                        name="leads-to"
                        @change="funnel = NONE"
                    />All your funnels, each below its web address</label
                >
                <label class="mt-1 flex items-center gap-2"
                    ><input
                        v-model="use"
                        type="radio"
                        class="size-4.5 accent-pine"
                        value="funnel"
                        name="leads-to"
                        @change="funnel = NONE"
                    />One funnel alone</label
                >
            </fieldset>
            <div>
                <UiListbox v-model="funnel" :label="use === 'business' ? 'On its front page' : 'The funnel'" :options="choices" />
                <p v-if="error?.field('funnel')" class="field-error" role="alert">{{ error.field('funnel') }}</p>
            </div>
            <button type="submit" class="btn-main" :disabled="adding">Add the domain</button>
        </form>
        <section class="mt-10 border-t border-line pt-6 text-soft">
            <h2 class="text-xl text-ink">What changes with the primary domain</h2>
            <p class="mt-2">
                Links in emails that you have sent already go on working at the address they were sent with, for as long as that domain is
                on this list and leads here. Browsers keep what they know for each domain alone: a visitor who knew your pages at another
                address is a new one here, until they join or follow a link in one of your emails.
            </p>
        </section>
    </div>
</template>
