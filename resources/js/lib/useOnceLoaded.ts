import { useEffect, useEffectEvent, useRef } from 'react';

/**
 * Does something once so many rows of a list are there: what is missing is loaded first.
 *
 * @param does is called with what was given, when the rows that it needs are there
 */
export function useOnceLoaded<Given>(
    loaded: number,
    total: number,
    more: (() => void) | null,
    does: (given: Given) => void,
): (rows: number, given: Given) => void {
    const waits = useRef<{ rows: number; given: Given } | null>(null);
    const go = useEffectEvent(() => {
        const wanted = waits.current;
        if (wanted === null) {
            return;
        }
        if (loaded >= Math.min(wanted.rows, total)) {
            waits.current = null;
            does(wanted.given);
        } else {
            more?.();
        }
    });
    useEffect(() => go(), [loaded, more]);
    return (rows, given) => {
        if (loaded >= Math.min(rows, total)) {
            does(given);
        } else {
            waits.current = { rows, given };
            more?.();
        }
    };
}
