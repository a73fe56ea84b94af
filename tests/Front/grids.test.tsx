// @vitest-environment jsdom
import { http } from './aroundGrid';
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { Refusal } from '@/lib/http';
import type { GridRow, RecordRow } from '@/lib/shapes';
import { PlanGrid } from '@/pages/parts/PlanGrid';
import { show } from './kit';

describe('the plan grid', () => {
    const PERIODS = ['2026-03-02', '2026-03-09', '2026-03-16'];
    const gridRow = (n: number): GridRow => ({
        item: `I-${n}`,
        site: 'OSK',
        name: `Item ${n}`,
        unit: 'pcs',
        decimals: 0,
        level: n % 3,
        supply: 'make',
        troubleFrom: null,
        cells: PERIODS.map((start, place) => ({
            start,
            figure: String(n * 10 - place),
            mark: place === 2 && n === 1 ? 'broken' : 'calm',
            proposed: false,
            ordered: place === 1,
        })),
    });
    const record: RecordRow[] = PERIODS.map((start) => ({
        start,
        sales: '-7',
        forecast: '0',
        parts: '0',
        out: '0',
        needed: '-7',
        receipts: '0',
        proposals: '3',
        toStart: '0',
        balance: '9',
        mark: 'calm',
    }));
    const picked = vi.fn();

    function answer(url: string, params: Record<string, number> = {}) {
        if (url === '/plan/rows') {
            const offset = params.offset ?? 0;
            return Promise.resolve({ rows: Array.from({ length: 50 }, (_, n) => gridRow(offset + n)), run: 7 });
        }
        return Promise.resolve(
            url === '/plan/point'
                ? { record }
                : { title: 'I-0 at OSK', lines: [{ text: 'Balance before', qty: '5', tone: 'plain' }], pegsTitle: '', pegs: [] },
        );
    }
    const draw = (total = 400) =>
        act(async () => {
            show(
                <PlanGrid
                    periods={PERIODS}
                    firstRows={Array.from({ length: Math.min(50, total) }, (_, n) => gridRow(n))}
                    total={total}
                    filter={{ bucket: 'week', as: 'expected' }}
                    picked={null}
                    onPick={picked}
                />,
            );
        });

    beforeEach(() => {
        picked.mockReset();
        http.getJson.mockImplementation(answer);
        // a window of ten rows, which jsdom does not lay out
        Object.defineProperty(HTMLElement.prototype, 'offsetHeight', { configurable: true, get: () => 330 });
        Object.defineProperty(HTMLElement.prototype, 'clientHeight', { configurable: true, get: () => 330 });
        Object.defineProperty(HTMLElement.prototype, 'offsetWidth', { configurable: true, get: () => 900 });
        HTMLElement.prototype.scrollTo = function (this: HTMLElement, to?: ScrollToOptions | number) {
            this.scrollTop = typeof to === 'object' ? (to.top ?? 0) : 0;
            fireEvent.scroll(this);
        } as typeof HTMLElement.prototype.scrollTo;
    });

    it('draws what is in sight and counts all of it', async () => {
        await draw();
        const grid = screen.getByRole('treegrid');
        expect(grid.getAttribute('aria-rowcount')).toBe('401');
        expect(grid.getAttribute('aria-colcount')).toBe('4');
        expect(screen.getAllByRole('rowheader').length).toBeLessThan(40);
        const first = screen.getAllByRole('row')[1] as HTMLElement;
        expect(first.getAttribute('aria-rowindex')).toBe('2');
        expect(
            within(first)
                .getAllByRole('gridcell')
                .map((cell) => cell.getAttribute('aria-colindex')),
        ).toEqual(['2', '3', '4']);
        expect(http.getJson).not.toHaveBeenCalled();
    });

    it('says in words what is short', async () => {
        await draw();
        const cells = within(screen.getAllByRole('row')[2] as HTMLElement).getAllByRole('gridcell');
        expect(cells[2]?.textContent).toContain('short');
        expect(cells[1]?.textContent).not.toContain('short');
    });

    it('fetches rows as they come into sight, once, and goes to the last by key', async () => {
        const user = userEvent.setup();
        await draw();
        await user.click(screen.getByText('I-0'));
        expect(picked).toHaveBeenLastCalledWith({ item: 'I-0', site: 'OSK' });
        await user.keyboard('{Control>}{End}{/Control}');
        await waitFor(() => expect(document.activeElement?.getAttribute('data-cell')).toBe('399:3'));
        const offsets = () => http.getJson.mock.calls.map(([, params]) => (params as { offset: number }).offset);
        expect(offsets()).toContain(350);
        expect(offsets()).not.toContain(100);
        const before = offsets().length;
        await user.keyboard('{ArrowUp}{ArrowUp}');
        expect(offsets()).toHaveLength(before);
        expect(picked).toHaveBeenLastCalledWith({ item: 'I-397', site: 'OSK' });
    });

    it('opens a row into its record and closes it, by key', async () => {
        const user = userEvent.setup();
        await draw();
        await user.click(screen.getByText('I-0'));
        await user.keyboard('{Enter}');
        expect(await screen.findAllByText('−7')).toHaveLength(3);
        expect(screen.getAllByRole('row')[1]?.getAttribute('aria-expanded')).toBe('true');
        await user.keyboard('{Enter}');
        expect(screen.queryByText('−7')).toBeNull();
        await user.keyboard('{Enter}');
        await screen.findAllByText('−7');
        expect(http.getJson.mock.calls.filter(([url]) => url === '/plan/point')).toHaveLength(1);
    });

    it('answers where a number comes from, and gives the focus back', async () => {
        const user = userEvent.setup();
        await draw();
        await user.click(screen.getByText('I-0'));
        await user.keyboard('{ArrowRight}{ArrowRight}?');
        await screen.findByRole('dialog', { name: 'Where this number comes from' });
        expect(http.getJson).toHaveBeenCalledWith('/plan/ask', {
            item: 'I-0',
            at: 'OSK',
            period: '2026-03-09',
            bucket: 'week',
            as: 'expected',
            show: 'balance',
        });
        await user.keyboard('{Escape}');
        expect(screen.queryByRole('dialog')).toBeNull();
        expect(document.activeElement?.getAttribute('data-cell')).toBe('0:2');
    });

    it('says what could not be loaded', async () => {
        http.getJson.mockImplementation((url: string) =>
            url === '/plan/ask' ? Promise.reject(new Refusal('This is not in the plan.', 'error', {}, 404)) : answer(url),
        );
        const user = userEvent.setup();
        await draw();
        await user.click(screen.getByText('I-0'));
        await user.keyboard('{ArrowRight}?');
        expect((await screen.findByRole('alert')).textContent).toBe('This is not in the plan.');
    });
});
