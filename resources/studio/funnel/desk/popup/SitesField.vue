<script setup lang="ts">
import { PlusIcon, XMarkIcon } from '@heroicons/vue/20/solid';
import { computed, onMounted, ref } from 'vue';
import { api } from '@/api/client';
import type { AddressPattern, Popup, Site, SitePlaces } from '@/api/types';
import { usePopup } from '@/funnel/desk/popup/usePopup';
import { useFunnel } from '@/funnel/funnelStore';
import { useToasts } from '@/stores/toasts';
import NumberField from '@/ui/NumberField.vue';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';
import UiSwitch from '@/ui/UiSwitch.vue';
import { vKept } from '@/ui/kept';

/** The owner's other sites: on which pages of them it is shown, and where in the page what is placed there stands. */
const props = defineProps<{ id: string }>();

const work = usePopup(props.id);
const store = useFunnel();
const toasts = useToasts();
const popup = work.popup;
const sites = ref<Site[]>([]);
onMounted(async () => {
    try {
        sites.value = (await api.get<{ sites: Site[] }>('sites')).sites;
    } catch (error) {
        toasts.trouble(error);
    }
});
const places = computed(() => popup.value.targeting.sites ?? []);
const set = (list: SitePlaces[], now = true) =>
    work.edit({ targeting: { ...popup.value.targeting, sites: list } }, 'where the pop-up is shown', now);
const on = (site: string) => places.value.find((p) => p.site === site);
const toggle = (site: string) => set(on(site) ? places.value.filter((p) => p.site !== site) : [...places.value, { site, patterns: [] }]);
const setPatterns = (site: string, patterns: AddressPattern[], now = true) =>
    set(
        places.value.map((p) => (p.site === site ? { ...p, patterns } : p)),
        now,
    );
const changePattern = (site: string, i: number, values: Partial<AddressPattern>, now = true) =>
    setPatterns(
        site,
        (on(site)?.patterns ?? []).map((p, n) => (n === i ? { ...p, ...values } : p)),
        now,
    );
const hows = [
    { value: 'exactly', label: 'is' },
    { value: 'begins', label: 'begins with' },
    { value: 'contains', label: 'contains' },
];
/** Without a word in it a pattern would mean everything or nothing: it is kept here until it has one. */
const unwritten = ref<Record<string, AddressPattern | undefined>>({});
function write(site: string, text: string): void {
    const pattern = unwritten.value[site];
    if (pattern && text.trim() !== '') {
        unwritten.value[site] = undefined;
        setPatterns(site, [...(on(site)?.patterns ?? []), { ...pattern, text: text.trim() }]);
    }
}

const link = computed(() => `${store.funnel?.place.front}/p/${props.id}`);
const frame = computed(
    () => `<iframe src="${link.value}?frame=1" title="${popup.value.name.replaceAll('"', '')}" width="100%" height="520"></iframe>`,
);
const spot = computed(() => popup.value.spot);
const setSpot = (values: Partial<Popup['spot']>, now = true) =>
    work.edit({ spot: { ...spot.value, ...values } }, 'where it is placed', now);
const spots = [
    { value: 'after-paragraph', label: 'After a paragraph' },
    { value: 'before-heading', label: 'Before a heading' },
    { value: 'after-heading', label: 'After a heading' },
    { value: 'mark', label: 'At my placeholder' },
];
</script>

