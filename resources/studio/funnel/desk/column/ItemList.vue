<script setup lang="ts">
import { ArrowDownIcon, ArrowUpIcon, PlusIcon, XMarkIcon } from '@heroicons/vue/20/solid';
import type { Block, BlockField, Fields, Section } from '@/api/types';
import FieldInput from '@/funnel/desk/column/FieldInput.vue';
import { useDesk } from '@/funnel/desk/useDesk';
import { compact } from '@/ui/compact';

/** The entries of a list. Their words are typed on the page; here is what cannot be typed there. */
const props = defineProps<{ section: Section; block: Block; fields: Record<string, BlockField> }>();

const desk = useDesk();

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
                        :aria-label="`Remove entry ${i + 1}`"
                        @click="edit('an entry was removed', (items) => items.splice(i, 1))"
                    >
                        <XMarkIcon class="size-4" />
                    </button>
                </div>
                <FieldInput
                    v-for="(f, name) in fields"
                    :key="name"
                    class="mt-2"
                    :field="f"
                    :model-value="item[name] ?? ''"
                    :label="f.type === 'picture' ? `Picture of entry ${i + 1}` : f.type === 'choice' ? `Icon of entry ${i + 1}` : undefined"
                    :pictured="!!item.picture"
                    @update:model-value="(value, now) => set(i, { [name]: value }, now)"
                />
            </li>
        </ol>
        <button type="button" class="mt-2 btn" @click="desk.addItem(section.id, block)">
            <PlusIcon class="size-4" aria-hidden="true" />Add an entry
        </button>
    </section>
</template>
