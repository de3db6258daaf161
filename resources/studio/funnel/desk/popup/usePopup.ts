import { computed } from 'vue';
import { api } from '@/api/client';
import type { PageDocument, Popup, PopupFrame, Section } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { useToasts } from '@/stores/toasts';

/** What of a pop-up a variant of it has of its own. */
const OWN = ['document', 'frame', 'triggers', 'design'] as const;

/** A pop-up, or a variant of one, on its desk, and what can be done to it. */
export function usePopup(id: string) {
    const store = useFunnel();
    const toasts = useToasts();
    const variant = computed(() => store.variant(id));
    const test = computed(() => store.funnel?.splitTests.find((t) => (variant.value ? t.id === variant.value.test : t.part === id)));
    /** The id of the pop-up itself. */
    const original = variant.value ? (test.value?.part ?? '') : id;
    const popup = computed(() => {
        const own = Object.fromEntries([...OWN, 'words' as const].map((key) => [key, variant.value?.[key]]));
        return { ...store.popup(original)!, ...(variant.value ? (own as Partial<Popup>) : {}) };
    });
    function edit(values: Partial<Popup>, label: string, now = true): void {
        if (variant.value) {
            const own = Object.fromEntries(Object.entries(values).filter(([key]) => (OWN as readonly string[]).includes(key)));
            store.edit('variant', id, own, label, now);
        } else {
            store.edit('popup', id, values, label, now);
        }
    }

    async function ask<T>(path: string, body: object): Promise<T | null> {
        try {
            return await api.post<T>(`parts/${original}/popup/${path}`, body);
        } catch (error) {
            toasts.trouble(error);
            return null;
        }
    }

    async function redesign(design: string): Promise<void> {
        const { document, frame, asks, after, spot } = popup.value;
        const answer = await ask<{ document: PageDocument; frame: PopupFrame }>('redesign', { document, frame, asks, after, spot, design });
        if (answer) {
            // Where it is placed decides whether anything must open it.
            const placed = answer.frame.placement === 'placed';
            const triggers = popup.value.triggers.length > 0 || placed ? popup.value.triggers : [{ kind: 'leaving' }];
            edit({ document: answer.document, frame: answer.frame, design, placed, triggers }, 'the design of the pop-up');
        }
    }

    /** The steps with their sections: a question first where there is one, thanks last. */
    const steps = computed(() => {
        const { document, asks, after } = popup.value;
        const names = [...(asks ? ['question'] : []), 'main', ...(after.kind === 'thanks' ? ['thanks'] : [])];
        return names.map((name, i) => ({ name, id: document.sections[i]?.id ?? '' }));
    });

    const withSections = (change: (sections: Section[]) => Section[]): PageDocument => ({
        ...popup.value.document,
        sections: change([...popup.value.document.sections]),
    });

    async function setAsks(asks: boolean): Promise<void> {
        if (!asks) {
            edit({ asks, document: withSections((s) => s.slice(1)) }, 'the question before the pop-up');
            return;
        }
        const answer = await ask<{ section: Section }>('step', { step: 'question' });
        if (answer) {
            edit({ asks, document: withSections((s) => [answer.section, ...s]) }, 'a question before the pop-up');
        }
    }

    async function setAfter(after: Popup['after']): Promise<void> {
        const had = popup.value.after.kind === 'thanks';
        const has = after.kind === 'thanks';
        if (had === has) {
            edit({ after }, 'what follows joining');
        } else if (had) {
            edit({ after, document: withSections((s) => s.slice(0, -1)) }, 'what follows joining');
        } else {
            const answer = await ask<{ section: Section }>('step', { step: 'thanks' });
            if (answer) {
                edit({ after, document: withSections((s) => [...s, answer.section]) }, 'what follows joining');
            }
        }
    }

    const setFrame = (frame: Partial<PopupFrame>) => {
        const next = { ...popup.value.frame, ...frame };
        if (frame.phone === '') {
            delete next.phone;
        }
        edit({ frame: next }, 'how the pop-up stands');
    };

    return { popup, variant, test, original, steps, edit, redesign, setAsks, setAfter, setFrame };
}

export type PopupWork = ReturnType<typeof usePopup>;
