import { vi } from 'vitest';

/** What a test lets the API answer: a status and a body, nothing at all (the connection is gone), or an answer that is held back. */
export interface Call {
    method: string;
    path: string;
    body: Record<string, unknown>;
    headers: Record<string, string>;
}
export type Reply = [status: number, body: unknown] | 'gone';

/** Stands in for the Studio's API. Every call is kept, in order. */
export function server(reply: (call: Call) => Reply | Promise<Reply>): Call[] {
    const calls: Call[] = [];
    vi.stubGlobal(
        'fetch',
        vi.fn(async (url: string, init: RequestInit = {}) => {
            const call = {
                method: init.method ?? 'GET',
                path: url.replace('/studio/api/', ''),
                body: typeof init.body === 'string' ? (JSON.parse(init.body) as Record<string, unknown>) : {},
                headers: init.headers as Record<string, string>,
            };
            calls.push(call);
            const given = await reply(call);
            if (given === 'gone') {
                throw new TypeError('Failed to fetch');
            }
            return new Response(JSON.stringify(given[1]), { status: given[0], headers: { 'Content-Type': 'application/json' } });
        }),
    );
    return calls;
}

/** A draft as the API gives it, as far as the tests need it. */
export const draft = () => ({
    id: 'f1',
    name: 'Practice plan',
    address: 'practice-plan',
    revision: 1,
    changed: false,
    state: 'live',
    pages: [
        { id: 'p1', name: 'Opt-in page', revision: 3, document: { sections: [{ id: 's1', blocks: [{ id: 'b1', text: 'Old words' }] }] } },
        { id: 'p2', name: 'Thank-you page', revision: 1, document: { sections: [] } },
    ],
    forms: [{ id: 'o1', name: 'Sign-up form', revision: 1, definition: { button: 'Send it' } }],
    emails: [{ id: 'e1', name: 'Welcome', subject: 'Hello', body: '<p>Hello</p>', revision: 1 }],
    sequences: [{ id: 'q1', name: 'Follow-up', revision: 1, paused: false, pausedAt: null as string | null }],
    leadMagnets: [],
    sharedSections: [],
    ways: [{ page: 'p1', outcome: 'joined', toPage: 'p2', toUrl: null }],
    fields: {},
    parameters: [],
    pageNumbers: {},
    emailNumbers: {},
    sequenceNumbers: {},
});
