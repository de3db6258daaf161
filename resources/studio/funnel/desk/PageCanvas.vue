<script setup lang="ts">
import { useElementSize } from '@vueuse/core';
import { computed, onBeforeUnmount, ref, toRaw, watch } from 'vue';
import { api, ApiError } from '@/api/client';
import type { Section } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { addStyle, dress, format, insertWords, listen, mark } from '@/funnel/desk/canvas';
import MergeFieldEditor from '@/funnel/desk/MergeFieldEditor.vue';
import { ofChip, setChip, type MergeField } from '@/ui/mergeFields';
import { useSampleReader } from '@/funnel/desk/useSampleReader';
import { useDesk, type Selection } from '@/funnel/desk/useDesk';
import { useLibrary } from '@/stores/library';
import { useToasts } from '@/stores/toasts';

/** The real page, drawn by the renderer that draws the public one, from what is on the screen. */
const props = withDefaults(
    defineProps<{
        phone: boolean;
        sample: boolean;
        state: string;
        /** Of a pop-up: the page it stands over, how it stands there, and which of its steps is shown. */
        under?: string;
        stage?: string;
        step?: string;
        standing?: object;
    }>(),
    { under: '' },
);
const emit = defineEmits<{ add: [after: string] }>();

const store = useFunnel();
const desk = useDesk();
const library = useLibrary();
const toasts = useToasts();
const frame = ref<HTMLIFrameElement | null>(null);
const ready = ref(false);
let typing: string | null = null;
/** Where there is less room than a desktop has, the page is shown smaller rather than as a phone would show it. */
const DESKTOP = 900;
const room = ref<HTMLElement | null>(null);
const { width } = useElementSize(room);
const shrunk = computed(() => {
    const scale = props.phone || width.value === 0 ? 1 : Math.min(1, width.value / DESKTOP);
    return scale === 1
        ? undefined
        : { width: `${DESKTOP}px`, height: `${100 / scale}%`, transform: `scale(${scale})`, transformOrigin: 'top center' };
});
/** What each section on the page was drawn from. */
const drawn = new Map<string, string>();
let running = false;
let again = false;
let whole = false;

const inside = (): Document | null => frame.value?.contentDocument ?? null;
/** The same thing always reads the same, in whatever order its fields came. */
const read = (thing: unknown) =>
    JSON.stringify(toRaw(thing), (_, value: unknown) =>
        value && typeof value === 'object' && !Array.isArray(value)
            ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
            : value,
    );
/** All that a section is drawn from: what it holds, and the forms it shows. */
const written = (section: Section) =>
    read(section) +
    section.blocks
        .filter((b) => b.kind === 'form')
        .map((b) => read({ ...toRaw(store.form(String(b.form))), revision: 0 }))
        .join('');
/** What the page that is fetched is drawn from, at the latest. */
const asked = desk.sections.value.map((s) => [s.id, written(s)] as const);
/** What all sections depend on: a change of it draws the whole page anew. */
const around = computed(() =>
    JSON.stringify([
        desk.page.value?.document.look,
        desk.page.value?.document.background,
        desk.page.value?.settings?.language,
        store.funnel?.language,
        store.funnel?.look,
        store.funnel?.changes,
        store.funnel?.logo,
        store.funnel?.fields,
        firstHeading(),
    ]),
);

function firstHeading(): string | undefined {
    return desk.sections.value.flatMap((s) => s.blocks).find((b) => b.kind === 'heading')?.id;
}

function onLoad(): void {
    const doc = inside();
    if (!doc?.body.dataset.page) {
        return;
    }
    addStyle(doc);
    listen(
        doc,
        {
            select: (to) => desk.select(to),
            type: (at, value) => {
                desk.type(at, value);
                // It stands on the page already.
                const section = desk.sections.value.find((s) => s.id === at.section);
                if (section) {
                    drawn.set(section.id, written(section));
                }
            },
            add: (after) => emit('add', after),
            drop: (at, file) => void takePicture(at, file),
            key: (event) => void onKey(event),
            merge: openMerge,
            typing: (on) => {
                typing = on ? (desk.selection.value?.section ?? null) : null;
                if (!on) {
                    void draw();
                }
            },
        },
        fill,
    );
    dress(doc, fill);
    arrangeStage();
    // What was changed while the page was on its way here is not on it yet.
    asked.forEach(([id, json]) => drawn.set(id, json));
    mark(doc, desk.selection.value);
    ready.value = true;
    void (props.sample ? drawWhole() : draw());
}

const { fill } = useSampleReader();
/** The merge field that was pressed, and where its editor stands. */
const merge = ref<{ chip: HTMLElement; field: MergeField; x: number; y: number } | null>(null);

