<script setup lang="ts">
import { computed, ref } from 'vue';
import LinkField from '@/funnel/desk/column/LinkField.vue';
import { useFunnel } from '@/funnel/funnelStore';
import { useSession } from '@/stores/session';
import UiMenu from '@/ui/UiMenu.vue';

/** Marks for the chosen words, and fields that are filled in for each reader. */
defineProps<{ rich: boolean }>();
const emit = defineEmits<{
    format: [how: 'bold' | 'italic' | 'in-accent' | 'in-soft' | 'link' | 'plain', value?: string];
    insert: [string];
}>();

const store = useFunnel();
const session = useSession();
const linking = ref(false);
const fields = computed(() => [
    { label: 'First name', run: () => emit('insert', '{{first_name|friend}}') },
    { label: 'Last name', run: () => emit('insert', '{{last_name|}}') },
    ...Object.entries(session.kit.ownerFields).map(([name, label]) => ({ label, run: () => emit('insert', `{{${name}}}`) })),
    ...Object.keys(store.funnel?.fields ?? {}).map((name) => ({
        label: `This funnel’s ${name}`,
        run: () => emit('insert', `{{${name}}}`),
    })),
    ...(store.funnel?.parameters ?? []).map((name) => ({ label: `From the address: ${name}`, run: () => emit('insert', `{{${name}|…}}`) })),
]);

function link(url: string): void {
    linking.value = false;
    emit('format', 'link', url);
}
</script>

<template>
    <div>
        <!-- Pressing these must not take the caret off the page. -->
        <div class="flex flex-wrap gap-1" role="toolbar" aria-label="The selected text" @mousedown.prevent>
            <template v-if="rich">
                <button type="button" class="btn px-3 font-bold" @click="emit('format', 'bold')">Bold</button>
                <button type="button" class="btn px-3 italic" @click="emit('format', 'italic')">Italic</button>
                <button type="button" class="btn px-3" :aria-expanded="linking" @click="linking = !linking">Link</button>
                <button type="button" class="btn px-3 text-pine" @click="emit('format', 'in-accent')">Colour</button>
                <button type="button" class="btn px-3 text-soft" @click="emit('format', 'in-soft')">Quiet</button>
                <button type="button" class="btn-quiet" @click="emit('format', 'plain')">Plain</button>
            </template>
            <UiMenu label="Insert a merge field" button-class="btn" left :items="fields" />
        </div>
        <LinkField v-if="linking" class="mt-3" model-value="" label="The selected text leads to" @update:model-value="link" />
    </div>
</template>
