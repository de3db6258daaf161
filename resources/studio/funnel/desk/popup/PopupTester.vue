<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { api, ApiError } from '@/api/client';
import type { PopupVerdict, Site } from '@/api/types';
import { usePopup } from '@/funnel/desk/popup/usePopup';
import { useFunnel } from '@/funnel/funnelStore';
import { useToasts } from '@/stores/toasts';
import LanguageField from '@/ui/LanguageField.vue';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';
import UiSwitch from '@/ui/UiSwitch.vue';

/** Would it be shown to a made-up visitor? By the very rules that decide for true ones. */
const props = defineProps<{ id: string; zone: string }>();

const work = usePopup(props.id);
const store = useFunnel();
const toasts = useToasts();
const popup = work.popup;
const sites = ref<Site[]>([]);
const where = ref(store.funnel?.pages[0]?.id ?? '');
const address = ref('/');
const phone = ref(false);
const before = ref('new');
const source = ref('');
const language = ref('en');
const fromEmail = ref(false);
const joined = ref(false);
const bought = ref(false);
const person = ref('');
const verdict = ref<PopupVerdict | null>(null);
const wrong = ref<ApiError | null>(null);

onMounted(async () => {
    try {
        sites.value = (await api.get<{ sites: Site[] }>('sites')).sites;
        if (popup.value.placed) {
            where.value = popup.value.targeting.sites?.[0]?.site ?? sites.value[0]?.id ?? where.value;
        }
    } catch (error) {
        toasts.trouble(error);
    }
});
const onSite = computed(() => sites.value.some((s) => s.id === where.value));
const places = computed(() => [
    ...(store.funnel?.pages.map((p) => ({ value: p.id, label: p.name })) ?? []),
    ...sites.value.map((s) => ({ value: s.id, label: `Site: ${s.name}` })),
]);
const befores = [
    { value: 'new', label: 'Comes for the first time' },
    { value: 'returning', label: 'Has been here before' },
    { value: 'seen', label: 'Saw it yesterday' },
    { value: 'closed', label: 'Closed it yesterday' },
    { value: 'closed-long', label: 'Closed it two months ago' },
];

async function ask(): Promise<void> {
    wrong.value = null;
    verdict.value = null;
    try {
        await store.flush();
        verdict.value = await api.post<PopupVerdict>(`parts/${props.id}/popup/try`, {
            ...(onSite.value ? { site: where.value, address: address.value } : { page: where.value }),
            phone: phone.value,
            visit: before.value === 'new' ? 1 : 3,
            closedDays: before.value === 'closed' ? 1 : before.value === 'closed-long' ? 60 : -1,
            shownDays: before.value === 'seen' || before.value === 'closed' ? 1 : before.value === 'closed-long' ? 60 : -1,
            source: source.value,
            language: language.value,
            fromEmail: fromEmail.value,
            joined: joined.value,
            bought: bought.value,
            person: person.value,
        });
    } catch (error) {
        if (error instanceof ApiError && error.status === 422) {
            wrong.value = error;
        } else {
            toasts.trouble(error);
        }
    }
}
</script>

<template>
    <section class="space-y-3">
        <h3 class="text-lg">Would it show?</h3>
        <p class="hint">Make up a visitor. The rules that decide here are those that decide for everybody.</p>
        <UiListbox v-model="where" label="They look at" :options="places" />
        <TextField v-if="onSite" v-model="address" label="Address on that site" placeholder="/notes/first" />
        <UiListbox v-model="before" label="In this browser" :options="befores" />
        <UiSwitch v-model="phone" label="On a phone" />
        <UiSwitch v-model="fromEmail" label="By a link in your email" />
        <UiSwitch v-model="joined" label="Has joined what it offers" />
        <UiSwitch v-model="bought" label="Has bought in this funnel" />
        <TextField v-model="person" label="Somebody on your list" placeholder="robin@example.com" :error="wrong?.field('person')" />
        <TextField v-model="source" label="The address says" placeholder="utm_source=forum" />
        <LanguageField v-model="language" label="Language of the browser" />
        <button type="button" class="btn" @click="ask">Try it</button>
        <div v-if="verdict" class="rounded p-3" :class="verdict.shows ? 'bg-lamp-pale' : 'bg-line/50'" role="status" data-test="verdict">
            <p class="font-medium">
                {{ verdict.shows ? (popup.placed ? 'It stands there.' : 'It shows, once something opens it.') : 'It does not show.' }}
            </p>
            <ul v-if="verdict.refusals.length > 0" class="mt-1 list-disc pl-5">
                <li v-for="words in verdict.refusals" :key="words">{{ words }}</li>
            </ul>
        </div>
    </section>
</template>
