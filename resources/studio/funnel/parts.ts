import {
    ArrowDownTrayIcon,
    ArrowsRightLeftIcon,
    BookOpenIcon,
    CheckBadgeIcon,
    ClockIcon,
    DocumentIcon,
    EnvelopeIcon,
    QueueListIcon,
    TagIcon,
    VideoCameraIcon,
} from '@heroicons/vue/20/solid';
import {
    DocumentDuplicateIcon,
    DocumentTextIcon,
    GiftIcon,
    ScaleIcon,
    Square2StackIcon,
    TicketIcon,
    WindowIcon,
} from '@heroicons/vue/20/solid';
import type { Component } from 'vue';
import type { Funnel, Tested } from '@/api/types';
import { count, counted, percent } from '@/ui/format';

/** The lists of a funnel that hold its parts, as the API names them. */
type PartList =
    | 'pages'
    | 'forms'
    | 'sequences'
    | 'emails'
    | 'leadMagnets'
    | 'sharedSections'
    | 'products'
    | 'offers'
    | 'coupons'
    | 'deadlines'
    | 'popups'
    | 'webinars'
    | 'splitTests'
    | 'variants'
    | 'guides'
    | 'guidePages'
    | 'promises'
    | 'rules';

/** One kind of parts: where the funnel holds them, how they are called and drawn, and which desk they open on. */
interface Entry<L extends PartList> {
    list: L;
    /** In a sentence: "form". */
    label: string;
    icon: Component;
    /** Its mark is in the colour of time that runs out. */
    presses?: boolean;
    /** Loaded when one is opened; a kind without a desk is worked on where it is used. */
    desk?: () => Promise<{ default: Component }>;
    /** Its desk is drawn anew for another place within it, such as where the check found something. */
    takesPlace?: boolean;
    /** Its desk is that of a whole kind, and is told what of it is open. */
    takesKind?: boolean;
    /** Pages on the desk are drawn anew when one has changed. */
    redraws?: boolean;
    /** What of it matters at a glance, where it stands in the list of what belongs to the funnel; `lacking` is still to be done. */
    summary?: (part: Funnel[L][number], funnel: Funnel) => { words: string; lacking?: boolean; aside?: string };
    /** As it is chosen in a picker; by its name where nothing is said. */
    choice?: (part: Funnel[L][number]) => string;
}

const entry = <L extends PartList>(given: Entry<L>): Entry<L> => given;

/** The kinds of parts that split tests are of. */
export const TESTED = { page: 'page', email: 'email', popup: 'popup', timing: 'sequence' } as const satisfies Record<Tested, string>;

function tested(funnel: Funnel, of: Tested): { id: string; name: string }[] {
    return { page: funnel.pages, email: funnel.emails, popup: funnel.popups, timing: funnel.sequences }[of];
}

