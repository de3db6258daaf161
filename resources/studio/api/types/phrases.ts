/** What the application says to visitors, for the owner who says it otherwise. Written by PhraseController. */
export interface PhraseRow {
    key: string;
    /** What is said where the owner says nothing else; in a funnel, what its business says. */
    ships: string;
    /** The owner's words; '' for as it ships. */
    text: string;
    english: string;
    /** Names of what is filled in. */
    values: string[];
    /** As a visitor might read it. */
    example: string;
}

/** Where visitors meet some of the phrases. */
export interface PhrasePlace {
    place: string;
    title: string;
    when: string;
    phrases: PhraseRow[];
}

export interface Phrases {
    language: string;
    spoken: boolean;
    /** Of the funnel; null for the business. */
    name: string | null;
    places: PhrasePlace[];
}

export interface PhraseImport {
    language: string;
    changed: number;
    refused: { key: string; text: string; why: string }[];
    before: Record<string, string>;
}
