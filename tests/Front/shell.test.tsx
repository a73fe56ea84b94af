// @vitest-environment jsdom
import { cleanup, renderHook, screen, waitFor } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { SavedViews } from '@/components/SavedViews';
import { PlanChip } from '@/layout/PlanChip';
import { SearchPalette } from '@/layout/SearchPalette';
import { Refusal } from '@/lib/http';
import type { RunState, StudyRow } from '@/lib/shapes';
import { useWatchedRun } from '@/lib/useWatchedRun';
import { StudyForm } from '@/pages/parts/StudyForm';
import { Queries, SHARED, show, stubLayout } from './kit';

const http = vi.hoisted(() => ({ getJson: vi.fn(), postJson: vi.fn(), putJson: vi.fn(), deleteJson: vi.fn() }));
const router = vi.hoisted(() => ({ reload: vi.fn(), get: vi.fn(), visit: vi.fn(), post: vi.fn() }));
const shared = vi.hoisted(() => ({ now: {} as object }));

vi.mock('@inertiajs/react', () => ({
    router,
    usePage: () => ({ url: '/plan', props: shared.now }),
    Link: ({ href, children }: { href: string; children: React.ReactNode }) => <a href={href}>{children}</a>,
}));
vi.mock('@/lib/http', async (real) => ({ ...(await real<object>()), ...http }));
vi.mock('@/lib/draft', () => ({ useDraft: () => ({ state: { lines: [] } }) }));

stubLayout();

beforeEach(() => {
    Object.values({ ...http, ...router }).forEach((mock) => mock.mockReset());
    shared.now = SHARED;
});
afterEach(cleanup);

const run = (more: Partial<RunState>): RunState => ({ id: 12, status: 'running', stage: 'netting', trouble: null, figures: [], ...more });

describe('a run that is watched', () => {
    const watch = () => {
        const tell = vi.fn();
        renderHook(() => useWatchedRun(12, tell), { wrapper: Queries });
        return tell;
    };

    it('is asked after until it is over, and no longer', async () => {
        http.getJson.mockResolvedValueOnce(run({})).mockResolvedValue(run({ status: 'failed' }));
        const tell = watch();
        await waitFor(() => expect(tell).toHaveBeenLastCalledWith(run({ status: 'failed' })), { timeout: 2000 });
        expect(router.reload).toHaveBeenCalledTimes(1);
        await new Promise((resolve) => setTimeout(resolve, 700));
        expect(http.getJson).toHaveBeenCalledTimes(2);
    });

    it('is asked after again, less often, when the server could not be reached', async () => {
        http.getJson.mockRejectedValue(new Refusal('The server cannot be reached.', 'offline', {}, 0));
        watch();
        await new Promise((resolve) => setTimeout(resolve, 1000));
        expect(http.getJson).toHaveBeenCalledTimes(1);
    });
});

describe('the chip of the plan', () => {
    it('says that there is none', () => {
        shared.now = { ...SHARED, plan: { ...SHARED.plan, finishedAt: null } };
        show(<PlanChip />);
        expect(screen.getByText('Nothing has been planned yet')).toBeTruthy();
    });

    it('counts what has changed since it was made, and takes it in', async () => {
        shared.now = {
            ...SHARED,
            plan: { ...SHARED.plan, changes: 7 },
            changes: [{ text: 'PO-1 to Wed 11 Mar', by: 'Lena', at: '2026-03-02T07:00:00Z' }],
        };
        http.postJson.mockResolvedValue(run({ status: 'done' }));
        const user = userEvent.setup();
        show(<PlanChip />);
        await user.click(screen.getByRole('button', { name: /7 changes since/ }));
        expect(screen.getByText('and 6 more')).toBeTruthy();
        await user.click(screen.getByRole('button', { name: 'Take them in' }));
        expect(http.postJson).toHaveBeenCalledWith('/runs/refresh', {});
        await waitFor(() => expect(router.reload).toHaveBeenCalled());
    });

    it('says when it was made for another day, and that a study is shown', () => {
        shared.now = { ...SHARED, plan: { ...SHARED.plan, madeFor: '2026-03-01', study: { id: 3, name: 'Boards late' } } };
        show(<PlanChip />);
        expect(screen.getByRole('button', { name: /Study Boards late/ }).textContent).toContain('for another day');
        expect(screen.getByRole('button', { name: 'Live plan' })).toBeTruthy();
    });
});

