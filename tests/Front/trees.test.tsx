// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { AvailabilityRow, ThreadRow } from '@/lib/shapes';
import { AvailabilityTree } from '@/pages/parts/AvailabilityTree';
import { ThreadChart } from '@/pages/parts/ThreadChart';
import { COVERED, focused, SHARED, stubLayout } from './kit';

const http = vi.hoisted(() => ({ getJson: vi.fn(), postJson: vi.fn() }));
const visit = vi.hoisted(() => ({ visit: vi.fn(), reload: vi.fn() }));
const shared = vi.hoisted(() => ({ now: {} as object }));

vi.mock('@inertiajs/react', () => ({
    router: visit,
    Link: ({ href, children, ...more }: { href: string; children: React.ReactNode }) => (
        <a href={href} {...more}>
            {children}
        </a>
    ),
}));
vi.mock('@/lib/shared', () => ({ useShared: () => shared.now }));
vi.mock('@/lib/http', async (real) => ({ ...(await real<object>()), ...http }));
vi.mock('@/lib/draft', () => ({ useDraft: () => ({ state: { lines: [] }, stamp: 0 }) }));

stubLayout();

beforeEach(() => {
    shared.now = SHARED;
    http.getJson.mockReset();
    http.postJson.mockReset();
    visit.visit.mockReset();
    visit.reload.mockReset();
});
afterEach(cleanup);

describe('availability by structure', () => {
    const need = (id: number, parent: number, depth: number, more: Partial<AvailabilityRow> = {}): AvailabilityRow => ({
        id,
        parent,
        depth,
        item: `C-${id}`,
        name: '',
        site: 'OSK',
        unit: 'pcs',
        way: 'make',
        via: '',
        required: '10',
        onHand: '0',
        incoming: '0',
        short: '10',
        strip: COVERED,
        date: '2026-03-10',
        expected: '2026-03-10',
        lateDays: 0,
        lead: 3,
        decides: false,
        again: false,
        hasMore: false,
        ...more,
    });
    const rows = [
        need(1, -1, 0, { hasMore: true }),
        need(2, 1, 1, { hasMore: true }),
        need(3, 2, 2),
        need(4, 1, 1, { hasMore: true, decides: true, expected: null, lateDays: 3 }),
        need(5, 4, 2, { decides: true }),
    ];
    const shown = () =>
        screen
            .getAllByRole('row')
            .slice(1)
            .map((row) => /C-\d/.exec(row.textContent ?? '')?.[0]);

    it('opens the first level and what decides', () => {
        render(<AvailabilityTree rows={rows} today="2026-03-02" />);
        expect(shown()).toEqual(['C-1', 'C-2', 'C-4', 'C-5']);
        expect(screen.getAllByText('decides')).toHaveLength(2);
        expect(screen.getByText('never')).toBeTruthy();
    });

    it('is folded and unfolded by key, and walked through', async () => {
        const user = userEvent.setup();
        render(<AvailabilityTree rows={rows} today="2026-03-02" />);
        await user.tab();
        expect(focused()).toContain('C-1');
        await user.keyboard('{ArrowDown}{ArrowRight}');
        expect(shown()).toEqual(['C-1', 'C-2', 'C-3', 'C-4', 'C-5']);
        await user.keyboard('{ArrowLeft}');
        expect(shown()).toEqual(['C-1', 'C-2', 'C-4', 'C-5']);
        await user.keyboard('{Home}{ArrowLeft}');
        expect(shown()).toEqual(['C-1']);
        expect(screen.getAllByRole('row')[1]?.getAttribute('aria-expanded')).toBe('false');
    });

    it('keeps what was opened when the answer is another one', async () => {
        const user = userEvent.setup();
        const { rerender } = render(<AvailabilityTree rows={rows} today="2026-03-02" />);
        await user.click(screen.getByRole('button', { name: 'Unfold C-2' }));
        expect(shown()).toContain('C-3');
        rerender(<AvailabilityTree rows={rows.map((row) => ({ ...row, required: '20' }))} today="2026-03-02" />);
        expect(shown()).toContain('C-3');
        rerender(<AvailabilityTree rows={[]} today="2026-03-02" />);
        expect(screen.queryByRole('treegrid')).toBeNull();
    });
});

