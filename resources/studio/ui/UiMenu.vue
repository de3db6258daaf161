<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue';

export interface MenuEntry {
    label: string;
    run: () => unknown;
    trouble?: boolean;
}

defineProps<{ label: string; items: MenuEntry[]; buttonClass?: string }>();
</script>

<template>
    <Menu as="div" class="relative inline-block">
        <MenuButton :class="buttonClass ?? 'btn-quiet'" :aria-label="label"
            ><slot>{{ label }}</slot></MenuButton
        >
        <MenuItems class="absolute right-0 z-30 mt-1 min-w-48 sheet p-1 shadow-lg">
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
