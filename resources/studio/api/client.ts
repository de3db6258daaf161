/** Talks to the Studio's API: JSON in and out, the session's cookie, and one kind of error. */
export class ApiError extends Error {
    constructor(
        public readonly status: number,
        message: string,
        public readonly errors: Record<string, string[]> = {},
        public readonly body: Record<string, unknown> = {},
    ) {
        super(message);
    }

    /** The sentence for a field, if there is one. */
    field(name: string): string | undefined {
        return this.errors[name]?.[0];
    }

    /** No answer came at all: the connection is gone, and what was typed waits here. */
    get offline(): boolean {
        return this.status === 0;
    }
}

let onSignedOut: () => void = () => {};

export function whenSignedOut(handler: () => void): void {
    onSignedOut = handler;
}

function csrfToken(): string {
    const found = document.cookie.match(/(?:^|; )XSRF-TOKEN=([^;]*)/);
    return found?.[1] ? decodeURIComponent(found[1]) : '';
}

async function call<T>(method: string, path: string, body?: object): Promise<T> {
    const headers: Record<string, string> = {
        Accept: 'application/json',
        'X-Requested-With': 'XMLHttpRequest',
        'X-XSRF-TOKEN': csrfToken(),
    };
    let payload: BodyInit | undefined;
    if (body instanceof FormData) {
        payload = body;
    } else if (body !== undefined) {
        headers['Content-Type'] = 'application/json';
        payload = JSON.stringify(body);
    }
    let response: Response;
    try {
        response = await fetch(`/studio/api/${path}`, { method, headers, body: payload, credentials: 'same-origin' });
    } catch {
        throw new ApiError(0, 'The connection is gone. What you typed is kept here and saved as soon as it is back.');
    }
    const data = (await response.json().catch(() => ({}))) as Record<string, unknown>;
    if (!response.ok) {
        if (response.status === 401 && path !== 'session') {
            onSignedOut();
        }
        const fallback = {
            413: 'This file is too large for this server.',
            419: 'You were signed out meanwhile. Please load this page again.',
        }[response.status];
        throw new ApiError(
            response.status,
            fallback ??
                (typeof data.message === 'string' && (response.status < 500 || response.status === 503)
                    ? data.message
                    : 'Something went wrong here. Nothing was changed; please try again.'),
            (data.errors ?? {}) as Record<string, string[]>,
            data,
        );
    }
    return data as T;
}

export const api = {
    get: <T>(path: string) => call<T>('GET', path),
    post: <T>(path: string, body: object = {}) => call<T>('POST', path, body),
    put: <T>(path: string, body: object) => call<T>('PUT', path, body),
    delete: <T>(path: string) => call<T>('DELETE', path),
};

export function query(params: Record<string, string | number | undefined>): string {
    const search = new URLSearchParams();
    for (const [key, value] of Object.entries(params)) {
        if (value !== undefined && value !== '') {
            search.set(key, String(value));
        }
    }
    return search.toString();
}
