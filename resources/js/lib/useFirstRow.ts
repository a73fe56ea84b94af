import { useEffect } from 'react';

/** A button or a link of the page, above its grid, that does nothing of its own with arrow keys. */
const ABOVE = '#page button:not([aria-haspopup], [role]), #page a[href]';

/** The arrow down key goes to the first grid of a page, from where nothing has the focus or from a button above it. */
export function useFirstRow(): void {
    useEffect(() => {
        const onKey = (event: globalThis.KeyboardEvent) => {
            const focus = document.activeElement;
            const above = focus !== null && focus.matches(ABOVE) && focus.closest('[data-row], [data-cell], [role=dialog]') === null;
            const idle = focus === document.body || focus?.id === 'page' || above;
            const stop =
                event.key === 'ArrowDown' && !event.defaultPrevented && idle
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
