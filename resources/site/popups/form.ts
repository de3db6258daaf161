import type { Client } from './client';
import type { Answer, Popup } from './types';

/** What is wrong with a form as a whole; nothing where there are no words. */
function say(form: HTMLFormElement, words: string): void {
    let summary = form.querySelector('.error.summary');
    if (words === '') {
        summary?.remove();
        return;
    }
    if (!summary) {
        summary = document.createElement('p');
        summary.className = 'error summary';
        summary.setAttribute('role', 'alert');
        form.prepend(summary);
    }
    summary.textContent = words;
}

function mark(form: HTMLFormElement, errors: Record<string, string>): void {
    form.querySelectorAll('.error:not(.summary)').forEach((e) => e.remove());
    form.querySelectorAll('[aria-invalid]').forEach((e) => {
        e.removeAttribute('aria-invalid');
        e.removeAttribute('aria-describedby');
    });
    let first = true;
    for (const [name, words] of Object.entries(errors)) {
        const field = form.querySelector<HTMLElement>(`[name="${CSS.escape(name)}"], [name="${CSS.escape(name)}[]"]`);
        const error = document.createElement('span');
        error.className = 'error';
        error.id = `error-${name}`;
        error.textContent = words;
        if (field) {
            field.closest('p, fieldset')?.append(error);
            field.setAttribute('aria-invalid', 'true');
            field.setAttribute('aria-describedby', error.id);
        } else {
            say(form, words);
        }
        if (first) {
            field?.focus();
        }
        first = false;
    }
}

/** Sends the forms in a pop-up without leaving the page. */
export function takeForms(
    root: ParentNode,
    popup: Popup,
    client: Client,
    token: () => Promise<string>,
    done: (answer: Answer) => void,
): void {
    let joined = '';
    let next = '';
    for (const form of root.querySelectorAll<HTMLFormElement>('form.form')) {
        let sending = false;
        form.addEventListener('submit', async (event) => {
            event.preventDefault();
            if (sending) {
                return;
            }
            sending = true;
            say(form, '');
            const filled = new URLSearchParams();
            new FormData(form).forEach((value, key) => filled.append(key, String(value)));
            next ||= await token();
            filled.set('token', next);
            filled.set('joined', joined);
            filled.set('zone', Intl.DateTimeFormat().resolvedOptions().timeZone ?? '');
            const answer = await client.join(popup, filled);
            sending = false;
            next = answer?.token ?? next;
            if (!answer) {
                say(form, popup.say.trouble);
            } else if (answer.errors) {
                mark(form, answer.errors);
            } else if (answer.step === 2) {
                joined = answer.joined ?? '';
                const steps = form.closest('.form-steps');
                steps?.classList.add('at-2');
                steps?.querySelector<HTMLElement>('.step-2 :is(input:not([type=hidden]), select, textarea):not([tabindex="-1"])')?.focus();
            } else if (answer.message) {
                say(form, answer.message);
            } else {
                done(answer);
            }
        });
    }
}
