import type { Ref } from 'vue';
import { useRouter } from 'vue-router';
import type { Email, EmailTiming, Funnel, Sequence, Webinar } from '@/api/types';
import { useFunnel } from '@/funnel/funnelStore';
import { partPath } from '@/funnel/parts';
import { useSteps } from '@/funnel/steps';
import type { Timeline } from '@/funnel/timeline/layout';
import { Moments } from '@/funnel/timeline/moments';
import { Places } from '@/funnel/timeline/places';
import { timingIn } from '@/funnel/timeline/timing';
import { useToasts } from '@/stores/toasts';

/** Emails on the timeline: added at the end of a lane, and moved to another moment. */
export function useEmailMoments(funnel: Ref<Funnel>, chart: Ref<Pick<Timeline, 'columns'>>) {
    const store = useFunnel();
    const steps = useSteps();
    const toasts = useToasts();
    const router = useRouter();
    const moments = () => new Moments(funnel.value, new Places(funnel.value));

    const emailsAt = (key: string): Email[] => {
        const all = moments();
        return funnel.value.emails.filter((e) => all.of(e) === key);
    };

    function put(email: Email, key: string): void {
        const timing = timingIn(funnel.value, moments(), email, key);
        if (timing) {
            store.edit('email', email.id, { timing: timing satisfies EmailTiming }, `when “${email.name}” goes out`, true);
        } else {
            toasts.say(
                `“${email.name}” cannot go out then: that moment does not come for those it is sent to. Its own settings say when it goes.`,
            );
        }
    }

    return {
        emailsAt,
        /** To a moment, by its key. */
        put,
        /** The webinar whose session stands in a column. */
        webinarAt: (key: string): Webinar | undefined => {
            const all = moments();
            return funnel.value.webinars.find((w) => all.sessionOf(w) === key);
        },
        /** To the column under a place on the lane. */
        moveTo(email: Email, x: number): void {
            const column = chart.value.columns.find((c) => x >= c.x && x < c.x + c.width);
            if (column && column.key !== moments().of(email)) {
                put(email, column.key);
            }
        },
        /** To the next column at which it can go out. */
        step(email: Email, by: -1 | 1, keys = chart.value.columns.map((c) => c.key)): void {
            const all = moments();
            let at = keys.indexOf(all.of(email)) + by;
            while (keys[at] !== undefined && !timingIn(funnel.value, all, email, keys[at]!)) {
                at += by;
            }
            if (keys[at] !== undefined) {
                put(email, keys[at]!);
            }
        },
        async add(sequence: Sequence): Promise<void> {
            try {
                const made = await steps.add('email', { sequence: sequence.id });
                await router.push(partPath(funnel.value, 'email', made.id));
            } catch (error) {
                toasts.trouble(error);
            }
        },
    };
}