function openMerge(chip: HTMLElement): void {
    const field = ofChip(chip);
    const [box, around] = [frame.value?.getBoundingClientRect(), room.value?.getBoundingClientRect()];
    if (!field || !box || !around) {
        return;
    }
    const scale = box.width / (frame.value?.offsetWidth || box.width);
    const rect = chip.getBoundingClientRect();
    const x = box.left - around.left + rect.left * scale;
    const y = box.top - around.top + rect.bottom * scale + 6;
    merge.value = { chip, field, x: Math.max(8, Math.min(x, around.width - 300)), y: Math.max(8, Math.min(y, around.height - 260)) };
}

function changeMerge(field: MergeField | null): void {
    const chip = merge.value!.chip;
    const words = chip.closest('[data-field]');
    if (field) {
        setChip(chip, field, fill);
        merge.value!.field = field;
    } else {
        chip.remove();
        merge.value = null;
    }
    words?.dispatchEvent(new Event('input', { bubbles: true }));
}

function onKey(event: KeyboardEvent): void {
    const typingIn = (event.target as HTMLElement).closest?.('[contenteditable]');
    if (event.key === 'Escape') {
        (inside()?.activeElement as HTMLElement | null)?.blur();
        const now = desk.selection.value;
        desk.select(now?.block ? { section: now.section } : null);
        return;
    }
    const command = event.ctrlKey || event.metaKey;
    if (command && event.key.toLowerCase() === 'k') {
        event.preventDefault();
    }
    if (!typingIn || (command && event.key.toLowerCase() === 'k')) {
        const passedOn = new KeyboardEvent('keydown', {
            key: event.key,
            ctrlKey: command,
            altKey: event.altKey,
            shiftKey: event.shiftKey,
            cancelable: true,
        });
        if (!window.dispatchEvent(passedOn)) {
            event.preventDefault();
        }
    }
}

/** Brings the page on the desk in step with what is on the screen: order at once, changed sections as the server draws them. */
async function draw(): Promise<void> {
    const doc = inside();
    const main = doc?.querySelector('main');
    if (!doc || !main || !ready.value) {
        return;
    }
    if (running) {
        again = true;
        return;
    }
    if (whole || props.sample) {
        await drawWhole();
        return;
    }
    const wanted = desk.sections.value.filter((s) => drawn.get(s.id) !== written(s) && s.id !== typing);
    arrange(main);
    showStep();
    if (wanted.length === 0) {
        return;
    }
    running = true;
    try {
        const sent = new Map(wanted.map((s) => [s.id, written(s)]));
        const answer = await api.post<{ sections: Record<string, string> }>(`pages/${desk.pageId}/draw`, {
            ...screen(),
            sections: [...sent.keys()],
            deadline: props.state,
        });
        for (const [id, html] of Object.entries(answer.sections)) {
            place(doc, main, id, html);
            drawn.set(id, sent.get(id) ?? '');
        }
        arrange(main);
        showStep();
        mark(doc, desk.selection.value);
    } catch (error) {
        trouble(error);
    } finally {
        running = false;
    }
    if (again) {
        again = false;
        await draw();
    }
}

function place(doc: Document, main: Element, id: string, html: string): void {
    const template = doc.createElement('template');
    template.innerHTML = html.trim();
    const fresh = template.content.firstElementChild;
    const old = main.querySelector(`[data-section="${id}"]`);
    if (!fresh || (id === typing && old)) {
        return;
    }
    const made = doc.importNode(fresh, true) as HTMLElement;
    dress(made, fill);
    if (old) {
        old.replaceWith(made);
    } else {
        main.append(made);
    }
}

/** Takes out what is gone and puts the rest in order. */
function arrange(main: Element): void {
    const ids = desk.sections.value.map((s) => s.id);
    for (const element of [...main.querySelectorAll<HTMLElement>(':scope > [data-section]')]) {
        if (!ids.includes(element.dataset.section ?? '')) {
            drawn.delete(element.dataset.section ?? '');
            element.remove();
        }
    }
    const there = [...main.querySelectorAll<HTMLElement>(':scope > [data-section]')];
    const wanted = ids.map((id) => there.find((e) => e.dataset.section === id)).filter((e) => e !== undefined);
    wanted.forEach((element, i) => {
        const now = main.querySelectorAll(':scope > [data-section]')[i];
        if (now !== element) {
            main.insertBefore(element, now ?? null);
        }
    });
}

function screen(): object {
    const funnel = store.funnel!;
    return {
        document: toRaw(desk.page.value?.document),
        shared: Object.fromEntries(funnel.sharedSections.map((s) => [s.id, s.section])),
        look: funnel.look,
        changes: funnel.changes,
        logo: funnel.logo,
        forms: funnel.forms.map((f) => toRaw(f)),
    };
}

