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
export const languageName = (tag: string): string => named(tag, names);
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
