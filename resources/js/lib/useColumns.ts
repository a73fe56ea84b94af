import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual';
import { useCallback, useEffect, useMemo, useRef, type RefObject } from 'react';

/** From so many columns on only those in sight are drawn. */
const FEW = 30;

/** Pixels of what stands to the left of them, and of one. */
interface Widths {
    before: number;
    column: number;
}

interface Columns {
    drawn: number[];
    reveal: (column: number) => void;
    /** Says which column has the focus, so that it stays drawn. */
    focus: (column: number) => void;
}

/**
 * The columns of a grid that are in sight, with some beside them.
 *
 * @param first stands at the left edge at first
 */
export function useColumns(grid: RefObject<HTMLElement | null>, count: number, first: number, widths: Widths): Columns {
    const focused = useRef(0);
    const isWindowed = count > FEW;
    // eslint-disable-next-line react-hooks/incompatible-library -- nothing here is memoized
    const virtual = useVirtualizer({
        horizontal: true,
        enabled: isWindowed,
        count,
        getScrollElement: () => grid.current,
        estimateSize: () => widths.column,
        overscan: 4,
        paddingStart: widths.before,
        scrollPaddingStart: widths.before,
        useFlushSync: false,
        rangeExtractor: (range) =>
            [...new Set([Math.min(focused.current, count - 1), ...defaultRangeExtractor(range)])].sort((a, b) => a - b),
    });
    const focus = useCallback((column: number) => {
        focused.current = column;
    }, []);
    useEffect(() => {
        if (isWindowed && first > 0) {
            virtual.scrollToIndex(first, { align: 'start' });
        }
    }, [isWindowed, first, virtual]);
    const all = useMemo(() => Array.from({ length: count }, (_, place) => place), [count]);
    return useMemo(
        () => ({
            drawn: isWindowed ? virtual.getVirtualItems().map(({ index }) => index) : all,
            reveal: (column: number) => {
                if (isWindowed) {
                    virtual.scrollToIndex(column);
                }
            },
            focus,
        }),
        // eslint-disable-next-line react-hooks/exhaustive-deps -- what is in sight is what it says
        [isWindowed, all, virtual, virtual.range?.startIndex, virtual.range?.endIndex],
    );
}
