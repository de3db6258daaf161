<script setup lang="ts">
import { ArrowDownIcon, ArrowUpIcon, PlusIcon, XMarkIcon } from '@heroicons/vue/20/solid';
import type { Block, Fields, Section } from '@/api/types';
import LinkField from '@/funnel/desk/column/LinkField.vue';
import MediaField from '@/funnel/desk/column/MediaField.vue';
import { useDesk } from '@/funnel/desk/useDesk';
import { useSession } from '@/stores/session';
import { compact } from '@/ui/compact';
import TextField from '@/ui/TextField.vue';

/** The entries of a list. Their words are typed on the page; here is what cannot be typed there. */
const props = defineProps<{ section: Section; block: Block; fields: string[] }>();

const desk = useDesk();
const session = useSession();
const has = (field: string) => props.fields.includes(field);

function title(item: Fields, i: number): string {
    const words = (item.title || item.name || item.alt || item.html || '').replace(/<[^>]*>/g, ' ').trim();
    return words === '' ? `Entry ${i + 1}` : words;
}

function edit(label: string, change: (items: Fields[]) => void, now = true): void {
    desk.editBlock(
        props.section.id,
        props.block.id,
        label,
        (b) => {
            b.items ??= [];
            change(b.items);
        },
        now,
    );
}

const set = (i: number, values: Record<string, string | undefined>, now = true) =>
    edit(
        'an entry of a list',
        (items) => {
            items[i] = compact({ ...items[i], ...values }) as Fields;
        },
        now,
    );
const move = (i: number, by: number) =>
    edit('the order of entries', (items) => {
        const [moved] = items.splice(i, 1);
        if (moved) {
            items.splice(Math.max(0, i + by), 0, moved);
        }
    });
</script>

<template>
    <section>
        <h3 class="label">Entries</h3>
        <ol class="divide-y divide-line border-y border-line">
            <li v-for="(item, i) in block.items ?? []" :key="i" class="py-2">
                <div class="flex items-center gap-0.5">
                    <span class="min-w-0 flex-1 truncate font-medium">{{ title(item, i) }}</span>
                    <button
                        type="button"
                        class="btn-quiet px-1.5"
                        :disabled="i === 0"
                        :aria-label="`Entry ${i + 1} up`"
                        @click="move(i, -1)"
                    >
                        <ArrowUpIcon class="size-4" />
                    </button>
                    <button
                        type="button"
                        class="btn-quiet px-1.5"
                        :disabled="i === (block.items?.length ?? 0) - 1"
                        :aria-label="`Entry ${i + 1} down`"
                        @click="move(i, 1)"
                    >
                        <ArrowDownIcon class="size-4" />
                    </button>
                    <button
                        type="button"
                        class="btn-quiet px-1.5"
                        :aria-label="`Take entry ${i + 1} out`"
                        @click="edit('an entry was taken out', (items) => items.splice(i, 1))"
                    >
                        <XMarkIcon class="size-4" />
                    </button>
                </div>
                <div v-if="has('icon')" class="mt-1 flex flex-wrap gap-0.5" role="group" :aria-label="`Sign of entry ${i + 1}`">
                    <!-- eslint-disable vue/no-v-html -- the signs are drawn by the application itself -->
                    <button
                        v-for="icon in session.kit.icons"
                        :key="icon.id"
                        type="button"
                        class="grid size-8 place-items-center rounded border hover:bg-lamp-pale [&_svg]:size-5"
                        :class="item.icon === icon.id ? 'border-ink' : 'border-transparent'"
                        :aria-pressed="item.icon === icon.id"
                        :aria-label="icon.id"
                        @click="set(i, { icon: icon.id })"
                        v-html="icon.svg"
                    ></button>
                    <!-- eslint-enable vue/no-v-html -->
                </div>
                <MediaField
                    v-if="has('picture')"
                    class="mt-2"
                    :chosen="item.picture"
                    :label="`Picture of entry ${i + 1}`"
                    @choose="(p) => set(i, { picture: p?.id })"
                />
                <TextField
                    v-if="has('picture') && has('alt') && item.picture"
                    class="mt-2"
                    :model-value="item.alt ?? ''"
                    label="What does it show?"
                    @update:model-value="(alt: string) => set(i, { alt }, false)"
                />
                <LinkField
                    v-if="has('url')"
                    class="mt-2"
                    :model-value="item.url ?? ''"
                    label="Leads to"
                    @update:model-value="(url: string) => set(i, { url })"
                />
            </li>
        </ol>
        <button type="button" class="mt-2 btn" @click="desk.addItem(section.id, block)">
            <PlusIcon class="size-4" aria-hidden="true" />One more
        </button>
    </section>
</template>
