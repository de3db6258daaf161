/** A form that could not be taken is sent again by itself, once. Whoever presses the button is quicker, and it goes out once all the same. */
export {};

const form = document.querySelector<HTMLFormElement>('form[data-again]');

if (form) {
    document.querySelector<HTMLElement>('[data-again-says]')?.removeAttribute('hidden');
    const timer = setTimeout(() => form.requestSubmit(), Number(form.dataset.again) * 1000);
    form.addEventListener('submit', (event) => {
        clearTimeout(timer);
        if (form.dataset.sent) {
            event.preventDefault();
        }
        form.dataset.sent = 'yes';
    });
    // Back from the page that followed: the button works again, and nothing goes out by itself.
    window.addEventListener('pageshow', (event) => {
        if (event.persisted) {
            clearTimeout(timer);
            delete form.dataset.sent;
        }
    });
}
