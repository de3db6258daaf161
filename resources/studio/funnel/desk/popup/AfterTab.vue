<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { usePopup } from '@/funnel/desk/popup/usePopup';
import { useFunnel } from '@/funnel/funnelStore';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';

/** What follows joining in it. */
const props = defineProps<{ id: string }>();

const work = usePopup(props.id);
const store = useFunnel();
const popup = work.popup;
const address = ref(popup.value.after.kind === 'address' ? (popup.value.after.to ?? '') : '');
watch(
    () => popup.value.after,
    (now) => (address.value = now.kind === 'address' ? (now.to ?? '') : address.value),
);
const wrong = computed(() => (/^https?:\/\/[^\s/?#]+\S*$/i.test(address.value) ? undefined : 'A web address begins with https://.'));
const asking = ref(popup.value.after.kind === 'address');
const chosen = computed(() => (asking.value ? 'address' : popup.value.after.kind === 'page' ? `page:${popup.value.after.to}` : 'thanks'));
const options = computed(() => [
    { value: 'thanks', label: 'Thanks, in its place' },
    { value: 'page:', label: 'Where the form leads' },
    ...(store.funnel?.pages.map((p) => ({ value: `page:${p.id}`, label: `Page: ${p.name}` })) ?? []),
    { value: 'address', label: 'An outside web address' },
]);
const magnets = computed(() => store.funnel?.leadMagnets ?? []);

function choose(value: string): void {
    asking.value = value === 'address';
    if (value.startsWith('page:')) {
        void work.setAfter({ kind: 'page', to: value.slice(5) });
    } else if (value === 'thanks') {
        void work.setAfter({ kind: 'thanks' });
    } else if (wrong.value === undefined) {
        void work.setAfter({ kind: 'address', to: address.value });
    }
}

function type(value: string): void {
    address.value = value;
    if (wrong.value === undefined) {
        void work.setAfter({ kind: 'address', to: value });
    }
}
</script>

<template>
    <div class="space-y-4">
        <UiListbox :model-value="chosen" label="After joining they see" :options="options" @update:model-value="choose" />
        <TextField
            v-if="asking"
            :model-value="address"
            label="Web address"
            :error="address === '' ? undefined : wrong"
            autocomplete="off"
            @update:model-value="type"
        />
        <p class="hint">The file and the emails follow as from any form.</p>
        <UiListbox
            v-if="magnets.length > 1 || popup.leadMagnet"
            :model-value="popup.leadMagnet"
            label="The file they get"
            :options="[{ value: '', label: 'All of the funnel' }, ...magnets.map((m) => ({ value: m.id, label: m.title }))]"
            @update:model-value="(leadMagnet) => work.edit({ leadMagnet }, 'the file of the pop-up')"
        />
        <TextField
            :model-value="popup.tag"
            label="Tag for those who join in it"
            hint="Beside the tags of the form. Empty for none."
            :maxlength="60"
            @update:model-value="(tag: string) => work.edit({ tag }, 'the tag of the pop-up', false)"
        />
    </div>
</template>
