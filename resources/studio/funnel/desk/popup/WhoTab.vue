<script setup lang="ts">
import { computed, onMounted } from 'vue';
import type { PopupTargeting } from '@/api/types';
import SitesField from '@/funnel/desk/popup/SitesField.vue';
import { usePopup } from '@/funnel/desk/popup/usePopup';
import { useFunnel } from '@/funnel/funnelStore';
import RulesField from '@/people/RulesField.vue';
import { usePeopleKit } from '@/stores/peopleKit';
import { useSession } from '@/stores/session';
import { useToasts } from '@/stores/toasts';
import LanguagesField from '@/ui/LanguagesField.vue';
import TagsField from '@/ui/TagsField.vue';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';

/** On which pages, and to which visitors. */
const props = defineProps<{ id: string }>();

const work = usePopup(props.id);
const store = useFunnel();
const people = usePeopleKit();
const session = useSession();
const toasts = useToasts();
const popup = work.popup;
const places = computed(() => popup.value.targeting);
onMounted(() => people.load().catch(toasts.trouble));

function set(values: Partial<PopupTargeting>, now = true): void {
    work.edit({ targeting: { ...places.value, ...values } }, 'where the pop-up is shown', now);
}
const modes = [
    { value: 'all', label: 'On all pages' },
    { value: 'some', label: 'On some pages' },
    { value: 'except', label: 'On all pages but some' },
    { value: 'none', label: 'On no page of this funnel' },
];
const mode = computed(() => places.value.pages ?? 'all');
const chosen = computed(() => places.value.ids ?? []);
const toggle = (page: string) =>
    set({ ids: chosen.value.includes(page) ? chosen.value.filter((id) => id !== page) : [...chosen.value, page] });
const quiet = (role: string) => session.kit.popups.quietRoles.includes(role);
</script>

<template>
    <div class="space-y-5">
        <section v-if="!popup.placed" class="space-y-2">
            <UiListbox :model-value="mode" label="Pages of this funnel" :options="modes" @update:model-value="(pages) => set({ pages })" />
            <ul v-if="mode === 'some' || mode === 'except'" class="space-y-1">
                <li v-for="page in store.funnel?.pages" :key="page.id">
                    <label class="flex items-center gap-2"
                        ><input type="checkbox" class="size-4.5" :checked="chosen.includes(page.id)" @change="toggle(page.id)" />{{
                            page.name
                        }}<span v-if="quiet(page.role)" class="text-sm text-soft">never here</span></label
                    >
                </li>
            </ul>
            <p class="hint">Never on a checkout, nor after buying.</p>
        </section>
        <SitesField :id="id" />
        <UiListbox
            :model-value="places.device ?? 'all'"
            label="Devices"
            :options="[
                { value: 'all', label: 'All' },
                { value: 'desktop', label: 'Not on phones' },
                { value: 'phone', label: 'On phones only' },
            ]"
            @update:model-value="(device) => set({ device })"
        />
        <UiListbox
            :model-value="places.visitors ?? 'all'"
            label="Visitors"
            :options="[
                { value: 'all', label: 'All' },
                { value: 'new', label: 'On their first visit' },
                { value: 'returning', label: 'Who have been here before' },
            ]"
            @update:model-value="(visitors) => set({ visitors })"
        />
        <TagsField
            :model-value="places.sources ?? []"
            label="Who come from"
            hint="Values of utm_source or ref, with commas between. Empty for everywhere."
            @update:model-value="(sources: string[]) => set({ sources }, false)"
        />
        <div class="grid grid-cols-2 gap-2">
            <TextField
                :model-value="places.parameter ?? ''"
                label="With this in the address"
                placeholder="topic"
                @update:model-value="(parameter: string) => set({ parameter }, false)"
            />
            <TextField
                :model-value="places.value ?? ''"
                label="that says"
                placeholder="anything"
                @update:model-value="(value: string) => set({ value }, false)"
            />
        </div>
        <LanguagesField
            :model-value="places.languages ?? []"
            label="Language of their browser"
            hint="None chosen: all."
            @update:model-value="(languages: string[]) => set({ languages }, false)"
        />
        <section>
            <h3 class="label">Never to people of whom this holds</h3>
            <p class="hint mb-2">
                Whoever has what it offers never sees it{{
                    popup.placed ? '' : ', nor whoever comes by a link in your emails, nor whoever has just joined something'
                }}.
            </p>
            <RulesField
                v-if="people.kit"
                :model-value="popup.never"
                @update:model-value="(never) => work.edit({ never }, 'who never sees the pop-up')"
            />
        </section>
    </div>
</template>
