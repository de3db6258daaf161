<script setup lang="ts">
import { computed } from 'vue';
import { useFunnel } from '@/funnel/funnelStore';
import * as triggers from '@/funnel/triggers';
import type { ConfirmWords, Form, Sequence, Trigger } from '@/api/types';
import TagsField from '@/ui/TagsField.vue';
import TextField from '@/ui/TextField.vue';
import UiListbox from '@/ui/UiListbox.vue';
import UiSwitch from '@/ui/UiSwitch.vue';

/** What follows when a form is filled in. */
const props = defineProps<{ form: Form }>();

const store = useFunnel();
const sequences = computed(() => store.funnel?.sequences ?? []);

const webinars = computed(() => [
    { value: '', label: 'none' },
    ...(store.funnel?.webinars.map((w) => ({ value: w.id, label: w.name })) ?? []),
]);

function edit(values: Partial<Form>, label: string, now = false): void {
    store.edit('form', props.form.id, values as Record<string, unknown>, label, now);
}

type Does = 'start' | 'stop' | 'nothing';
const filledIn = computed<Trigger>(() => ({ kind: 'form', form: props.form.id }));
const doesWith = (s: Sequence): Does =>
    triggers.has(s.starts, filledIn.value) ? 'start' : triggers.has(s.ends, filledIn.value) ? 'stop' : 'nothing';
function setDoes(s: Sequence, does: Does): void {
    const values = {
        starts: triggers.set(s.starts, filledIn.value, does === 'start'),
        ends: triggers.set(s.ends, filledIn.value, does === 'stop'),
    };
    store.edit('sequence', s.id, values, 'which sequences the form starts', true);
}
const confirm = (values: Partial<ConfirmWords>) =>
    edit({ confirmWords: { ...props.form.confirmWords, ...values } }, 'the words for confirming');
/** The email is a few paragraphs; here they are plain lines. */
const plain = computed(() =>
    props.form.confirmWords.body
        .replace(/<\/p>\s*<p>/g, '\n\n')
        .replace(/<br>/g, '\n')
        .replace(/<[^>]+>/g, '')
        .replaceAll('&lt;', '<')
        .replaceAll('&gt;', '>')
        .replaceAll('&amp;', '&'),
);
const asHtml = (words: string) =>
    words
        .replaceAll('&', '&amp;')
        .replaceAll('<', '&lt;')
        .replaceAll('>', '&gt;')
        .split(/\n{2,}/)
        .map((p) => `<p>${p.replaceAll('\n', '<br>')}</p>`)
        .join('');
</script>

<template>
    <div class="space-y-6">
        <section v-if="webinars.length > 1" aria-labelledby="registers">
            <h3 id="registers" class="text-lg">Registers for a webinar</h3>
            <UiListbox
                class="mt-2"
                :model-value="form.webinar"
                label="Which one"
                :options="webinars"
                @update:model-value="(webinar: string) => edit({ webinar }, 'what the form registers for', true)"
            />
            <p class="hint">The form then shows the sessions to choose from, in each visitor’s own time.</p>
        </section>
        <section aria-labelledby="double-opt-in">
            <h3 id="double-opt-in" class="text-lg">Confirm by email (double opt-in)</h3>
            <UiSwitch
                class="mt-2"
                :model-value="form.doubleOptIn"
                label="Ask them to confirm the address by email"
                @update:model-value="(doubleOptIn: boolean) => edit({ doubleOptIn }, 'double opt-in', true)"
            />
            <p class="hint">
                {{
                    form.doubleOptIn
                        ? 'Nothing else is sent before they have pressed the button in the email. Its link works once, for three days, and can be sent again.'
                        : 'Whoever fills the form in is in at once. Fewer are lost on the way; some addresses will be wrong.'
                }}
            </p>
            <div v-if="form.doubleOptIn" class="mt-3 space-y-3 border-l-2 border-edge/50 pl-4">
                <TextField
                    :model-value="form.confirmWords.title"
                    label="Heading of the page that says so"
                    :maxlength="120"
                    @update:model-value="(title: string) => confirm({ title })"
                />
                <TextField
                    :model-value="form.confirmWords.text"
                    label="Its text"
                    :lines="3"
                    :maxlength="600"
                    @update:model-value="(text: string) => confirm({ text })"
                />
                <TextField
                    :model-value="form.confirmWords.subject"
                    label="Subject of the email"
                    :maxlength="200"
                    @update:model-value="(subject: string) => confirm({ subject })"
                />
                <TextField
                    :model-value="plain"
                    label="The email"
                    :lines="4"
                    @update:model-value="(words: string) => confirm({ body: asHtml(words) })"
                />
                <TextField
                    :model-value="form.confirmWords.button"
                    label="Text on its button"
                    :maxlength="60"
                    @update:model-value="(button: string) => confirm({ button })"
                />
            </div>
        </section>
        <section aria-labelledby="then">
            <h3 id="then" class="text-lg">Then</h3>
            <TagsField
                class="mt-2"
                :model-value="form.tags"
                label="Tag for those who join"
                @update:model-value="(tags: string[]) => edit({ tags }, 'the tags')"
            />
            <div v-for="s in sequences" :key="s.id" class="mt-3">
                <p class="label">
                    The sequence <RouterLink class="link" :to="`/funnels/${store.funnel?.id}/sequence/${s.id}`">{{ s.name }}</RouterLink>
                </p>
                <UiListbox
                    :model-value="doesWith(s)"
                    :label="`What becomes of ${s.name}`"
                    hide-label
                    :options="[
                        { value: 'nothing', label: 'stays as it is' },
                        { value: 'start', label: 'begins for them' },
                        { value: 'stop', label: 'ends for them' },
                    ]"
                    @update:model-value="(d: Does) => setDoes(s, d)"
                />
            </div>
            <TextField
                class="mt-3"
                :model-value="form.done"
                label="Text shown after, on other web sites"
                :lines="2"
                hint="Empty: they come to the page that joining leads to."
                @update:model-value="(done: string) => edit({ done }, 'the words shown after')"
            />
        </section>
        <section aria-labelledby="tell">
            <h3 id="tell" class="text-lg">Who is told</h3>
            <UiListbox
                class="mt-2"
                :model-value="form.notice"
                label="You, by email"
                :options="[
                    { value: 'never', label: 'Not at all: you look here' },
                    { value: 'at-once', label: 'At once, each time' },
                    { value: 'daily', label: 'Once a day, all together' },
                ]"
                @update:model-value="(notice: 'never' | 'at-once' | 'daily') => edit({ notice }, 'who is told', true)"
            />
            <TextField
                class="mt-3"
                :model-value="form.hook"
                label="Another program of yours (webhook)"
                type="url"
                placeholder="https://"
                hint="A web address that is told of every sign-up. The calls are signed; the key and the log are in Settings."
                :maxlength="500"
                @update:model-value="(hook: string) => edit({ hook }, 'the webhook')"
            />
        </section>
    </div>
</template>
