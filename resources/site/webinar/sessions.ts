/**
 * The picker in the visitor's own zone. The server knows the zone from the cookie that the page's script has just set; where the
 * page was drawn without it, the picker alone is asked for once more, and what was chosen stays chosen.
 */
export function pick(within: Document): void {
    const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
    const pickers = [...within.querySelectorAll<HTMLElement>('[data-sessions]')].filter((p) => p.dataset.asked !== zone);
    if (pickers.length === 0 || !zone) {
        return;
    }
    void fetch(location.href, { headers: { Accept: 'text/html' } })
        .then((answer) => (answer.ok ? answer.text() : ''))
        .then((html) => {
            const fresh = new DOMParser().parseFromString(html, 'text/html');
            for (const picker of pickers) {
                const now = fresh.getElementById(picker.id);
                const chosen = picker.querySelector<HTMLInputElement>('input:checked')?.value;
                if (now && now.dataset.asked === zone) {
                    picker.replaceWith(now);
                    const same = [...now.querySelectorAll<HTMLInputElement>('input[type=radio]')].find((r) => r.value === chosen);
                    if (same) {
                        same.checked = true;
                    }
                }
            }
        })
        // The times stay as they are: in the host's zone, which they name.
        .catch(() => undefined);
}
