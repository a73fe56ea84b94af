import { useCallback, useLayoutEffect, useState, type KeyboardEvent, type RefObject } from 'react';

const STOPS = 'a[href], button, input, select, textarea';
const PAGE = 12;

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
    return to === undefined || rows === 0 ? undefined : Math.max(0, Math.min(rows - 1, to));
}

/**
 * Keys of a grid whose rows carry `data-row`, by the pattern of the ARIA grid: one tab stop for all rows, on the row that had the focus last.
 * Arrows, Page up and down, Home and End move among rows; Right goes into what can be used in a row, Left and Escape come back. What can be
 * used in a row is a tab stop only while the row is.
 */
export function useGridKeys(grid: RefObject<HTMLElement | null>): {
    onKeyDown: (event: KeyboardEvent<HTMLElement>) => void;
    onFocus: (event: { target: EventTarget }) => void;
} {
    const [at, setAt] = useState(0);

    useLayoutEffect(() => {
        const rows = Array.from(grid.current?.querySelectorAll<HTMLElement>('[data-row]') ?? []);
        const stop = Math.min(at, rows.length - 1);
        rows.forEach((row, place) => {
            row.tabIndex = place === stop ? 0 : -1;
            row.querySelectorAll<HTMLElement>(STOPS).forEach((element) => {
                element.tabIndex = place === stop ? 0 : -1;
            });
        });
    });

    const rowsOf = (element: HTMLElement) => Array.from(element.querySelectorAll<HTMLElement>('[data-row]'));
    const onFocus = useCallback(
        (event: { target: EventTarget }) => {
            const row = (event.target as HTMLElement).closest<HTMLElement>('[data-row]');
            if (row && grid.current) {
                setAt(rowsOf(grid.current).indexOf(row));
            }
        },
        [grid],
    );
    const onKeyDown = useCallback((event: KeyboardEvent<HTMLElement>) => {
        const target = event.target as HTMLElement;
        if (event.defaultPrevented || event.altKey || event.ctrlKey || event.metaKey) {
            return;
        }
        const row = target.closest<HTMLElement>('[data-row]');
        const types = target.matches('input:not([type=checkbox]), select, textarea');
        if (row && target !== row && (event.key === 'Escape' || (event.key === 'ArrowLeft' && !types))) {
            event.preventDefault();
            row.focus();
            return;
        }
        if (types) {
            return;
        }
        if (row && event.key === 'ArrowRight') {
            const stops = Array.from(row.querySelectorAll<HTMLElement>(STOPS));
            const next = stops[stops.indexOf(target) + 1];
            if (next) {
                event.preventDefault();
                next.focus();
            }
            return;
        }
        const rows = rowsOf(event.currentTarget);
        const to = rowAfter(event.key, row ? rows.indexOf(row) : -1, rows.length);
        if (to !== undefined) {
            event.preventDefault();
            rows[to]?.focus();
        }
    }, []);

    return { onKeyDown, onFocus };
}
