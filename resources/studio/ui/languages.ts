const names = new Intl.DisplayNames('en', { type: 'language', languageDisplay: 'standard' });
const regions = new Intl.DisplayNames('en', { type: 'region' });

/** What a tag is called in English, the tag itself where nobody named it: "German", "Portuguese (Brazil)". */
function named(tag: string, by: Intl.DisplayNames): string {
    try {
        return by.of(tag) ?? tag;
    } catch {
        return tag; // No tag that can be read; it is shown as it was typed.
    }
}
const FORMAL = '-x-formal';

/** A tag without the way of speaking, and the other way round. */
export const plainTag = (tag: string): string => (tag.endsWith(FORMAL) ? tag.slice(0, -FORMAL.length) : tag);
export const withManner = (tag: string, formal: boolean): string => plainTag(tag) + (formal ? FORMAL : '');
export const baseOf = (tag: string): string => tag.split('-')[0] ?? '';

/** How somebody is addressed in each language that has two ways: informally, formally. */
const ADDRESSED: Record<string, [string, string]> = {
    de: ['du', 'Sie'],
    fr: ['tu', 'vous'],
    es: ['tú', 'usted'],
    it: ['tu', 'Lei'],
    nl: ['je', 'u'],
    pl: ['ty', 'Państwo'],
};

export function manners(base: string): Option[] {
    const [informal, formal] = ADDRESSED[base] ?? ['', ''];
    return informal === ''
        ? []
        : [
              { value: 'informal', label: `Informally: ${informal}` },
              { value: 'formal', label: `Formally: ${formal}` },
          ];
}

/** "German, formal" of `de-x-formal`. */
export const languageName = (tag: string): string => named(plainTag(tag), names) + (tag.endsWith(FORMAL) ? ', formal' : '');
export const regionName = (code: string): string => named(code, regions);

export type Option = { value: string; label: string };

/** Tags with their names, in the order of these. */
export function languageOptions(tags: string[], name = languageName): Option[] {
    return tags.map((value) => ({ value, label: name(value) })).sort((a, b) => a.label.localeCompare(b.label, 'en'));
}

/** The one of the known ways to write dates that is nearest to what a browser is set to: "de" is written as in Germany. */
export function nearestLocale(wanted: readonly string[], known: string[]): string {
    for (const tag of wanted) {
        const { language, region } = new Intl.Locale(tag).maximize();
        const found = [tag, `${language}-${region}`].find((t) => known.includes(t));
        if (found) {
            return found;
        }
    }
    return 'en-GB';
}
