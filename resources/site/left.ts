/** What is left in words, in its two largest units; as CLDR has it for the language, like what the server says. */
export function leftWords(seconds: number, language: string): string {
    const units: [Intl.RelativeTimeFormatUnit & string, number][] = [
        ['day', 86_400],
        ['hour', 3600],
        ['minute', 60],
        ['second', 1],
    ];
    const words: string[] = [];
    let rest = Math.max(0, Math.round(seconds));
    for (const [unit, length] of units) {
        const count = Math.floor(rest / length);
        rest -= count * length;
        if (count > 0 || (unit === 'second' && words.length === 0)) {
            words.push(new Intl.NumberFormat(language, { style: 'unit', unit, unitDisplay: 'long' }).format(count));
        } else if (words.length > 0) {
            break;
        }
        if (words.length === 2) {
            break;
        }
    }
    return new Intl.ListFormat(language, { type: 'unit', style: 'long' }).format(words);
}
