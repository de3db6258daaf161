<script setup lang="ts">
import { TrashIcon } from '@heroicons/vue/24/outline';
import { computed, ref } from 'vue';
import { api } from '@/api/client';
import WindowFields from '@/funnel/desk/offers/WindowFields.vue';
import { useSellingPart } from '@/funnel/desk/offers/sellingPart';
import { useFunnel } from '@/funnel/funnelStore';
import { useToasts } from '@/stores/toasts';
import { count, counted } from '@/ui/format';
import MoneyField from '@/ui/MoneyField.vue';
import NumberField from '@/ui/NumberField.vue';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';

const props = defineProps<{ id: string }>();

const store = useFunnel();
const toasts = useToasts();
const { part: coupon, edit, takeOut } = useSellingPart('coupon', () => props.id);
const currency = computed(() => coupon.value.off?.currency ?? store.funnel?.currency ?? 'EUR');
const many = ref(100);

function kind(to: string): void {
    edit(
        to === 'percent' ? { percent: 10, off: null } : { percent: 0, off: { amount: 1000, currency: currency.value } },
        'what a coupon takes off',
        true,
    );
}
function toggle(offer: string, on: boolean): void {
    const kept = coupon.value.offers.filter((o) => o !== offer);
    edit({ offers: on ? [...kept, offer] : kept }, 'what a coupon is for', true);
}
async function make(): Promise<void> {
    try {
        const { codes } = await api.post<{ codes: number }>(`parts/${props.id}/codes`, { count: many.value });
        coupon.value.codes = codes;
        toasts.say(`${counted(codes, 'code')} are there now, each for one use. They hold as soon as this coupon is published.`);
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <div class="grid max-w-4xl gap-x-10 gap-y-6 lg:grid-cols-2">
        <div class="min-w-0 space-y-5">
            <TextField
                :model-value="coupon.name"
                label="Private name"
                :maxlength="120"
                @update:model-value="(name: string) => edit({ name }, 'the name of a coupon')"
            />
            <div class="grid grid-cols-2 items-start gap-3">
                <UiListbox
                    :model-value="coupon.off ? 'amount' : 'percent'"
                    label="Takes off"
                    :options="[
                        { value: 'percent', label: 'Percent' },
                        { value: 'amount', label: 'An amount' },
                    ]"
                    @update:model-value="kind"
                />
                <MoneyField
                    v-if="coupon.off"
                    :model-value="coupon.off.amount"
                    :currency="currency"
                    label="How much"
                    @update:model-value="
                        (amount: number) => amount > 0 && edit({ percent: 0, off: { amount, currency } }, 'what a coupon takes off')
                    "
                />
                <NumberField
                    v-else
                    :model-value="coupon.percent"
                    :least="1"
                    :most="100"
                    label="How many percent"
                    @update:model-value="(percent) => edit({ percent, off: null }, 'what a coupon takes off')"
                />
            </div>
            <TextField
                :model-value="coupon.code"
                label="Code for everybody"
                :maxlength="40"
                hint="Letters, digits and hyphens. Empty if only the single-use codes below hold."
                @update:model-value="(code: string) => edit({ code: code.toUpperCase().replace(/\s+/g, '') }, 'the code of a coupon')"
            />
            <section>
                <h3 class="label">Codes that are used once each</h3>
                <p class="caption">{{ coupon.codes === 0 ? 'None yet.' : `${count(coupon.codes)} made.` }}</p>
                <div class="mt-1.5 flex items-end gap-2">
                    <NumberField v-model="many" :least="1" :most="1000" label="How many" />
                    <button type="button" class="btn" @click="make">Make codes</button>
                    <a v-if="coupon.codes > 0" class="btn" :href="`/studio/api/parts/${id}/codes`" download>Export as CSV</a>
                </div>
            </section>
            <p class="caption">Used {{ counted(coupon.used, 'time') }}.</p>
            <button type="button" class="btn-quiet text-clay-deep" @click="takeOut">
                <TrashIcon class="size-4.5" aria-hidden="true" />Remove this coupon
            </button>
        </div>
        <div class="min-w-0 space-y-5">
            <fieldset>
                <legend class="label">For which offers</legend>
                <label v-for="offer in store.funnel?.offers" :key="offer.id" class="mt-1 flex items-center gap-2.5"
                    ><input
                        type="checkbox"
                        class="size-4.5 accent-pine"
                        :checked="coupon.offers.includes(offer.id)"
                        @change="toggle(offer.id, ($event.target as HTMLInputElement).checked)"
                    />{{ offer.name }}</label
                >
                <p class="hint">None ticked: for all of them.</p>
            </fieldset>
            <WindowFields
                label="Holds"
                :from="coupon.from"
                :until="coupon.until"
                @change="(window) => edit(window, 'when a coupon holds', true)"
            />
            <div class="grid grid-cols-2 gap-3">
                <NumberField
                    :model-value="coupon.uses"
                    :least="1"
                    :most="1_000_000"
                    :empty="null"
                    label="Uses in all"
                    hint="Empty for as many as wanted."
                    @update:model-value="(uses) => edit({ uses }, 'how often a coupon is used')"
                />
                <NumberField
                    :model-value="coupon.usesPerPerson"
                    :least="1"
                    :most="1_000_000"
                    :empty="0"
                    label="Uses per person"
                    @update:model-value="(usesPerPerson) => edit({ usesPerPerson }, 'how often a coupon is used')"
                />
            </div>
        </div>
    </div>
</template>
