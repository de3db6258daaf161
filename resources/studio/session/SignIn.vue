<script setup lang="ts">
import { ref } from 'vue';
import { ApiError } from '@/api/client';
import { useSession } from '@/stores/session';
import LanternMark from '@/ui/LanternMark.vue';
import TextField from '@/ui/TextField.vue';

const session = useSession();
const demo = typeof session.session.demo === 'object' ? session.session.demo : null;
const email = ref(demo?.email ?? '');
const password = ref(demo?.password ?? '');
const error = ref<ApiError | null>(null);
const busy = ref(false);

async function signIn(): Promise<void> {
    busy.value = true;
    error.value = null;
    try {
        await session.signIn(email.value, password.value);
    } catch (caught) {
        error.value = caught instanceof ApiError ? caught : new ApiError(500, 'Something went wrong here. Please try again.');
    } finally {
        busy.value = false;
    }
}
</script>

<template>
    <main class="grid min-h-screen place-items-center p-6">
        <form class="w-full max-w-sm" novalidate @submit.prevent="signIn">
            <LanternMark class="size-12" />
            <h1 class="mt-4 text-3xl">Welcome back</h1>
            <p v-if="demo" class="mt-2 text-soft">This is the demo, with made-up people. The sign-in is filled in for you.</p>
            <p
                v-if="error && !error.field('email') && !error.field('password')"
                role="alert"
                class="mt-4 rounded-md bg-clay-pale px-3 py-2 text-clay-deep"
            >
                {{ error.message }}
            </p>
            <TextField
                v-model="email"
                class="mt-6"
                label="Email address"
                type="email"
                autocomplete="username"
                :error="error?.field('email')"
            />
            <TextField
                v-model="password"
                class="mt-4"
                label="Password"
                type="password"
                autocomplete="current-password"
                :error="error?.field('password')"
            />
            <button type="submit" class="mt-6 btn-main w-full" :disabled="busy">Sign in</button>
        </form>
    </main>
</template>
