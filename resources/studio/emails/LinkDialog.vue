<script setup lang="ts">
import { ref, watch } from 'vue';
import UiDialog from '@/ui/UiDialog.vue';
import UiListbox from '@/ui/UiListbox.vue';

const props = defineProps<{ open: boolean; href: string; pages: { field: string; name: string }[] }>();
const emit = defineEmits<{ close: []; set: [string] }>();

const address = ref('');
const page = ref('');
const trouble = ref('');
watch(
    () => props.open,
    (open) => {
        if (open) {
            page.value = props.pages.some((p) => p.field === props.href) ? props.href : '';
            address.value = page.value ? '' : props.href || 'https://';
            trouble.value = '';
        }
    },
);

function set(): void {
    const href = page.value || address.value.trim();
    if (href !== '' && !/^\{\{[a-z0-9_]+\}\}$/.test(href) && !/^(https?:\/\/[^\s]+\.|mailto:[^\s]+@)[^\s]+$/i.test(href)) {
        trouble.value = 'A web address begins with https://, an email address with mailto:.';
        return;
    }
    emit('set', href);
}
</script>

<template>
    <UiDialog :open="open" title="Where does it lead?" @close="emit('close')">
        <form class="mt-4 space-y-4" novalidate @submit.prevent="set">
            <UiListbox
                v-if="pages.length > 0"
                v-model="page"
                label="To a page of the funnel"
                :options="[{ value: '', label: 'Another address' }, ...pages.map((p) => ({ value: p.field, label: p.name }))]"
            />
            <div v-if="page === ''">
                <label class="label" for="email-link">Web address</label>
                <input id="email-link" v-model="address" class="input" :aria-invalid="trouble ? 'true' : undefined" autocomplete="off" />
                <p v-if="trouble" class="mt-1 font-medium text-clay-deep">{{ trouble }}</p>
                <p v-else class="hint">Leave it empty to remove the link. A link alone on its line becomes a button.</p>
            </div>
            <button type="submit" class="btn-main">Set the link</button>
        </form>
    </UiDialog>
</template>
