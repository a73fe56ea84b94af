// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { deleteJson, freshKey, getJson, postJson, putJson, Refusal } from '@/lib/http';

const answers = (status: number, body: unknown) =>
    vi.fn<typeof fetch>(() =>
        Promise.resolve(new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } })),
    );

function sent(mock: ReturnType<typeof answers>): [string, RequestInit] {
    const [url, init] = mock.mock.calls[0] ?? [];
    return [String(url), init ?? {}];
}

async function refused(promise: Promise<unknown>): Promise<Refusal> {
    try {
        await promise;
    } catch (cause) {
        return cause as Refusal;
    }
    throw new Error('It was not refused.');
}

beforeEach(() => {
    document.cookie = 'XSRF-TOKEN=a%3Db';
});
afterEach(() => vi.unstubAllGlobals());

describe('what is sent', () => {
    it('asks with its parameters in the address, and takes JSON', async () => {
        const mock = answers(200, { rows: [1] });
        vi.stubGlobal('fetch', mock);
        expect(await getJson('/plan/rows', { offset: 50, q: 'a b' })).toEqual({ rows: [1] });
        const [url, init] = sent(mock);
        expect(url).toBe('/plan/rows?offset=50&q=a+b');
        expect(init.method).toBe('GET');
        expect(init.headers).toMatchObject({ Accept: 'application/json' });
    });

    it.each([
        ['POST', postJson],
        ['PUT', putJson],
        ['DELETE', (url: string) => deleteJson(url)],
    ] as const)('writes by %s with the token of the session', async (method, write) => {
        const mock = answers(200, {});
        vi.stubGlobal('fetch', mock);
        await write('/views', { name: 'x' });
        const [, init] = sent(mock);
        expect(init.method).toBe(method);
        expect(init.headers).toMatchObject({ 'X-XSRF-TOKEN': 'a=b', 'Content-Type': 'application/json' });
        expect(JSON.parse(String(init.body))).toEqual(method === 'DELETE' ? {} : { name: 'x' });
    });

    it('makes another key each time', () => {
        const keys = new Set(Array.from({ length: 50 }, freshKey));
        expect(keys.size).toBe(50);
        keys.forEach((key) => expect(key).toMatch(/^[0-9a-f]{32}$/));
    });
});

describe('what is refused', () => {
    it('carries the sentence, the reason and the details of the server', async () => {
        vi.stubGlobal('fetch', answers(422, { message: 'Somebody was faster.', reason: 'stale', details: { lines: ['a'] } }));
        const refusal = await refused(postJson('/draft/commit', {}));
        expect(refusal).toBeInstanceOf(Refusal);
        expect([refusal.message, refusal.reason, refusal.details, refusal.status]).toEqual([
            'Somebody was faster.',
            'stale',
            { lines: ['a'] },
            422,
        ]);
    });

    it.each([
        [401, 'You have been signed out. Nothing was changed; sign in again.'],
        [403, 'You may not do this. Nothing was changed.'],
        [419, 'The page has been open for too long. Nothing was changed; reload it.'],
        [429, 'Too many requests in a short time. Wait a minute.'],
        [500, 'Something went wrong. Nothing was changed.'],
    ])('says in its own words what %i means', async (status, sentence) => {
        vi.stubGlobal('fetch', answers(status, {}));
        expect((await refused(getJson('/plan/rows'))).message).toBe(sentence);
    });

    it('says that the server cannot be reached', async () => {
        vi.stubGlobal('fetch', () => Promise.reject(new TypeError('network')));
        const refusal = await refused(getJson('/plan/rows'));
        expect([refusal.reason, refusal.status]).toEqual(['offline', 0]);
    });

    it('lets whoever has given up go without a word', async () => {
        const gone = new DOMException('gone', 'AbortError');
        vi.stubGlobal('fetch', () => Promise.reject(gone));
        expect(await refused(getJson('/plan/rows'))).toBe(gone);
    });

    it('does not stumble over an answer that is no JSON', async () => {
        vi.stubGlobal('fetch', () => Promise.resolve(new Response('<html>', { status: 502 })));
        expect((await refused(getJson('/plan/rows'))).message).toBe('Something went wrong. Nothing was changed.');
    });
});
