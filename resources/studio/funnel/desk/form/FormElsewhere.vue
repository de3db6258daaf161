<script setup lang="ts">
import { copy } from '@/ui/copy';
import { pageUrl } from '@/funnel/pageUrl';
import { computed, ref } from 'vue';
import { useFunnel } from '@/funnel/funnelStore';
import type { Form } from '@/api/types';

/** The form on the owner's other web sites: a snippet to paste there. */
const props = defineProps<{ form: Form }>();

const store = useFunnel();
const kind = ref<'form' | 'button' | 'plain'>('form');
const site = computed(() => store.funnel?.place.front ?? '');
const page = computed(
    () =>
        store.funnel?.pages.find((p) => p.document.sections.some((s) => s.blocks.some((b) => b.form === props.form.id))) ??
        store.funnel?.pages[0],
);
const escape = (words: string) => words.replaceAll('&', '&amp;').replaceAll('"', '&quot;').replaceAll('<', '&lt;');
const snippet = computed(() => {
    const src = `${site.value}/e/${props.form.id}.js`;
    if (kind.value === 'form') {
        return `<script src="${src}" async></` + 'script>';
    }
    if (kind.value === 'button') {
        return `<script src="${src}" data-button="${escape(props.form.button)}" async></` + 'script>';
    }
    const fields = props.form.fields
        .filter((f) => ['email', 'first_name', 'last_name', 'phone', 'short_text', 'number', 'date'].includes(f.kind))
        .map((f) => {
            const type = { email: 'email', phone: 'tel', date: 'date' }[f.kind as string] ?? 'text';
            return `  <label>${escape(f.label)} <input type="${type}" name="${f.name ?? f.kind}"${f.required ? ' required' : ''}></label>`;
        });
    const action = pageUrl(store.funnel, page.value?.address);
    return [
        `<form action="${action}" method="post">`,
        ...fields,
        `  <input type="hidden" name="form" value="${props.form.id}"><input type="hidden" name="token" value="elsewhere">`,
        `  <button>${escape(props.form.button)}</button>`,
        '</form>',
    ].join('\n');
});
</script>

<template>
    <section aria-labelledby="elsewhere">
        <h3 id="elsewhere" class="text-lg">On your other web sites</h3>
        <p class="hint">Paste this where the form shall stand. Whatever you publish here changes it there.</p>
        <div class="mt-2 flex flex-wrap gap-1" role="radiogroup" aria-label="What to put there">
            <button
                v-for="option in [
                    { value: 'form', label: 'The form' },
                    { value: 'button', label: 'A button that opens it' },
                    { value: 'plain', label: 'Plain HTML, no script' },
                ] as const"
                :key="option.value"
                type="button"
                role="radio"
                class="btn-quiet min-h-8 border text-sm"
                :class="kind === option.value ? 'border-ink bg-raised text-ink' : 'border-transparent'"
                :aria-checked="kind === option.value"
                @click="kind = option.value"
            >
                {{ option.label }}
            </button>
        </div>
        <pre
            class="mt-2 rounded-md border border-line bg-raised p-3 text-sm break-all whitespace-pre-wrap select-all"
            data-test="snippet"
            >{{ snippet }}</pre>
        <p v-if="kind === 'plain'" class="hint">It holds plain fields only, in your own site’s style, and asks for one more press here.</p>
        <button type="button" class="mt-2 btn" @click="copy('The snippet', snippet)">Copy the snippet</button>
    </section>
</template>
