<script setup lang="ts">
import { onMounted, ref } from 'vue';
import { api, ApiError } from '@/api/client';
import type { Picture } from '@/api/types';
import { useNotices } from '@/stores/notices';

defineProps<{ chosen?: string; label: string }>();
const emit = defineEmits<{ choose: [Picture | null] }>();

const notices = useNotices();
const pictures = ref<Picture[]>([]);
const error = ref('');
const busy = ref(false);

onMounted(async () => {
    try {
        pictures.value = (await api.get<{ pictures: Picture[] }>('uploads/pictures')).pictures;
    } catch (caught) {
        notices.trouble(caught);
    }
});

async function bring(event: Event): Promise<void> {
    const input = event.target as HTMLInputElement;
    const file = input.files?.[0];
    if (!file) {
        return;
    }
    busy.value = true;
    error.value = '';
    try {
        const form = new FormData();
        form.set('picture', file);
        const picture = await api.post<Picture>('uploads/pictures', form);
        pictures.value.unshift(picture);
        emit('choose', picture);
    } catch (caught) {
        error.value = caught instanceof ApiError ? caught.message : 'The picture could not be brought in. Please try again.';
    } finally {
        busy.value = false;
        input.value = '';
    }
}
</script>

<template>
    <div role="group" :aria-label="label">
        <div class="flex flex-wrap gap-2">
            <button
                v-for="picture in pictures.slice(0, 8)"
                :key="picture.id"
                type="button"
                class="size-14 overflow-hidden rounded border"
                :class="chosen === picture.id ? 'border-ink ring-2 ring-ink' : 'border-line'"
                :aria-pressed="chosen === picture.id"
                :aria-label="picture.name"
                :title="picture.name"
                @click="emit('choose', chosen === picture.id ? null : picture)"
            >
                <img :src="picture.src" alt="" class="size-full object-cover" loading="lazy" />
            </button>
        </div>
        <label class="mt-2 btn has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-pine">
            <input
                type="file"
                class="sr-only"
                accept="image/png,image/jpeg,image/webp,image/gif"
                :disabled="busy"
                :aria-label="`Bring a picture: ${label}`"
                @change="bring"
            />
            {{ busy ? 'On its way …' : 'Bring a picture' }}
        </label>
        <p v-if="error" class="mt-1 font-medium text-clay-deep" role="alert">{{ error }}</p>
    </div>
</template>
