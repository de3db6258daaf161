<script setup lang="ts">
import { ComputerDesktopIcon, DevicePhoneMobileIcon, ExclamationTriangleIcon, InformationCircleIcon } from '@heroicons/vue/24/outline';
import { useDebounceFn } from '@vueuse/core';
import { onMounted, ref, watch } from 'vue';
import { api, query } from '@/api/client';
import type { EmailSample, PersonRow } from '@/api/types';
import EmailFrame from '@/outbox/EmailFrame.vue';
import { useToasts } from '@/stores/toasts';

/** An email as somebody reads it, on a phone or a desktop, with what should be fixed in it. */
const props = defineProps<{ path: string; changed: number | string }>();

const toasts = useToasts();
const sample = ref<EmailSample>({ subject: '', html: '', text: '', reader: 'Robin Sample' });
const phone = ref(true);
const reader = ref('');
const search = ref('');
const found = ref<PersonRow[]>([]);
const choosing = ref(false);
const testing = ref(false);

async function load(): Promise<void> {
    try {
        sample.value = await api.get<EmailSample>(`${props.path}/sample?${query({ person: reader.value })}`);
    } catch (error) {
        toasts.trouble(error);
    }
}
onMounted(load);
watch(() => [props.changed, props.path, reader.value], load);

const find = useDebounceFn(async () => {
    try {
        found.value = (await api.get<{ people: PersonRow[] }>(`people?${query({ search: search.value, perPage: 6 })}`)).people;
    } catch (error) {
        toasts.trouble(error);
    }
}, 150);
watch([search, choosing], () => choosing.value && find());

async function test(): Promise<void> {
    testing.value = true;
    try {
        const { to } = await api.post<{ to: string }>(`${props.path}/test`, { person: reader.value });
        toasts.say(`A test is on its way to ${to}.`);
    } catch (error) {
        toasts.trouble(error);
    } finally {
        testing.value = false;
    }
}

function choose(id: string): void {
    reader.value = id;
    choosing.value = false;
    search.value = '';
}
</script>

<template>
    <aside class="flex min-h-0 flex-col border-l border-line bg-raised" aria-label="As its reader sees it">
        <div class="flex items-center justify-between gap-2 border-b border-line px-4 py-2">
            <p class="min-w-0">
                <button
                    type="button"
                    class="block max-w-full truncate text-left caption underline underline-offset-2"
                    @click="choosing = !choosing"
                >
                    As {{ sample.reader }} sees it
                </button>
                <span class="block truncate font-medium">{{ sample.subject }}</span>
            </p>
            <div class="flex shrink-0" role="group" aria-label="Width of the email">
                <button
                    type="button"
                    class="btn-quiet px-2"
                    :class="{ 'bg-line text-ink': !phone }"
                    :aria-pressed="!phone"
                    aria-label="Desktop"
                    @click="phone = false"
                >
                    <ComputerDesktopIcon class="size-5" aria-hidden="true" />
                </button>
                <button
                    type="button"
                    class="btn-quiet px-2"
                    :class="{ 'bg-line text-ink': phone }"
                    :aria-pressed="phone"
                    aria-label="Phone"
                    @click="phone = true"
                >
                    <DevicePhoneMobileIcon class="size-5" aria-hidden="true" />
                </button>
                <button type="button" class="btn-quiet" :disabled="testing" @click="test">Test</button>
            </div>
        </div>
        <div v-if="choosing" class="border-b border-line px-4 py-2">
            <input v-model="search" type="search" class="input" placeholder="Whose email?" aria-label="Search for a reader" />
            <ul class="mt-1">
                <li>
                    <button type="button" class="w-full rounded px-2 py-1 text-left hover:bg-lamp-pale" @click="choose('')">
                        Robin Sample, made up
                    </button>
                </li>
                <li v-for="p in found" :key="p.id">
                    <button type="button" class="w-full truncate rounded px-2 py-1 text-left hover:bg-lamp-pale" @click="choose(p.id)">
                        {{ `${p.firstName} ${p.lastName}`.trim() }} <span class="text-soft">{{ p.email }}</span>
                    </button>
                </li>
            </ul>
        </div>
        <ul
            v-if="sample.findings?.length"
            class="max-h-32 divide-y divide-line overflow-auto border-b border-line"
            data-test="email-findings"
        >
            <li v-for="f in sample.findings" :key="f.code + f.message" class="flex items-start gap-2 px-4 py-2 text-sm">
                <component
                    :is="f.blocks ? ExclamationTriangleIcon : InformationCircleIcon"
                    class="size-5 shrink-0"
                    :class="f.blocks ? 'text-clay' : 'text-soft'"
                    aria-hidden="true"
                /><span>{{ f.message }}</span>
            </li>
        </ul>
        <EmailFrame :html="sample.html" :width="phone ? 375 : 680" class="min-h-0 flex-1" />
    </aside>
</template>
