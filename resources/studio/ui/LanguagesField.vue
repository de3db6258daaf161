<script setup lang="ts">
import { XMarkIcon } from '@heroicons/vue/20/solid';
import { computed } from 'vue';
import { useSession } from '@/stores/session';
import { languageName, languageOptions } from '@/ui/languages';
import SearchPicker from '@/ui/SearchPicker.vue';

/** Several languages; each is chosen from the list and removed by itself. */
const props = defineProps<{ modelValue: string[]; label: string; hint?: string }>();
const emit = defineEmits<{ 'update:modelValue': [string[]] }>();

const session = useSession();
const same = (a: string, b: string) => a.toLowerCase() === b.toLowerCase();
const options = computed(() => languageOptions(session.kit.languages.filter((tag) => !props.modelValue.some((m) => same(m, tag)))));
</script>

<template>
    <div>
        <SearchPicker
            model-value=""
            shown=""
            :options="options"
            :label="label"
            none="No language is called that."
            :hint="modelValue.length === 0 ? hint : ''"
            @update:model-value="(tag) => emit('update:modelValue', [...modelValue, tag])"
        />
        <ul v-if="modelValue.length > 0" class="mt-1.5 flex flex-wrap gap-1.5" :aria-label="label">
            <li v-for="tag in modelValue" :key="tag" class="flex items-center rounded bg-line/60 pl-2">
                {{ languageName(tag) }}
                <button
                    type="button"
                    class="grid size-7 place-items-center"
                    :aria-label="`Remove ${languageName(tag)}`"
                    @click="
                        emit(
                            'update:modelValue',
                            modelValue.filter((m) => m !== tag),
                        )
                    "
                >
                    <XMarkIcon class="size-4.5" aria-hidden="true" />
                </button>
            </li>
        </ul>
    </div>
</template>
