<script setup lang="ts">
import { PlusIcon, XMarkIcon } from '@heroicons/vue/20/solid';
import { ref, watch } from 'vue';
import { ApiError } from '@/api/client';
import { useFunnel } from '@/funnel/funnelStore';
import { useSteps } from '@/funnel/steps';
import { useToasts } from '@/stores/toasts';
import TextField from '@/ui/TextField.vue';
import UiDialog from '@/ui/UiDialog.vue';

/** The funnel's own merge fields, and the address parameters that may stand on its pages. */
const props = defineProps<{ open: boolean }>();
const emit = defineEmits<{ close: [] }>();

const store = useFunnel();
const steps = useSteps();
const toasts = useToasts();
const fields = ref<{ name: string; value: string }[]>([]);
const parameters = ref('');
const error = ref('');

watch(
    () => props.open,
    (open) => {
        if (open) {
            fields.value = Object.entries(store.funnel?.fields ?? {}).map(([name, value]) => ({ name, value }));
            parameters.value = (store.funnel?.parameters ?? []).join(', ');
            error.value = '';
        }
    },
);

async function save(): Promise<void> {
    const named = fields.value.filter((f) => f.name.trim() !== '');
    const body = {
        fields: Object.fromEntries(named.map((f) => [f.name.trim(), f.value])),
        parameters: parameters.value
            .split(',')
            .map((p) => p.trim())
            .filter((p) => p !== ''),
    };
    try {
        await steps.setWords(body);
        emit('close');
    } catch (caught) {
        if (caught instanceof ApiError && caught.status === 422) {
            error.value = caught.message;
        } else {
            toasts.trouble(caught);
        }
    }
}
</script>

<template>
    <UiDialog :open="open" title="Your own merge fields" @close="emit('close')">
        <form class="mt-3 space-y-4" novalidate @submit.prevent="save">
            <p class="text-soft">
                Write something once, such as the name of your programme, and put it on pages and into emails as
                <code>{{ '{' + '{programme}' + '}' }}</code>.
            </p>
            <div v-for="(field, i) in fields" :key="i" class="flex items-end gap-2">
                <TextField v-model="field.name" class="w-40" label="Name" placeholder="programme" />
                <TextField v-model="field.value" class="flex-1" label="Text" placeholder="First Season" />
                <button type="button" class="btn-quiet" :aria-label="`Remove “${field.name}”`" @click="fields.splice(i, 1)">
                    <XMarkIcon class="size-5" />
                </button>
            </div>
            <button type="button" class="btn" @click="fields.push({ name: '', value: '' })">
                <PlusIcon class="size-4" aria-hidden="true" />Add a field
            </button>
            <TextField
                v-model="parameters"
                label="Taken from the address"
                hint="Names of address parameters that may stand on pages, such as city: a link that ends in ?city=Leeds then says “for Leeds”. Always with a fallback."
            />
            <p v-if="error" role="alert" class="font-medium text-clay-deep">{{ error }}</p>
            <div class="flex gap-2">
                <button type="submit" class="btn-main">Save</button>
                <button type="button" class="btn-quiet" @click="emit('close')">Not now</button>
            </div>
        </form>
    </UiDialog>
</template>
