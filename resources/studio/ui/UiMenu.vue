<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue';

export interface MenuEntry {
    label: string;
    run: () => unknown;
    trouble?: boolean;
}

defineProps<{ label: string; items: MenuEntry[]; buttonClass?: string; left?: boolean }>();
</script>

<template>
    <Menu as="div" class="relative inline-block">
        <MenuButton :class="buttonClass ?? 'btn-quiet'" :aria-label="label"
            ><slot>{{ label }}</slot></MenuButton
        >
        <MenuItems class="absolute z-30 mt-1 max-h-80 min-w-48 overflow-auto sheet p-1 shadow-lg" :class="left ? 'left-0' : 'right-0'">
            <MenuItem v-for="item in items" :key="item.label" v-slot="{ active }">
                <button
                    type="button"
                    class="block w-full rounded px-3 py-2 text-left"
                    :class="[active ? 'bg-lamp-pale' : '', item.trouble ? 'text-clay-deep' : '']"
                    @click="item.run()"
                >
                    {{ item.label }}
                </button>
            </MenuItem>
        </MenuItems>
    </Menu>
</template>
