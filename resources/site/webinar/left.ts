/** The time left until a session, told anew while the page is open, by the server's clock. */
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
    return words.join(', ');
}

export function follow(element: HTMLElement): void {
    const { until, now, lang, left: words, begun } = element.dataset;
    const ahead = Number(now) - Date.now();
    const write = (): void => {
        const left = (Number(until) - Date.now() - ahead) / 1000;
        element.textContent = (left > 0 ? words?.replace('{time}', leftWords(left, lang || 'en')) : begun) ?? '';
    };
    write();
    setInterval(write, 1000);
}
