// @vitest-environment jsdom
import { visit } from './aroundGrid';
import { cleanup, render, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { ThreadRow } from '@/lib/shapes';
import { ThreadChart } from '@/pages/parts/ThreadChart';

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
        need: null,
        operations: [],
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
    const shown = () => screen.getAllByRole('treeitem').map((row) => row.querySelector('a, strong')?.textContent);

    it('says each supply in words, with how late it is', () => {
        chart();
        expect(shown()).toEqual(['SO-1/1', 'M-1', 'M-2', 'On hand']);
        const second = screen.getAllByRole('treeitem')[1];
        expect(second?.textContent).toContain('4 pcs, made');
        expect(second?.textContent).toContain('there Tue 10 Mar, 1 day late');
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

    it('is asked: the wanted day is a line that keys move, not before today, and rows are picked', async () => {
        const user = userEvent.setup();
        const onMove = vi.fn();
        const onPick = vi.fn();
        render(
            <ThreadChart
                rows={rows}
                up={false}
                planDate="2026-03-02"
                due={null}
                closed={[]}
                wanted={{ day: '2026-03-03', onMove }}
                picked={{ id: 1, onPick }}
            />,
        );
        const line = screen.getByRole('slider', { name: 'Wanted day' });
        expect(line.getAttribute('aria-valuetext')).toBe('Tue 3 Mar');
        line.focus();
        await user.keyboard('{ArrowRight}{PageDown}{ArrowLeft}{PageUp}');
        expect(onMove.mock.calls).toEqual([['2026-03-04'], ['2026-03-10'], ['2026-03-02'], ['2026-03-02']]);
        const items = screen.getAllByRole('treeitem');
        expect(items.filter((item) => item.getAttribute('aria-selected') === 'true')).toHaveLength(1);
        items[0]?.focus();
        expect(onPick).toHaveBeenCalledWith(rows[0]);
    });
});
