/**
 * The card fields of practice payments, in the frame of a checkout. They talk to the page around them by messages alone: it
 * asks for the card, and gets a method for it or hears that something is wrong. What they say is in docs/payments.md.
 */
export {};

const { method, errors } = document.body.dataset;
const form = document.querySelector('form');

function tell(message: Record<string, unknown>): void {
    parent.postMessage({ cardFields: true, ...message }, location.origin);
}

addEventListener('message', (event: MessageEvent<{ collectCard?: boolean }>) => {
    if (event.source === parent && event.origin === location.origin && event.data?.collectCard) {
        form?.submit();
    }
});
form?.addEventListener('submit', (event) => {
    // Enter in a field means what the button below the frame means.
    event.preventDefault();
    tell({ submit: true });
});
tell({ ready: true, height: document.documentElement.scrollHeight });
if (method) {
    tell({ method });
} else if (errors !== '0') {
    tell({ invalid: true });
    document.querySelector<HTMLInputElement>('[aria-invalid=true]')?.focus();
}
new ResizeObserver(() => tell({ height: document.documentElement.scrollHeight })).observe(document.body);
