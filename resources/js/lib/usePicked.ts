import { useState } from 'react';

interface Picked<Row> {
    picked: ReadonlySet<string>;
    /** Picks rows, or picks them no longer. */
    onPick: (rows: Row[], on: boolean) => void;
    clear: () => void;
    add: (key: string) => void;
}

/** The rows that a person has picked in a list, by their keys. */
export function usePicked<Row>(keyOf: (row: Row) => string): Picked<Row> {
    const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
    return {
        picked,
        onPick: (rows, on) =>
            setPicked((before) => {
                const next = new Set(before);
                rows.forEach((row) => (on ? next.add(keyOf(row)) : next.delete(keyOf(row))));
                return next;
            }),
        clear: () => setPicked(new Set()),
        add: (key) => setPicked((before) => new Set([...before, key])),
    };
}
