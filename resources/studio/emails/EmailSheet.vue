<script setup lang="ts">
import {
    ComputerDesktopIcon,
    DevicePhoneMobileIcon,
    ExclamationTriangleIcon,
    InformationCircleIcon,
    PaperAirplaneIcon,
} from '@heroicons/vue/24/outline';
import { computed, onMounted, ref, watch } from 'vue';
import { api, query } from '@/api/client';
import type { EmailSample } from '@/api/types';
import EmailEditor from '@/emails/EmailEditor.vue';
import ReaderPicker from '@/emails/ReaderPicker.vue';
import SubjectLine from '@/emails/SubjectLine.vue';
import EmailFrame from '@/outbox/EmailFrame.vue';
import { usePeopleKit } from '@/stores/peopleKit';
import { useSession } from '@/stores/session';
import { useToasts } from '@/stores/toasts';
import { counted } from '@/ui/format';
import { sampleValues } from '@/ui/mergeFields';

/**
 * An email as it will look, in its funnel's colours, written on directly. As it arrives at a reader, as plain text, and as wide as a
 * phone are a switch away; what should be fixed in it is said above it.
 */
const props = defineProps<{
    /** Of the email at the API. */
    path: string;
    /** Goes up with everything that is saved. */
    changed: number | string;
    subject: string;
    body: string;
    hasLeadMagnet?: boolean;
    pages?: { field: string; name: string }[];
    fields?: { name: string; label: string }[];
    deadlines?: { id: string; name: string }[];
}>();
const emit = defineEmits<{ 'update:subject': [string]; 'update:body': [string] }>();

const session = useSession();
const toasts = useToasts();
const people = usePeopleKit();
const VIEWS = [
    { id: 'write', label: 'Write' },
    { id: 'arrives', label: 'As it arrives' },
    { id: 'text', label: 'Plain text' },
] as const;
const view = ref<(typeof VIEWS)[number]['id']>('write');
const phone = ref(false);
const reader = ref('');
const testing = ref(false);
const editor = ref<InstanceType<typeof EmailEditor>>();
const sample = ref<EmailSample>({
    subject: '',
    html: '',
    text: '',
    reader: 'Robin Sample',
    values: {},
    colours: { accent: '#1e6b5e', onAccent: '#ffffff', link: '#1e6b5e' },
    foot: '',
});
const findings = computed(() => sample.value.findings ?? []);
const values = computed(() => ({ ...sampleValues(session.business), ...sample.value.values }));
const fill = (name: string) => ({
    label: [...people.kit.fields, ...(props.fields ?? [])].find((f) => f.name === name)?.label ?? name.replaceAll('_', ' '),
    value: values.value[name] ?? '',
});

async function load(): Promise<void> {
    try {
        sample.value = await api.get<EmailSample>(`${props.path}/sample?${query({ person: reader.value })}`);
    } catch (error) {
        toasts.trouble(error);
    }
}
onMounted(() => Promise.all([load(), people.kit.rules.length === 0 ? people.load() : undefined]).catch(toasts.trouble));
watch(() => [props.changed, props.path, reader.value], load);

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
</script>

