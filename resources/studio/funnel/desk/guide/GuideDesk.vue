<script setup lang="ts">
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import GuideReaders from '@/funnel/desk/guide/GuideReaders.vue';
import GuideSettings from '@/funnel/desk/guide/GuideSettings.vue';
import GuideShell from '@/funnel/desk/guide/GuideShell.vue';
import { useFunnel } from '@/funnel/funnelStore';

/** A guide as a whole: what holds for it, or who reads it. */
const props = defineProps<{ id: string }>();

const store = useFunnel();
const route = useRoute();
const guide = computed(() => store.guide(props.id));
const view = computed(() => (route.query.view === 'readers' ? 'readers' : 'guide'));
</script>

<template>
    <GuideShell v-if="guide" :guide="guide" :open="view">
        <div class="min-h-0 overflow-auto">
            <GuideReaders v-if="view === 'readers'" :key="id" :guide="guide" />
            <GuideSettings v-else :guide="guide" />
        </div>
    </GuideShell>
</template>
