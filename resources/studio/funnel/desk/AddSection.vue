<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue';
import { api } from '@/api/client';
import type { OwnDesign } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { useDesk } from '@/funnel/desk/useDesk';
import { useToasts } from '@/stores/toasts';
import { useSession } from '@/stores/session';
import UiDialog from '@/ui/UiDialog.vue';

/** All designs, drawn in the funnel's own look by the real renderer; a click on one puts it on the page. */
const props = defineProps<{ after: string | null }>();
const emit = defineEmits<{ close: [] }>();

const store = useFunnel();
const session = useSession();
const desk = useDesk();
const toasts = useToasts();
const kind = ref('learn');
const own = ref<OwnDesign[]>([]);
const frame = ref<HTMLIFrameElement | null>(null);
const names = computed(() => new Map(session.kit.designs.map((d) => [d.id, d.name])));
const source = computed(() => `/studio/preview/funnels/${store.funnel?.id}/designs/${kind.value}`);
const shared = computed(() => store.funnel?.sharedSections ?? []);
const after = computed(() => props.after || null);

async function loadOwn(): Promise<void> {
    try {
        own.value = (await api.get<{ designs: OwnDesign[] }>('designs')).designs.filter((d) => d.kind === 'section');
    } catch (error) {
        toasts.trouble(error);
    }
}
onMounted(loadOwn);
watch(
    () => props.after,
    (now) => {
        if (now !== null) {
            kind.value = desk.sections.value.length === 0 ? 'opening' : kind.value;
            void loadOwn();
        }
    },
);

function choose(id: string): void {
    const design = id.split('_')[0] ?? '';
    void desk.addSection(kind.value === 'own' ? { own: design } : { design }, after.value);
    emit('close');
}

function onLoad(): void {
    const doc = frame.value?.contentDocument;
    if (!doc?.body) {
        return;
    }
    const style = doc.createElement('style');
    style.textContent = `body{zoom:.5;background:#fff;gap:0} main{gap:3rem;padding:2rem} .section{cursor:pointer;flex:none!important;border-radius:12px;background-color:var(--paper);overflow:hidden;outline:2px solid rgb(0 0 0/.15)}
        .section:hover,.section:focus{outline:6px solid #f0a830} .section>*{pointer-events:none} .choice-name{position:absolute;left:0;top:0;z-index:6;padding:.5rem 1rem;border-radius:0 0 12px 0;background:#20302d;color:#fffdf8;font:600 1.5rem/1.2 system-ui,sans-serif}
        .section .inner{margin-top:1.5rem} .empty{min-height:14rem;border:2px dashed currentColor;display:grid;place-items:center;opacity:.6}`;
    doc.head.append(style);
    for (const section of doc.querySelectorAll<HTMLElement>('[data-section]')) {
        const id = section.dataset.section ?? '';
        const name = names.value.get(id.split('_')[0] ?? '') ?? own.value.find((d) => id.startsWith(d.id))?.name ?? '';
        section.tabIndex = 0;
        section.setAttribute('role', 'button');
        section.setAttribute('aria-label', name);
        const label = doc.createElement('span');
        label.className = 'choice-name';
        label.textContent = name;
        section.append(label);
        section.addEventListener('keydown', (event) => {
            if (event.key === 'Enter' || event.key === ' ') {
                event.preventDefault();
                choose(id);
            }
        });
    }
    doc.addEventListener('click', (event) => {
        event.preventDefault();
        const section = (event.target as HTMLElement).closest<HTMLElement>('[data-section]');
        if (section) {
            choose(section.dataset.section ?? '');
        }
    });
    doc.addEventListener('keydown', (event) => event.key === 'Escape' && emit('close'));
}
</script>

<template>
    <UiDialog :open="after !== null || props.after === ''" title="Add a section" full @close="emit('close')">
        <div class="mt-4 grid min-h-0 flex-1 grid-cols-[13rem_1fr] gap-5">
            <nav class="overflow-auto" aria-label="Kinds of sections">
                <button
                    v-for="option in desk.kind === 'guide-page' ? session.kit.guideSections : session.kit.sections"
                    :key="option.id"
                    type="button"
                    class="block w-full rounded px-3 py-1 text-left"
                    :class="kind === option.id ? 'bg-lamp-pale font-semibold' : 'hover:bg-lamp-pale'"
                    :aria-pressed="kind === option.id"
                    @click="kind = option.id"
                >
                    {{ option.label }}
                </button>
                <button
                    v-if="own.length > 0"
                    type="button"
                    class="mt-2 block w-full rounded border-t border-line px-3 py-1 text-left"
                    :class="kind === 'own' ? 'bg-lamp-pale font-semibold' : 'hover:bg-lamp-pale'"
                    :aria-pressed="kind === 'own'"
                    @click="kind = 'own'"
                >
                    Your own
                </button>
                <template v-if="shared.length > 0">
                    <h3 class="mt-3 border-t border-line px-3 pt-2 text-sm text-soft">Shared in this funnel</h3>
                    <button
                        v-for="s in shared"
                        :key="s.id"
                        type="button"
                        class="block w-full rounded px-3 py-1 text-left hover:bg-lamp-pale"
                        @click="
                            desk.showShared(s, after);
                            emit('close');
                        "
                    >
                        {{ s.name }}
                    </button>
                </template>
            </nav>
            <iframe
                v-if="props.after !== null"
                ref="frame"
                :src="source"
                title="Designs"
                class="h-full w-full rounded-lg border border-line bg-white"
                @load="onLoad"
            ></iframe>
        </div>
    </UiDialog>
</template>