<template>
    <section aria-label="The email">
        <div class="flex flex-wrap items-center justify-between gap-x-4 gap-y-1">
            <div class="flex gap-0.5" role="group" aria-label="How the email is shown">
                <button
                    v-for="v in VIEWS"
                    :key="v.id"
                    type="button"
                    class="btn-quiet"
                    :class="{ 'bg-line text-ink': view === v.id }"
                    :aria-pressed="view === v.id"
                    @click="view = v.id"
                >
                    {{ v.label }}
                </button>
            </div>
            <div class="flex items-center gap-0.5">
                <ReaderPicker v-model="reader" :name="sample.reader" />
                <button
                    v-for="d in [
                        { phone: false, label: 'Desktop', icon: ComputerDesktopIcon },
                        { phone: true, label: 'Phone', icon: DevicePhoneMobileIcon },
                    ]"
                    :key="d.label"
                    type="button"
                    class="btn-quiet px-2"
                    :class="{ 'bg-line text-ink': phone === d.phone }"
                    :aria-pressed="phone === d.phone"
                    :aria-label="d.label"
                    @click="phone = d.phone"
                >
                    <component :is="d.icon" class="size-5" aria-hidden="true" />
                </button>
                <button type="button" class="btn-quiet" :disabled="testing" @click="test">
                    <PaperAirplaneIcon class="size-4.5" aria-hidden="true" />Send me a test
                </button>
            </div>
        </div>
        <details v-if="findings.length > 0" class="mt-2 rounded bg-lamp-pale" data-test="email-findings">
            <summary class="flex cursor-pointer items-start gap-2 px-3 py-2">
                <component
                    :is="findings.some((f) => f.blocks) ? ExclamationTriangleIcon : InformationCircleIcon"
                    class="size-5 shrink-0"
                    :class="findings.some((f) => f.blocks) ? 'text-clay' : 'text-soft'"
                    aria-hidden="true"
                /><span class="min-w-0 flex-1">{{ findings[0]!.message }}</span
                ><span v-if="findings.length > 1" class="shrink-0 font-medium underline underline-offset-2"
                    >and {{ counted(findings.length - 1, 'more thing') }}</span
                >
            </summary>
            <ul class="border-t border-line px-3 py-1">
                <li v-for="f in findings.slice(1)" :key="f.code + f.message" class="flex items-start gap-2 py-1.5">
                    <component
                        :is="f.blocks ? ExclamationTriangleIcon : InformationCircleIcon"
                        class="size-5 shrink-0"
                        :class="f.blocks ? 'text-clay' : 'text-soft'"
                        aria-hidden="true"
                    /><span>{{ f.message }}</span>
                </li>
            </ul>
        </details>
        <div
            class="email-ground mt-2 rounded-lg border border-line"
            :style="{
                '--email-accent': sample.colours.accent,
                '--email-on-accent': sample.colours.onAccent,
                '--email-link': sample.colours.link,
            }"
        >
            <header class="rounded-t-lg border-b border-line bg-raised px-4 py-3">
                <p class="caption">
                    <span class="font-medium text-ink">{{ session.business?.senderName }}</span> · {{ session.business?.senderAddress }} ·
                    to
                    {{ sample.reader }}
                </p>
                <SubjectLine
                    v-if="view === 'write'"
                    class="mt-0.5 -ml-2"
                    :model-value="subject"
                    label="Subject"
                    :fields="fields ?? []"
                    :fill="fill"
                    @update:model-value="(words) => emit('update:subject', words)"
                    @done="editor?.focus()"
                />
                <p v-else class="mt-0.5 py-1 text-xl leading-snug font-semibold">{{ sample.subject }}</p>
            </header>
            <div v-show="view === 'write'" :class="{ 'as-phone': phone }">
                <EmailEditor
                    ref="editor"
                    sheet
                    :model-value="body"
                    :has-lead-magnet="hasLeadMagnet"
                    :pages="pages"
                    :fields="fields"
                    :deadlines="deadlines"
                    :values="values"
                    @update:model-value="(html: string) => emit('update:body', html)"
                />
                <div class="email-foot">
                    <p class="whitespace-pre-line">{{ sample.foot }}</p>
                    <p class="underline">Unsubscribe, or choose less</p>
                </div>
            </div>
            <EmailFrame v-if="view === 'arrives'" :html="sample.html" :width="phone ? 375 : 680" class="h-[calc(100vh-22rem)] min-h-100" />
            <pre
                v-if="view === 'text'"
                class="mx-auto overflow-auto px-6 py-5 font-mono text-sm whitespace-pre-wrap"
                :style="{ maxWidth: phone ? '375px' : '680px' }"
                data-test="plain-text"
                >{{ sample.text }}</pre>
        </div>
    </section>
</template>

<style>
@reference '../style.css';
/* The measures and colours of the email itself, as resources/views/mail/email.blade.php has them. */
.email-ground {
    background: #f4f2ee;
    .email-text {
        max-width: 600px;
        min-height: 14rem;
        margin: 0 auto;
        padding: 32px 36px;
        background: #fff;
        border-radius: 6px;
        font:
            17px/27px Georgia,
            'Times New Roman',
            serif;
        color: #24302d;
        p,
        ul,
        ol,
        blockquote {
            margin: 0 0 18px;
        }
        ul {
            padding-left: 24px;
        }
        ol {
            padding-left: 26px;
        }
        li {
            margin: 0 0 6px;
        }
        li > p {
            margin: 0;
        }
        h2 {
            margin: 0 0 14px;
            font:
                700 22px/28px Georgia,
                'Times New Roman',
                serif;
        }
        h3 {
            margin: 0 0 10px;
            font:
                700 18px/26px Georgia,
                'Times New Roman',
                serif;
        }
        a {
            color: var(--email-link);
        }
        .is-button a {
            display: inline-block;
            padding: 13px 26px;
            border-radius: 6px;
            background: var(--email-accent);
            color: var(--email-on-accent);
            font:
                700 16px/20px Arial,
                Helvetica,
                sans-serif;
            text-decoration: none;
        }
    }
    .as-phone :is(.email-text, .email-foot) {
        max-width: 375px;
    }
    .as-phone .email-text {
        padding: 24px 20px;
    }
}
.email-foot {
    max-width: 600px;
    margin: 0 auto;
    padding: 18px 36px 28px;
    font:
        13px/20px Arial,
        Helvetica,
        sans-serif;
    color: #5a625f;
}
</style>
