<script setup lang="ts">
import { PlusIcon, XMarkIcon } from '@heroicons/vue/20/solid';
import { ref, watch } from 'vue';
import { api, ApiError } from '@/api/client';
import type { Person } from '@/api/types';
import { useToasts } from '@/stores/toasts';
import { usePeopleKit } from '@/stores/peopleKit';
import { ago, dateTime } from '@/ui/format';
import DateField from '@/ui/DateField.vue';
import { dayOf } from '@/ui/wallClock';
import ZoneField from '@/ui/ZoneField.vue';
import TextField from '@/ui/TextField.vue';
import VisitorLanguage from '@/ui/VisitorLanguage.vue';
import { languageName } from '@/ui/languages';

/** What is known of a person: names, tags, the owner's own fields. Saved when a field is left. */
const props = defineProps<{ person: Person }>();
const emit = defineEmits<{ changed: [] }>();

const toasts = useToasts();
const people = usePeopleKit();
const editing = ref(false);
const tag = ref('');
const error = ref<ApiError | null>(null);
const typed = ref<Record<string, string>>({});

function fill(): void {
    typed.value = {
        firstName: props.person.firstName,
        lastName: props.person.lastName,
        phone: props.person.phone,
        timezone: props.person.timezone ?? '',
        language: props.person.language ?? '',
        ...Object.fromEntries(props.person.fields.map((f) => [`fields.${f.name}`, f.values.join('; ')])),
    };
}
watch(
    () => props.person,
    () => !editing.value && fill(),
    { immediate: true },
);

/** What was typed before there was a calendar, and is no day, is shown as it is. */
const isDay = (f: { values: string[] }) => f.values.length === 0 || dayOf(f.values.join()) !== undefined;

async function save(): Promise<void> {
    const { firstName, lastName, phone, timezone, language } = typed.value;
    error.value = null;
    try {
        await api.put(`people/${props.person.id}`, {
            firstName,
            lastName,
            phone,
            timezone,
            language,
            fields: Object.fromEntries(
                props.person.fields.map((f) => [
                    f.name,
                    (typed.value[`fields.${f.name}`] ?? '').split(f.kind === 'choices' ? ';' : '\n').map((v) => v.trim()),
                ]),
            ),
        });
        editing.value = false;
        emit('changed');
    } catch (caught) {
        if (caught instanceof ApiError && caught.status === 422) {
            error.value = caught;
        } else {
            toasts.trouble(caught);
        }
    }
}

async function addTag(): Promise<void> {
    const name = tag.value.trim();
    if (name === '') {
        return;
    }
    try {
        await api.post(`people/${props.person.id}/tags`, { name });
        tag.value = '';
        emit('changed');
        await people.load();
    } catch (caught) {
        toasts.trouble(caught);
    }
}

async function removeTag(t: { id: number; name: string }): Promise<void> {
    try {
        await api.delete(`people/${props.person.id}/tags/${t.id}`);
        emit('changed');
        toasts.say(`The tag “${t.name}” is removed.`, {
            label: 'Undo',
            run: async () => {
                await api.post(`people/${props.person.id}/tags`, { name: t.name });
                emit('changed');
            },
        });
    } catch (caught) {
        toasts.trouble(caught);
    }
}
</script>

<template>
    <section aria-label="What is known">
        <div class="flex flex-wrap items-center gap-1.5">
            <span v-for="t in person.tagIds" :key="t.id" class="flex items-center rounded bg-pine-pale py-0.5 pr-0.5 pl-2 text-pine"
                >{{ t.name }}
                <button
                    type="button"
                    class="ml-0.5 rounded p-0.5 hover:bg-pine/15"
                    :aria-label="`Remove the tag “${t.name}”`"
                    @click="removeTag(t)"
                >
                    <XMarkIcon class="size-4" aria-hidden="true" /></button
            ></span>
            <form class="flex items-center" @submit.prevent="addTag">
                <input
                    v-model="tag"
                    class="input min-h-8 w-36 py-0.5"
                    placeholder="New tag"
                    aria-label="New tag"
                    maxlength="60"
                    list="all-tags"
                />
                <datalist id="all-tags">
                    <option v-for="t in people.kit.tags" :key="t.id" :value="t.name"></option>
                </datalist>
                <button type="submit" class="btn-quiet min-h-8 px-1.5" aria-label="Give this tag">
                    <PlusIcon class="size-5" aria-hidden="true" />
                </button>
            </form>
        </div>
        <dl v-if="!editing" class="mt-3 grid grid-cols-[9rem_1fr] gap-y-1.5">
            <dt class="text-soft">Joined</dt>
            <dd>{{ dateTime(person.joinedAt) }}</dd>
            <dt class="text-soft">Last active</dt>
            <dd>{{ ago(person.activeAt) }}</dd>
            <dt class="text-soft">Time zone</dt>
            <dd>{{ person.timezone?.replaceAll('_', ' ') ?? 'not known' }}</dd>
            <dt class="text-soft">Language</dt>
            <dd>{{ person.language ? languageName(person.language) : 'not known' }}</dd>
            <template v-if="person.phone"
                ><dt class="text-soft">Phone</dt>
                <dd>{{ person.phone }}</dd></template
            >
            <template v-for="f in person.fields" :key="f.name">
                <dt class="text-soft">{{ f.label }}</dt>
                <dd class="break-words whitespace-pre-line">{{ f.values.join(', ') || '–' }}</dd>
            </template>
        </dl>
        <button v-if="!editing" type="button" class="mt-2 btn" @click="editing = true">Edit</button>
        <form v-else class="mt-3 grid gap-3 sm:grid-cols-2" novalidate @submit.prevent="save">
            <TextField v-model="typed.firstName!" label="First name" :maxlength="100" :error="error?.field('firstName')" />
            <TextField v-model="typed.lastName!" label="Last name" :maxlength="100" :error="error?.field('lastName')" />
            <TextField v-model="typed.phone!" label="Phone" :maxlength="40" :error="error?.field('phone')" />
            <ZoneField v-model="typed.timezone!" :error="error?.field('timezone')" />
            <VisitorLanguage
                v-model="typed.language!"
                label="Language"
                hint="What the application itself writes to them is in it."
                none="As the funnel they came by"
                :error="error?.field('language')"
            />
            <template v-for="f in person.fields" :key="f.name">
                <DateField
                    v-if="f.kind === 'date' && isDay(f)"
                    v-model="typed[`fields.${f.name}`]!"
                    :label="f.label"
                    :error="error?.field(f.name)"
                />
                <TextField
                    v-else
                    v-model="typed[`fields.${f.name}`]!"
                    :label="f.label"
                    :hint="f.kind === 'choices' ? 'Several with semicolons between.' : f.kind === 'date' ? 'Like 2027-03-31.' : ''"
                    :error="error?.field(f.name)"
                />
            </template>
            <div class="flex gap-2 sm:col-span-2">
                <button type="submit" class="btn-main">Save</button>
                <button
                    type="button"
                    class="btn-quiet"
                    @click="
                        editing = false;
                        error = null;
                        fill();
                    "
                >
                    Cancel
                </button>
            </div>
        </form>
    </section>
</template>
