<script setup lang="ts">
import { computed } from 'vue';
import PicturePicker from '@/funnel/desk/PicturePicker.vue';
import FormFields from '@/funnel/desk/FormFields.vue';
import { useFunnel } from '@/funnel/funnelStore';
import type { Block, Page } from '@/api/types';
import TextField from '@/ui/TextField.vue';

const props = defineProps<{ page: Page; block: Block }>();
const emit = defineEmits<{ block: [values: Partial<Block>, label: string]; leave: [] }>();

const store = useFunnel();
const names = {
    heading: 'Heading',
    text: 'Words',
    bullets: 'Bullets',
    picture: 'Picture',
    cover: 'Cover',
    form: 'Form',
    download: 'Download',
    button: 'Button',
};
const gift = computed(() => store.leadMagnet(props.block.leadMagnet ?? ''));
const form = computed(() => store.form(props.block.form ?? ''));
</script>

<template>
    <div class="space-y-4">
        <div class="flex items-center justify-between">
            <h2 class="text-lg">{{ names[block.kind] }}</h2>
            <button type="button" class="btn-quiet" @click="emit('leave')">Whole page</button>
        </div>
        <p v-if="block.kind === 'heading' || block.kind === 'text' || block.kind === 'bullets'" class="text-soft">
            Type on the page itself. To greet people by name write
            <code v-pre class="rounded bg-line/60 px-1">{{ first_name | friend }}</code>: the word after the bar stands in when the name is
            not known.
        </p>
        <template v-if="block.kind === 'cover' || block.kind === 'picture'">
            <p v-if="block.kind === 'cover'" class="text-soft">
                A cover is drawn from the title and the look. Or show a picture of your own:
            </p>
            <PicturePicker :chosen="block.picture" label="Picture" @choose="(p) => emit('block', { picture: p?.id }, 'a picture')" />
            <TextField
                v-if="block.picture"
                :model-value="block.alt ?? ''"
                label="What does it show?"
                hint="Read aloud to those who cannot see it."
                @update:model-value="(alt: string) => emit('block', { alt }, 'the description of a picture')"
            />
        </template>
        <template v-if="block.kind === 'form' && form">
            <FormFields :form="form" />
        </template>
        <template v-if="block.kind === 'download'">
            <p>
                Gives out: <span class="font-medium">{{ gift?.title ?? 'nothing' }}</span>
            </p>
            <p class="caption">{{ gift?.file ? `${gift.file.name} · ${gift.file.note}` : 'No file yet' }}</p>
            <RouterLink v-if="gift" class="btn" :to="`/funnels/${store.funnel?.id}/lead-magnet/${gift.id}`">{{
                gift.file ? 'Change the file' : 'Add the file'
            }}</RouterLink>
        </template>
        <template v-if="block.kind === 'button'">
            <TextField
                :model-value="block.url ?? ''"
                label="Web address"
                @update:model-value="(url: string) => emit('block', { url }, 'the address of a button')"
            />
        </template>
    </div>
</template>
