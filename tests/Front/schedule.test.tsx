// @vitest-environment jsdom
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Refusal } from '@/lib/http';
import type { OrderRow, ScheduleAsked, ScheduleSides, ScheduleState } from '@/lib/shapes';
import Schedule from '@/pages/Schedule';
import { OrdersInBulk } from '@/pages/parts/OrdersInBulk';
import { SHARED, show, stubLayout } from './kit';

const http = vi.hoisted(() => ({ getJson: vi.fn(), postJson: vi.fn() }));
const router = vi.hoisted(() => ({ reload: vi.fn() }));
const shared = vi.hoisted(() => ({ now: {} as object }));
const draft = vi.hoisted(() => ({ add: vi.fn(), undoCommit: vi.fn(), busy: false, may: true }));

vi.mock('@inertiajs/react', () => ({
    router,
    usePage: () => ({ url: '/schedule', props: shared.now }),
    Head: () => null,
    Link: ({ href, children }: { href: string; children: React.ReactNode }) => <a href={href}>{children}</a>,
}));
vi.mock('@/lib/http', async (real) => ({ ...(await real<object>()), ...http, freshKey: () => 'k'.repeat(32) }));
vi.mock('@/lib/draft', () => ({ useDraft: () => draft }));

stubLayout();

beforeEach(() => {
    Object.values({ ...http, ...router }).forEach((mock) => mock.mockReset());
    draft.add.mockReset();
    draft.undoCommit.mockReset();
    shared.now = { ...SHARED, user: { ...SHARED.user, can: ['make studies', 'convert production'] } };
});
afterEach(cleanup);

const ASKED: ScheduleAsked = {
    rule: 'due',
    direction: 'forward',
    aim: 'late',
    steps: 500,
    seconds: 20,
    frozenDays: 2,
    proposalsDays: 14,
    setupWindow: 3,
    centres: null,
    orders: null,
};

const SIDES: ScheduleSides = {
    figures: [{ name: 'late_days', label: 'Days late', before: '40', after: '12', change: '-28', worse: false, better: true }],
    totals: [],
    lines: [],
    lineCount: 0,
    orders: [
        {
            reference: 'order:M-1',
            label: 'M-1',
            href: '/orders/line?code=M-1',
            item: 'EL-30',
            name: 'Board',
            qty: '4',
            unit: 'pcs',
            due: '2026-03-12',
            startBefore: null,
            endBefore: null,
            startAfter: '2026-03-10 06:00',
            endAfter: '2026-03-16 14:30',
            lateBefore: 0,
            lateAfter: 4,
            shift: 0,
            moved: 2,
            operations: 2,
            why: 'no capacity at CAL-1',
        },
    ],
    orderCount: 1,
    notes: ['Operation 10 of M-1 could not stay where it was'],
    kept: 1,
};

const state = (more: Partial<ScheduleState>): ScheduleState => ({
    id: 5,
    status: 'done',
    stage: null,
    asked: ['the first due goes first'],
    by: 'Oskar Thwaite',
    steps: 500,
    wanted: 500,
    best: null,
    trouble: null,
    finishedAt: '2026-03-02T09:00:00Z',
    commit: null,
    sides: SIDES,
    ...more,
});

const page = (given: ScheduleState | null) => (
    <Schedule planned asked={ASKED} centres={[{ code: 'CAL-1', name: 'Chamber' }]} state={given} standing={false} />
);

