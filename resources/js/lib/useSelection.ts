import { useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Place } from '@/lib/useGridKeys';

/** The cells from one corner to the other, both included. */
export interface Block {
    top: number;
    left: number;
    bottom: number;
    right: number;
}

export function inBlock({ top, left, bottom, right }: Block, row: number, column: number): boolean {
    return row >= top && row <= bottom && column >= left && column <= right;
}

export function cellsOf({ top, left, bottom, right }: Block): number {
    return (bottom - top + 1) * (right - left + 1);
}

interface Selection {
    block: Block;
    /** The cell that has the focus is one corner; without Shift it is the other one, too. */
    moved: (event: { shiftKey: boolean }) => void;
    /** A block as it is given, the focus staying where it is. */
    take: (block: Block) => void;
    /** All cells, the focus staying where it is. */
    all: (rows: number, columns: number) => void;
    /** Drawn with the pointer from cell to cell; a cell calls them with its own place. */
    onPointerDown: (event: PointerEvent, place: Place) => void;
    onPointerEnter: (event: PointerEvent, place: Place) => void;
    onKeyDown: (event: KeyboardEvent) => void;
}

/**
 * A block of cells, from a corner to the cell with the focus: with Shift the keys and the pointer take it along.
 *
 * @param at the cell that has the focus
 * @param moveTo gives it to another
 */
export function useSelection(at: Place, moveTo: (place: Place) => void): Selection {
    const [corner, setCorner] = useState<Place | null>(null);
    const [far, setFar] = useState<Place | null>(null);
    const from = corner ?? at;
    const to = far ?? at;
    const reset = () => {
        setCorner(null);
        setFar(null);
    };
    return {
        block: {
            top: Math.min(from[0], to[0]),
            left: Math.min(from[1], to[1]),
            bottom: Math.max(from[0], to[0]),
            right: Math.max(from[1], to[1]),
        },
        moved: ({ shiftKey }) => {
            setFar(null);
            setCorner((old) => (shiftKey ? (old ?? at) : null));
        },
        take: ({ top, left, bottom, right }) => {
            setCorner([top, left]);
            setFar([bottom, right]);
        },
        all: (rows, columns) => {
            setCorner([0, 0]);
            setFar([rows - 1, columns - 1]);
        },
        onPointerDown: (event, place) => {
            if (event.button !== 0) {
                return;
            }
            if (event.shiftKey) {
                event.preventDefault();
                setFar(null);
                setCorner((old) => old ?? at);
                moveTo(place);
            } else {
                reset();
            }
        },
        onPointerEnter: (event, place) => {
            if (event.buttons === 1) {
                setFar(null);
                setCorner((old) => old ?? at);
                moveTo(place);
            }
        },
        onKeyDown: (event) => {
            if (event.key === 'Escape') {
                reset();
            }
        },
    };
}
