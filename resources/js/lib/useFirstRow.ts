import { useEffect } from 'react';

/** From a page on which nothing has the focus, the arrow down key goes to the tab stop of its first grid. */
export function useFirstRow(): void {
    useEffect(() => {
        const onKey = (event: globalThis.KeyboardEvent) => {
            const idle = document.activeElement === document.body || document.activeElement?.id === 'page';
            const stop =
                event.key === 'ArrowDown' && idle
                    ? document.querySelector<HTMLElement>('#page [data-row], #page [data-cell][tabindex="0"]')
                    : null;
            if (stop) {
                event.preventDefault();
                stop.focus();
            }
        };
        document.addEventListener('keydown', onKey);
        return () => document.removeEventListener('keydown', onKey);
    }, []);
}
