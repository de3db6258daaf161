/**
 * A form on another web site, put where its script tag stands. Its styles and those of the site do not touch each
 * other. With data-button on the tag only a button shows, and the form opens over the page.
 */
interface Given {
    html: string;
    css: string;
    url: string;
    button: string;
    close: string;
    name: string;
    trouble: string;
}
declare const lantern: Given;

interface Answer {
    errors?: Record<string, string>;
    message?: string;
    token?: string;
    done?: string;
    go?: string;
}

const tag = document.currentScript as HTMLScriptElement;
const host = document.createElement('div');
const root = host.attachShadow({ mode: 'open' });
const own = `:host{all:initial;display:block}.embed{font-family:var(--body),system-ui,sans-serif;font-size:17px;line-height:1.5;color:var(--ink);background:var(--paper);padding:1px 1.5rem 1.5rem;border-radius:var(--corner);max-width:32rem}*{box-sizing:border-box}dialog{border:0;padding:0;background:none;max-width:calc(100vw - 2rem)}dialog::backdrop{background:#0008}.close{float:right;margin:1rem 0 0;font:inherit;border:0;background:none;color:inherit;cursor:pointer;text-decoration:underline}`;
root.innerHTML = `<style>${lantern.css}${own}</style>`;
const box = document.createElement('div');
box.innerHTML = lantern.html;
const embed = box.firstElementChild as HTMLElement;
const form = embed.querySelector('form') as HTMLFormElement;
form.setAttribute('aria-label', lantern.name);

if (tag.dataset.button !== undefined) {
    const opener = document.createElement('button');
    opener.type = 'button';
    opener.className = 'button';
    opener.textContent = tag.dataset.button || lantern.button;
    const around = document.createElement('div');
    around.setAttribute('style', embed.getAttribute('style') ?? '');
    around.append(opener);
    const dialog = document.createElement('dialog');
    const close = document.createElement('button');
    close.type = 'button';
    close.className = 'close';
    close.textContent = lantern.close;
    close.addEventListener('click', () => dialog.close());
    embed.prepend(close);
    dialog.append(embed);
    opener.addEventListener('click', () => dialog.showModal());
    root.append(around, dialog);
} else {
    root.append(embed);
}
tag.after(host);

let token = '';
const fetched = fetch(`${lantern.url}/token`)
    .then((r) => r.json() as Promise<Answer>)
    .then((a) => {
        token = a.token ?? '';
    })
    .catch(() => undefined);

function say(words: string): void {
    const summary = form.querySelector('.summary') as HTMLElement;
    summary.textContent = words;
    summary.hidden = words === '';
}

function mark(errors: Record<string, string>): void {
    form.querySelectorAll('.error:not(.summary)').forEach((e) => e.remove());
    form.querySelectorAll('[aria-invalid]').forEach((e) => e.removeAttribute('aria-invalid'));
    let first = true;
    for (const [name, words] of Object.entries(errors)) {
        const field = form.querySelector<HTMLElement>(`[name="${name}"], [name="${name}[]"]`);
        const error = document.createElement('span');
        error.className = 'error';
        error.textContent = words;
        field?.closest('p, fieldset')?.append(error);
        field?.setAttribute('aria-invalid', 'true');
        if (first) {
            field?.focus();
        }
        first = false;
    }
}

let sending = false;
form.addEventListener('submit', async (event) => {
    event.preventDefault();
    if (sending) {
        return;
    }
    sending = true;
    say('');
    await fetched;
    const body = new URLSearchParams();
    new FormData(form).forEach((value, key) => body.append(key, String(value)));
    body.set('token', token);
    body.set('zone', Intl.DateTimeFormat().resolvedOptions().timeZone ?? '');
    body.set('source', location.search.slice(1, 2000));
    try {
        const answer = (await (await fetch(lantern.url, { method: 'POST', body })).json()) as Answer;
        token = answer.token ?? token;
        mark(answer.errors ?? {});
        if (answer.go) {
            location.href = answer.go;
        } else if (answer.done) {
            const words = document.createElement('p');
            words.setAttribute('role', 'status');
            words.textContent = answer.done;
            form.replaceWith(words);
            words.style.whiteSpace = 'pre-line';
        } else if (answer.message) {
            say(answer.message);
        }
    } catch {
        say(lantern.trouble);
    }
    sending = false;
});