describe('the schedule', () => {
    it('asks for what was chosen, follows it, and shows both sides', async () => {
        const user = userEvent.setup();
        http.postJson.mockResolvedValue(state({ status: 'queued', sides: null }));
        http.getJson
            .mockResolvedValueOnce(
                state({ status: 'running', stage: 'improving', steps: 240, best: '12 days late by urgency', sides: null }),
            )
            .mockResolvedValue(state({}));
        show(page(null));
        await user.selectOptions(screen.getByRole('combobox', { name: 'Who goes first' }), 'The most urgent goes first');
        await user.type(screen.getByRole('textbox', { name: 'Only these orders' }), 'M-1, M-2');
        await user.click(screen.getByText('At all work centres'));
        await user.click(screen.getByRole('checkbox', { name: 'CAL-1 Chamber' }));
        await user.click(screen.getByRole('button', { name: 'Schedule now' }));
        expect(http.postJson).toHaveBeenCalledWith('/schedules', {
            ...ASKED,
            rule: 'priority',
            orders: ['M-1', 'M-2'],
            centres: ['CAL-1'],
        });
        await waitFor(() => expect(screen.getByText('So far: 12 days late by urgency')).toBeTruthy());
        expect(screen.getByText('240 of 500 steps')).toBeTruthy();
        await waitFor(() => expect(screen.getByText('As it stands, and scheduled')).toBeTruthy(), { timeout: 3000 });
        const row = within(screen.getByLabelText('Orders before and after')).getByText('M-1').closest('tr');
        expect(row?.textContent).toContain('not yet');
        expect(row?.textContent).toContain('4 days late: no capacity at CAL-1');
        expect(screen.getByText('Operation 10 of M-1 could not stay where it was')).toBeTruthy();
    });

    it('keeps it by a key, once, and says so', async () => {
        const user = userEvent.setup();
        http.postJson.mockResolvedValue({ message: 'Schedule kept for 1 order' });
        http.getJson.mockResolvedValue(state({ status: 'kept', commit: 9 }));
        show(page(state({})));
        await user.keyboard('k');
        await waitFor(() => expect(screen.getByText('This schedule is kept')).toBeTruthy());
        expect(http.postJson).toHaveBeenCalledTimes(1);
        expect(http.postJson).toHaveBeenCalledWith('/schedules/5/keep', { key: 'k'.repeat(32) });
        await user.keyboard('k');
        expect(http.postJson).toHaveBeenCalledTimes(1);
        await user.click(screen.getByRole('button', { name: 'Undo' }));
        expect(draft.undoCommit).toHaveBeenCalledWith(9);
    });

    it('says why it is not kept, and can be discarded', async () => {
        const user = userEvent.setup();
        http.postJson
            .mockRejectedValueOnce(new Refusal('M-1 has been changed.', 'fit', {}, 422))
            .mockResolvedValue(state({ status: 'dropped' }));
        show(page(state({})));
        await user.click(screen.getByRole('button', { name: /Keep it for 1 order/ }));
        expect((await screen.findByRole('alert')).textContent).toContain('M-1 has been changed.');
        await user.keyboard('d');
        await waitFor(() => expect(screen.getByText('This schedule was not kept')).toBeTruthy());
        expect(http.postJson).toHaveBeenLastCalledWith('/schedules/5/drop', {});
    });

    it('is stopped with the best so far only while it improves', async () => {
        const user = userEvent.setup();
        const planning = state({ status: 'running', stage: 'planning', sides: null });
        http.getJson.mockResolvedValue(planning);
        show(page(planning));
        expect(screen.getByRole('button', { name: 'Stop, take the best so far' }).hasAttribute('disabled')).toBe(true);
        http.postJson.mockResolvedValue(state({ status: 'dropped', sides: null }));
        await user.click(screen.getByRole('button', { name: 'Stop, take nothing' }));
        expect(http.postJson).toHaveBeenCalledWith('/schedules/5/stop', { keeps: false });
    });

    it('offers nothing to those who may not schedule', () => {
        shared.now = SHARED;
        show(page(state({})));
        expect(screen.queryByRole('button', { name: 'Schedule now' })).toBeNull();
        expect(screen.queryByRole('button', { name: /Keep it/ })).toBeNull();
        expect(screen.getByText('Days late')).toBeTruthy();
    });
});

describe('orders in bulk', () => {
    const order = (code: string, more: Partial<OrderRow>): OrderRow => ({
        reference: `order:${code}`,
        code,
        kind: 'make',
        status: 'firm',
        site: 'OSK',
        supplier: null,
        what: 'EL-30 Board',
        lines: 1,
        qty: '4',
        unit: 'pcs',
        due: '2026-03-12',
        daysLate: 0,
        message: null,
        made: null,
        held: false,
        notBefore: null,
        finishBy: null,
        stage: null,
        version: 1,
        group: '',
        open: [],
        ...more,
    });

    it('drafts for each only what fits its state', async () => {
        const user = userEvent.setup();
        show(
            <OrdersInBulk
                orders={[order('M-1', {}), order('M-2', { status: 'released', held: true })]}
                onClear={() => undefined}
                onTold={() => undefined}
            />,
        );
        await user.click(screen.getByRole('button', { name: 'Release' }));
        expect(draft.add).toHaveBeenLastCalledWith([{ change: 'release_order', order: 'M-1' }], '1 order released');
        await user.click(screen.getByRole('button', { name: 'Back to firm' }));
        expect(draft.add).toHaveBeenLastCalledWith([{ change: 'release_order', order: 'M-2', released: false }], '1 order firm again');
        await user.click(screen.getByRole('button', { name: 'Let go' }));
        expect(draft.add).toHaveBeenLastCalledWith([{ change: 'hold_order', order: 'M-2', held: false }], '1 order no longer held back');
        await user.click(screen.getByRole('button', { name: 'Finish by' }));
        expect(draft.add).toHaveBeenLastCalledWith(
            [
                { change: 'finish_by', order: 'M-1', day: null },
                { change: 'finish_by', order: 'M-2', day: null },
            ],
            '2 orders done when due',
        );
        expect(screen.getByRole('link', { name: 'Schedule these' }).getAttribute('href')).toBe('/schedule?orders=M-1,M-2');
    });
});
