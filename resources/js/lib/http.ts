import { t } from '@/lib/t';

/** A request that the server refused, with its sentence for the person. */
export class Refusal extends Error {
    constructor(
        message: string,
        public readonly reason: string,
        public readonly details: Record<string, unknown>,
        public readonly status: number,
    ) {
        super(message);
    }
}

interface Trouble {
    message?: string;
    reason?: string;
    details?: Record<string, unknown>;
}

function token(): string {
    const cookie = document.cookie.split('; ').find((part) => part.startsWith('XSRF-TOKEN='));
    return decodeURIComponent(cookie?.slice('XSRF-TOKEN='.length) ?? '');
}

async function send<T>(url: string, init: RequestInit): Promise<T> {
    let response: Response;
    try {
        response = await fetch(url, { credentials: 'same-origin', ...init, headers: { Accept: 'application/json', ...init.headers } });
    } catch (cause) {
        if (cause instanceof DOMException && cause.name === 'AbortError') {
            throw cause;
        }
        throw new Refusal(t('The server cannot be reached. Nothing was changed; try again in a moment.'), 'offline', {}, 0);
    }
    if (!response.ok) {
        const trouble = (await response.json().catch(() => ({}))) as Trouble;
        const known: Record<number, string> = {
            401: t('You have been signed out. Nothing was changed; sign in again.'),
            403: t('You may not do this. Nothing was changed.'),
            413: t('This is too large to be taken. Nothing was changed.'),
            419: t('The page has been open for too long. Nothing was changed; reload it.'),
            429: t('Too many requests in a short time. Wait a minute.'),
        };
        throw new Refusal(
            known[response.status] ?? trouble.message ?? t('Something went wrong. Nothing was changed.'),
            trouble.reason ?? 'error',
            trouble.details ?? {},
            response.status,
        );
    }
    return (await response.json()) as T;
}

export function getJson<T>(url: string, params: Record<string, string | number> = {}, signal?: AbortSignal): Promise<T> {
    const query = new URLSearchParams(Object.entries(params).map(([name, value]) => [name, String(value)])).toString();
    return send<T>(query ? `${url}?${query}` : url, { method: 'GET', signal });
}

export function postJson<T>(url: string, body: unknown): Promise<T> {
    return write<T>('POST', url, body);
}

export function putJson<T>(url: string, body: unknown): Promise<T> {
    return write<T>('PUT', url, body);
}

export function deleteJson<T>(url: string, body: unknown = {}): Promise<T> {
    return write<T>('DELETE', url, body);
}

/** Sends what may hold a file. */
export function postForm<T>(url: string, body: FormData): Promise<T> {
    return send<T>(url, { method: 'POST', body, headers: { 'X-XSRF-TOKEN': token() } });
}

function write<T>(method: string, url: string, body: unknown): Promise<T> {
    return send<T>(url, {
        method,
        body: JSON.stringify(body),
        headers: { 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token() },
    });
}

/** A key that makes a command sent twice do its work once. */
export function freshKey(): string {
    return Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join('');
}
