import { useCallback, useState } from 'react';

function read<T>(name: string, otherwise: T): T {
    try {
        const kept = window.localStorage.getItem(`yposta.${name}`);
        return kept === null ? otherwise : (JSON.parse(kept) as T);
    } catch {
        return otherwise; // no room, or not what was kept: as if nothing were kept
    }
}

/** State that the browser keeps for the person under a name. */
export function useKept<T>(name: string, otherwise: T): [T, (next: T | ((old: T) => T)) => void] {
    const [value, setValue] = useState(() => read(name, otherwise));
    const keep = useCallback(
        (next: T | ((old: T) => T)) =>
            setValue((old) => {
                const now = typeof next === 'function' ? (next as (old: T) => T)(old) : next;
                try {
                    window.localStorage.setItem(`yposta.${name}`, JSON.stringify(now));
                } catch {
                    // it is kept for this page only
                }
                return now;
            }),
        [name],
    );
    return [value, keep];
}
