// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DataTable, type DataColumn, type DataGroup } from '@/components/DataTable';
import { rowAfter } from '@/lib/useGridKeys';

vi.stubGlobal(
    'ResizeObserver',
    class {
        observe() {}
        unobserve() {}
        disconnect() {}
    },
);

interface Fruit {
    name: string;
    weight: number;
    note: string;
}

const FRUIT: Fruit[] = [
    { name: 'pear', weight: 30, note: 'green' },
    { name: 'apple', weight: 200, note: 'red' },
    { name: 'fig', weight: 9, note: 'blue' },
];

const COLUMNS: DataColumn<Fruit>[] = [
    { id: 'name', head: 'Name', sort: (row) => row.name, cell: (row) => <a href={`/${row.name}`}>{row.name}</a> },
    { id: 'weight', head: 'Weight', right: true, sort: (row) => row.weight, cell: (row) => row.weight },
    { id: 'note', head: 'Note', wide: true, cell: (row) => row.note, title: (row) => row.note },
];

function Basket({
    open: first = null,
    ...more
}: {
    open?: string | null;
    groups?: DataGroup<Fruit>[];
    narrow?: boolean;
    heard?: (name: string) => void;
}) {
    const [open, setOpen] = useState(first);
    const [picked, setPicked] = useState<Set<string>>(new Set());
    return (
        <DataTable
            name="fruit"
            label="Fruit"
            columns={COLUMNS}
            rows={more.groups ? undefined : FRUIT}
            groups={more.groups}
            narrow={more.narrow}
            keyOf={(row) => row.name}
            open={open}
            onOpen={(row) => {
                setOpen(row.name);
                more.heard?.(row.name);
            }}
            detail={(row) => row.name === 'fig' && <span>dried</span>}
            ticks={{
                picked: (row) => picked.has(row.name),
                may: (row) => row.name !== 'fig',
                label: (row) => `Tick ${row.name}`,
                all: 'Tick all',
                group: (group) => `Tick group ${group.key}`,
                onPick: (rows, on) =>
                    setPicked((old) => {
                        const next = new Set(old);
                        rows.forEach((row) => (on ? next.add(row.name) : next.delete(row.name)));
                        return next;
                    }),
            }}
        />
    );
}

/** Gives everything a height, as a browser would. */
function tall(height: number): void {
    Object.defineProperty(HTMLElement.prototype, 'clientHeight', { configurable: true, get: () => height });
}

const rows = () => Array.from(document.querySelectorAll<HTMLElement>('[data-row]'));
const names = () => rows().map((row) => row.querySelector('a')?.textContent);

beforeEach(() => window.localStorage.clear());
afterEach(cleanup);

describe('rowAfter', () => {
    it.each([
        ['ArrowDown', 0, 5, 1],
        ['ArrowDown', 4, 5, 4],
        ['ArrowDown', -1, 5, 0],
        ['ArrowUp', 0, 5, 0],
        ['PageDown', 2, 40, 14],
        ['PageUp', 2, 40, 0],
        ['End', 0, 40, 39],
        ['Home', 9, 40, 0],
    ])('%s from row %i of %i leads to %i', (key, at, count, to) => expect(rowAfter(key, at, count)).toBe(to));

    it('knows no way for other keys, or where there are no rows', () => {
        expect(rowAfter('x', 0, 5)).toBeUndefined();
        expect(rowAfter('ArrowDown', -1, 0)).toBeUndefined();
    });
});

