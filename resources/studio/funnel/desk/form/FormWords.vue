<script setup lang="ts">
import { computed } from 'vue';
import { useFunnel } from '@/funnel/funnelStore';
import type { Form } from '@/api/types';
import TextField from '@/ui/TextField.vue';
import UiSwitch from '@/ui/UiSwitch.vue';

const props = defineProps<{ form: Form }>();

const store = useFunnel();
const twoSteps = computed(() => props.form.fields.some((f) => f.step === 2));

function edit(values: Partial<Form>, label: string, now = false): void {
    store.edit('form', props.form.id, values as Record<string, unknown>, label, now);
}
</script>

<template>
    <div class="space-y-5">
        <TextField
            :model-value="form.button"
            label="Text on the button"
            :maxlength="60"
            @update:model-value="(button: string) => edit({ button }, 'the words on the button')"
        />
        <TextField
            v-if="twoSteps"
            :model-value="form.nextButton"
            label="Text on the button of the first step"
            :maxlength="60"
            @update:model-value="(nextButton: string) => edit({ nextButton }, 'the words on the button')"
        />
        <div>
            <TextField
                :model-value="form.consent"
                label="Consent text"
                :lines="3"
                hint="Kept with each sign-up, word for word."
                @update:model-value="(consent: string) => edit({ consent }, 'the consent words')"
            />
            <UiSwitch
                class="mt-2"
                :model-value="form.consentRequired"
                label="Ask to tick a box"
                :disabled="form.consent === ''"
                @update:model-value="(consentRequired: boolean) => edit({ consentRequired }, 'the consent box', true)"
            />
        </div>
        <TextField
            :model-value="form.marketing"
            label="Text for news beyond that"
            :lines="2"
            hint="A box of its own that nobody must tick. Empty for none: then the text above holds for news, too."
            @update:model-value="(marketing: string) => edit({ marketing }, 'the words for news')"
        />
    </div>
</template>
