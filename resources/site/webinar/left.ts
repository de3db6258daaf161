import { leftWords } from '../left';

/** The time left until a session, told anew while the page is open, by the server's clock. */
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
