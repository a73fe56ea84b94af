// @vitest-environment jsdom
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { StudiesPage, StudyRow } from '@/lib/shapes';
import Studies from '@/pages/Studies';
import { SHARED, show, stubLayout } from './kit';

const http = vi.hoisted(() => ({ deleteJson: vi.fn() }));
const router = vi.hoisted(() => ({ reload: vi.fn() }));
const shared = vi.hoisted(() => ({ now: {} as object }));

vi.mock('@inertiajs/react', () => ({
    router,
    Head: () => null,
    usePage: () => ({ url: '/studies', props: shared.now }),
    Link: ({ href, children }: { href: string; children: React.ReactNode }) => <a href={href}>{children}</a>,
}));
vi.mock('@/lib/http', async (real) => ({ ...(await real<object>()), ...http }));
vi.mock('@/layout/Shell', () => ({ Inspector: ({ children }: { children: React.ReactNode }) => <aside>{children}</aside> }));

stubLayout();

const study: StudyRow = {
    id: 4,
    name: 'A fifth more',
    by: 'Ivo Marrow',
    mine: true,
    version: 1,
    parameters: [],
    changes: [],
    settings: { horizonEnd: null, forecasts: null, sites: null, safetyStock: null },
    status: null,
    trouble: null,
    plannedAt: null,
    stale: false,
    planned: false,
    figures: [],
};

beforeEach(() => {
    shared.now = SHARED;
    http.deleteJson.mockReset().mockResolvedValue({});
    router.reload.mockReset();
});
afterEach(cleanup);

describe('a study', () => {
    const page: StudiesPage = { rows: [study], calendars: [], open: '' };
    const ask = async () => {
        const user = userEvent.setup();
        show(<Studies {...page} />);
        await user.click(await screen.findByText('A fifth more'));
        await user.click(await screen.findByRole('button', { name: 'Delete' }));
        expect((await screen.findByRole('dialog')).textContent).toContain('A fifth more');
        return user;
    };

    it('is deleted when that is meant', async () => {
        const user = await ask();
        await user.click(within(screen.getByRole('dialog')).getByRole('button', { name: 'Delete' }));
        await waitFor(() => expect(http.deleteJson.mock.calls).toEqual([['/studies/4']]));
        await waitFor(() => expect(router.reload).toHaveBeenCalled());
        expect(screen.queryByRole('dialog')).toBeNull();
    });

    it('stays when one goes back, by key', async () => {
        const user = await ask();
        await user.keyboard('{Enter}'); // the focus is on going back
        await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
        expect(http.deleteJson).not.toHaveBeenCalled();
    });
});