/** Draws all of it in place: the frame stays, so nothing flashes and the place one has scrolled to is kept. */
async function drawWhole(): Promise<void> {
    const doc = inside();
    if (!doc || running) {
        again = running;
        return;
    }
    running = true;
    whole = false;
    try {
        const sent = desk.sections.value.map((s) => [s.id, written(s)] as const);
        const answer = await api.post<{ html: string }>(`pages/${desk.pageId}/draw`, {
            ...screen(),
            sample: props.sample,
            deadline: props.state,
            under: props.under,
            frame: props.standing,
        });
        const fresh = new DOMParser().parseFromString(answer.html, 'text/html');
        doc.head.innerHTML = fresh.head.innerHTML;
        doc.body.innerHTML = fresh.body.innerHTML;
        for (const name of ['class', 'style']) {
            doc.body.setAttribute(name, fresh.body.getAttribute(name) ?? '');
        }
        drawn.clear();
        sent.forEach(([id, json]) => drawn.set(id, json));
        addStyle(doc);
        arrangeStage();
        if (!props.sample) {
            dress(doc, fill);
            mark(doc, desk.selection.value);
        }
    } catch (error) {
        trouble(error);
    } finally {
        running = false;
    }
    if (again || whole) {
        again = false;
        await draw();
    }
}

/** A pop-up stands at once as it was just chosen, and shows the step that is worked on. */
function arrangeStage(): void {
    const stage = inside()?.querySelector('[data-stage]');
    if (stage && props.stage !== undefined) {
        stage.className = props.stage;
        inside()!.body.dataset.step = props.step;
        showStep();
    }
}

function showStep(): void {
    const doc = inside();
    for (const section of doc?.querySelectorAll<HTMLElement>('.pop-box > [data-section]') ?? []) {
        section.style.display = props.step && section.dataset.section !== props.step ? 'none' : '';
    }
    // The cross stands on the colours of the step that is shown.
    const shown = doc?.querySelector<HTMLElement>(`[data-section="${props.step}"]`);
    const close = doc?.querySelector<HTMLElement>('.pop-close');
    if (shown && close) {
        close.style.setProperty('--close', doc!.defaultView!.getComputedStyle(shown).getPropertyValue('--ink'));
    }
}

function trouble(error: unknown): void {
    // What cannot be drawn now is drawn with the next change; the line above says when the connection is gone.
    if (!(error instanceof ApiError && error.offline)) {
        toasts.trouble(error);
    }
}

async function takePicture(at: Selection, file: File): Promise<void> {
    const section = desk.sections.value.find((s) => s.id === at.section);
    const block = section?.blocks.find((b) => b.id === at.block) ?? section?.blocks.find((b) => ['picture', 'cover'].includes(b.kind));
    const item = block?.items && at.item === undefined ? block.items.findIndex((i) => !i.picture) : at.item;
    if (!section || !block || !(['picture', 'cover', 'video', 'logo'].includes(block.kind) || (block.items && (item ?? -1) >= 0))) {
        toasts.say('Drop a picture onto a place that shows one, or choose it in the column at the right.');
        return;
    }
    try {
        const picture = await library.bring('pictures', file);
        desk.editBlock(section.id, block.id, 'a picture', (b) => {
            if (b.items && item !== undefined) {
                b.items[item] = { ...b.items[item], picture: picture.id };
            } else {
                b.picture = picture.id;
            }
        });
        desk.select({ section: section.id, block: block.id });
    } catch (error) {
        toasts.trouble(error);
    }
}

watch([() => desk.sections.value, () => read(store.funnel?.forms)], draw);
watch([() => props.stage, () => props.step], arrangeStage);
watch([around, () => props.sample, () => props.state, () => props.under, () => store.redraw], () => {
    whole = true;
    void draw();
});
watch(
    () => desk.selection.value,
    (now, before) => {
        const doc = inside();
        if (doc && !props.sample) {
            mark(doc, now);
            // What was chosen in the column comes into sight on the page.
            if (now && now.section !== before?.section && !doc.hasFocus()) {
                doc.querySelector(`[data-section="${now.section}"]`)?.scrollIntoView({ block: 'nearest', behavior: 'smooth' });
            }
        }
    },
);
onBeforeUnmount(() => (ready.value = false));

defineExpose({
    format: (how: Parameters<typeof format>[1], value?: string) => inside() && format(inside()!, how, value),
    insert: (text: string) => inside() && insertWords(inside()!, text, fill),
});
</script>

<template>
    <div ref="room" class="relative flex h-full min-h-0 justify-center overflow-hidden" :class="{ 'py-4': phone }">
        <iframe
            ref="frame"
            :src="`/studio/preview/pages/${desk.pageId}${under ? `?under=${under}` : ''}`"
            title="The page, as visitors see it"
            class="h-full shrink-0 border-line bg-white"
            :class="phone ? 'w-97.5 rounded-2xl border-4' : 'w-full'"
            :style="shrunk"
            :data-ready="ready"
            @load="onLoad"
        ></iframe>
        <MergeFieldEditor
            v-if="merge"
            :field="merge.field"
            :x="merge.x"
            :y="merge.y"
            @change="changeMerge"
            @remove="changeMerge(null)"
            @close="merge = null"
        />
    </div>
</template>
