<script setup lang="ts">
import { onMounted, ref } from 'vue';
import AppBar from '@/ui/AppBar.vue';
import ToastHost from '@/ui/ToastHost.vue';
import FirstRun from '@/session/FirstRun.vue';
import SignIn from '@/session/SignIn.vue';
import { useSession } from '@/stores/session';

const session = useSession();
const trouble = ref('');

onMounted(async () => {
    try {
        await session.load();
    } catch {
        trouble.value = 'The Studio does not answer. Please load this page again in a moment.';
    }
});
</script>

<template>
    <p v-if="trouble" role="alert" class="p-10 text-lg">{{ trouble }}</p>
    <template v-else-if="session.loaded">
        <template v-if="session.session.signedIn">
            <div class="flex h-screen flex-col print:block print:h-auto">
                <AppBar class="print:hidden" />
                <main class="relative min-h-0 flex-1 overflow-auto print:overflow-visible" tabindex="-1"><RouterView /></main>
            </div>
        </template>
        <FirstRun v-else-if="session.session.firstRun" />
        <SignIn v-else />
        <ToastHost />
    </template>
</template>
