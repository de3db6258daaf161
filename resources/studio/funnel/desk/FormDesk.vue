<script setup lang="ts">
import { TrashIcon } from '@heroicons/vue/24/outline';
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import FieldCost from '@/funnel/desk/form/FieldCost.vue';
import FieldList from '@/funnel/desk/form/FieldList.vue';
import FormAfter from '@/funnel/desk/form/FormAfter.vue';
import FormElsewhere from '@/funnel/desk/form/FormElsewhere.vue';
import FormWords from '@/funnel/desk/form/FormWords.vue';
import { useFunnel } from '@/funnel/funnelStore';
import { useSteps } from '@/funnel/steps';
import { useToasts } from '@/stores/toasts';
import TextField from '@/ui/TextField.vue';

const props = defineProps<{ id: string }>();

const store = useFunnel();
const steps = useSteps();
const toasts = useToasts();
const router = useRouter();
const form = computed(() => store.form(props.id));
const pages = computed(
    () => store.funnel?.pages.filter((p) => p.document.sections.some((s) => s.blocks.some((b) => b.form === props.id))) ?? [],
);

async function takeOut(): Promise<void> {
    const target = form.value;
    if (!target) {
        return;
    }
    try {
        await steps.remove(target);
        await router.push(`/funnels/${store.funnel?.id}`);
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <div v-if="form" class="relative h-full overflow-auto">
        <div class="mx-auto grid max-w-6xl gap-x-10 gap-y-6 px-6 py-6 lg:grid-cols-3">
            <div class="min-w-0 space-y-5">
                <TextField
                    :model-value="form.name"
                    label="Private name"
                    :maxlength="120"
                    @update:model-value="(name: string) => store.edit('form', id, { name }, 'the name of a form')"
                />
                <p class="-mt-3 caption">
                    <template v-if="pages.length === 0">It stands on no page yet. Put a form block on one and choose it there.</template>
                    <template v-else
                        >Stands on
                        <template v-for="(page, i) in pages" :key="page.id"
                            ><template v-if="i > 0">, </template
                            ><RouterLink class="link" :to="`/funnels/${store.funnel?.id}/page/${page.id}`">{{
                                page.name
                            }}</RouterLink></template
                        ></template
                    >
                    · <RouterLink class="link" :to="`/people/submissions?form=${id}`">what was filled in</RouterLink>
                </p>
                <FieldList :form="form" />
                <FieldCost :form="form" />
                <button v-if="pages.length === 0" type="button" class="btn-quiet text-clay-deep" @click="takeOut">
                    <TrashIcon class="size-4.5" aria-hidden="true" />Remove this form
                </button>
            </div>
            <FormWords class="min-w-0" :form="form" />
            <div class="min-w-0 space-y-8">
                <FormAfter :form="form" />
                <FormElsewhere :form="form" />
            </div>
        </div>
    </div>
</template>
