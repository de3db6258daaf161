<script setup lang="ts">
import { useFunnel } from '@/funnel/funnelStore';
import type { Form } from '@/api/types';
import FieldCost from '@/funnel/desk/form/FieldCost.vue';
import FieldList from '@/funnel/desk/form/FieldList.vue';
import FormWords from '@/funnel/desk/form/FormWords.vue';
import TagsField from '@/ui/TagsField.vue';

/** The most of a form, in the narrow column beside the page it stands on. */
const props = defineProps<{ form: Form }>();
const store = useFunnel();
</script>

<template>
    <div class="space-y-5">
        <FieldList :form="props.form" />
        <FieldCost :form="props.form" />
        <FormWords :form="props.form" />
        <TagsField
            :model-value="props.form.tags"
            label="Tag for those who join"
            @update:model-value="(tags: string[]) => store.edit('form', props.form.id, { tags }, 'the tags')"
        />
        <RouterLink class="link" :to="`/funnels/${store.funnel?.id}/form/${props.form.id}`">Everything about this form</RouterLink>
    </div>
</template>
