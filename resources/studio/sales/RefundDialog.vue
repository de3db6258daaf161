<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { api, ApiError } from '@/api/client';
import type { Order } from '@/api/types';
import { useToasts } from '@/stores/toasts';
import TextField from '@/ui/TextField.vue';
import UiDialog from '@/ui/UiDialog.vue';
import UiSwitch from '@/ui/UiSwitch.vue';

/** One question: what goes back. Pressing twice is one refund: each opening of this dialog has a key of its own. */
const props = defineProps<{ open: boolean; order: Order }>();
const emit = defineEmits<{ close: []; done: [Order] }>();

const toasts = useToasts();
const lines = ref<number[]>([]);
const amount = ref('');
const endsAccess = ref(true);
const why = ref('');
const act = ref('');
const busy = ref(false);
const error = ref<ApiError | null>(null);
const left = computed(() => props.order.lines.filter((l) => l.left > 0));

watch(
    () => props.open,
    (open) => {
        if (open) {
            lines.value = left.value.map((l) => l.number);
            amount.value = '';
            why.value = '';
            endsAccess.value = true;
            error.value = null;
            act.value = Array.from(crypto.getRandomValues(new Uint8Array(16)), (b) => b.toString(16).padStart(2, '0')).join('');
        }
    },
);

// A part of the money back is no reason to take away what was bought, unless the owner says so.
watch(amount, (typed) => (endsAccess.value = typed.trim() === ''));

async function refund(): Promise<void> {
    busy.value = true;
    error.value = null;
    try {
        const order = await api.post<Order>(`orders/${props.order.id}/refund`, {
            act: act.value,
            lines: lines.value,
            amount: amount.value.trim(),
            endsAccess: endsAccess.value,
            why: why.value,
        });
        emit('done', order);
        emit('close');
        toasts.say('The refund is on its way. The buyer gets it in writing.');
    } catch (caught) {
        if (caught instanceof ApiError && caught.status === 422) {
            error.value = caught;
        } else {
            toasts.trouble(caught);
        }
    } finally {
        busy.value = false;
    }
}
</script>

<template>
    <UiDialog :open="open" :title="`Refund order ${order.number}`" @close="$emit('close')">
        <form class="mt-4 space-y-5" @submit.prevent="refund">
            <fieldset>
                <legend class="label">For what</legend>
                <label v-for="line in left" :key="line.number" class="mt-1 flex items-center gap-2.5"
                    ><input v-model="lines" type="checkbox" class="size-4.5 accent-pine" :value="line.number" /><span class="flex-1">{{
                        line.name
                    }}</span
                    ><span class="text-soft">{{ line.leftWords }} left</span></label
                >
                <p v-if="error?.field('lines')" class="mt-1 font-medium text-clay-deep">{{ error.field('lines') }}</p>
            </fieldset>
            <TextField
                v-model="amount"
                :label="`Amount, in ${order.currency}`"
                hint="Empty for all that is left of what is ticked."
                :error="error?.field('amount')"
            />
            <UiSwitch v-model="endsAccess" label="End access to it, and cancel its remaining payments" />
            <TextField v-model="why" label="Reason, for your own notes" :maxlength="300" />
            <p v-if="error && !error.field('lines') && !error.field('amount')" role="alert" class="font-medium text-clay-deep">
                {{ error.message }}
            </p>
            <div class="flex gap-2">
                <button type="submit" class="btn-main" :disabled="busy || lines.length === 0">
                    {{ busy ? 'One moment …' : 'Refund' }}
                </button>
                <button type="button" class="btn-quiet" @click="$emit('close')">Not now</button>
            </div>
        </form>
    </UiDialog>
</template>
