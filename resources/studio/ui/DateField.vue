<script setup lang="ts">
import { CalendarDaysIcon, ChevronLeftIcon, ChevronRightIcon, XMarkIcon } from '@heroicons/vue/20/solid';
import { toCalendarDateTime, Time, type DateValue } from '@internationalized/date';
import {
    DatePickerCalendar,
    DatePickerCell,
    DatePickerCellTrigger,
    DatePickerContent,
    DatePickerField,
    DatePickerGrid,
    DatePickerGridBody,
    DatePickerGridHead,
    DatePickerGridRow,
    DatePickerHeadCell,
    DatePickerHeader,
    DatePickerHeading,
    DatePickerInput,
    DatePickerNext,
    DatePickerPrev,
    DatePickerRoot,
    DatePickerTrigger,
} from 'reka-ui';
import { computed, ref, shallowRef, useId, watch } from 'vue';
import { useSession } from '@/stores/session';
import { dayOf, momentOf, storedDay, storedMoment, todayIn } from '@/ui/wallClock';

/**
 * A day, or with `time` a day and a time of it, typed part by part or chosen in the calendar, in the owner's own format. It is what a
 * clock on the wall shows, in whatever zone the field is about. Taken over once the field is left or a day is chosen, not with each digit.
 */
const props = withDefaults(
    defineProps<{
        /** "2027-03-31", with `time` "2027-03-31T18:00", '' for none. */
        modelValue: string;
        label: string;
        hideLabel?: boolean;
        time?: boolean;
        /** Not to be emptied. */
        required?: boolean;
        hint?: string;
        error?: string;
    }>(),
    { hideLabel: false, time: false, required: false, hint: '', error: '' },
);
const emit = defineEmits<{ 'update:modelValue': [string] }>();

const session = useSession();
const id = useId();
const box = ref<HTMLElement>();
const open = ref(false);
const parsed = (words: string): DateValue | undefined => (props.time ? momentOf(words) : dayOf(words));
const stored = (value: DateValue | undefined) => (props.time ? storedMoment(value) : storedDay(value));
const value = shallowRef<DateValue | undefined>(parsed(props.modelValue));
watch(
    () => props.modelValue,
    (words) => {
        if (words !== stored(value.value)) {
            value.value = parsed(words);
        }
    },
);
const today = todayIn(session.zone);
const proposed = props.time ? toCalendarDateTime(today, new Time(18, 0)) : today;

/** A day of which a part is missing is none, and not meant as none either. */
const halfTyped = () => {
    const parts = [...(box.value?.querySelectorAll('[role=spinbutton]') ?? [])];
    return parts.some((p) => p.getAttribute('aria-valuetext') !== 'Empty');
};
function commit(): void {
    const words = stored(value.value);
    if (words === props.modelValue) {
        return;
    }
    if (words === '' && (props.required || halfTyped())) {
        value.value = parsed(props.modelValue);
        return;
    }
    emit('update:modelValue', words);
}
function left(event: FocusEvent): void {
    // The calendar is a part of the field.
    if (!box.value?.contains(event.relatedTarget as Node | null)) {
        commit();
    }
}
function clear(): void {
    value.value = undefined;
    emit('update:modelValue', '');
}
watch(open, (is) => !is && commit());
const empty = computed(() => value.value === undefined);
</script>

<template>
    <div ref="box" class="date-field" @focusout="left" @keydown.enter="commit">
        <span :id="`${id}-l`" :class="hideLabel ? 'sr-only' : 'label'">{{ label }}</span>
        <DatePickerRoot
            v-model="value"
            v-model:open="open"
            :locale="session.locale"
            :granularity="time ? 'minute' : 'day'"
            :default-placeholder="value ?? proposed"
            prevent-deselect
            weekday-format="short"
            fixed-weeks
            :close-on-select="!time"
        >
            <DatePickerField v-slot="{ segments }">
                <div
                    class="input flex items-center gap-0 pr-1"
                    role="group"
                    :aria-labelledby="`${id}-l`"
                    :aria-describedby="error ? `${id}-e` : hint ? `${id}-h` : undefined"
                    :aria-invalid="error ? 'true' : undefined"
                >
                    <template v-for="(segment, i) in segments" :key="segment.part + i">
                        <DatePickerInput
                            :part="segment.part"
                            class="shrink-0 rounded-sm whitespace-pre focus:bg-lamp-pale focus:outline-2 focus:outline-offset-0"
                            :class="segment.part === 'literal' || empty ? 'text-soft' : 'px-px'"
                            >{{ segment.value }}</DatePickerInput
                        >
                    </template>
                    <span class="min-w-1 flex-1"></span>
                    <button
                        v-if="!required && !empty"
                        type="button"
                        class="grid size-7 shrink-0 place-items-center rounded text-soft hover:bg-line/50 hover:text-ink"
                        :aria-label="`Clear: ${label}`"
                        @click="clear"
                    >
                        <XMarkIcon class="size-4.5" aria-hidden="true" />
                    </button>
                    <DatePickerTrigger
                        class="grid size-7 shrink-0 place-items-center rounded text-soft hover:bg-line/50 hover:text-ink"
                        :aria-label="`Calendar: ${label}`"
                    >
                        <CalendarDaysIcon class="size-4.5" aria-hidden="true" />
                    </DatePickerTrigger>
                </div>
            </DatePickerField>
            <DatePickerContent
                :portal="{ disabled: true }"
                position-strategy="fixed"
                align="end"
                :side-offset="4"
                :collision-padding="8"
                class="z-50 sheet p-3 shadow-lg"
            >
                <DatePickerCalendar v-slot="{ weekDays, grid }">
                    <DatePickerHeader class="flex items-center justify-between gap-2">
                        <DatePickerPrev class="btn-quiet px-1.5" aria-label="Month before"
                            ><ChevronLeftIcon class="size-5" aria-hidden="true"
                        /></DatePickerPrev>
                        <DatePickerHeading class="font-medium" />
                        <DatePickerNext class="btn-quiet px-1.5" aria-label="Month after"
                            ><ChevronRightIcon class="size-5" aria-hidden="true"
                        /></DatePickerNext>
                    </DatePickerHeader>
                    <DatePickerGrid v-for="month in grid" :key="month.value.toString()" class="mt-1 border-collapse select-none">
                        <DatePickerGridHead>
                            <DatePickerGridRow>
                                <DatePickerHeadCell v-for="day in weekDays" :key="day" class="px-1 pb-1 caption font-normal">{{
                                    day
                                }}</DatePickerHeadCell>
                            </DatePickerGridRow>
                        </DatePickerGridHead>
                        <DatePickerGridBody>
                            <DatePickerGridRow v-for="(week, w) in month.rows" :key="w">
                                <DatePickerCell v-for="day in week" :key="day.toString()" :date="day" class="p-0 text-center">
                                    <DatePickerCellTrigger
                                        :day="day"
                                        :month="month.value"
                                        class="grid size-9 cursor-pointer place-items-center rounded-md hover:bg-lamp-pale data-[outside-view]:text-soft data-[selected]:bg-ink data-[selected]:text-paper data-[today]:font-bold data-[today]:underline"
                                    />
                                </DatePickerCell>
                            </DatePickerGridRow>
                        </DatePickerGridBody>
                    </DatePickerGrid>
                </DatePickerCalendar>
            </DatePickerContent>
        </DatePickerRoot>
        <p v-if="error" :id="`${id}-e`" class="mt-1 font-medium text-clay-deep">{{ error }}</p>
        <p v-else-if="hint" :id="`${id}-h`" class="hint">{{ hint }}</p>
    </div>
</template>
