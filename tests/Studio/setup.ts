/** No test asks the network: what a script of a page that is gone by then still sends is answered by nobody. */
globalThis.fetch = () => new Promise(() => undefined);
window.fetch = globalThis.fetch;
navigator.sendBeacon = () => true;
