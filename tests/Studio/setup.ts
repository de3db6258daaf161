import { createPinia, setActivePinia } from 'pinia';

/** No test asks the network: what a script of a page that is gone by then still sends is answered by nobody. */
globalThis.fetch = () => new Promise(() => undefined);
window.fetch = globalThis.fetch;
navigator.sendBeacon = () => true;

/** What is asked of the stores outside of any application, such as how the owner writes numbers, is asked of fresh ones. */
setActivePinia(createPinia());
