import { useEffect, useLayoutEffect, useRef, useState, type KeyboardEvent, type RefObject } from 'react';

const STOPS = 'a[href], button, input, select, textarea';
const TYPED = 'input:not([type=checkbox]), select, textarea';
const PAGE = 12;

/** Row and column, from 0. */
export type Place = readonly [number, number];

/** A grid whose cells are gone through one by one: they carry `data-cell="row:column"`. Its rows need not all be drawn. */
export interface Cells {
    rows: number;
    columns: number;
    /** The tab stop at first. */
    start?: Place;
    /** Brings a cell into sight that may not be drawn yet. */
    reveal?: (row: number, column: number) => void;
    /** How many rows Page up and down go by. */
    page?: () => number;
    /** A key led here. */
    onMove?: (place: Place) => void;
}

const within = (value: number, count: number) => Math.max(0, Math.min(count - 1, value));

/** A list of which only the rows in sight are drawn; each carries its number as `data-row`. */
export interface DrawnRows {
    rows: number;
    /** Brings a row into sight that may not be drawn yet. */
    reveal: (row: number) => void;
}

/** Where a key leads from a row of so many; undefined where the key is not one of moving. */
export function rowAfter(key: string, at: number, rows: number): number | undefined {
    const to = {
        ArrowDown: at + 1,
        ArrowUp: at - 1,
        PageDown: at + PAGE,
        PageUp: at - PAGE,
        Home: 0,
        End: rows - 1,
    }[key];
    return to === undefined || rows === 0 ? undefined : within(to, rows);
}

/** Where a key leads from a cell: Home and End to the ends of its row, with Ctrl of the grid; undefined where it is not one of moving. */
export function cellAfter(key: string, ctrl: boolean, [row, column]: Place, cells: Cells): Place | undefined {
    const page = cells.page?.() ?? PAGE;
    const to: Record<string, Place> = {
        ArrowDown: [row + 1, column],
        ArrowUp: [row - 1, column],
        ArrowRight: [row, column + 1],
        ArrowLeft: [row, column - 1],
        PageDown: [row + page, column],
        PageUp: [row - page, column],
        Home: [ctrl ? 0 : row, 0],
        End: [ctrl ? cells.rows - 1 : row, cells.columns - 1],
    };
    const next = to[key];
    return next === undefined || cells.rows === 0 || (ctrl && key !== 'Home' && key !== 'End')
        ? undefined
        : [within(next[0], cells.rows), within(next[1], cells.columns)];
}

interface GridKeys {
    /** The place that had the focus last: the tab stop. */
    at: Place;
    /** Gives the focus to a cell, drawn or not. */
    moveTo: (place: Place) => void;
    onKeyDown: (event: KeyboardEvent<HTMLElement>) => void;
    onFocus: (event: { target: EventTarget }) => void;
}

/**
 * Keys of a grid by the pattern of the ARIA grid: one tab stop for all of it, where the focus was last. Without cells its rows are gone
 * through: they carry `data-row`; arrows, Page up and down, Home and End move among them, Right goes into what can be used in a row, Left
 * and Escape come back, and what can be used in a row is a tab stop only while the row is; one that is not drawn is brought into sight.
 * With cells the keys go from cell to cell; a cell that is not drawn is brought into sight first, and while the one that had the focus is
 * out of sight another drawn one is the tab stop.
 */
