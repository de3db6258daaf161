<script setup lang="ts">
import { computed } from 'vue';
import FormFields from '@/funnel/desk/FormFields.vue';
import { useFunnel } from '@/funnel/funnelStore';

const props = defineProps<{ id: string }>();

const store = useFunnel();
const form = computed(() => store.form(props.id));
const pages = computed(
    () => store.funnel?.pages.filter((p) => p.document.sections.some((s) => s.blocks.some((b) => b.form === props.id))) ?? [],
);
</script>

<template>
    <div v-if="form" class="h-full overflow-auto">
        <div class="mx-auto max-w-xl px-6 py-6">
            <h2 class="text-2xl">{{ form.name }}</h2>
            <p class="mt-1 mb-5 text-soft">
                Stands on
                <template v-for="(page, i) in pages" :key="page.id"
                    ><template v-if="i > 0">, </template
                    ><RouterLink class="link" :to="`/funnels/${store.funnel?.id}/page/${page.id}`">{{ page.name }}</RouterLink></template
                >
            </p>
            <FormFields :form="form" />
        </div>
    </div>
</template>