describe('DataTable', () => {
    it('is a grid with its rows and columns counted', () => {
        render(<Basket />);
        const grid = screen.getByRole('grid', { name: 'Fruit' });
        expect(grid.getAttribute('aria-rowcount')).toBe('4');
        expect(grid.getAttribute('aria-colcount')).toBe('4');
        expect(rows().map((row) => row.getAttribute('aria-rowindex'))).toEqual(['2', '3', '4']);
        expect(screen.getByText('dried')).toBeTruthy();
    });

    it('has one tab stop for its rows, which goes with the focus', () => {
        render(<Basket />);
        const stops = () => rows().map((row) => row.tabIndex);
        expect(stops()).toEqual([0, -1, -1]);
        expect(rows().map((row) => row.querySelector('a')?.tabIndex)).toEqual([0, -1, -1]);
        rows()[0]?.focus();
        fireEvent.keyDown(document.activeElement as Element, { key: 'ArrowDown' });
        expect(document.activeElement).toBe(rows()[1]);
        expect(stops()).toEqual([-1, 0, -1]);
        fireEvent.keyDown(document.activeElement as Element, { key: 'End' });
        expect(document.activeElement).toBe(rows()[2]);
    });

    it('goes into a row with Right and comes back with Left', () => {
        render(<Basket />);
        rows()[0]?.focus();
        fireEvent.keyDown(document.activeElement as Element, { key: 'ArrowRight' });
        expect(document.activeElement?.getAttribute('aria-label')).toBe('Tick pear');
        fireEvent.keyDown(document.activeElement as Element, { key: 'ArrowRight' });
        expect(document.activeElement?.textContent).toBe('pear');
        fireEvent.keyDown(document.activeElement as Element, { key: 'ArrowLeft' });
        expect(document.activeElement).toBe(rows()[0]);
    });

    it('sorts by a head, up and down and not at all', async () => {
        render(<Basket />);
        expect(names()).toEqual(['pear', 'apple', 'fig']);
        const head = screen.getByRole('button', { name: 'Weight' });
        await userEvent.click(head);
        expect(names()).toEqual(['fig', 'pear', 'apple']);
        expect(head.closest('th')?.getAttribute('aria-sort')).toBe('ascending');
        await userEvent.click(head);
        expect(names()).toEqual(['apple', 'pear', 'fig']);
        await userEvent.click(head);
        expect(names()).toEqual(['pear', 'apple', 'fig']);
        expect(screen.queryByRole('button', { name: 'Note' })).toBeNull();
    });

    it('opens what the focus comes to', async () => {
        const heard = vi.fn();
        render(<Basket heard={heard} />);
        await userEvent.click(screen.getByText('red'));
        expect(heard).toHaveBeenCalledWith('apple');
        expect(rows()[1]?.className).toMatch(/(?:^| )bg-act-tint(?: |$)/);
    });

    it('ticks with Space what may be ticked, and all at once', async () => {
        render(<Basket />);
        rows()[2]?.focus();
        fireEvent.keyDown(document.activeElement as Element, { key: ' ' });
        expect(rows()[2]?.getAttribute('aria-selected')).toBe('false');
        rows()[0]?.focus();
        fireEvent.keyDown(document.activeElement as Element, { key: ' ' });
        expect(rows()[0]?.getAttribute('aria-selected')).toBe('true');
        expect(screen.getByLabelText<HTMLInputElement>('Tick all').indeterminate).toBe(true);
        await userEvent.click(screen.getByLabelText('Tick all'));
        expect(rows().map((row) => row.getAttribute('aria-selected'))).toEqual(['true', 'true', 'false']);
        expect(screen.queryByLabelText('Tick fig')).toBeNull();
    });

    it('stands under headings, whose boxes tick their rows', async () => {
        render(
            <Basket
                groups={[
                    { key: 'light', label: 'Light', rows: FRUIT.filter((one) => one.weight < 100) },
                    { key: 'heavy', label: 'Heavy', value: '200', rows: FRUIT.filter((one) => one.weight >= 100) },
                ]}
            />,
        );
        expect(screen.getByRole('rowheader', { name: 'Heavy' })).toBeTruthy();
        expect(rows().map((row) => row.getAttribute('aria-rowindex'))).toEqual(['2', '3', '4']);
        await userEvent.click(screen.getByLabelText('Tick group light'));
        expect(rows().map((row) => row.getAttribute('aria-selected'))).toEqual(['true', 'false', 'false']);
        expect(screen.queryByRole('button', { name: 'Weight' })).toBeNull();
    });

    it('leaves wide columns out beside a panel, and those that a person has put away', async () => {
        const { rerender } = render(<Basket narrow />);
        expect(screen.queryByText('Note')).toBeNull();
        rerender(<Basket />);
        expect(screen.getByText('Note')).toBeTruthy();
        await userEvent.click(screen.getByLabelText('Choose columns'));
        await userEvent.click(
            within(await screen.findByText('Columns as they were').then((one) => one.parentElement as HTMLElement)).getByLabelText(
                'Weight',
            ),
        );
        expect(screen.queryByRole('columnheader', { name: 'Weight' })).toBeNull();
        cleanup();
        render(<Basket />);
        expect(screen.queryByRole('columnheader', { name: 'Weight' })).toBeNull();
    });

    it('puts columns where a person wants them, keeps that, and puts them back', async () => {
        localStorage.clear();
        const heads = () => screen.getAllByRole('columnheader').map((head) => head.textContent);
        render(<Basket />);
        expect(heads()).toEqual(['', 'Name', 'Weight', 'Note']);
        await userEvent.click(screen.getByLabelText('Choose columns'));
        expect((await screen.findByRole<HTMLButtonElement>('button', { name: 'Weight earlier' })).disabled).toBe(true);
        await userEvent.click(screen.getByRole('button', { name: 'Note earlier' }));
        expect(heads()).toEqual(['', 'Name', 'Note', 'Weight']);
        cleanup();
        render(<Basket />);
        expect(heads()).toEqual(['', 'Name', 'Note', 'Weight']);
        await userEvent.click(screen.getByLabelText('Choose columns'));
        await userEvent.click(await screen.findByText('Columns as they were'));
        expect(heads()).toEqual(['', 'Name', 'Weight', 'Note']);
    });

    it('draws only the rows in sight, sorts all of them, and goes to any by key', async () => {
        const many = Array.from({ length: 620 }, (_, n) => ({ name: `fruit ${n}`, weight: 1000 - n, note: '' }));
        const more = vi.fn();
        tall(320);
        render(<DataTable name="many" label="Many" columns={COLUMNS} rows={many} keyOf={(row) => row.name} more={more} />);
        await waitFor(() => expect(rows().length).toBeGreaterThan(10));
        expect(rows().length).toBeLessThan(40);
        expect(screen.getByRole('grid').getAttribute('aria-rowcount')).toBe('621');
        expect(more).not.toHaveBeenCalled();
        await userEvent.click(screen.getByRole('button', { name: 'Weight' }));
        expect(names()[0]).toBe('fruit 619');
        rows()[0]?.focus();
        fireEvent.keyDown(document.activeElement as Element, { key: 'ArrowDown' });
        expect(document.activeElement?.getAttribute('aria-rowindex')).toBe('3');
    });

    it('asks for more rows when those that are there come to their end', async () => {
        const more = vi.fn();
        const few = Array.from({ length: 20 }, (_, n) => ({ name: `fruit ${n}`, weight: n, note: '' }));
        const { rerender } = render(
            <DataTable name="few" label="Few" columns={COLUMNS} rows={few} keyOf={(row) => row.name} more={more} total={5000} />,
        );
        expect(more).toHaveBeenCalledTimes(1);
        expect(screen.getByRole('grid').getAttribute('aria-rowcount')).toBe('5001');
        rerender(<DataTable name="few" label="Few" columns={COLUMNS} rows={few} keyOf={(row) => row.name} more={null} />);
        expect(more).toHaveBeenCalledTimes(1);
    });

    it('leaves sorting to who has all rows', async () => {
        const asked = vi.fn();
        const columns = COLUMNS.map((column) => ({ ...column, sort: column.id === 'note' ? undefined : (true as const) }));
        const table = (by: string) => (
            <DataTable name="s" label="S" columns={columns} rows={FRUIT} keyOf={(row) => row.name} order={{ by, onChange: asked }} />
        );
        const { rerender } = render(table(''));
        await userEvent.click(screen.getByRole('button', { name: 'Weight' }));
        expect(asked).toHaveBeenLastCalledWith('weight');
        rerender(table('weight'));
        expect(names()).toEqual(['pear', 'apple', 'fig']);
        expect(screen.getByRole('columnheader', { name: 'Weight' }).getAttribute('aria-sort')).toBe('ascending');
        await userEvent.click(screen.getByRole('button', { name: 'Weight' }));
        expect(asked).toHaveBeenLastCalledWith('-weight');
        expect(screen.queryByRole('button', { name: 'Note' })).toBeNull();
    });
});
