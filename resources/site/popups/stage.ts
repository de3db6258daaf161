import { count } from '../counting';
import { isPhone, type Client } from './client';
import { takeForms } from './form';
import type { Answer, Popup, Standing, Styles } from './types';

const OWN = `:host{all:initial;--rem:16px}:host([hidden]){display:none}*,*::before,*::after{box-sizing:border-box}
dialog{position:fixed;inset:0;width:100vw;height:100vh;height:100dvh;max-width:none;max-height:none;margin:0;padding:0;border:0;background:none;overflow:hidden;color:inherit}
dialog::backdrop{background:none}.pop-box:focus-visible{outline:none}`;

/** Those that were added to this page, by family and address. */
const added = new Set<string>();

/** The fonts of our look, under the names that the styles know; a site that forbids them shows its reader's own. */
export function loadFonts(styles: Styles): void {
    for (const font of styles.fonts ?? []) {
        try {
            if (!added.has(`${font.family} ${font.url}`)) {
                added.add(`${font.family} ${font.url}`);
                const face = { weight: String(font.weight), display: 'swap' as const, unicodeRange: font.range };
                document.fonts.add(new FontFace(font.family, `url("${font.url}") format("woff2")`, face));
            }
        } catch {
            // A browser without them.
        }
    }
}

/** Something else that must not be covered: a question of the page's own, such as one about cookies, or what its owner marks. */
export function isBusy(dialog: boolean): boolean {
    const others = document.querySelectorAll<HTMLElement>(
        'dialog[open], [role=dialog], [role=alertdialog], [aria-modal=true], [data-lantern-wait]',
    );
    const typing = document.activeElement?.matches('input:not([type=submit], [type=button]), textarea, select, [contenteditable=true]');
    return [...others].some((e) => e.getClientRects().length > 0) || (dialog && typing === true);
}

/** A pop-up on the page: a real dialog, a band or slip beside the page, or something placed in it. */
export class Stage {
    readonly host = document.createElement('div');
    private readonly root = this.host.attachShadow({ mode: 'open' });
    private readonly stage = document.createElement('div');
    private readonly box = document.createElement('div');
    private readonly standing: Standing;
    private dialog: HTMLDialogElement | null = null;
    private stopCounting: () => void = () => undefined;
    private joined = false;

    constructor(
        private readonly popup: Popup,
        styles: Styles,
        private readonly client: Client,
        private readonly token: () => Promise<string>,
        private readonly closed: () => void = () => undefined,
    ) {
        this.root.innerHTML = `<style>${(styles.css ?? '').replaceAll('</', '<\\/')}${OWN}</style>`;
        this.standing = isPhone() ? popup.phone : popup.wide;
        this.stage.className = this.standing.class;
        this.stage.setAttribute('style', popup.style);
        this.stage.style.setProperty('--ms', `${popup.ms}ms`);
        this.stage.lang = popup.lang;
        this.stage.dir = popup.dir;
        this.box.className = 'pop-box';
        this.stage.append(this.box);
        this.step(popup.steps.question === undefined ? 'main' : 'question');
        this.stage.addEventListener('click', (event) => this.clicked(event));
    }

    /** Over the page. */
    open(): void {
        this.stage.classList.add('is-entering');
        if (this.standing.dialog) {
            this.dialog = document.createElement('dialog');
            this.dialog.setAttribute('aria-label', this.popup.name);
            this.box.tabIndex = -1;
            this.box.setAttribute('autofocus', '');
            this.dialog.append(this.stage);
            this.root.append(this.dialog);
            this.dialog.addEventListener('cancel', (event) => {
                event.preventDefault();
                this.close();
            });
            document.body.append(this.host);
            this.dialog.showModal();
            this.box.focus({ preventScroll: true });
        } else {
            this.box.setAttribute('role', 'region');
            this.box.setAttribute('aria-label', this.popup.name);
            this.root.append(this.stage);
            this.stage.addEventListener('keydown', (event) => event.key === 'Escape' && this.close());
            document.body.append(this.host);
        }
    }

    /** In the page itself, once there is a place for it. */
    put(beside: Element, where: 'before' | 'after' | 'inside'): void {
        this.host.style.display = 'block';
        this.box.setAttribute('role', 'region');
        this.box.setAttribute('aria-label', this.popup.name);
        this.root.append(this.stage);
        if (where === 'inside') {
            beside.append(this.host);
        } else {
            beside[where](this.host);
        }
    }

    close(): void {
        if (!this.host.isConnected) {
            return;
        }
        this.stopCounting();
        // What had the focus before gets it back from the browser.
        this.dialog?.close();
        this.host.remove();
        if (!this.joined) {
            this.client.report(this.popup, 'closed');
        }
        this.closed();
    }

    private step(name: 'question' | 'main' | 'thanks'): void {
        this.stopCounting();
        this.box.innerHTML = this.popup.steps[name] ?? '';
        // The cross stands on the colours of what is below it.
        const ground = this.box.firstElementChild?.getAttribute('style') ?? '';
        if (!this.popup.placed) {
            const close = document.createElement('button');
            close.type = 'button';
            close.className = 'pop-close';
            close.setAttribute('aria-label', this.popup.say.close);
            close.textContent = '×';
            close.style.setProperty('--close', ground.match(/--ink:\s*([^;]+)/)?.[1] ?? 'var(--ink)');
            close.addEventListener('click', () => this.close());
            this.box.prepend(close);
        }
        this.stopCounting = count(this.box);
        takeForms(this.box, this.popup, this.client, this.token, (answer) => this.done(answer));
    }

    private done(answer: Answer): void {
        this.joined = true;
        if (answer.go) {
            location.href = answer.go;
        } else {
            this.step('thanks');
            this.box.setAttribute('role', 'status');
            this.box.tabIndex = -1;
            this.box.focus({ preventScroll: !this.popup.placed });
        }
    }

    private clicked(event: MouseEvent): void {
        // Composed, since what was clicked stands in a scope of its own.
        const link = event.composedPath().find((e): e is HTMLAnchorElement => e instanceof HTMLAnchorElement);
        const href = link?.getAttribute('href') ?? '';
        if (href === '#next') {
            event.preventDefault();
            this.step('main');
            this.box.querySelector<HTMLElement>('form :is(input:not([type=hidden]), select, textarea):not([tabindex="-1"])')?.focus();
        } else if (href === '#close') {
            event.preventDefault();
            this.close();
        } else if (link && href !== '') {
            this.client.report(this.popup, 'clicked');
        } else if (event.target === this.stage && this.standing.dialog) {
            this.close();
        }
    }
}