describe('the search', () => {
    it('is reached by key, asks once for what was typed, and goes where one picks', async () => {
        http.getJson.mockResolvedValue([
            { kind: 'item', label: 'RG-110', note: 'River gauge', href: '/item?item=RG-110' },
            { kind: 'order', label: 'M-1', note: 'RG-110', href: '/orders/M-1' },
        ]);
        const user = userEvent.setup();
        show(<SearchPalette />);
        await user.keyboard('{Control>}k{/Control}');
        expect(document.activeElement).toBe(screen.getByRole('combobox', { name: 'Find anything' }));
        await user.keyboard('RG 1');
        await screen.findByText('River gauge');
        expect(http.getJson.mock.calls.map(([url]) => url as string)).toEqual(['/search?q=RG+1']);
        await user.keyboard('{ArrowDown}{Enter}');
        await waitFor(() => expect(router.visit).toHaveBeenCalledTimes(1));
        expect(String(router.visit.mock.calls[0]?.[0])).toMatch(/RG-110|M-1/);
    });

    it('offers places to go before anything is typed, and says that it found nothing', async () => {
        http.getJson.mockResolvedValue([]);
        const user = userEvent.setup();
        show(<SearchPalette />);
        await user.click(screen.getByRole('combobox', { name: 'Find anything' }));
        expect(screen.getByText('Compare plans')).toBeTruthy();
        await user.keyboard('zzz');
        await screen.findByText('Nothing found for "zzz"');
    });
});

describe('kept views', () => {
    it('are kept, gone to and forgotten', async () => {
        const user = userEvent.setup();
        http.postJson.mockResolvedValue({ views: [{ name: 'Mine', query: 'q=RG' }] });
        http.deleteJson.mockResolvedValue({ views: [] });
        show(<SavedViews page="shortages" path="/shortages" views={[]} filter={{ q: 'RG', state: '' }} />);
        await user.click(screen.getByRole('button', { name: 'Views' }));
        expect(screen.getByText('No view is kept yet.')).toBeTruthy();
        await user.type(screen.getByRole('textbox', { name: 'Name for these filters' }), 'Mine{Enter}');
        expect(http.postJson).toHaveBeenCalledWith('/views', { page: 'shortages', name: 'Mine', query: 'q=RG' });
        await user.click(await screen.findByRole('button', { name: 'Mine' }));
        expect(router.get).toHaveBeenCalledWith('/shortages?q=RG');
        await user.click(screen.getByRole('button', { name: 'Forget Mine' }));
        expect(http.deleteJson).toHaveBeenCalledWith('/views?page=shortages&name=Mine');
        await screen.findByText('No view is kept yet.');
    });
});

