<script setup lang="ts">
import { MagnifyingGlassIcon, UserCircleIcon } from '@heroicons/vue/24/outline';
import { useEventListener } from '@vueuse/core';
import { computed, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useSession } from '@/stores/session';
import LanternMark from '@/ui/LanternMark.vue';
import SearchJump from '@/ui/SearchJump.vue';
import UiMenu from '@/ui/UiMenu.vue';

const session = useSession();
const route = useRoute();
const router = useRouter();
const searching = ref(false);
const places = ['Funnels', 'People', 'Emails', 'Sales', 'Results', 'Settings'].map((name) => ({ name, to: `/${name.toLowerCase()}` }));
const isMac = computed(() => navigator.platform.startsWith('Mac'));

useEventListener('keydown', (event: KeyboardEvent) => {
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
        event.preventDefault();
        searching.value = true;
    }
});
</script>

<template>
    <header class="flex h-13 shrink-0 items-center gap-6 border-b border-line bg-raised px-5">
        <RouterLink to="/funnels" class="flex items-center gap-2" aria-label="Upbeat Lantern, all funnels">
            <LanternMark class="size-7" />
            <span class="hidden font-display text-lg font-semibold lg:inline">Upbeat Lantern</span>
        </RouterLink>
        <nav class="flex h-full gap-1" aria-label="Main">
            <RouterLink
                v-for="place in places"
                :key="place.to"
                :to="place.to"
                class="flex h-full items-center border-b-2 px-3 font-medium"
                :class="route.path.startsWith(place.to) ? 'border-lamp text-ink' : 'border-transparent text-soft hover:text-ink'"
                :aria-current="route.path.startsWith(place.to) ? 'page' : undefined"
            >
                {{ place.name }}
            </RouterLink>
        </nav>
        <div class="ml-auto flex items-center gap-2">
            <span v-if="session.session.demo" class="hidden text-sm text-soft xl:inline">Demo: all people are made up</span>
            <button type="button" class="btn-quiet border border-line" @click="searching = true">
                <MagnifyingGlassIcon class="size-4.5" aria-hidden="true" />
                <span>Find anything</span>
                <kbd class="text-sm">{{ isMac ? '⌘' : 'Ctrl ' }}K</kbd>
            </button>
            <UiMenu
                label="Your account"
                :items="[
                    { label: 'Settings', run: () => router.push('/settings') },
                    { label: 'Sign out', run: session.signOut },
                ]"
            >
                <UserCircleIcon class="size-6" aria-hidden="true" />
            </UiMenu>
        </div>
        <SearchJump :open="searching" @close="searching = false" />
    </header>
</template>
