/**
 * Sections and blocks that come in when they are scrolled into view, once. What is in view when the page opens stands still, so that
 * nothing that is looked at vanishes; and nothing moves for whoever asked their device for less motion.
 */
if (!matchMedia('(prefers-reduced-motion: reduce)').matches && 'IntersectionObserver' in window) {
    const arrive = (element: Element) => {
        watcher.unobserve(element);
        element.classList.add('arrives');
        element.classList.remove('waits');
    };
    const watcher = new IntersectionObserver(
        (seen) => {
            for (const { isIntersecting, target } of seen) {
                if (isIntersecting) {
                    arrive(target);
                }
            }
        },
        // A little of it must be in view; of what is higher than the window, any of it.
        { rootMargin: '0px 0px -8% 0px' },
    );
    for (const element of document.querySelectorAll('.comes')) {
        if (element.getBoundingClientRect().top > innerHeight) {
            element.classList.add('waits');
            watcher.observe(element);
        }
    }
    // Whoever goes on by the keyboard, or follows a link to a section, is there before it has come in.
    addEventListener('focusin', ({ target }) => {
        for (let at = (target as Element).closest('.waits'); at; at = at.parentElement?.closest('.waits') ?? null) {
            arrive(at);
        }
    });
    // On paper all of it is there.
    addEventListener('beforeprint', () => document.querySelectorAll('.waits').forEach(arrive));
}

export {};
