<script setup lang="ts">
import { computed, ref } from 'vue';
import { api, ApiError } from '@/api/client';
import type { Business, Finding, LeadMagnet } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { fixOf } from '@/funnel/golive/fixes';
import WayField from '@/funnel/timeline/WayField.vue';
import { useSession } from '@/stores/session';
import FileDrop from '@/ui/FileDrop.vue';
import MoneyField from '@/ui/MoneyField.vue';
import TextField from '@/ui/TextField.vue';

/** What the check misses, typed or chosen right here. */
const props = defineProps<{ finding: Finding }>();
const emit = defineEmits<{ fixed: [] }>();

const store = useFunnel();
const session = useSession();
const fix = computed(() => fixOf(props.finding));
const busy = ref(false);
const error = ref<ApiError | null>(null);

/** Does it, and says so; what was refused is said where it was typed. */
async function give(act: () => Promise<unknown>): Promise<void> {
    busy.value = true;
    error.value = null;
    try {
        await act();
        emit('fixed');
    } catch (caught) {
        error.value = caught instanceof ApiError ? caught : new ApiError(500, 'It could not be saved. Please try again.');
    } finally {
        busy.value = false;
    }
}

const offer = computed(() => store.offer(props.finding.id));
const amount = ref(0);
const setPrice = () =>
    give(async () => {
        store.edit('offer', props.finding.id, { price: { ...offer.value!.price, amount: amount.value } }, 'a price', true);
        await store.flush();
    });

const subject = ref('');
const setSubject = () =>
    give(async () => {
        store.edit('email', props.finding.id, { subject: subject.value.trim() }, 'a subject', true);
        await store.flush();
    });

const bring = (file: File) =>
    give(async () => {
        const form = new FormData();
        form.set('file', file);
        const saved = await api.post<LeadMagnet>(`parts/${props.finding.id}/file`, form);
        Object.assign(store.leadMagnet(props.finding.id) ?? {}, saved);
    });

const SENDER = { senderName: 'Sender name', senderAddress: 'Sender address', postalAddress: 'Postal address' };
const business = ref<Business>({ ...(session.business as Business) });
const missing = Object.entries(SENDER).filter(([field]) => String(business.value[field as keyof typeof SENDER]).trim() === '');
const saveSender = () => give(() => session.saveBusiness(business.value));

const page = computed(() => store.page(props.finding.id));
/** What must lead somewhere and does not, or leads to a page that is gone. */
const open = computed(
    () =>
        page.value?.outcomes.filter((o) => {
            const way = store.funnel?.ways.find((w) => w.page === page.value?.id && w.outcome === o.outcome);
            return o.must && !way?.toUrl && !store.page(way?.toPage ?? '');
        }) ?? [],
);
</script>

<template>
    <form v-if="fix === 'price' && offer" class="flex items-end gap-2" @submit.prevent="setPrice">
        <MoneyField v-model="amount" class="w-56" :label="`Price of “${offer.name}”`" :currency="offer.price.currency" />
        <button type="submit" class="btn" :disabled="busy || amount === 0">Set the price</button>
    </form>
    <form v-else-if="fix === 'subject'" class="flex items-end gap-2" @submit.prevent="setSubject">
        <TextField v-model="subject" class="flex-1" label="Subject" autocomplete="off" />
        <button type="submit" class="btn" :disabled="busy || subject.trim() === ''">Set the subject</button>
    </form>
    <FileDrop
        v-else-if="fix === 'file'"
        :file="null"
        :label="busy ? 'On its way …' : 'Choose the file, or drop it here'"
        hint="PDF, document, zip, picture, sound or MP4 video, up to 100 MB."
        :error="error?.message"
        @choose="bring"
    />
    <form v-else-if="fix === 'sender' && missing.length > 0" class="space-y-2" novalidate @submit.prevent="saveSender">
        <TextField
            v-for="[field, label] in missing"
            :key="field"
            v-model="business[field as keyof typeof SENDER]"
            :label="label"
            :lines="field === 'postalAddress' ? 2 : undefined"
            :error="error?.field(field)"
        />
        <button type="submit" class="btn" :disabled="busy">Save</button>
    </form>
    <div v-else-if="fix === 'way' && page" class="space-y-2">
        <WayField v-for="o in open" :key="o.outcome" :page="page" :outcome="o" @changed="emit('fixed')" />
    </div>
    <p v-if="error && fix !== 'file' && Object.keys(error.errors).length === 0" role="alert" class="font-medium text-clay-deep">
        {{ error.message }}
    </p>
</template>
