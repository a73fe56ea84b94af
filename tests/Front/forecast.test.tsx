// @vitest-environment jsdom
import { http, shared, visit } from './aroundGrid';
import { screen, waitFor, within } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { Refusal } from '@/lib/http';
import type { ForecastPeriod, ForecastRow } from '@/lib/shapes';
import { ForecastGrid } from '@/pages/parts/ForecastGrid';
import { useForecastEdits } from '@/pages/parts/useForecastEdits';
import { SHARED, show } from './kit';

describe('the forecast grid', () => {
    const periods: ForecastPeriod[] = [2, 9, 16].map((day) => ({
        start: `2026-03-${String(day).padStart(2, '0')}`,
        end: `2026-03-${String(day + 6).padStart(2, '0')}`,
        isOpen: true,
    }));
    const forecastRow = (item: string, quantities: string[]): ForecastRow => ({
        item,
        site: 'OSK',
        name: `The ${item}`,
        unit: 'pcs',
        decimals: 0,
        bucket: 'week',
        isTyped: true,
        qty: quantities,
        consumed: ['2', '2', '2'],
        left: ['1', '1', '1'],
        versions: [1, 2, 3],
    });
    const rows = [forecastRow('RG-110', ['12', '0', '5']), forecastRow('WS-300', ['7', '8', '9'])];
    const cell = (item: string, day: string) => screen.getByRole<HTMLInputElement>('textbox', { name: `Forecast of ${item} from ${day}` });
    const onBlock = vi.fn();

    function Grid({ when = periods, list = rows }: { when?: ForecastPeriod[]; list?: ForecastRow[] }) {
        const edits = useForecastEdits('BASE', { came: list, since: list }, when, {});
        return (
            <ForecastGrid
                periods={when}
                bucket="week"
                total={list.length}
                more={null}
                edits={edits}
                onItem={() => undefined}
                onBlock={onBlock}
            />
        );
    }

    const sent = () => http.postJson.mock.calls.filter(([url]) => url === '/demand/forecast').map(([, body]) => body as { rows: unknown });

    beforeEach(() => {
        http.postJson.mockResolvedValue({ commit: 9, figures: 1, text: 'Written' });
        http.getJson.mockResolvedValue({ rows: [], total: 0 });
    });

    it('takes what is typed with Enter, goes down, and says which version was seen', async () => {
        const user = userEvent.setup();
        show(<Grid />);
        await user.click(cell('RG-110', '9 Mar'));
        await user.keyboard('30{Enter}');
        expect(document.activeElement).toBe(cell('WS-300', '9 Mar'));
        expect(sent()).toMatchObject([
            { forecast: 'BASE', sure: false, rows: [{ item: 'RG-110', site: 'OSK', cells: [['2026-03-09', '30', 2]] }] },
        ]);
        await waitFor(() =>
            expect(http.getJson).toHaveBeenCalledWith('/demand/forecast-rows', { forecast: 'BASE', size: '', points: 'RG-110\u001fOSK' }),
        );
        await waitFor(() => expect(visit.reload).toHaveBeenCalledWith({ only: ['plan'] }));
    });

    it('puts the old figure back with Escape and sends nothing that was not changed', async () => {
        const user = userEvent.setup();
        show(<Grid />);
        await user.click(cell('RG-110', '2 Mar'));
        await user.keyboard('99{Escape}');
        expect(cell('RG-110', '2 Mar').value).toBe('12');
        await user.keyboard('{Enter}{ArrowDown}{ArrowUp}{ArrowUp}{ArrowRight}');
        expect(http.postJson).not.toHaveBeenCalled();
        expect(document.activeElement).toBe(cell('RG-110', '9 Mar'));
    });

    it('keeps left and right for what is being typed', async () => {
        const user = userEvent.setup();
        show(<Grid />);
        await user.click(cell('RG-110', '2 Mar'));
        await user.keyboard('45{ArrowLeft}7');
        expect(cell('RG-110', '2 Mar').value).toBe('475');
        await user.keyboard('{ArrowDown}');
        expect(document.activeElement).toBe(cell('WS-300', '2 Mar'));
        expect(sent()[0]).toMatchObject({ rows: [{ cells: [['2026-03-02', '475', 1]] }] });
    });

    it('chooses a block with Shift and puts what is typed into all of it, or nothing, or a percentage', async () => {
        const user = userEvent.setup();
        show(<Grid />);
        await user.click(cell('RG-110', '9 Mar'));
        await user.keyboard('{Shift>}{ArrowRight}{ArrowDown}{/Shift}');
        expect(screen.getAllByRole('gridcell', { selected: true })).toHaveLength(4);
        expect(screen.getByText('4 figures chosen, 22 in all')).toBeTruthy();
        await user.keyboard('3{Control>}{Enter}{/Control}');
        const all = (text: string) => [
            {
                item: 'RG-110',
                site: 'OSK',
                cells: [
                    ['2026-03-09', text, 2],
                    ['2026-03-16', text, 3],
                ],
            },
            {
                item: 'WS-300',
                site: 'OSK',
                cells: [
                    ['2026-03-09', text, 2],
                    ['2026-03-16', text, 3],
                ],
            },
        ];
        await waitFor(() => expect(sent()[0]?.rows).toEqual(all('3')));
        await user.keyboard('{Delete}');
        await waitFor(() => expect(sent()[1]?.rows).toEqual(all('')));
        await user.keyboard('%');
        await user.keyboard('-10{Enter}');
        await waitFor(() => expect(sent()[2]?.rows).toEqual(all('-10 %')));
        expect(document.activeElement).toBe(cell('WS-300', '16 Mar'));
        await user.keyboard('{ArrowUp}');
        expect(screen.getAllByRole('gridcell', { selected: true })).toHaveLength(1);
    });

    it('fills to the right from the first of each row', async () => {
        const user = userEvent.setup();
        show(<Grid />);
        await user.click(cell('RG-110', '2 Mar'));
        await user.keyboard('{Shift>}{ArrowRight}{ArrowRight}{ArrowDown}{/Shift}f');
        await waitFor(() =>
            expect(sent()[0]?.rows).toEqual([
                {
                    item: 'RG-110',
                    site: 'OSK',
                    cells: [
                        ['2026-03-09', '12', 2],
                        ['2026-03-16', '12', 3],
                    ],
                },
                {
                    item: 'WS-300',
                    site: 'OSK',
                    cells: [
                        ['2026-03-09', '7', 2],
                        ['2026-03-16', '7', 3],
                    ],
                },
            ]),
        );
    });

    it('copies a block as a spreadsheet does, and takes one from it', async () => {
        const user = userEvent.setup();
        show(<Grid />);
        await user.click(cell('RG-110', '2 Mar'));
        await user.keyboard('{Shift>}{ArrowRight}{ArrowDown}{/Shift}');
        const copied = await user.copy();
        expect(copied?.getData('text/plain')).toBe('12\t0\n7\t8');
        await user.keyboard('{ArrowUp}');
        await user.paste('1.200\t2,5\n"4"\t\r\n');
        await waitFor(() =>
            expect(sent()[0]?.rows).toEqual([
                {
                    item: 'RG-110',
                    site: 'OSK',
                    cells: [
                        ['2026-03-09', '1.200', 2],
                        ['2026-03-16', '2,5', 3],
                    ],
                },
                {
                    item: 'WS-300',
                    site: 'OSK',
                    cells: [
                        ['2026-03-09', '4', 2],
                        ['2026-03-16', '', 3],
                    ],
                },
            ]),
        );
        expect(screen.getAllByRole('gridcell', { selected: true })).toHaveLength(4);
    });

    it('refuses a block that is larger than the room for it, or that reaches into what has passed', async () => {
        const user = userEvent.setup();
        show(<Grid when={periods.map((one, place) => ({ ...one, isOpen: place > 0 }))} />);
        await user.click(cell('WS-300', '9 Mar'));
        await user.paste('1\t2\n3\t4');
        expect(await screen.findByText(/The block is 2 by 2, and from here on there is room for 1 by 2/)).toBeTruthy();
        await user.click(cell('WS-300', '2 Mar'));
        await user.paste('1\t2');
        expect(await screen.findByText(/1 of these cells cannot be typed in/)).toBeTruthy();
        await user.keyboard('5{Enter}');
        expect(http.postJson).not.toHaveBeenCalled();
    });

    it('asks how a number is meant that can be read in two ways, and sends it as it is meant', async () => {
        http.postJson.mockRejectedValueOnce(new Refusal('Two ways.', 'decimal', { number: '1,234' }, 422));
        const user = userEvent.setup();
        show(<Grid />);
        await user.click(cell('RG-110', '2 Mar'));
        await user.keyboard('1,234{Enter}');
        await user.click(await screen.findByRole('button', { name: 'It is 1.234' }));
        await waitFor(() => expect(sent()[1]).toMatchObject({ decimal: 'comma', rows: [{ cells: [['2026-03-02', '1,234', 1]] }] }));
    });

    it('takes back what was written, and does it again', async () => {
        const user = userEvent.setup();
        show(<Grid />);
        await user.click(cell('RG-110', '2 Mar'));
        await user.keyboard('30{Enter}');
        await waitFor(() => expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Take back' }).disabled).toBe(false));
        await user.keyboard('{Control>}z{/Control}');
        await waitFor(() => expect(http.postJson.mock.calls.map(([url]) => url)).toContain('/journal/9/undo'));
        await waitFor(() => expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Do it again' }).disabled).toBe(false));
        await user.keyboard('{Control>}y{/Control}');
        await waitFor(() => expect(sent()).toHaveLength(2));
        expect(sent()[1]?.rows).toEqual(sent()[0]?.rows);
    });

    it('says why a figure was refused, and shows what stands there', async () => {
        http.postJson.mockRejectedValue(new Refusal('Nell has changed this meanwhile.', 'stale', {}, 422));
        const user = userEvent.setup();
        show(<Grid />);
        await user.click(cell('RG-110', '2 Mar'));
        await user.keyboard('4{Enter}');
        await screen.findByText('Nell has changed this meanwhile.');
        await waitFor(() => expect(cell('RG-110', '2 Mar').value).toBe('12'));
    });

    it('cannot be typed in by whom it is not for, nor where figures are kept otherwise, and says so', async () => {
        shared.now = { ...SHARED, user: { ...SHARED.user, can: [] } };
        const user = userEvent.setup();
        const { unmount } = show(<Grid />);
        expect(screen.getByText('You may look at the forecast but not change it.')).toBeTruthy();
        await user.click(cell('RG-110', '2 Mar'));
        await user.keyboard('5{Enter}{Delete}f%');
        await user.paste('1\t2');
        expect(http.postJson).not.toHaveBeenCalled();
        unmount();
        shared.now = SHARED;
        show(<Grid list={rows.map((row) => ({ ...row, isTyped: false }))} />);
        expect(screen.getByText(/These figures are kept in other periods/)).toBeTruthy();
        expect(cell('RG-110', '2 Mar').readOnly).toBe(true);
    });

    it('is one tab stop, and counts the rows of figures as well', () => {
        show(<Grid />);
        expect(screen.getByRole('grid').getAttribute('aria-rowcount')).toBe('7');
        expect(
            within(screen.getByRole('grid'))
                .getAllByRole('textbox')
                .filter((one) => one.tabIndex === 0),
        ).toHaveLength(1);
        expect(screen.getAllByRole('row').map((row) => row.getAttribute('aria-rowindex'))).toEqual(['1', '2', '3', '4', '5', '6', '7']);
    });
});
