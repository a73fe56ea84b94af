// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { useRef, useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { useFirstRow } from '@/lib/useFirstRow';
import { cellAfter, rowAfter, useGridKeys, type Place } from '@/lib/useGridKeys';
import { focused } from './kit';

afterEach(cleanup);

describe('where a key leads', () => {
    it.each([
        ['ArrowDown', [1, 1], [2, 1]],
        ['ArrowUp', [1, 1], [0, 1]],
        ['ArrowLeft', [1, 1], [1, 0]],
        ['ArrowRight', [1, 1], [1, 2]],
        ['Home', [1, 1], [1, 0]],
        ['End', [1, 1], [1, 4]],
        ['PageDown', [1, 1], [8, 1]],
        ['PageUp', [8, 1], [1, 1]],
    ] as [string, Place, Place][])('%s from %j goes to %j', (key, from, to) => {
        expect(cellAfter(key, false, from, { rows: 20, columns: 5, page: () => 7 })).toEqual(to);
    });

    it.each([
        ['ArrowDown', [19, 2]],
        ['ArrowRight', [3, 4]],
        ['ArrowUp', [0, 0]],
        ['ArrowLeft', [4, 0]],
        ['PageDown', [19, 0]],
    ] as [string, Place][])('%s stays at %j, the edge', (key, at) => {
        expect(cellAfter(key, false, at, { rows: 20, columns: 5 })).toEqual(at);
    });

    it('goes to the ends of all with Ctrl, and leaves other keys with Ctrl to the browser', () => {
        const cells = { rows: 20, columns: 5 };
        expect(cellAfter('Home', true, [7, 3], cells)).toEqual([0, 0]);
        expect(cellAfter('End', true, [7, 3], cells)).toEqual([19, 4]);
        expect(cellAfter('ArrowDown', true, [7, 3], cells)).toBeUndefined();
        expect(cellAfter('a', false, [7, 3], cells)).toBeUndefined();
    });

    it('goes nowhere where there is nothing', () => {
        expect(cellAfter('ArrowDown', false, [0, 0], { rows: 0, columns: 5 })).toBeUndefined();
        expect(rowAfter('ArrowDown', 0, 0)).toBeUndefined();
        expect(rowAfter('x', 0, 5)).toBeUndefined();
        expect(rowAfter('ArrowDown', -1, 5)).toBe(0);
        expect(rowAfter('End', 1, 5)).toBe(4);
        expect(rowAfter('PageDown', 1, 5)).toBe(4);
    });
});

const TALL = 40;
const WIDE = 3;
const SEEN = 6;

/** A grid that draws only the rows in sight, as a virtual one does. */
function Window({ onMove, keep = true }: { onMove?: (place: Place) => void; keep?: boolean }) {
    const grid = useRef<HTMLDivElement>(null);
    const [top, setTop] = useState(0);
    const keys = useGridKeys(grid, {
        rows: TALL,
        columns: WIDE,
        page: () => SEEN,
        onMove,
        reveal: (row) => setTop((old) => (row < old ? row : row >= old + SEEN ? row - SEEN + 1 : old)),
    });
    const rows = Array.from({ length: SEEN }, (_, n) => top + n);
    const drawn = keep && !rows.includes(keys.at[0]) ? [keys.at[0], ...rows] : rows;
    return (
        <>
            <button onClick={() => setTop(30)}>scroll</button>
            <div ref={grid} role="grid" onKeyDown={keys.onKeyDown} onFocus={keys.onFocus}>
                {drawn.map((row) => (
                    <div key={row} role="row">
                        {Array.from({ length: WIDE }, (_, column) => (
                            <div key={column} role="gridcell" tabIndex={-1} data-cell={`${row}:${column}`}>
                                {`${row},${column}`}
                            </div>
                        ))}
                    </div>
                ))}
            </div>
            <button>after</button>
        </>
    );
}

const stops = () => Array.from(document.querySelectorAll<HTMLElement>('[data-cell][tabindex="0"]')).map((cell) => cell.textContent);

