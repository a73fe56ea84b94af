// @vitest-environment jsdom
import { cleanup, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { RunPanel } from '@/layout/RunPanel';
import { Refusal } from '@/lib/http';
import type { KeptRunRow, KeptRuns, RunChoices, RunState } from '@/lib/shapes';
import { SHARED, show, stubLayout } from './kit';

const http = vi.hoisted(() => ({ getJson: vi.fn(), postJson: vi.fn(), deleteJson: vi.fn() }));
const router = vi.hoisted(() => ({ reload: vi.fn(), visit: vi.fn() }));
const shared = vi.hoisted(() => ({ now: {} as object }));

vi.mock('@inertiajs/react', () => ({ router, usePage: () => ({ url: '/plan', props: shared.now }) }));
vi.mock('@/lib/http', async (real) => ({ ...(await real<object>()), ...http }));

stubLayout();

beforeEach(() => {
    Object.values({ ...http, ...router }).forEach((mock) => mock.mockReset());
    shared.now = SHARED;
});
afterEach(cleanup);

const run = (more: Partial<RunState>): RunState => ({ id: 12, status: 'running', stage: 'netting', trouble: null, figures: [], ...more });

const FEWER_LATE = { name: 'lateLines', label: 'Late lines', value: '6', change: '-2', worse: false };

const CHOICES: RunChoices = {
    horizonEnd: '2026-12-31',
    bucket: 'week',
    demand: ['sales', 'forecast'],
    supply: ['stock', 'purchase', 'production', 'transfer'],
    forecasts: [],
    consume: true,
    consumeBackDays: 0,
    consumeForwardDays: 0,
    spread: false,
    sites: null,
    soldOnly: false,
    families: [],
    items: [],
    calendars: true,
    pegByPriority: false,
    safetyStock: true,
    bringInDays: 30,
    pushOutDays: 5,
    schedule: false,
    scheduleDays: 0,
};
const MORNING: KeptRunRow = {
    name: 'Morning',
    choices: { ...CHOICES, forecasts: ['BASE'], pegByPriority: true },
    dailyAt: '06:30',
    trouble: null,
    by: 'Ivo',
    version: 3,
};
const KEPT: KeptRuns = { last: CHOICES, rows: [MORNING], families: ['Masts', 'Seals'], timeZone: 'UTC' };

describe('the run button', () => {
    const answers = (kept: KeptRuns, ...states: RunState[]) => {
        http.getJson.mockImplementation((url: string) =>
            Promise.resolve(url === '/runs/kept' ? kept : states.length > 1 ? states.shift() : states[0]),
        );
    };
    const opens = async () => {
        const user = userEvent.setup();
        show(<RunPanel />);
        await user.click(screen.getByRole('button', { name: 'Run' }));
        await screen.findByRole('button', { name: 'Run now' });
        return user;
    };
    const group = (name: string) => screen.getByRole('button', { name: new RegExp(`^${name}`) });

    it('starts a run with what was chosen, follows it, and tells what came out', async () => {
        http.postJson.mockResolvedValue(run({ status: 'queued', stage: 'queued' }));
        answers(KEPT, run({}), run({ status: 'done', stage: null, figures: [FEWER_LATE] }));
        const user = await opens();
        expect(group('Demand').textContent).toBe('DemandWhat is ordered, no forecast');
        await user.click(group('Demand'));
        await user.click(screen.getByRole('checkbox', { name: 'BASE' }));
        await user.click(screen.getByRole('radio', { name: 'come on top of the forecast' }));
        expect(group('Demand').textContent).toBe('DemandWhat is ordered, and forecast BASE, orders do not consume it');
        await user.click(group('Items'));
        await user.click(screen.getByRole('radio', { name: /^Only these/ }));
        await user.click(screen.getByRole('checkbox', { name: 'Seals' }));
        await user.type(screen.getByRole('textbox', { name: /^Items, with/ }), 'A-1, B-2');
        expect(group('Items').textContent).toBe('ItemsSeals, A-1, B-2, and what goes into it');
        await user.click(group('Time'));
        await user.selectOptions(screen.getByRole('combobox', { name: 'Shown by' }), 'month');
        await user.click(group('Rules'));
        await user.click(screen.getByRole('radio', { name: 'who has the higher priority' }));
        await user.click(screen.getByRole('button', { name: 'Run now' }));
        expect(http.postJson).toHaveBeenCalledWith('/runs', {
            ...CHOICES,
            bucket: 'month',
            forecasts: ['BASE'],
            consume: false,
            families: ['Seals'],
            items: ['A-1', 'B-2'],
            pegByPriority: true,
            kept: null,
        });
        await screen.findByText('The new plan is live', undefined, { timeout: 3000 });
        expect(screen.getByText('Late lines').parentElement?.textContent).toBe('Late lines6-2');
        expect(router.reload).toHaveBeenCalledTimes(1);
        await user.click(screen.getByRole('button', { name: 'Run again' }));
        expect(screen.getByRole('button', { name: 'Run now' })).toBeTruthy();
    });

    it('begins a kept run as it is kept, and as another once something of it is changed', async () => {
        http.postJson.mockRejectedValue(new Refusal('A run is under way.', 'busy', {}, 422));
        answers(KEPT);
        const user = await opens();
        await user.selectOptions(screen.getByRole('combobox', { name: 'Begin from' }), 'Morning');
        expect(group('Demand').textContent).toBe('DemandWhat is ordered, and forecast BASE');
        await user.click(screen.getByRole('button', { name: 'Run now' }));
        expect(http.postJson).toHaveBeenLastCalledWith('/runs', { ...MORNING.choices, kept: 'Morning' });
        expect((await screen.findByRole('alert')).textContent).toBe('A run is under way.');
        await user.click(group('Supply'));
        await user.click(screen.getByRole('checkbox', { name: 'transfer orders' }));
        expect(group('Supply').textContent).toBe('SupplyOnly stock, purchase orders, production orders');
        await user.click(screen.getByRole('button', { name: 'Run now' }));
        expect(http.postJson).toHaveBeenLastCalledWith('/runs', {
            ...MORNING.choices,
            supply: ['stock', 'purchase', 'production'],
            kept: null,
        });
    });

    it('keeps what was chosen by name and time, asks where it leaves something out, and takes it away', async () => {
        answers({ ...KEPT, rows: [] });
        const user = await opens();
        await user.click(group('Rules'));
        await user.click(screen.getByRole('checkbox', { name: 'Safety stock counts' }));
        await user.click(screen.getByRole('button', { name: 'Keep these choices' }));
        await user.type(screen.getByRole('textbox', { name: 'Name' }), ' Bare ');
        await user.click(screen.getByRole('checkbox', { name: 'Begins by itself each day at' }));
        http.postJson.mockRejectedValueOnce(new Refusal('It leaves something out.', 'leaves', { what: '2 of 9 items' }, 422));
        await user.click(screen.getByRole('button', { name: 'Keep' }));
        expect((await screen.findByRole('alert')).textContent).toContain('would leave out 2 of 9 items');
        const bare = { ...MORNING, name: 'Bare', choices: { ...CHOICES, safetyStock: false }, dailyAt: '06:00', version: 1 };
        http.postJson.mockResolvedValueOnce({ ...KEPT, rows: [bare] });
        await user.click(screen.getByRole('button', { name: 'Keep it all the same' }));
        const [first, second] = http.postJson.mock.calls.map(([, sent]) => sent as Record<string, unknown>);
        expect(first).toMatchObject({ ...CHOICES, safetyStock: false, name: ' Bare ', dailyAt: '06:00', version: 0, agreed: false });
        expect(second).toMatchObject({ agreed: true });
        expect(second?.key).not.toBe(first?.key);

        expect(await screen.findByRole('option', { name: 'Bare, daily at 06:00' })).toHaveProperty('selected', true);
        await user.click(screen.getByRole('button', { name: 'Keep these choices' }));
        http.deleteJson.mockResolvedValueOnce({ ...KEPT, rows: [] });
        await user.click(screen.getByRole('button', { name: 'Take Bare away' }));
        expect(http.deleteJson).toHaveBeenCalledWith('/runs/kept', { name: 'Bare', version: 1 });
        expect(await screen.findByRole('button', { name: 'Run now' })).toBeTruthy();
        expect(screen.queryByRole('combobox', { name: 'Begin from' })).toBeNull();
    });

    it('says why a run did not finish, or did not begin by itself', async () => {
        answers({ ...KEPT, rows: [{ ...MORNING, trouble: 'There is no family Masts.' }] });
        const user = await opens();
        await user.selectOptions(screen.getByRole('combobox', { name: 'Begin from' }), 'Morning');
        expect(screen.getByText('It did not begin by itself: There is no family Masts.')).toBeTruthy();
        http.postJson.mockResolvedValueOnce(run({ status: 'failed', trouble: 'A loop: A in B in A.' }));
        await user.click(screen.getByRole('button', { name: 'Run now' }));
        await screen.findByText('A loop: A in B in A.');
        expect(screen.getByText('The run did not finish')).toBeTruthy();
    });

    it('tries as a study what leaves something out, with all that was chosen', async () => {
        answers(KEPT);
        const user = await opens();
        await user.selectOptions(screen.getByRole('combobox', { name: 'Begin from' }), 'Morning');
        http.postJson.mockRejectedValueOnce(new Refusal('It leaves something out.', 'leaves', { what: '2 of 9 items' }, 422));
        await user.click(screen.getByRole('button', { name: 'Run now' }));
        http.postJson.mockResolvedValueOnce({ id: 4, run: 5 });
        await user.click(await screen.findByRole('button', { name: 'Try it as a study' }));
        const study = { name: 'Morning', distinct: true, changes: [], parameters: MORNING.choices, run: true };
        expect(http.postJson).toHaveBeenLastCalledWith('/studies', study);
    });

    it('needs at least one site, and warns of those left out', async () => {
        shared.now = { ...SHARED, sites: [...SHARED.sites, { code: 'LIN', name: 'Lintquay depot' }] };
        answers(KEPT);
        const user = await opens();
        await user.click(group('Sites'));
        await user.click(screen.getByRole('checkbox', { name: 'Lintquay depot' }));
        expect(screen.getByText('Items at other sites will have no plan until they are run again.')).toBeTruthy();
        await user.click(screen.getByRole('checkbox', { name: 'Oskarhaven works' }));
        expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Run now' }).disabled).toBe(true);
    });

    it('shows a run that somebody else has started, and is not there for who may not run', async () => {
        http.getJson.mockResolvedValue(run({}));
        shared.now = { ...SHARED, plan: { ...SHARED.plan, running: 12 } };
        show(<RunPanel />);
        expect(screen.getByRole('button', { name: 'Running' })).toBeTruthy();
        cleanup();
        shared.now = { ...SHARED, user: { ...SHARED.user, can: [] } };
        show(<RunPanel />);
        expect(screen.queryByRole('button')).toBeNull();
    });
});
