<script setup lang="ts">
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue';
import { computed } from 'vue';
import { useFunnel } from '@/funnel/funnelStore';
import { useSession } from '@/stores/session';

const store = useFunnel();
const session = useSession();
const current = computed(() => session.looks.find((l) => l.id === store.funnel?.look));

function choose(look: string): void {
    if (store.funnel) {
        store.edit('funnel', store.funnel.id, { look, accent: null }, 'the look', true);
    }
}

function accent(colour: string | null): void {
    if (store.funnel) {
        store.edit('funnel', store.funnel.id, { accent: colour }, 'the button colour', true);
    }
}
</script>

<template>
    <div>
        <RadioGroup :model-value="store.funnel?.look" @update:model-value="choose">
            <RadioGroupLabel class="sr-only">Look</RadioGroupLabel>
            <div class="grid grid-cols-2 gap-2">
                <RadioGroupOption v-for="look in session.looks" :key="look.id" v-slot="{ checked }" :value="look.id" as="template">
                    <div
                        class="cursor-pointer overflow-hidden rounded border"
                        :class="checked ? 'border-ink ring-2 ring-ink' : 'border-edge/60'"
                        :style="{ background: look.colours.paper, color: look.colours.ink }"
                    >
                        <div class="flex items-center justify-between px-2 py-1.5">
                            <span class="truncate text-sm font-semibold">{{ look.name }}</span>
                            <span
                                class="h-3.5 w-6"
                                :style="{ background: look.colours.accent, borderRadius: `${Math.min(look.corner, 8)}px` }"
                                aria-hidden="true"
                            ></span>
                        </div>
                    </div>
                </RadioGroupOption>
            </div>
        </RadioGroup>
        <div class="mt-3 flex items-center gap-2">
            <label class="btn">
                <input
                    type="color"
                    class="size-6 cursor-pointer border-0 p-0"
                    :value="store.funnel?.accent ?? current?.colours.accent ?? '#000000'"
                    aria-label="Button colour"
                    @change="accent(($event.target as HTMLInputElement).value)"
                />
                Button colour
            </label>
            <button v-if="store.funnel?.accent" type="button" class="btn-quiet" @click="accent(null)">As the look</button>
        </div>
    </div>
</template>
