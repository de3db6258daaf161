<script setup lang="ts">
import { ref } from 'vue';
import { ApiError } from '@/api/client';
import type { Business } from '@/api/types';
import BusinessFields from '@/settings/BusinessFields.vue';
import { useSession } from '@/stores/session';
import { nearestLocale } from '@/ui/languages';
import LanternMark from '@/ui/LanternMark.vue';
import { follow } from '@/ui/follow';
import TextField from '@/ui/TextField.vue';

const session = useSession();
const name = ref('');
const email = ref('');
const password = ref('');
const business = ref<Business>({
    businessName: '',
    senderName: '',
    senderAddress: '',
    postalAddress: '',
    timezone: Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC',
    currency: 'EUR',
    locale: nearestLocale(navigator.languages, session.session.locales),
    language: 'en',
    embedHosts: [],
    messagesPerMinute: 120,
    taxRate: '0',
    taxName: 'Tax',
    taxNumber: '',
    saleNotices: ['sale', 'trouble', 'refund'],
    weeklyReport: false,
});
/** The sender is whoever is named above, until something else is typed there. */
follow(
    () => name.value,
    () => business.value.senderName,
    (words) => (business.value.senderName = words),
);
follow(
    () => email.value,
    () => business.value.senderAddress,
    (words) => (business.value.senderAddress = words),
);
const error = ref<ApiError | null>(null);
const busy = ref(false);

async function create(): Promise<void> {
    busy.value = true;
    error.value = null;
    try {
        await session.setUp({ name: name.value, email: email.value, password: password.value, ...business.value });
    } catch (caught) {
        error.value = caught instanceof ApiError ? caught : new ApiError(500, 'Something went wrong here. Please try again.');
    } finally {
        busy.value = false;
    }
}
</script>

<template>
    <main class="mx-auto max-w-2xl px-6 py-12">
        <LanternMark class="size-12" />
        <h1 class="mt-4 text-3xl">Let us light the lantern</h1>
        <p class="mt-2 text-lg text-soft">One page, two minutes. What you say of your business you can change later in Settings.</p>
        <form class="mt-8" novalidate @submit.prevent="create">
            <h2 class="text-xl">You</h2>
            <div class="mt-3 grid gap-4 sm:grid-cols-2">
                <TextField v-model="name" label="Your name" autocomplete="name" :error="error?.field('name')" />
                <TextField
                    v-model="email"
                    label="Your email address"
                    type="email"
                    autocomplete="username"
                    :error="error?.field('email')"
                    hint="You sign in with it."
                />
                <TextField
                    v-model="password"
                    label="Password"
                    type="password"
                    autocomplete="new-password"
                    :error="error?.field('password')"
                    hint="Ten characters or more."
                />
            </div>
            <h2 class="mt-8 text-xl">Your business</h2>
            <BusinessFields v-model="business" class="mt-3" :error="error" />
            <p v-if="error" role="alert" class="mt-6 font-medium text-clay-deep">
                {{ error.status === 422 ? 'Please look at the fields marked above. Nothing is lost.' : error.message }}
            </p>
            <button type="submit" class="mt-6 btn-main" :disabled="busy">Create my Studio</button>
        </form>
    </main>
</template>
