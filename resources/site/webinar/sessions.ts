/** Longer than a page stays open, and shorter than browsers can wait. Seconds. */
const A_DAY = 86_400;

/**
 * The picker in the visitor's own zone. The server knows the zone from the cookie that the page's script has just set; where the
 * page was drawn without it, the picker alone is asked for once more, and what was chosen stays chosen. So it is when the first of
 * its sessions has begun while the page was read.
 */
export function pick(within: Document): void {
    const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
    const pickers = [...within.querySelectorAll<HTMLElement>('[data-sessions]')];
    const others = pickers.filter((p) => p.dataset.asked !== zone);
    if (others.length > 0 && zone) {
        void again(others, false);
    }
    pickers.filter((p) => !others.includes(p)).forEach(keepFresh);
}

function keepFresh(picker: HTMLElement): void {
    const seconds = Number(picker.dataset.fresh ?? A_DAY);
    if (seconds < A_DAY) {
        setTimeout(() => picker.isConnected && void again([picker], true), (seconds + 1) * 1000);
    }
}

/** @param begun has the first of its sessions begun meanwhile? */
async function again(pickers: HTMLElement[], begun: boolean): Promise<void> {
    let fresh: Document;
    try {
        const answer = await fetch(location.href, { headers: { Accept: 'text/html' } });
        fresh = new DOMParser().parseFromString(answer.ok ? await answer.text() : '', 'text/html');
    } catch {
        // The times stay as they are: those that the page came with, in the zone that they name.
        return;
    }
    for (const picker of pickers) {
        const now = fresh.getElementById(picker.id);
        if (now && now.dataset.asked === Intl.DateTimeFormat().resolvedOptions().timeZone) {
            replace(picker, now, begun);
            keepFresh(now);
        }
    }
}

function replace(picker: HTMLElement, now: HTMLElement, begun: boolean): void {
    const chosen = picker.querySelector<HTMLInputElement>('input:checked, input[type=hidden]');
    const same = [...now.querySelectorAll<HTMLInputElement>('input')].find((r) => r.value === chosen?.value);
    if (same?.type === 'radio') {
        same.checked = true;
    }
    const focused = picker.contains(document.activeElement);
    picker.replaceWith(now);
    if (begun && chosen && !same) {
        const note = document.createElement('p');
        note.className = 'session-gone';
        note.setAttribute('role', 'status');
        note.textContent = now.dataset.begun ?? '';
        now.append(note);
    }
    if (focused) {
        now.querySelector<HTMLInputElement>('input:checked')?.focus();
    }
}
