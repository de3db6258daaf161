<script setup lang="ts">
import { defineAsyncComponent, ref } from 'vue';
import { api } from '@/api/client';
import type { EmailPart } from '@/api/types';
import { useToasts } from '@/stores/toasts';
import { useEmailParts } from '@/stores/emailParts';
import TextField from '@/ui/TextField.vue';
import UiDialog from '@/ui/UiDialog.vue';

const EmailEditor = defineAsyncComponent(() => import('@/emails/EmailEditor.vue'));
defineProps<{ open: boolean }>();
const emit = defineEmits<{ close: [] }>();

const parts = useEmailParts();
const toasts = useToasts();
const editing = ref<EmailPart | null>(null);

function fresh(): void {
    editing.value = { id: '', name: parts.parts.length === 0 ? 'Signature' : '', body: '<p>Warmly,<br></p>' };
}

async function keep(): Promise<void> {
    const part = editing.value;
    if (!part) {
        return;
    }
    try {
        await (part.id ? api.put(`email-parts/${part.id}`, part) : api.post('email-parts', part));
        editing.value = null;
        await parts.load();
        toasts.say(`“${part.name}” is saved. Every email that uses it says it so from now on.`);
    } catch (error) {
        toasts.trouble(error);
    }
}

async function takeOut(part: EmailPart): Promise<void> {
    try {
        await api.delete(`email-parts/${part.id}`);
        await parts.load();
        toasts.say(`“${part.name}” is no longer offered. Emails that use it keep it.`, {
            label: 'Undo',
            run: async () => {
                await api.post(`email-parts/${part.id}/restore`);
                await parts.load();
            },
        });
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <UiDialog :open="open" title="Parts of emails" wide @close="emit('close')">
        <div v-if="editing" class="mt-4 space-y-4">
            <TextField v-model="editing.name" label="Private name" :maxlength="120" />
            <EmailEditor v-model="editing.body" plain label="Text of the part" />
            <div class="flex gap-2">
                <button type="button" class="btn-main" @click="keep">Save</button>
                <button type="button" class="btn-quiet" @click="editing = null">Not now</button>
            </div>
        </div>
        <div v-else class="mt-3">
            <p class="text-soft">A part is kept once and used in many emails: change it here, and it changes in all of them.</p>
            <ul class="mt-3 divide-y divide-line border-y border-line">
                <li v-for="part in parts.parts" :key="part.id" class="flex items-center justify-between gap-3 py-2">
                    <span class="min-w-0 truncate font-medium">{{ part.name }}</span>
                    <span class="flex"
                        ><button type="button" class="btn-quiet" @click="editing = { ...part }">Change</button
                        ><button type="button" class="btn-quiet" @click="takeOut(part)">Remove</button></span
                    >
                </li>
            </ul>
            <button type="button" class="mt-4 btn" @click="fresh">
                {{ parts.parts.length === 0 ? 'Make a signature' : 'Another part' }}
            </button>
        </div>
    </UiDialog>
</template>