describe('a grid of cells', () => {
    it('has one tab stop, where the focus was last', async () => {
        const user = userEvent.setup();
        render(<Window />);
        expect(stops()).toEqual(['0,0']);
        await user.click(screen.getByText('2,1'));
        expect(stops()).toEqual(['2,1']);
        await user.tab();
        expect(focused()).toBe('after');
        await user.tab({ shift: true });
        expect(focused()).toBe('2,1');
    });

    it('goes on to rows that are not drawn yet, and tells where it went', async () => {
        const user = userEvent.setup();
        const moved = vi.fn();
        render(<Window onMove={moved} />);
        await user.click(screen.getByText('0,1'));
        await user.keyboard('{PageDown}{PageDown}{ArrowDown}');
        expect(focused()).toBe('13,1');
        expect(screen.getByText('12,1')).toBeTruthy(); // brought into sight, not drawn by itself
        expect(moved).toHaveBeenLastCalledWith([13, 1]);
        await user.keyboard('{Control>}{End}{/Control}');
        expect(focused()).toBe('39,2');
        await user.keyboard('{Control>}{Home}{/Control}');
        expect(focused()).toBe('0,0');
        expect(stops()).toEqual(['0,0']);
    });

    it('keeps the focus while it is scrolled away, and another tab stop where that cell is not drawn', async () => {
        const user = userEvent.setup();
        const { unmount } = render(<Window />);
        await user.click(screen.getByText('1,2'));
        screen.getByText('scroll').click();
        await screen.findByText('33,0');
        expect(focused()).toBe('1,2');
        await user.keyboard('{ArrowDown}');
        expect(focused()).toBe('2,2');
        unmount();
        render(<Window keep={false} />);
        await user.click(screen.getByText('1,2'));
        screen.getByText('scroll').click();
        await screen.findByText('33,0');
        expect(stops()).toEqual(['30,2']);
    });

    it('leaves keys alone that somebody else has used, and those with Alt', async () => {
        const user = userEvent.setup();
        render(
            <div onKeyDownCapture={(event) => event.key === 'ArrowDown' && event.preventDefault()}>
                <Window />
            </div>,
        );
        await user.click(screen.getByText('1,1'));
        await user.keyboard('{ArrowDown}');
        expect(focused()).toBe('1,1');
        await user.keyboard('{Alt>}{ArrowRight}{/Alt}');
        expect(focused()).toBe('1,1');
        await user.keyboard('{ArrowRight}');
        expect(focused()).toBe('1,2');
    });
});

function List({ names }: { names: string[] }) {
    const list = useRef<HTMLUListElement>(null);
    const keys = useGridKeys(list);
    return (
        <ul ref={list} onKeyDown={keys.onKeyDown} onFocus={keys.onFocus}>
            {names.map((name) => (
                <li key={name} data-row tabIndex={-1}>
                    {name}
                    <button>{`do ${name}`}</button>
                    <input aria-label={`type ${name}`} />
                </li>
            ))}
        </ul>
    );
}

describe('a list of rows', () => {
    it('is one tab stop with what can be used in its row, and no other', () => {
        render(<List names={['ash', 'birch', 'cedar']} />);
        const reachable = Array.from(document.querySelectorAll<HTMLElement>('[tabindex="0"]'));
        expect(reachable.map((one) => one.tagName)).toEqual(['LI', 'BUTTON', 'INPUT']);
        expect(reachable[0]?.textContent).toContain('ash');
    });

    it('goes into a row with Right and comes back with Left or Escape', async () => {
        const user = userEvent.setup();
        render(<List names={['ash', 'birch', 'cedar']} />);
        await user.tab();
        await user.keyboard('{ArrowDown}{ArrowRight}');
        expect(focused()).toBe('do birch');
        await user.keyboard('{ArrowLeft}');
        expect(focused()).toContain('birch');
        await user.keyboard('{ArrowRight}{ArrowRight}');
        expect(document.activeElement).toBe(screen.getByLabelText('type birch'));
        await user.keyboard('12{ArrowLeft}{ArrowDown}{Home}3');
        expect(screen.getByLabelText<HTMLInputElement>('type birch').value).toBe('312');
        await user.keyboard('{Escape}{ArrowDown}');
        expect(focused()).toContain('cedar');
    });

    it('keeps a stop when rows go', async () => {
        const user = userEvent.setup();
        const { rerender } = render(<List names={['ash', 'birch', 'cedar']} />);
        await user.tab();
        await user.keyboard('{End}');
        expect(focused()).toContain('cedar');
        rerender(<List names={['ash']} />);
        expect(document.querySelector('[data-row][tabindex="0"]')?.textContent).toContain('ash');
    });
});

function Page({ grid }: { grid: boolean }) {
    useFirstRow();
    return (
        <main id="page" tabIndex={-1}>
            <button>other</button>
            <button aria-haspopup="menu">menu</button>
            <input aria-label="typed" />
            {grid ? <Window /> : <List names={['ash', 'birch']} />}
        </main>
    );
}

describe('Down on a page', () => {
    it.each([
        [true, '0,0'],
        [false, 'ash'],
    ])('enters what stands on it (a grid: %s)', async (grid, first) => {
        const user = userEvent.setup();
        render(<Page grid={grid} />);
        await user.keyboard('{ArrowDown}');
        expect(document.activeElement?.matches('[data-row], [data-cell]')).toBe(true);
        expect(focused()).toContain(first);
    });

    it('enters it from a button above it, too, which has no use for the key', async () => {
        const user = userEvent.setup();
        render(<Page grid={false} />);
        screen.getByText('other').focus();
        await user.keyboard('{ArrowDown}');
        expect(focused()).toContain('ash');
    });

    it('does nothing while a field or a menu has the focus', async () => {
        const user = userEvent.setup();
        render(<Page grid={false} />);
        screen.getByLabelText('typed').focus();
        await user.keyboard('{ArrowDown}');
        expect(document.activeElement).toBe(screen.getByLabelText('typed'));
        screen.getByText('menu').focus();
        await user.keyboard('{ArrowDown}');
        expect(focused()).toBe('menu');
    });
});
