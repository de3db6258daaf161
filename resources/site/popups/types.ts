/** What the server says of a pop-up that may be shown. */
export interface Trigger {
    kind: 'leaving' | 'seconds' | 'depth' | 'section' | 'click' | 'idle';
    amount?: number;
    section?: string;
}

export interface Spot {
    how: 'mark' | 'before-heading' | 'after-heading' | 'after-paragraph';
    text?: string;
    number?: number;
}

export interface Standing {
    /** Classes of its stage. */
    class: string;
    dialog: boolean;
}

export interface Popup {
    say: { close: string; trouble: string };
    lang: string;
    dir: 'ltr' | 'rtl';
    id: string;
    name: string;
    placed: boolean;
    triggers: Trigger[];
    spot: Spot | null;
    /** How it stands where there is room, and on phones. */
    wide: Standing;
    phone: Standing;
    /** The look's properties. */
    style: string;
    ms: number;
    steps: { question?: string; main: string; thanks?: string };
}

export interface Font {
    family: string;
    weight: number;
    url: string;
    /** Which letters it has, as CSS writes them. */
    range: string;
}

export interface Styles {
    css?: string;
    fonts?: Font[];
}

export type Asked = Styles & { ticket?: string; popups: Popup[] };
export type Shown = Styles & { show: boolean; token?: string; popup?: Popup };

export interface Answer {
    errors?: Record<string, string>;
    message?: string;
    token?: string;
    step?: number;
    joined?: string;
    thanks?: boolean;
    go?: string;
}
