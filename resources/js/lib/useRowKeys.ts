import { useEffect, type KeyboardEvent } from 'react';

/**
 * Arrow keys, Home and End move the focus among the rows of a list. Rows carry the attribute `data-row`;
 * a key that a row does not use itself comes here.
 */
export function moveAmongRows(event: KeyboardEvent<HTMLElement>): void {
    const target = event.target as HTMLElement;
    if (target.matches('input:not([type=checkbox]), select, textarea') || event.altKey || event.ctrlKey || event.metaKey) {
        return;
    }
    const rows = Array.from(event.currentTarget.querySelectorAll<HTMLElement>('[data-row]'));
    const at = rows.findIndex((row) => row.contains(target));
    const to = { ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: rows.length - 1 }[event.key];
    const row = to === undefined ? undefined : rows[Math.max(0, Math.min(rows.length - 1, to))];
    if (row) {
        event.preventDefault();
        row.focus();
    }
}

/** From a page on which nothing has the focus, the arrow down key goes to its first row. */
export function useFirstRow(): void {
    useEffect(() => {
        const onKey = (event: globalThis.KeyboardEvent) => {
            const idle = document.activeElement === document.body || document.activeElement?.id === 'page';
            const row = event.key === 'ArrowDown' && idle ? document.querySelector<HTMLElement>('#page [data-row]') : null;
            if (row) {
                event.preventDefault();
                row.focus();
            }
        };
        document.addEventListener('keydown', onKey);
        return () => document.removeEventListener('keydown', onKey);
    }, []);
}
