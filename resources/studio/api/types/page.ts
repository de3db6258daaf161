/** What is on a page. As the API gives it. */

/** A field of a block, or of an entry in its list: always words. */
export type Fields = Record<string, string>;

export type Block = {
    id: string;
    kind: string;
    style?: string;
    hidden?: 'phone' | 'desktop';
    entrance?: Entrance;
    items?: Fields[];
} & { [field: string]: string | Fields[] | undefined };

export type Fill = 'paper' | 'tone' | 'colour' | 'gradient' | 'picture' | 'video';

/** How something comes in, once, when it is scrolled into view. */
export type Entrance = 'fade' | 'rise' | 'slide';

export interface Background {
    fill: Fill;
    tone?: string;
    colour?: string;
    to?: string;
    angle?: number;
    picture?: string;
    video?: string;
    focusX?: number;
    focusY?: number;
    ink?: string;
    veil?: number;
}

export interface Section {
    id: string;
    kind: string;
    arrangement: string;
    look?: string;
    hidden?: 'phone' | 'desktop';
    entrance?: Entrance;
    shared?: string;
    background?: Background;
    blocks: Block[];
}

export interface PageDocument {
    format: number;
    look?: string;
    background?: Background;
    sections: Section[];
}

export interface PageSettings {
    title?: string;
    description?: string;
    picture?: string;
    language?: string;
    hidden?: boolean;
    head?: string;
    bodyEnd?: string;
}

export interface PageOutcome {
    outcome: string;
    label: string;
    /** “Those who joined” */
    who: string;
    must: boolean;
}

export interface Page {
    id: string;
    role: string;
    roleLabel: string;
    name: string;
    address: string;
    headline: string;
    outcomes: PageOutcome[];
    document: PageDocument;
    settings: PageSettings;
    revision: number;
}

export interface SharedSection {
    id: string;
    name: string;
    section: Section;
    revision: number;
}

export interface LookChanges {
    accent?: string;
    paper?: string;
    ink?: string;
    headingFont?: string;
    bodyFont?: string;
    corner?: number;
}

export interface Picture {
    id: string;
    name: string;
    src: string;
    width: number | null;
    height: number | null;
    /** How long a video is, where its file says so. */
    seconds?: number | null;
    bytes: number;
    /** Large pictures are drawn by a worker: until then there is nothing to show, and where it cannot be, a sentence says why. */
    waiting?: boolean;
    trouble?: string | null;
}