export function useGridKeys(grid: RefObject<HTMLElement | null>, cells?: Cells, drawn?: DrawnRows): GridKeys {
    const [at, setAt] = useState<Place>(cells?.start ?? [0, 0]);
    const wanted = useRef<Place | null>(null);

    useLayoutEffect(() => {
        const element = grid.current;
        if (element && cells) {
            stopAtCell(element, at);
        } else if (element) {
            stopAtRow(element, at[0]);
        }
    });
    useEffect(() => {
        const next = wanted.current && grid.current ? (cells ? cellAt : rowAt)(grid.current, wanted.current) : null;
        if (next) {
            wanted.current = null;
            next.focus();
        }
    });

    const moveTo = (place: Place) => {
        cells?.reveal?.(...place); // this may draw at once, with the place of before: only then say where the focus goes
        wanted.current = place;
        setAt([...place]);
    };
    const onFocus = (event: { target: EventTarget }) => {
        const target = event.target as HTMLElement;
        const row = rowOf(target);
        const place = placeOf(target) ?? (grid.current && row ? ([numberOf(grid.current, row), 0] as const) : null);
        if (place) {
            setAt((old) => (old[0] === place[0] && old[1] === place[1] ? old : place));
        }
    };
    const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
        if (event.defaultPrevented || event.altKey || event.metaKey) {
            return;
        }
        if (cells === undefined) {
            const to = amongRows(event, drawn);
            if (to !== undefined) {
                drawn?.reveal(to);
                wanted.current = [to, 0];
                setAt([to, 0]);
            }
            return;
        }
        const from = placeOf(event.target as HTMLElement);
        const to = from && cellAfter(event.key, event.ctrlKey, from, cells);
        if (to) {
            event.preventDefault();
            moveTo(to);
            cells.onMove?.(to);
        }
    };

    return { at, moveTo, onKeyDown, onFocus };
}

const rowsOf = (grid: HTMLElement) => Array.from(grid.querySelectorAll<HTMLElement>('[data-row]'));
const rowOf = (element: HTMLElement) => element.closest<HTMLElement>('[data-row]');
/** The number that a row carries, else its place among those drawn. */
const numberOf = (grid: HTMLElement, row: HTMLElement) =>
    /^\d+$/.test(row.dataset.row ?? '') ? Number(row.dataset.row) : rowsOf(grid).indexOf(row);
const rowAt = (grid: HTMLElement, [row]: Place) => rowsOf(grid).find((one) => numberOf(grid, one) === row) ?? null;
const cellAt = (grid: HTMLElement, [row, column]: Place) => grid.querySelector<HTMLElement>(`[data-cell="${row}:${column}"]`);

function placeOf(element: HTMLElement): Place | null {
    const [row, column] = element.closest<HTMLElement>('[data-cell]')?.dataset.cell?.split(':').map(Number) ?? [];
    return row === undefined || column === undefined ? null : [row, column];
}

function stopAtCell(grid: HTMLElement, at: Place): void {
    const stop = cellAt(grid, at) ?? grid.querySelector<HTMLElement>(`[data-cell$=":${at[1]}"]`) ?? grid.querySelector('[data-cell]');
    grid.querySelectorAll<HTMLElement>('[data-cell]').forEach((cell) => {
        cell.tabIndex = cell === stop ? 0 : -1;
    });
}

function stopAtRow(grid: HTMLElement, at: number): void {
    const rows = rowsOf(grid);
    const stop = rowAt(grid, [at, 0]) ?? rows[Math.min(at, rows.length - 1)];
    rows.forEach((row) => {
        row.tabIndex = row === stop ? 0 : -1;
        row.querySelectorAll<HTMLElement>(STOPS).forEach((element) => {
            element.tabIndex = row === stop ? 0 : -1;
        });
    });
}

/** Deals with a key among rows; gives the row to go to where that is not drawn. */
function amongRows(event: KeyboardEvent<HTMLElement>, drawn: DrawnRows | undefined): number | undefined {
    const target = event.target as HTMLElement;
    const row = rowOf(target);
    const types = target.matches(TYPED);
    if (event.ctrlKey) {
        return undefined;
    }
    if (row && target !== row && (event.key === 'Escape' || (event.key === 'ArrowLeft' && !types))) {
        event.preventDefault();
        row.focus();
        return undefined;
    }
    if (types) {
        return undefined;
    }
    if (row && event.key === 'ArrowRight') {
        const stops = Array.from(row.querySelectorAll<HTMLElement>(STOPS));
        const next = stops[stops.indexOf(target) + 1];
        if (next) {
            event.preventDefault();
            next.focus();
        }
        return undefined;
    }
    const to = rowAfter(event.key, row ? numberOf(event.currentTarget, row) : -1, drawn?.rows ?? rowsOf(event.currentTarget).length);
    if (to === undefined) {
        return undefined;
    }
    event.preventDefault();
    const next = rowAt(event.currentTarget, [to, 0]);
    next?.focus();
    return next ? undefined : to;
}
