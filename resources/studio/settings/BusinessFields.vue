<script setup lang="ts">
import { computed, ref } from 'vue';
import type { ApiError } from '@/api/client';
import type { Business } from '@/api/types';
import FoldSection from '@/ui/FoldSection.vue';
import { counted } from '@/ui/format';
import CurrencyField from '@/ui/CurrencyField.vue';
import LocaleField from '@/ui/LocaleField.vue';
import NumberField from '@/ui/NumberField.vue';
import TextField from '@/ui/TextField.vue';
import UiSwitch from '@/ui/UiSwitch.vue';
import VisitorLanguage from '@/ui/VisitorLanguage.vue';
import ZoneField from '@/ui/ZoneField.vue';

const props = defineProps<{ error: ApiError | null; withHosts?: boolean }>();
const business = defineModel<Business>({ required: true });
const notices = [
    { value: 'sale', label: 'every sale' },
    { value: 'trouble', label: 'trouble: a payment of a plan that failed, a dispute' },
    { value: 'refund', label: 'every refund' },
];
const hosts = ref(props.withHosts ? business.value.embedHosts.join('\n') : undefined);
const wrong = (...fields: string[]) => fields.some((f) => props.error?.field(f) !== undefined);
const taxWords = computed(() => (Number(business.value.taxRate) > 0 ? `${business.value.taxRate} % ${business.value.taxName}` : 'No tax'));
const noticeWords = computed(() => {
    const short: Record<string, string> = { sale: 'sales', trouble: 'trouble', refund: 'refunds' };
    return business.value.saleNotices.length === 0
        ? 'None'
        : `At once of ${business.value.saleNotices.map((n) => short[n] ?? n).join(', ')}`;
});
const limitWords = computed(
    () =>
        `${counted(business.value.messagesPerMinute, 'message')} a minute · videos from ${counted(business.value.embedHosts.length, 'other site')}`,
);
const hostError = computed(() => Object.entries(props.error?.errors ?? {}).find(([name]) => name.startsWith('embedHosts'))?.[1][0]);

function setHosts(typed: string): void {
    hosts.value = typed;
    business.value.embedHosts = typed
        .split(/[\s,]+/)
        .map((h) =>
            h
                .trim()
                .toLowerCase()
                .replace(/^https?:\/\//, '')
                .replace(/\/.*$/, ''),
        )
        .filter((h) => h !== '');
}
</script>

<template>
    <div>
        <div class="grid gap-4 sm:grid-cols-2">
            <TextField
                v-model="business.businessName"
                label="Business"
                :error="error?.field('businessName')"
                autocomplete="organization"
                hint="Stands on pages and in emails."
            />
            <TextField
                v-model="business.senderName"
                label="Sender name"
                :error="error?.field('senderName')"
                hint="Whom your emails come from."
            />
            <TextField
                v-model="business.senderAddress"
                label="Sender address"
                type="email"
                :error="error?.field('senderAddress')"
                hint="Answers to your emails arrive there."
            />
            <TextField
                v-model="business.postalAddress"
                label="Postal address"
                :lines="2"
                :error="error?.field('postalAddress')"
                hint="At the foot of each email. The law asks for it in most places."
            />
            <ZoneField v-model="business.timezone" :error="error?.field('timezone')" />
            <LocaleField v-model="business.locale" :error="error?.field('locale')" />
            <VisitorLanguage
                v-model="business.language"
                label="Language of your visitors"
                hint="New funnels speak it: buttons, errors, receipts, emails."
                :error="error?.field('language')"
            />
            <p v-if="withHosts" class="-mt-2">
                <RouterLink to="/settings/phrases" class="-ml-2 btn-quiet">Say it in words of your own</RouterLink>
            </p>
            <CurrencyField v-model="business.currency" :error="error?.field('currency')" hint="New funnels sell in it." />
        </div>
        <template v-if="withHosts">
            <FoldSection
                name="tax"
                title="Tax and receipts"
                :summary="taxWords"
                :trouble="wrong('taxRate', 'taxName', 'taxNumber')"
                class="mt-10"
            >
                <div class="grid gap-4 sm:grid-cols-2">
                    <TextField
                        v-model="business.taxRate"
                        label="Tax rate, in percent"
                        :error="error?.field('taxRate')"
                        hint="On what you sell, such as 19. Nothing for none."
                    />
                    <TextField v-model="business.taxName" label="What the tax is called" :maxlength="40" :error="error?.field('taxName')" />
                    <TextField
                        v-model="business.taxNumber"
                        label="Your tax number"
                        :maxlength="60"
                        :error="error?.field('taxNumber')"
                        hint="On receipts. May be empty."
                    />
                </div>
            </FoldSection>
            <FoldSection name="notices" title="Notices to you" :summary="noticeWords">
                <fieldset>
                    <legend class="label">Tell me at once of</legend>
                    <label v-for="notice in notices" :key="notice.value" class="mt-1 flex items-center gap-2.5"
                        ><input v-model="business.saleNotices" type="checkbox" class="size-4.5 accent-pine" :value="notice.value" />{{
                            notice.label
                        }}</label
                    >
                </fieldset>
                <UiSwitch v-model="business.weeklyReport" class="mt-4" label="Each Monday morning, the week in six lines" />
            </FoldSection>
            <FoldSection
                name="limits"
                title="Limits"
                :summary="limitWords"
                :trouble="wrong('messagesPerMinute') || hostError !== undefined"
            >
                <div class="grid gap-4 sm:grid-cols-2">
                    <NumberField
                        v-model="business.messagesPerMinute"
                        :least="1"
                        :most="100_000"
                        label="Messages a minute, at most"
                        :error="error?.field('messagesPerMinute')"
                        hint="What your mail provider allows. What waits longer goes out in the order in which it was due."
                    />
                    <TextField
                        :model-value="hosts ?? ''"
                        label="Places videos may come from"
                        :lines="2"
                        :error="hostError"
                        hint="One host a line, such as video.example. Videos from other places are shown as a link."
                        @update:model-value="setHosts"
                    />
                </div>
            </FoldSection>
        </template>
    </div>
</template>
