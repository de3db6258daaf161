<script setup lang="ts">
/** What came with somebody's archive and does nothing until its owner has read it: code, and addresses that people or their data go to. */
import { ref } from 'vue';
import { api } from '@/api/client';
import type { SetAside } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { useToasts } from '@/stores/toasts';

const store = useFunnel();
const toasts = useToasts();
const busy = ref(false);

function label(item: SetAside): string {
    switch (item.what) {
        case 'head':
        case 'bodyEnd':
            return `Code on “${item.name}”. Allowed, it can do anything on that page.`;
        case 'hook':
            return `“${item.name}” would send what people fill in to this address, too.`;
        case 'after':
            return `Those who join in “${item.name}” would be led to this address.`;
        case 'stream':
            return `The room of “${item.name}” would show this stream.`;
        case 'url':
            return `Buyers of “${item.name}” would be led to this address.`;
        default:
            if (item.what.startsWith('call:')) {
                return `The rule “${item.name}” would tell this address of each person it acts for.`;
            }
            return `From “${item.name}” people would be led to this address.`;
    }
}

async function decide(item: SetAside, end: 'take' | 'discard'): Promise<void> {
    busy.value = true;
    const say = async (decision: string) => {
        await store.flush();
        await api.post(`funnels/${store.funnel!.id}/set-aside`, { part: item.part, what: item.what, end: decision });
        await store.load(store.funnel!.id);
    };
    try {
        await say(end);
        store.remember({ label: `what was set aside on “${item.name}”`, redo: () => say(end), undo: () => say('undo') });
        store.sayDone(end === 'take' ? 'It is part of the draft now.' : 'It is discarded.');
    } catch (e) {
        toasts.trouble(e);
    } finally {
        busy.value = false;
    }
}
</script>

<template>
    <section
        v-if="store.funnel?.setAside.length"
        class="max-h-64 overflow-y-auto border-b border-line bg-lamp-pale px-6 py-3"
        aria-labelledby="set-aside"
        data-test="set-aside"
    >
        <h2 id="set-aside" class="text-lg font-semibold">Set aside from the file you imported</h2>
        <p class="text-soft">These do nothing until you allow them. If you do not know what one of them is for, discard it.</p>
        <ul class="mt-2 space-y-3">
            <li v-for="item in store.funnel.setAside" :key="`${item.part}${item.what}`" class="flex items-start gap-4">
                <div class="min-w-0 flex-1">
                    <p>{{ label(item) }}</p>
                    <pre
                        class="mt-1 max-h-28 overflow-auto rounded border border-line bg-raised p-2 text-sm break-all whitespace-pre-wrap"
                        >{{ item.text }}</pre>
                </div>
                <button type="button" class="btn" :disabled="busy" @click="decide(item, 'take')">Allow</button>
                <button type="button" class="btn" :disabled="busy" @click="decide(item, 'discard')">Discard</button>
            </li>
        </ul>
    </section>
</template>
