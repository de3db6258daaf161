/**
 * Handing a page on: by what the device offers, or as a link to paste. Without this script the email button and the address itself
 * are there.
 */
for (const box of document.querySelectorAll<HTMLElement>('.share')) {
    const url = new URL(box.dataset.address ?? '', location.href).href;
    const way = (name: string) => box.querySelector<HTMLButtonElement>(`[data-way=${name}]`)!;
    const [device, copy] = [way('device'), way('copy')];

    if ('share' in navigator) {
        device.hidden = false;
        // Whoever closes the device's own window has changed their mind: that is no trouble.
        device.onclick = () => void navigator.share({ title: document.title, text: box.dataset.message, url }).catch(() => undefined);
    }
    if (navigator.clipboard) {
        copy.hidden = false;
        box.querySelector<HTMLElement>('.share-address')!.hidden = true;
        const words = copy.textContent;
        copy.setAttribute('aria-live', 'polite');
        copy.onclick = () =>
            void navigator.clipboard.writeText(url).then(
                () => {
                    copy.textContent = copy.dataset.done ?? words;
                    setTimeout(() => (copy.textContent = words), 2500);
                },
                // Not allowed here: the address to copy by hand.
                () => (box.querySelector<HTMLElement>('.share-address')!.hidden = false),
            );
    }
}

export {};