describe('a study', () => {
    const study: StudyRow = {
        id: 4,
        name: 'Boards late',
        by: 'Ivo',
        mine: true,
        version: 3,
        parameters: [],
        changes: [{ text: 'PO-1 to Wed 11 Mar', fields: '{"change":"move_order","order":"PO-1","due":"2026-03-11"}' }],
        settings: { horizonEnd: null, forecasts: null, sites: null, safetyStock: null },
        status: null,
        trouble: null,
        plannedAt: null,
        stale: false,
        planned: false,
        figures: [],
    };
    const saved = vi.fn();
    const form = (of: StudyRow | null) => show(<StudyForm study={of} calendars={['FIVE']} onClose={() => undefined} onSaved={saved} />);
    const choose = (user: ReturnType<typeof userEvent.setup>, kind: string) =>
        user.selectOptions(screen.getByRole('combobox', { name: 'Add a change' }), kind);

    beforeEach(() => saved.mockReset());

    it('is made of changes, each with its fields as the server reads them', async () => {
        http.postJson.mockResolvedValue({ id: 9, run: 31 });
        const user = userEvent.setup();
        form(null);
        await user.type(screen.getByRole('textbox', { name: 'Name' }), 'Try');
        await choose(user, 'More or less demand');
        await user.type(screen.getByLabelText('Percent of what there is'), '150');
        await user.type(screen.getByLabelText('Only items (codes, with commas)'), 'RG-110, WS-300 ,');
        await user.click(screen.getByRole('button', { name: 'Add it' }));
        await choose(user, 'Days worked');
        await user.click(screen.getByRole('button', { name: 'Add it' }));
        await choose(user, 'Another lead time');
        await user.type(screen.getByLabelText('Item'), 'RG-110');
        await user.type(screen.getByLabelText('Working days'), '7{Enter}');
        await user.click(screen.getByRole('button', { name: 'Keep and plan it' }));
        await waitFor(() => expect(saved).toHaveBeenCalledWith(9, 31));
        expect(http.postJson.mock.calls[0]?.[1]).toMatchObject({
            name: 'Try',
            run: true,
            changes: [
                { change: 'scale_demand', percent: 150, items: ['RG-110', 'WS-300'], customers: [] },
                { change: 'work_days', works: true, calendar: 'FIVE', from: '2026-03-02', to: '2026-03-02' },
                { change: 'change_planning', item: 'RG-110', site: 'OSK', leadDays: 7 },
            ],
        });
    });

    it('adds no change of which something is missing', async () => {
        const user = userEvent.setup();
        form(null);
        await choose(user, 'Without an order');
        expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Add it' }).disabled).toBe(true);
        await user.type(screen.getByLabelText('Order'), ' {Enter}');
        expect(screen.queryByRole('button', { name: /^Take out/ })).toBeNull();
        await user.type(screen.getByLabelText('Order'), 'PO-1{Enter}');
        expect(document.activeElement).toBe(screen.getByRole('combobox', { name: 'Add a change' }));
        expect(screen.getByRole('button', { name: 'Take out: Without an order: PO-1' })).toBeTruthy();
    });

    it('says which version was changed, and only what differs from the live plan', async () => {
        http.putJson.mockResolvedValue({ id: 4, run: null });
        const user = userEvent.setup();
        form(study);
        await user.click(screen.getByRole('button', { name: 'Take out: PO-1 to Wed 11 Mar' }));
        await user.click(screen.getByRole('checkbox', { name: 'Safety stock counts' }));
        await user.click(screen.getByRole('checkbox', { name: 'BASE' }));
        await user.click(screen.getByRole('button', { name: 'Only keep it' }));
        await waitFor(() => expect(saved).toHaveBeenCalledWith(4, null));
        expect(http.putJson).toHaveBeenCalledWith('/studies/4', {
            name: 'Boards late',
            run: false,
            version: 3,
            changes: [],
            parameters: { horizonEnd: null, forecasts: ['BASE'], sites: null, safetyStock: false },
        });
    });

    it('keeps what was filled in when it is refused', async () => {
        http.putJson.mockRejectedValue(new Refusal('Somebody has changed this study.', 'stale', {}, 422));
        const user = userEvent.setup();
        form(study);
        await user.clear(screen.getByRole('textbox', { name: 'Name' }));
        await user.type(screen.getByRole('textbox', { name: 'Name' }), 'Boards later');
        await user.click(screen.getByRole('button', { name: 'Keep and plan it' }));
        expect((await screen.findByRole('alert')).textContent).toBe('Somebody has changed this study.');
        expect(screen.getByRole<HTMLInputElement>('textbox', { name: 'Name' }).value).toBe('Boards later');
        expect(saved).not.toHaveBeenCalled();
    });
});
