import type { Funnel, Deadline, Guide, Popup, Sequence, Trigger, Webinar } from '@/api/types';
import { count, counted } from '@/ui/format';

/** What a sequence or an email counts its time from, after "from". */
function startWords(funnel: Funnel, trigger: Trigger): string {
    const named = (list: { id: string; name: string }[], id: string) => `“${list.find((p) => p.id === id)?.name ?? ''}”`;
    switch (trigger.kind) {
        case 'tag':
            return `the tag “${trigger.tag}”`;
        case 'form':
            return 'joining';
        case 'confirmed':
            return 'confirming';
        case 'registered':
            return 'registering';
        case 'bought':
        case 'bought-offer':
            return 'buying';
        case 'page':
            return `seeing ${named(funnel.pages, trigger.page)}`;
        case 'click':
            return `a click in ${named(funnel.emails, trigger.email)}`;
        case 'sequence':
            return `the start of ${named(funnel.sequences, trigger.sequence)}`;
        case 'webinar':
            return 'the session';
        case 'refunded':
            return 'a refund';
        case 'became-warm':
            return 'becoming warm';
        case 'guide-begun':
            return `beginning ${named(funnel.guides, trigger.guide)}`;
        case 'guide-share':
            return `reading ${trigger.share ?? 50} % of ${named(funnel.guides, trigger.guide)}`;
        case 'guide-page':
            return `reading ${named(funnel.guidePages, trigger.page)}`;
        case 'guide-finished':
            return `finishing ${named(funnel.guides, trigger.guide)}`;
        case 'payment-failed':
            return 'a failed payment';
        case 'signup':
            return 'joining';
        case 'replied':
            return 'replying';
        case 'date':
            return 'a day in a field';
        case 'deadline-began':
            return `the start of ${named(funnel.deadlines, trigger.deadline)}`;
        case 'deadline-near':
            return `${counted(trigger.hours ?? 24, 'hour')} before the end of ${named(funnel.deadlines, trigger.deadline)}`;
        case 'deadline-over':
            return `the end of ${named(funnel.deadlines, trigger.deadline)}`;
    }
}

/** "from joining or buying"; what nothing starts says so. */
export function sequenceStarts(funnel: Funnel, sequence: Sequence): string {
    const sold = funnel.products.some((p) => p.sequence === sequence.id) ? ['buying'] : [];
    const words = [...new Set([...sequence.starts.map((t) => startWords(funnel, t)), ...sold])];
    return words.length > 0 ? `from ${words.join(' or ')}` : 'nothing starts it yet';
}

export const deadlineNote = (deadline: Deadline): string =>
    deadline.duration ? `${deadline.lasts}, ${deadline.startWords ? `from ${deadline.startWords}` : 'when you start it'}` : deadline.words;

export function replayNote({ replay }: Webinar): string {
    return !replay ? '' : replay.days ? `open for ${counted(replay.days, 'day')}` : replay.until ? 'open until its day' : 'without an end';
}

export function guideNote(funnel: Funnel, guide: Guide): string {
    const pages = funnel.guidePages.filter((p) => p.guide === guide.id && !p.hidden);
    const minutes = Math.max(1, Math.round(pages.reduce((sum, p) => sum + p.seconds, 0) / 60));
    return `${counted(pages.length, 'page')}, ${counted(minutes, 'minute')} to read`;
}

export function popupNote(funnel: Funnel, popup: Popup): string {
    const numbers = funnel.popupNumbers[popup.id];
    const sites = popup.targeting.sites ?? [];
    const found = numbers && numbers.shown > 0 ? `${count(numbers.shown)} shown, ${count(numbers.joined)} joined` : '';
    return [popup.on ? '' : 'off', sites.length > 0 ? `on ${counted(sites.length, 'site')}` : '', found].filter(Boolean).join(' · ');
}
