import type { Email, Funnel, Page, Way } from '../../../resources/studio/api/types';

/** Outcomes by the role of a page, as the core names them: the main one first, those that must lead somewhere with a star. */
const OUTCOMES: Record<string, string[]> = {
    'opt-in': ['joined*'],
    registration: ['joined*'],
    confirmation: ['attended', 'missed'],
    room: ['attended*', 'missed'],
    replay: ['time-ran-out'],
    sales: ['chose*', 'declined', 'time-ran-out'],
    checkout: ['bought*', 'time-ran-out'],
    upsell: ['bought*', 'declined*'],
    downsell: ['bought*', 'declined*'],
};

export const page = (id: string, role: string, blocks: object[] = []): Page =>
    ({
        id,
        role,
        name: id,
        roleLabel: role,
        outcomes: (OUTCOMES[role] ?? []).map((o) => ({
            outcome: o.replace('*', ''),
            label: o.replace('*', ''),
            who: o,
            must: o.endsWith('*'),
        })),
        document: { format: 2, sections: [{ id: 's', kind: 'words', arrangement: 'left', blocks }] },
    }) as unknown as Page;

/** "a joined b" */
export const ways = (...list: string[]): Way[] =>
    list.map((words) => {
        const [from, outcome, to] = words.split(' ') as [string, string, string];
        const isOutside = to.startsWith('https:');
        return { page: from, outcome, toPage: isOutside ? null : to, toUrl: isOutside ? to : null };
    });

export const email = (id: string, sequence: string, timing: object, offset = 0): Email =>
    ({ id, name: id, sequence, timing, offset, body: '', timingWords: id, only: { rules: [] } }) as unknown as Email;

export const sequence = (id: string, ...starts: object[]) => ({ id, name: id, starts, ends: [], paused: false });

export function funnel(more: object): Funnel {
    const lists = [
        'pages',
        'ways',
        'emails',
        'sequences',
        'deadlines',
        'webinars',
        'popups',
        'rules',
        'guides',
        'guidePages',
        'products',
        'offers',
        'forms',
    ];
    return {
        id: 'f',
        times: {},
        ...Object.fromEntries(lists.map((l) => [l, []])),
        ...Object.fromEntries(['pageNumbers', 'emailNumbers', 'popupNumbers', 'sequenceNumbers'].map((l) => [l, {}])),
        ...more,
    } as unknown as Funnel;
}

/** The usual webinar funnel: twelve pages, two sequences, a deadline that starts where the offer is seen. */
export const webinarFunnel = (more: object = {}): Funnel =>
    funnel({
        pages: [
            page('register', 'registration'),
            page('confirm', 'confirmation'),
            page('room', 'room', [{ id: 'b', kind: 'room', webinar: 'w' }]),
            page('replay', 'replay'),
            page('regular', 'sales'),
            page('pay', 'checkout'),
            page('intro', 'sales'),
            page('pay-intro', 'checkout'),
            page('upsell', 'upsell'),
            page('downsell', 'downsell'),
            page('delivery', 'delivery'),
            page('closed', 'closed'),
        ],
        ways: ways(
            'register joined confirm',
            'confirm attended room',
            'confirm missed replay',
            'room attended intro',
            'room missed replay',
            'replay time-ran-out closed',
            'regular chose pay',
            'regular time-ran-out closed',
            'pay bought upsell',
            'intro chose pay-intro',
            'intro time-ran-out regular',
            'pay-intro bought upsell',
            'pay-intro time-ran-out regular',
            'upsell bought delivery',
            'upsell declined downsell',
            'downsell bought delivery',
            'downsell declined delivery',
        ),
        sequences: [sequence('reminders', { kind: 'registered', webinar: 'w' }), sequence('buyers')],
        products: [{ id: 'p', name: 'p', sequence: 'buyers' }],
        guides: [],
        guidePages: [],
        webinars: [{ id: 'w', name: 'w', words: 'On Thursdays', replay: { delay: 60, days: 3 } }],
        deadlines: [
            {
                id: 'd',
                name: 'd',
                words: 'Three days',
                duration: { days: 3 },
                length: 4320,
                latest: null,
                starts: [
                    { kind: 'webinar', outcome: 'saw-offer', webinar: 'w' },
                    { kind: 'page', page: 'intro' },
                ],
                pages: [],
            },
        ],
        emails: [
            email('welcome', 'buyers', { from: 'joining' }),
            email('hello', 'reminders', { from: 'joining' }),
            email('week', 'reminders', { from: 'session', anchor: 'before-start', minutes: 10080, webinar: 'w' }),
            email('hour', 'reminders', { from: 'session', anchor: 'before-start', minutes: 60, webinar: 'w' }),
            email('now', 'reminders', { from: 'session', anchor: 'start', webinar: 'w' }),
            email('came', 'reminders', { from: 'session', anchor: 'after-end', minutes: 30, webinar: 'w' }),
            email('missed', 'reminders', { from: 'session', anchor: 'after-end', minutes: 30, webinar: 'w' }),
            email('replay-ends', 'reminders', { from: 'session', anchor: 'before-replay-ends', minutes: 180, webinar: 'w' }),
            email('day-left', 'reminders', { from: 'deadline', deadline: 'd', edge: 'end', days: -1 }),
            email('hours-left', 'reminders', { from: 'deadline', deadline: 'd', edge: 'end', minutes: -180 }),
            email('over', 'reminders', { from: 'deadline', deadline: 'd', edge: 'end', days: 1, hour: 9 }),
        ],
        ...more,
    });
