import { cleanup } from '@testing-library/react';
import { afterEach, beforeEach, vi } from 'vitest';
import { SHARED, stubLayout } from './kit';

// What stands around a grid in its tests. Import it before the grid, so that the grid gets these instead.
const stub = vi.hoisted(() => ({
    http: { getJson: vi.fn(), postJson: vi.fn() },
    visit: { visit: vi.fn(), reload: vi.fn() },
    shared: { now: {} as object },
}));

vi.mock('@inertiajs/react', () => ({
    router: stub.visit,
    Link: ({ href, children, ...more }: { href: string; children: React.ReactNode }) => (
        <a href={href} {...more}>
            {children}
        </a>
    ),
}));
vi.mock('@/lib/shared', () => ({ useShared: () => stub.shared.now }));
vi.mock('@/lib/http', async (real) => ({ ...(await real<object>()), ...stub.http }));
vi.mock('@/lib/draft', () => ({ useDraft: () => ({ state: { lines: [] }, stamp: 0 }) }));

stubLayout();

beforeEach(() => {
    stub.shared.now = SHARED;
    stub.http.getJson.mockReset();
    stub.http.postJson.mockReset();
    stub.visit.visit.mockReset();
    stub.visit.reload.mockReset();
});
afterEach(cleanup);

export const { http, visit, shared } = stub;
