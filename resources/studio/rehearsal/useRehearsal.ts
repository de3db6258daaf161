import { computed, ref, watch, type Ref } from 'vue';
import { api, ApiError } from '@/api/client';
import type { Choice, Life, Promised, Visitor } from '@/api/types';
import { useToasts } from '@/stores/toasts';

/** One way through a funnel: what is chosen, up to which choice it is shown, and where it has come to. */
export interface Way {
    choices: Choice[];
    /** How many of them are played; fewer where one has gone back. */
    at: number;
    life: Life | null;
}

interface Kept {
    visitor: Visitor;
    person: { id: string; name: string } | null;
    start: string;
    ways: Choice[][];
}

const keyOf = (funnel: string) => `rehearsal-${funnel}`;

/** A way that the rehearsal of a funnel is to begin with when it is opened next. */
export function layOut(funnel: string, visitor: Visitor, start: string, way: Choice[]): void {
    const kept: Kept = { visitor, person: null, start, ways: [way] };
    sessionStorage.setItem(keyOf(funnel), JSON.stringify(kept));
}

const fresh = (): Way => ({ choices: [], at: 0, life: null });

/** The rehearsal of one funnel. It is kept in this window until it is closed, and played by the server. */
export function useRehearsal(funnel: Ref<string>, visitor: Ref<Visitor>, start: Ref<string>) {
    const toasts = useToasts();
    const ways = ref<Way[]>([fresh()]);
    const active = ref(0);
    const person = ref<{ id: string; name: string } | null>(null);
    const busy = ref(false);
    const refused = ref<ApiError | null>(null);
    const way = computed(() => ways.value[active.value] ?? ways.value[0]!);
    let asked = 0;

    const key = () => keyOf(funnel.value);
    const body = (choices: Choice[]) => ({
        start: start.value,
        choices,
        ...(person.value ? { person: person.value.id } : { visitor: visitor.value }),
    });

    async function play(one: Way): Promise<void> {
        one.life = await api.post<Life>(`funnels/${funnel.value}/rehearsal`, body(one.choices.slice(0, one.at)));
    }

    /** Plays what is shown anew; of several that were asked for, the last one counts. */
    async function replay(which: Way[] = ways.value): Promise<void> {
        const mine = ++asked;
        busy.value = true;
        try {
            await Promise.all(which.map(play));
            refused.value = null;
        } catch (error) {
            if (error instanceof ApiError && error.status === 422) {
                refused.value = error;
            }
            toasts.trouble(error);
        } finally {
            busy.value = mine !== asked;
        }
    }

    async function choose(choice: Choice): Promise<void> {
        const one = way.value;
        // What had been chosen after this place stays beside it, to be compared.
        if (one.at < one.choices.length && ways.value.length === 1) {
            ways.value.push({ choices: one.choices.slice(0, one.at), at: one.at, life: one.life });
            one.at = one.choices.length;
            active.value = 1;
            await replay([one]);
        }
        const here = way.value;
        here.choices = [...here.choices.slice(0, here.at), choice];
        here.at++;
        await replay([here]);
    }

    async function go(at: number): Promise<void> {
        way.value.at = Math.max(0, Math.min(way.value.choices.length, at));
        await replay([way.value]);
    }

    /** Another way begins like this one. */
    function branch(): void {
        const one = way.value;
        ways.value = [one, { choices: one.choices.slice(0, one.at), at: one.at, life: one.life }];
        active.value = 1;
    }

    function close(which: number): void {
        ways.value = ways.value.filter((_, i) => i !== which);
        active.value = 0;
    }

    async function anew(): Promise<void> {
        ways.value = [fresh()];
        active.value = 0;
        await replay();
    }

    async function take(promise: Pick<Promised, 'visitor' | 'start' | 'choices'>): Promise<void> {
        visitor.value = promise.visitor;
        person.value = null;
        start.value = promise.start;
        ways.value = [{ choices: promise.choices, at: promise.choices.length, life: null }];
        active.value = 0;
        await replay();
    }

    /** What was rehearsed in this window before, if anything was. */
    async function resume(): Promise<void> {
        try {
            const kept = JSON.parse(sessionStorage.getItem(key()) ?? 'null') as Kept | null;
            if (kept) {
                [visitor.value, person.value, start.value] = [kept.visitor, kept.person, kept.start];
                ways.value = kept.ways.map((choices) => ({ choices, at: choices.length, life: null }));
            }
        } catch {
            // What cannot be read is begun anew.
            sessionStorage.removeItem(key());
        }
        await replay();
    }

    watch(
        [ways, visitor, person, start],
        () => {
            const kept: Kept = {
                visitor: visitor.value,
                person: person.value,
                start: start.value,
                ways: ways.value.map((w) => w.choices),
            };
            sessionStorage.setItem(key(), JSON.stringify(kept));
        },
        { deep: true },
    );

    return { ways, active, way, person, busy, refused, body, replay, choose, go, branch, close, anew, take, resume };
}