<template>
    <section class="space-y-3">
        <h3 class="label mb-0">Your other sites</h3>
        <p v-if="sites.length === 0" class="hint">
            A blog or site of your own can show this as well.
            <RouterLink class="link" to="/settings/sites">Add a site in Settings</RouterLink>
        </p>
        <div v-for="site in sites" :key="site.id" class="space-y-2 rounded border border-line p-2">
            <UiSwitch :model-value="on(site.id) !== undefined" :label="site.name" @update:model-value="toggle(site.id)" />
            <template v-if="on(site.id)">
                <p v-if="on(site.id)!.patterns.length === 0" class="text-sm">On all of its pages.</p>
                <div v-for="(pattern, i) in on(site.id)!.patterns" :key="i" class="space-y-1 border-t border-line pt-2">
                    <div class="flex items-center gap-1">
                        <UiListbox
                            class="w-32"
                            :model-value="pattern.how"
                            label="How the address is compared"
                            hide-label
                            :options="hows"
                            @update:model-value="(how) => changePattern(site.id, i, { how })"
                        />
                        <button
                            type="button"
                            class="ml-auto btn-quiet px-1"
                            :aria-label="`Remove: ${pattern.text}`"
                            @click="
                                setPatterns(
                                    site.id,
                                    on(site.id)!.patterns.filter((_, n) => n !== i),
                                )
                            "
                        >
                            <XMarkIcon class="size-4" aria-hidden="true" />
                        </button>
                    </div>
                    <input
                        v-kept="pattern.text"
                        class="input"
                        :list="`pages-${site.id}`"
                        aria-label="The address"
                        @change="changePattern(site.id, i, { text: ($event.target as HTMLInputElement).value.trim() || pattern.text })"
                    />
                    <label class="flex items-center gap-2 text-sm"
                        ><input
                            type="checkbox"
                            class="size-4"
                            :checked="pattern.except === true"
                            @change="changePattern(site.id, i, { except: !pattern.except })"
                        />All but these</label
                    >
                </div>
                <input
                    v-if="unwritten[site.id]"
                    class="input"
                    :list="`pages-${site.id}`"
                    placeholder="/notes/"
                    aria-label="The address of a page, or a part of it"
                    @change="write(site.id, ($event.target as HTMLInputElement).value)"
                />
                <button v-else type="button" class="btn-quiet" @click="unwritten[site.id] = { how: 'exactly', text: '' }">
                    <PlusIcon class="size-4" aria-hidden="true" />Some pages only
                </button>
                <datalist :id="`pages-${site.id}`">
                    <option v-for="page in site.pages" :key="page.path" :value="page.path">{{ page.title }}</option>
                </datalist>
            </template>
        </div>
        <details class="rounded border border-line p-2">
            <summary class="cursor-pointer font-medium">Without script</summary>
            <p class="hint mt-2">A link opens it where our script runs, and leads to a page with it where it does not:</p>
            <code class="mt-1 block rounded bg-line/50 p-2 text-xs break-all select-all">{{ link }}</code>
            <p class="hint mt-2">A frame, for sites that forbid scripts:</p>
            <code class="mt-1 block rounded bg-line/50 p-2 text-xs break-all select-all">{{ frame }}</code>
            <p class="hint mt-2">Anything with this attribute opens it by a click:</p>
            <code class="mt-1 block rounded bg-line/50 p-2 text-xs break-all select-all">data-lantern-open="{{ id }}"</code>
        </details>
        <div v-if="popup.placed" class="space-y-2">
            <UiListbox
                :model-value="spot.how"
                label="Where in the page"
                :options="spots"
                @update:model-value="(how) => setSpot({ how, number: spot.number ?? 3, text: how === 'mark' ? '' : spot.text })"
            />
            <NumberField
                v-if="spot.how === 'after-paragraph'"
                :model-value="spot.number ?? 3"
                :least="1"
                :most="200"
                label="Which paragraph"
                @update:model-value="(number) => setSpot({ number })"
            />
            <TextField
                v-else-if="spot.how === 'mark'"
                :model-value="spot.text ?? ''"
                label="Name of the placeholder"
                :hint="`Put &lt;div data-lantern=&quot;${spot.text || 'here'}&quot;&gt;&lt;/div&gt; into your page. Empty for the first there is.`"
                @update:model-value="(text: string) => setSpot({ text }, false)"
            />
            <TextField
                v-else
                :model-value="spot.text ?? ''"
                label="Words of the heading"
                hint="A part of them is enough. Empty for the first heading."
                @update:model-value="(text: string) => setSpot({ text }, false)"
            />
        </div>
    </section>
</template>
