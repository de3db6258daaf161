<script setup lang="ts">
import { counted } from '@/ui/format';

defineProps<{ page: number; pages: number; total: number; one: string; many: string }>();
defineEmits<{ turn: [number] }>();
</script>

<template>
    <nav class="flex items-center justify-between gap-4 py-3 text-soft" aria-label="Pages of this list">
        <span>{{ counted(total, one, many) }}</span>
        <span v-if="pages > 1" class="flex items-center gap-2">
            <button type="button" class="btn-quiet" :disabled="page <= 1" @click="$emit('turn', page - 1)">Newer</button>
            <span>{{ page }} of {{ pages }}</span>
            <button type="button" class="btn-quiet" :disabled="page >= pages" @click="$emit('turn', page + 1)">Older</button>
        </span>
    </nav>
</template>
