<script setup lang="ts">
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import PopupGlyph from '@/funnel/desk/popup/PopupGlyph.vue';
import { useFunnel } from '@/funnel/funnelStore';
import { useSteps } from '@/funnel/steps';
import { useSession } from '@/stores/session';
import { useToasts } from '@/stores/toasts';
import UiDialog from '@/ui/UiDialog.vue';

/** Chooses how a new pop-up stands; everything about it can be changed later. */
const props = defineProps<{ open: boolean; /** On this page alone; '' for all of the funnel's. */ on?: string }>();
const emit = defineEmits<{ close: [] }>();

const session = useSession();
const store = useFunnel();
const steps = useSteps();
const router = useRouter();
const toasts = useToasts();
const groups = computed(() => {
    const all = session.kit.popups.designs.flatMap((d) => {
        const design = session.kit.designs.find((known) => known.id === d.id);
        return design ? [{ ...d, design }] : [];
    });
    const of = (...stands: string[]) => all.filter((d) => stands.includes(d.stand));
    return [
        { label: 'Over the page', designs: of('middle', 'full', 'side-right', 'side-left') },
        { label: 'Beside the page, which goes on', designs: of('top', 'bottom', 'corner-right', 'corner-left') },
        { label: 'In an article on another site of yours', designs: of('placed') },
    ];
});

async function choose(design: string): Promise<void> {
    try {
        const made = await steps.add('popup', { design });
        if (props.on) {
            store.edit('popup', made.id, { targeting: { pages: 'some', ids: [props.on] } }, 'where the pop-up is shown', true);
        }
        emit('close');
        await router.push(`/funnels/${store.funnel!.id}/popup/${made.id}`);
    } catch (error) {
        toasts.trouble(error);
    }
}
</script>

<template>
    <UiDialog :open="open" title="A pop-up" wide @close="emit('close')">
        <p class="text-soft">It is off until you switch it on. Words, pictures and design can be changed later.</p>
        <section v-for="group in groups" :key="group.label" class="mt-4">
            <h3 class="label">{{ group.label }}</h3>
            <div class="grid grid-cols-4 gap-3 sm:grid-cols-5">
                <button
                    v-for="d in group.designs"
                    :key="d.id"
                    type="button"
                    class="flex flex-col rounded border border-line p-1.5 text-left hover:border-ink hover:bg-lamp-pale"
                    @click="choose(d.id)"
                >
                    <PopupGlyph :design="d.design" :stand="d.stand" :size="d.size" />
                    <span class="mt-1 block text-sm leading-tight">{{ d.design.name }}</span>
                </button>
            </div>
        </section>
    </UiDialog>
</template>
