/**
 * A checkout in the browser: the provider's card fields in their frame, and the sum as it changes. Prices are the server's;
 * without this script everything works up to the card fields.
 */
interface CardMessage {
    cardFields?: boolean;
    ready?: boolean;
    height?: number;
    method?: string;
    invalid?: boolean;
    submit?: boolean;
}
interface Sums {
    sums: string;
    due: string;
    card: boolean;
    errors: Record<string, string>;
}
/** A frame that has said nothing for so long has not loaded. Milliseconds. */
const PATIENCE = 20_000;

function hidden(form: HTMLFormElement, name: string): HTMLInputElement | null {
    const field = form.elements.namedItem(name);
    return field instanceof HTMLInputElement ? field : null;
}

export function setUp(form: HTMLFormElement): void {
    const place = form.querySelector<HTMLElement>('[data-card]');
    const address = form.dataset.fields;
    const method = hidden(form, 'method');
    if (!place || !address || !method) {
        return;
    }
    form.classList.add('has-script');
    const frame = document.createElement('iframe');
    frame.src = address;
    frame.title = form.dataset.frame ?? '';
    place.append(frame);
    const trouble = document.createElement('p');
    trouble.className = 'error';
    trouble.setAttribute('role', 'alert');
    place.after(trouble);
    const button = form.querySelector<HTMLButtonElement>('button[type=submit]:not([name])');
    let waiting = 0;

    function pause(on: boolean): void {
        clearTimeout(waiting);
        form.classList.toggle('is-paying', on);
        if (button) {
            button.disabled = on;
        }
    }

    addEventListener('message', (event: MessageEvent<CardMessage>) => {
        if (event.source !== frame.contentWindow || event.origin !== new URL(address, location.href).origin || !event.data?.cardFields) {
            return;
        }
        const said = event.data;
        if (typeof said.height === 'number' && said.height > 0) {
            frame.style.height = `${Math.min(said.height, 600)}px`;
        }
        if (said.submit) {
            form.requestSubmit(button);
        }
        if (said.invalid) {
            pause(false);
            method.value = '';
        }
        if (typeof said.method === 'string' && said.method && form.classList.contains('is-paying')) {
            clearTimeout(waiting);
            method.value = said.method;
            form.submit();
        }
    });

    form.addEventListener('submit', (event) => {
        if (event.submitter?.getAttribute('name') === 'check') {
            event.preventDefault();
            void reckon();
            return;
        }
        if (place.hidden || method.value) {
            pause(true);
            return;
        }
        event.preventDefault();
        if (form.classList.contains('is-paying')) {
            return;
        }
        trouble.textContent = '';
        pause(true);
        frame.contentWindow?.postMessage({ collectCard: true }, new URL(address, location.href).origin);
        waiting = window.setTimeout(() => {
            pause(false);
            trouble.textContent = form.dataset.silent ?? '';
        }, PATIENCE);
    });

    let asked = 0;

    /** What it comes to now, by the server. Answers may overtake one another: the newest question's is shown. */
    async function reckon(): Promise<void> {
        const mine = ++asked;
        const body = new FormData(form);
        body.set('check', '1');
        try {
            const answer = await fetch(form.action, { method: 'POST', body, headers: { Accept: 'application/json' } });
            if (!answer.ok) {
                throw new Error(String(answer.status));
            }
            const sums = (await answer.json()) as Sums;
            if (mine === asked) {
                show(sums);
            }
        } catch {
            trouble.textContent = form.dataset.later ?? '';
        }
    }

    function show(sums: Sums): void {
        const list = form.querySelector('[data-sums]');
        if (list && sums.sums) {
            list.innerHTML = sums.sums;
        }
        const due = form.querySelector('[data-due]');
        if (due && sums.sums) {
            due.textContent = sums.card ? ` · ${sums.due}` : '';
        }
        if (place && sums.sums) {
            place.hidden = !sums.card;
        }
        form.querySelectorAll('.is-reckoned').forEach((old) => old.remove());
        for (const [name, words] of Object.entries(sums.errors)) {
            const field = form.querySelector(`[name="${CSS.escape(name)}"]`);
            const error = document.createElement('span');
            error.className = 'error is-reckoned';
            error.setAttribute('role', 'alert');
            error.textContent = words;
            (field?.closest('.field, .bump') ?? list ?? form).append(error);
        }
    }

    for (const field of form.querySelectorAll('[name="bump[]"], [name=amount]')) {
        field.addEventListener('change', () => void reckon());
    }
    form.querySelector('[name=coupon]')?.addEventListener('change', () => void reckon());
    addEventListener('pageshow', () => {
        // Back again, such as from the bank: the card is asked for anew.
        pause(false);
        method.value = '';
    });
}

document.querySelectorAll<HTMLFormElement>('form[data-checkout]').forEach(setUp);
