<script setup lang="ts">
import { copy } from '@/ui/copy';
import { ChevronLeftIcon } from '@heroicons/vue/20/solid';
import { onMounted, ref } from 'vue';
import { api, ApiError } from '@/api/client';
import type { Site } from '@/api/types';
import { usePulse } from '@/stores/pulse';
import { useToasts } from '@/stores/toasts';
import { ago, count, counted } from '@/ui/format';
import TextField from '@/ui/TextField.vue';
import { vKept } from '@/ui/kept';

/** The owner's other web sites: one line of script each, and where it was seen. */
const toasts = useToasts();
const sites = ref<Site[] | null>(null);
const address = ref('');
const name = ref('');
const error = ref<ApiError | null>(null);
const open = ref<string | null>(null);

async function load(): Promise<void> {
    try {
        sites.value = (await api.get<{ sites: Site[] }>('sites')).sites;
    } catch (caught) {
        toasts.trouble(caught);
    }
}
onMounted(load);
usePulse(load);

async function add(): Promise<void> {
    error.value = null;
    try {
        const made = await api.post<Site>('sites', { address: address.value, name: name.value });
        sites.value?.push(made);
        [address.value, name.value] = ['', ''];
        toasts.say(`“${made.name}” is on your list. Put its line into your site, once.`);
    } catch (caught) {
        if (caught instanceof ApiError && caught.status === 422) {
            error.value = caught;
        } else {
            toasts.trouble(caught);
        }
    }
}

async function rename(site: Site, event: Event): Promise<void> {
    const typed = (event.target as HTMLInputElement).value;
    try {
        Object.assign(site, await api.put<Site>(`sites/${site.id}`, { name: typed }));
    } catch (caught) {
        toasts.trouble(caught);
    }
}

async function remove(site: Site): Promise<void> {
    try {
        const { sentences } = await api.delete<{ sentences: string[] }>(`sites/${site.id}`);
        await load();
        toasts.say([`“${site.name}” is removed. Its line does nothing any more.`, ...sentences].join(' '), {
            label: 'Undo',
            run: async () => {
                await api.post(`sites/${site.id}/restore`);
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
        <h1 class="text-3xl">Your other sites</h1>
        <p class="mt-2 text-soft">
            A blog or site of yours gets one line, once. From then on pop-ups, bands and forms are placed there from your funnels, and you
            never need to go there again.
        </p>
        <ul v-if="sites" class="mt-8 space-y-8">
            <li v-for="site in sites" :key="site.id" class="border-t border-line pt-5" :data-site="site.id">
                <div class="flex flex-wrap items-baseline justify-between gap-3">
                    <input
                        v-kept="site.name"
                        class="w-80 rounded border border-transparent bg-transparent font-display text-xl hover:border-edge focus:border-edge"
                        aria-label="Name of the site"
                        maxlength="120"
                        @change="rename(site, $event)"
                    />
                    <span class="caption">{{ site.origin }}</span>
                </div>
                <p class="mt-1" role="status" :class="site.seenAt ? 'text-pine' : 'text-clay-deep'">
                    {{
                        site.seenAt
                            ? `Installed: last seen ${ago(site.seenAt)}, on ${counted(site.pages.length, 'page')}, ${counted(site.views, 'view')} in all.`
                            : 'Not seen yet. Put this line into every page of the site, at its end or in its head:'
                    }}
                </p>
                <div class="mt-2 flex items-center gap-2">
                    <code class="min-w-0 flex-1 rounded bg-line/50 px-3 py-2 text-sm break-all select-all">{{ site.line }}</code>
                    <button type="button" class="btn" @click="copy('The line', site.line)">Copy</button>
                </div>
                <div class="mt-2 flex flex-wrap gap-1">
                    <button
                        v-if="site.pages.length > 0"
                        type="button"
                        class="btn-quiet"
                        :aria-expanded="open === site.id"
                        @click="open = open === site.id ? null : site.id"
                    >
                        {{ open === site.id ? 'Hide its pages' : 'Pages on which it was seen' }}
                    </button>
                    <button type="button" class="btn-quiet text-clay-deep" @click="remove(site)">Remove</button>
                </div>
                <table v-if="open === site.id" class="mt-2 w-full text-sm">
                    <thead>
                        <tr class="text-left text-soft">
                            <th class="font-normal">Page</th>
                            <th class="text-right font-normal">Views</th>
                            <th class="text-right font-normal">Last seen</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="page in site.pages" :key="page.path" class="border-t border-line">
                            <td class="py-1">
                                {{ page.title || page.path }} <span class="block text-soft">{{ page.path }}</span>
                            </td>
                            <td class="text-right tabular-nums">{{ count(page.views) }}</td>
                            <td class="text-right">{{ ago(page.lastAt) }}</td>
                        </tr>
                    </tbody>
                </table>
            </li>
        </ul>
        <form class="mt-10 max-w-xl space-y-4 border-t border-line pt-6" novalidate @submit.prevent="add">
            <h2 class="text-xl">Add a site</h2>
            <TextField v-model="address" label="Its address" placeholder="https://blog.example" :error="error?.field('address')" />
            <TextField v-model="name" label="What you call it" hint="Only you see this." :maxlength="120" />
            <button type="submit" class="btn-main">Add the site</button>
        </form>
        <section class="mt-10 border-t border-line pt-6 text-soft">
            <h2 class="text-xl text-ink">What is known of visitors there</h2>
            <p class="mt-2">
                On your site a visitor is known by an id that their browser keeps for that site alone. It is not carried over to your
                funnels: whoever goes on from there to a page of yours is a new visitor to it, until they join or follow a link in one of
                your emails. Without leave to keep anything, each view counts as a visitor.
            </p>
            <p class="mt-2">
                Where scripts are forbidden, link to a pop-up by its own address, or put it into a frame: both stand on its desk under
                “Where”.
            </p>
        </section>
    </div>
</template>
