<script setup lang="ts">
import { copy } from '@/ui/copy';
import { computed, ref } from 'vue';
import { api, ApiError } from '@/api/client';
import type { Domain } from '@/api/types';
import { NONE, stateWords } from '@/settings/domains';
import { useToasts } from '@/stores/toasts';
import { ago } from '@/ui/format';
import UiListbox from '@/ui/UiListbox.vue';

const props = defineProps<{
    domain: Domain;
    funnels: { value: string; label: string }[];
    /** Where it leads on to while it is not the primary one. */
    primary: string;
}>();
const emit = defineEmits<{ changed: []; remove: [] }>();
const toasts = useToasts();
const busy = ref(false);
const showsRecords = ref(false);

/** One list for both questions: all funnels, all with a front page, or one alone. */
const choices = computed(() => [
    { value: 'business:', label: 'All your funnels' },
    ...props.funnels.map((f) => ({ value: `business:${f.value}`, label: `All your funnels, “${f.label}” on the front page` })),
    ...props.funnels.map((f) => ({ value: `funnel:${f.value}`, label: `“${f.label}” alone` })),
]);
const chosen = computed(() => `${props.domain.leadsTo}:${props.domain.funnel ?? NONE}`);
const records = computed(() => props.domain.state !== 'working' || showsRecords.value);

async function act(work: () => Promise<unknown>, said: string): Promise<void> {
    busy.value = true;
    try {
        await work();
        if (said !== '') {
            toasts.say(said);
        }
        emit('changed');
    } catch (caught) {
        if (caught instanceof ApiError && caught.status === 422) {
            toasts.say(caught.field('primary') ?? caught.field('funnel') ?? caught.message);
        } else {
            toasts.trouble(caught);
        }
    } finally {
        busy.value = false;
    }
}

const check = () => act(() => api.post(`domains/${props.domain.id}/check`), '');
const makePrimary = () =>
    act(() => api.post(`domains/${props.domain.id}/primary`), `Links are made with ${props.domain.shown} from now on.`);
const endPrimary = () =>
    act(() => api.delete(`domains/${props.domain.id}/primary`), `Links are no longer made with ${props.domain.shown}.`);

function lead(to: string): Promise<void> {
    const [leadsTo, funnel] = to.split(':');

    return act(() => api.put(`domains/${props.domain.id}`, { leadsTo, funnel }), `${props.domain.shown} leads there from now on.`);
}
</script>

<template>
    <li class="border-t border-line pt-5" :data-domain="domain.name">
        <div class="flex flex-wrap items-baseline justify-between gap-x-4 gap-y-1">
            <h2 class="text-xl break-all">
                {{ domain.shown }}<span v-if="domain.shown !== domain.name" class="ml-2 caption">{{ domain.name }}</span>
            </h2>
            <span v-if="domain.primary" class="rounded-full bg-lamp-pale px-3 py-0.5 text-sm font-medium">Primary</span>
        </div>
        <p class="mt-1" role="status">
            <span class="font-medium" :class="domain.state === 'working' ? 'text-pine' : 'text-clay-deep'"
                >{{ domain.checkedAt ? stateWords[domain.state] : 'Not checked yet' }}.</span
            >
            <template v-if="domain.state !== 'working' || domain.finding === 'partly_elsewhere'">{{ ` ${domain.sentence}` }}</template>
            <template v-if="domain.state === 'working' && !domain.primary">{{ ` It leads visitors on to ${primary}.` }}</template>
            <span v-if="domain.checkedAt" class="caption">{{ ` Checked ${ago(domain.checkedAt)}.` }}</span>
        </p>
        <UiListbox class="mt-3 max-w-xl" label="It leads to" :model-value="chosen" :options="choices" @update:model-value="lead" />
        <div v-if="records" class="mt-4">
            <p class="text-soft">
                {{
                    domain.alias
                        ? 'Write this record into the DNS of your domain, at your registrar:'
                        : 'Write into the DNS of your domain, at your registrar:'
                }}
            </p>
            <table class="mt-2 w-full text-left text-sm">
                <thead>
                    <tr class="text-soft">
                        <th class="w-20 font-normal">Type</th>
                        <th class="font-normal">Name</th>
                        <th class="font-normal">Value</th>
                        <th class="w-16"><span class="sr-only">Copy</span></th>
                    </tr>
                </thead>
                <tbody v-if="domain.alias">
                    <tr class="border-t border-line">
                        <td class="py-1">{{ domain.alias.type }}</td>
                        <td class="py-1 break-all">{{ domain.alias.name }}</td>
                        <td class="py-1 break-all select-all">{{ domain.alias.value }}</td>
                        <td class="text-right">
                            <button type="button" class="btn-quiet" @click="copy('The value', domain.alias.value)">Copy</button>
                        </td>
                    </tr>
                    <tr v-if="domain.records.length > 0">
                        <td colspan="4" class="pt-3 text-soft">Or, where your registrar offers no CNAME:</td>
                    </tr>
                </tbody>
                <tbody>
                    <tr v-for="record in domain.records" :key="record.value" class="border-t border-line">
                        <td class="py-1">{{ record.type }}</td>
                        <td class="py-1 break-all">{{ record.name }}</td>
                        <td class="py-1 break-all select-all">{{ record.value }}</td>
                        <td class="text-right">
                            <button type="button" class="btn-quiet" @click="copy('The value', record.value)">Copy</button>
                        </td>
                    </tr>
                </tbody>
            </table>
            <p class="mt-2 caption">It is checked by itself too: every ten minutes on the first day, later less often.</p>
            <p v-if="!domain.reachable" class="mt-2 text-clay-deep">
                This server is known by an address of its own network alone, which nobody reaches from outside. Names that end in localhost
                work here; for all others it must stand where visitors can reach it.
            </p>
            <p v-if="domain.records.length === 0 && !domain.alias" class="mt-2 text-clay-deep">
                The addresses of this server are not known here. Whoever runs it can name them in its settings.
            </p>
        </div>
        <div class="mt-3 flex flex-wrap gap-1">
            <button v-if="domain.canBePrimary && !domain.primary" type="button" class="btn" :disabled="busy" @click="makePrimary">
                Make it the primary one
            </button>
            <button type="button" :class="domain.state === 'working' ? 'btn-quiet' : 'btn'" :disabled="busy" @click="check">
                {{ busy ? 'One moment' : 'Check now' }}
            </button>
            <button
                v-if="domain.state === 'working'"
                type="button"
                class="btn-quiet"
                :aria-expanded="showsRecords"
                @click="showsRecords = !showsRecords"
            >
                {{ showsRecords ? 'Hide its records' : 'Its records' }}
            </button>
            <button v-if="domain.primary" type="button" class="btn-quiet" :disabled="busy" @click="endPrimary">No longer primary</button>
            <button type="button" class="btn-quiet text-clay-deep" :disabled="busy" @click="emit('remove')">Remove</button>
        </div>
    </li>
</template>
