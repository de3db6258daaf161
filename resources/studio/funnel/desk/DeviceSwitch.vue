<script setup lang="ts">
import { ComputerDesktopIcon, DevicePhoneMobileIcon } from '@heroicons/vue/24/outline';

/** Whether a page is looked at as on a desktop or as on a phone; what else is switched beside it comes into the slot. */
const phone = defineModel<boolean>({ required: true });
</script>

<template>
    <div class="flex sheet p-0.5 shadow" role="group" aria-label="How it is shown">
        <button type="button" class="btn-quiet" :class="{ 'bg-line text-ink': !phone }" :aria-pressed="!phone" @click="phone = false">
            <ComputerDesktopIcon class="size-5" aria-hidden="true" />Desktop
        </button>
        <button type="button" class="btn-quiet" :class="{ 'bg-line text-ink': phone }" :aria-pressed="phone" @click="phone = true">
            <DevicePhoneMobileIcon class="size-5" aria-hidden="true" />Phone
        </button>
        <slot></slot>
    </div>
</template>