describe('the thread', () => {
    const supply = (id: number, parent: number, level: number, more: Partial<ThreadRow> = {}): ThreadRow => ({
        id,
        parent,
        level,
        kind: 'order',
        way: 'make',
        label: `M-${id}`,
        item: 'EL-30',
        site: 'OSK',
        reference: `order:M-${id}`,
        href: `/orders/M-${id}`,
        from: '2026-03-03',
        to: '2026-03-10',
        wanted: '2026-03-09',
        lateDays: 1,
        qty: '4',
        unit: 'pcs',
        note: 'made',
        holdUp: false,
        repeated: false,
        ...more,
    });
    const rows = [
        supply(0, -1, 0, { kind: 'line', label: 'SO-1/1', from: null, wanted: null, lateDays: 0, holdUp: true }),
        supply(1, 0, 1, { holdUp: true }),
        supply(2, 1, 2),
        supply(3, 2, 3, { kind: 'stock', label: 'On hand', href: null, from: null }),
    ];
    const chart = (some = rows) =>
        render(<ThreadChart rows={some} up={false} planDate="2026-03-02" due="2026-03-09" closed={['2026-03-07']} />);
    const shown = () => screen.getAllByRole('treeitem').map((row) => row.getAttribute('aria-label')?.split(',')[0]);

    it('says each supply in words, with how late it is', () => {
        chart();
        expect(shown()).toEqual(['SO-1/1', 'M-1', 'M-2', 'On hand']);
        expect(screen.getAllByRole('treeitem')[1]?.getAttribute('aria-label')).toBe('M-1, 4 pcs, made, there Tue 10 Mar, 1 day late');
        expect(screen.getByText('4 supplies', { exact: false })).toBeTruthy();
    });

    it('marks Mondays, at their days', () => {
        chart();
        const weeks = screen.getAllByText(/^\d+ Mar$/);
        expect(weeks.map((one) => one.textContent)).toEqual(['2 Mar', '9 Mar', '16 Mar']);
        const [first, second] = weeks.map((one) => parseFloat(one.style.left));
        const perDay = ((second ?? 0) - (first ?? 0)) / 7;
        const today = parseFloat(screen.getByText('today').style.left);
        expect(today).toBeCloseTo(first ?? 0);
        expect(perDay).toBeGreaterThan(2);
    });

    it('is seen closer and wider by key', async () => {
        const user = userEvent.setup();
        chart();
        const days = () => {
            const [first, second] = screen.getAllByText(/^\d+ Mar$/).map((one) => parseFloat(one.style.left));
            return ((second ?? 0) - (first ?? 0)) / 7;
        };
        const before = days();
        await user.tab();
        await user.keyboard('+');
        expect(days() / before).toBeCloseTo(1.35);
        await user.keyboard('0');
        expect(days()).toBeCloseTo(before);
    });

    it('folds a branch and opens an order by key', async () => {
        const user = userEvent.setup();
        chart();
        await user.tab();
        await user.keyboard('{ArrowDown}{ArrowDown}{ArrowLeft}');
        expect(shown()).toEqual(['SO-1/1', 'M-1', 'M-2']);
        await user.keyboard('{ArrowRight}');
        expect(shown()).toHaveLength(4);
        await user.keyboard('{Enter}');
        expect(visit.visit).toHaveBeenCalledWith('/orders/M-2');
        await user.keyboard('{ArrowDown}{Enter}');
        expect(visit.visit).toHaveBeenCalledTimes(1);
    });

    it('folds what decides nothing, first where there is much', async () => {
        const user = userEvent.setup();
        chart();
        await user.click(screen.getByRole('button', { name: 'Fold what decides nothing' }));
        expect(shown()).toEqual(['SO-1/1', 'M-1', 'M-2']);
        await user.click(screen.getByRole('button', { name: 'Unfold all' }));
        expect(shown()).toHaveLength(4);
        cleanup();
        chart([...rows, ...Array.from({ length: 60 }, (_, n) => supply(10 + n, 3, 4))]);
        expect(shown()).toEqual(['SO-1/1', 'M-1', 'M-2']);
    });
});
