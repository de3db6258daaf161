/** What the room's page says of it, once. */
export interface RoomData {
    path: string;
    kind: 'live' | 'replay';
    title: string;
    live: boolean;
    onDemand: boolean;
    pauses: boolean;
    embed: string;
    stream: string;
    video: string;
    type: string;
    captions: string;
    language: string;
    /** What it says, with {time} and its like where the browser fills in. */
    say: Record<Words, string>;
}

export type Words =
    | 'captions'
    | 'closed'
    | 'begins'
    | 'soon'
    | 'on'
    | 'goOn'
    | 'over'
    | 'cancelled'
    | 'waiting'
    | 'crowded'
    | 'live'
    | 'at'
    | 'next'
    | 'toReplay'
    | 'offer'
    | 'offerOver'
    | 'priceLeft'
    | 'priceOver'
    | 'mine'
    | 'answered'
    | 'withHost'
    | 'toHost'
    | 'sent'
    | 'lost'
    | 'offline'
    | 'soundOn'
    | 'soundOff'
    | 'noStream'
    | 'stream';

export interface RoomOffer {
    name: string;
    price: string;
    url: string;
    until: number | null;
    now: number;
    over: boolean;
}

export interface RoomPoll {
    id: string;
    question: string;
    options: string[];
    mine: number | null;
    closed: boolean;
    counts: number[] | null;
}

/** What the server says each time the device reports. */
export interface RoomState {
    state: 'closed' | 'opening' | 'on' | 'over' | 'cancelled' | 'waiting' | 'crowded';
    second: number;
    length: number;
    beginsIn: number;
    here: number;
    hereWords: string;
    next: number;
    time: string;
    offer: RoomOffer | null;
    offerAt: number | null;
    poll: RoomPoll | null;
    questions: { id: string; words: string; state: string; answer: string | null }[];
    leads: { url: string; attended: boolean } | null;
}
