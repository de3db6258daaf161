import { vi } from 'vitest';
import type { Email, Form, Funnel, LeadMagnet, Page, Sequence } from '@/api/types';
import kept from '../fixtures/draft.json';

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

/** Compared when types are checked: each list of what a type asks for and the kept draft lacks is empty. */
type AskedFor<T> = { [K in keyof T]-?: undefined extends T[K] ? never : K }[keyof T];
type Lacks<Type, Kept> = Exclude<AskedFor<Type>, keyof Kept>;
type Nothing<T extends never> = T;
type Kept = typeof kept;
export type KeptDraftIsWhole = [
    Nothing<Lacks<Funnel, Kept>>,
    Nothing<Lacks<Page, Kept['pages'][number]>>,
    Nothing<Lacks<Form, Kept['forms'][number]>>,
    Nothing<Lacks<Email, Kept['emails'][number]>>,
    Nothing<Lacks<Sequence, Kept['sequences'][number]>>,
    Nothing<Lacks<LeadMagnet, Kept['leadMagnets'][number]>>,
];

/** The draft as the API gives it, kept by the tests of the application; with a few short texts that tests look for. */
export const draft = () => {
    const given = structuredClone(kept) as unknown as Funnel;
    Object.assign(given.emails[0]!, { subject: 'Hello', body: '<p>Hello</p>' });
    given.pages[0]!.revision = 3;
    given.pages[0]!.document.sections[0]!.blocks[0]!.text = 'Old words';
    return given;
};
