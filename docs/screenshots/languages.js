// Makes the funnels of the picture about languages, through the Studio's own API.
const done = arguments[arguments.length - 1];
window.ask = async (method, path, body) => {
    const token = decodeURIComponent(document.cookie.match(/(?:^|; )XSRF-TOKEN=([^;]*)/)[1]);
    const headers = { Accept: 'application/json', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token };
    const answer = await fetch(`/studio/api/${path}`, { method, headers, body: body && JSON.stringify(body) });
    if (!answer.ok) {
        throw new Error(`${method} ${path}: ${await answer.text()}`);
    }
    return answer.json();
};
const hebrew = [
    ['Leave your name and address here, and I will be in touch.', 'תוכנית אימונים לצ׳לו, למי שהתחיל לנגן מאוחר ואין לו הרבה זמן. השאירו שם וכתובת, ואכתוב לכם.'],
    ['{{business}} · You can unsubscribe from any email with one click.', '{{business}} · אפשר להסיר את עצמכם בלחיצה אחת מכל מייל.'],
    ['First name', 'שם פרטי'],
    ['Email address', 'כתובת דואר אלקטרוני'],
    ['Send', 'שליחה'],
    ['Yes, Ferncroft Cello Room may write to me by email. I can unsubscribe at any time.', 'כן, Ferncroft Cello Room יכולים לכתוב לי במייל. אפשר להסיר את עצמי בכל עת.'],
];
const swap = (part) =>
    JSON.parse(hebrew.reduce((all, [from, to]) => all.replaceAll(JSON.stringify(from).slice(1, -1), JSON.stringify(to).slice(1, -1)), JSON.stringify(part)));
(async () => {
    const german = (
        await ask('POST', 'funnels', { goal: 'webinar', language: 'de-x-formal', name: 'Melodie', title: 'Die erste Melodie', price: '290', introductory: '190' })
    ).id;
    for (const offer of (await ask('GET', `funnels/${german}`)).offers) {
        await ask('PUT', `parts/${offer.id}`, { revision: offer.revision, price: { kind: 'once', amount: 19000, currency: 'EUR' } });
    }
    const mirrored = (await ask('POST', 'funnels', { goal: 'form', language: 'he', name: 'Mirrored', title: 'שתים עשרה דקות ביום' })).id;
    const { pages, forms } = await ask('GET', `funnels/${mirrored}`);
    for (const page of pages) {
        const { document } = await ask('GET', `pages/${page.id}`).catch(() => page);
        await ask('PUT', `parts/${page.id}`, { revision: page.revision, document: swap(document ?? page.document) });
    }
    for (const { id, revision, ...form } of forms) {
        const { fields, button, consent } = swap(form);
        await ask('PUT', `parts/${id}`, { revision, fields, button, consent });
    }
    window.madeForPicture = [german, mirrored];
    for (const id of window.madeForPicture) {
        await ask('PUT', `funnels/${id}`, { look: id === german ? 'salon' : 'harbour' });
        await ask('POST', `funnels/${id}/publish`, {});
    }
    done(await Promise.all(window.madeForPicture.map(async (id) => (await ask('GET', `funnels/${id}`)).address)));
})().catch((error) => done(String(error)));