/** The kinds of parts of a funnel. Whoever adds one says here what the Studio is to know of it. */
export const PARTS = {
    page: entry({
        list: 'pages',
        label: 'page',
        icon: DocumentIcon,
        desk: () => import('@/funnel/desk/PageDesk.vue'),
        takesPlace: true,
    }),
    'lead-magnet': entry({
        list: 'leadMagnets',
        label: 'lead magnet',
        icon: ArrowDownTrayIcon,
        desk: () => import('@/funnel/desk/FileDesk.vue'),
        redraws: true,
        summary: (m, funnel) => ({
            words:
                [m.file ? `${m.file.name} · ${m.file.note}` : '', funnel.guides.some((g) => g.id === m.guide) ? 'A guide to read' : '']
                    .filter(Boolean)
                    .join(' · ') || 'No file and no guide yet',
            lacking: !m.file && !m.guide,
        }),
    }),
    guide: entry({
        list: 'guides',
        label: 'guide',
        icon: BookOpenIcon,
        desk: () => import('@/funnel/desk/guide/GuideDesk.vue'),
        summary: (g, funnel) => ({
            words: counted(funnel.guidePages.filter((p) => p.guide === g.id && !p.hidden).length, 'page'),
            lacking: funnel.guidePages.every((p) => p.guide !== g.id || p.hidden),
        }),
    }),
    'guide-page': entry({
        list: 'guidePages',
        label: 'page of a guide',
        icon: BookOpenIcon,
        desk: () => import('@/funnel/desk/guide/GuidePageDesk.vue'),
        takesPlace: true,
    }),
    form: entry({
        list: 'forms',
        label: 'form',
        icon: DocumentTextIcon,
        desk: () => import('@/funnel/desk/FormDesk.vue'),
        summary: (f) => ({ words: `Asks for: ${f.fields.map((field) => field.label).join(', ')}` }),
    }),
    sequence: entry({
        list: 'sequences',
        label: 'sequence',
        icon: QueueListIcon,
        desk: () => import('@/funnel/desk/SequenceDesk.vue'),
        summary: (q, funnel) => ({
            words:
                `${counted(funnel.emails.filter((e) => e.sequence === q.id).length, 'email')}, ` +
                `${count(funnel.sequenceNumbers[q.id]?.inside ?? 0)} in it${q.paused ? ' · paused' : ''}`,
        }),
    }),
    email: entry({
        list: 'emails',
        label: 'email',
        icon: EnvelopeIcon,
        desk: () => import('@/funnel/desk/EmailDesk.vue'),
        redraws: true,
    }),
    deadline: entry({
        list: 'deadlines',
        label: 'deadline',
        icon: ClockIcon,
        presses: true,
        desk: () => import('@/funnel/desk/deadline/DeadlineDesk.vue'),
        redraws: true,
        summary: (d) => ({ words: d.words }),
    }),
    webinar: entry({
        list: 'webinars',
        label: 'webinar',
        icon: VideoCameraIcon,
        desk: () => import('@/funnel/desk/webinar/WebinarDesk.vue'),
        redraws: true,
        summary: (w) => ({ words: w.words }),
    }),
    popup: entry({
        list: 'popups',
        label: 'pop-up',
        icon: WindowIcon,
        desk: () => import('@/funnel/desk/popup/PopupDesk.vue'),
        takesPlace: true,
        /** What it brought so far, or what opens it. */
        summary: (p, funnel) => {
            const n = funnel.popupNumbers[p.id];
            const brought = n && n.shown > 0 ? `${count(n.shown)} shown, ${count(n.joined)} joined (${percent(n.rate.rate)})` : p.words;
            return { words: brought, aside: p.on ? '' : 'off' };
        },
    }),
    'shared-section': entry({ list: 'sharedSections', label: 'shared section', icon: Square2StackIcon }),
    product: entry({
        list: 'products',
        label: 'product',
        icon: GiftIcon,
        desk: () => import('@/funnel/desk/OffersDesk.vue'),
        takesKind: true,
        redraws: true,
    }),
    offer: entry({
        list: 'offers',
        label: 'offer',
        icon: TagIcon,
        desk: () => import('@/funnel/desk/OffersDesk.vue'),
        takesKind: true,
        redraws: true,
        choice: (o) => `${o.name}, ${o.open ? 'no price' : o.priceWords}`,
    }),
    coupon: entry({
        list: 'coupons',
        label: 'coupon',
        icon: TicketIcon,
        desk: () => import('@/funnel/desk/OffersDesk.vue'),
        takesKind: true,
    }),
    'split-test': entry({
        list: 'splitTests',
        label: 'split test',
        icon: ScaleIcon,
        summary: (t, funnel) => ({
            words: `Of “${tested(funnel, t.of).find((p) => p.id === t.part)?.name ?? ''}”`,
            aside: t.on ? 'running' : 'not started',
        }),
    }),
    variant: entry({
        list: 'variants',
        label: 'variant',
        icon: DocumentDuplicateIcon,
        desk: () => import('@/funnel/desk/experiment/VariantDesk.vue'),
        summary: (v) => ({ words: v.differs.join(' ') || 'Nothing differs yet', lacking: v.differs.length === 0 }),
    }),
    promise: entry({ list: 'promises', label: 'promise', icon: CheckBadgeIcon }),
    automation: entry({
        list: 'rules',
        label: 'rule',
        icon: ArrowsRightLeftIcon,
        desk: () => import('@/funnel/desk/RuleDesk.vue'),
        summary: (r) => ({ words: r.words, lacking: !r.whole, aside: r.paused ? 'paused' : '' }),
    }),
};

export type PartKind = keyof typeof PARTS;
/** A part, or the funnel itself. */
export type Kind = PartKind | 'funnel';
export type PartOf<K extends PartKind> = Funnel[(typeof PARTS)[K]['list']][number];

/** The same of any kind, where it is not known which. */
export type AnyPart = PartOf<PartKind>;
export type AnyEntry = Omit<Entry<PartList>, 'summary' | 'choice'> & {
    summary?: (part: AnyPart, funnel: Funnel) => { words: string; lacking?: boolean; aside?: string };
    choice?: (part: AnyPart) => string;
};

export const kindsOfParts = Object.keys(PARTS) as PartKind[];
export const partEntry = (kind: PartKind): AnyEntry => PARTS[kind] as unknown as AnyEntry;
export const isPartKind = (kind: string): kind is PartKind => kind in PARTS;

export function partsOf(funnel: Funnel | null, kind: PartKind): AnyPart[] {
    return (funnel?.[PARTS[kind].list] as AnyPart[] | undefined) ?? [];
}

export function findPart<K extends PartKind>(funnel: Funnel | null, kind: K, id: string): PartOf<K> | undefined {
    return partsOf(funnel, kind).find((p) => p.id === id) as PartOf<K> | undefined;
}

/** What can be chosen of a kind. */
export function choicesOf(funnel: Funnel | null, kind: PartKind): { value: string; label: string }[] {
    return partsOf(funnel, kind).map((p) => ({ value: p.id, label: partEntry(kind).choice?.(p) ?? p.name }));
}

export const partPath = (funnel: Funnel, kind: PartKind, id: string): string => `/funnels/${funnel.id}/${kind}/${id}`;
