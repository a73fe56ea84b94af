import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual';
import { useCallback, useEffect, useLayoutEffect, useRef, useState, type RefObject } from 'react';

/**
 * Heights, in pixels: of a heading, of a row, and of the heads above them that stay. From so many lines on only those in sight are drawn:
 * a browser takes a second for each few hundred.
 */
const TABLE = { heading: 34, row: 32, heads: 40, from: 60 };

/** Lines before the end at which the next rows are asked for. */
const AHEAD = 25;

interface InSight<Line> {
    drawn: Line[];
    /** The places of the drawn ones among the lines. */
    places: number[];
    /** Height of what is left out above and below, in pixels. */
    above: number;
    below: number;
    /** Brings a row into sight by its number. */
    reveal: (row: number) => void;
    /** Says which row has the focus, so that it stays drawn. */
    focus: (row: number) => void;
}

/**
 * The lines of a table that are in sight as the page scrolls. The row that had the focus stays drawn, wherever it is.
 *
 * @param lines headings, whose row is null, and rows
 * @param more asks for the rows after these
 * @param heights of what is drawn, where it is no table
 */
export function useInSight<Line extends { row: unknown }>(
    table: RefObject<HTMLElement | null>,
    lines: Line[],
    more: (() => void) | null | undefined,
    heights = TABLE,
): InSight<Line> {
    const isWindowed = lines.length > heights.from;
    const [margin, setMargin] = useState(0);
    const focused = useRef(0);
    const rows = lines.flatMap((line, place) => (line.row === null ? [] : [place]));
    // eslint-disable-next-line react-hooks/incompatible-library -- nothing here is memoized
    const virtual = useVirtualizer({
        count: lines.length,
        enabled: isWindowed,
        getScrollElement: () => scrollerOf(table.current),
        estimateSize: (place) => (lines[place]?.row === null ? heights.heading : heights.row),
        overscan: Math.min(12, heights.from / 2),
        scrollMargin: margin,
        scrollPaddingStart: heights.heads,
        useFlushSync: false,
        rangeExtractor: (range) =>
            [...new Set([rows[focused.current] ?? 0, ...defaultRangeExtractor(range)])].sort((one, other) => one - other),
    });
    useLayoutEffect(() => {
        const scroller = scrollerOf(table.current);
        if (isWindowed && scroller && table.current) {
            setMargin(table.current.getBoundingClientRect().top - scroller.getBoundingClientRect().top + scroller.scrollTop);
        }
    }, [isWindowed, table]);

    const items = isWindowed ? virtual.getVirtualItems() : [];
    const last = isWindowed ? (items.at(-1)?.index ?? 0) : lines.length;
    useEffect(() => {
        if (more && last >= lines.length - AHEAD) {
            more();
        }
    }, [last, lines.length, more]);

    const focus = useCallback((row: number) => {
        focused.current = row;
    }, []);
    if (!isWindowed) {
        return { drawn: lines, places: lines.map((_, place) => place), above: 0, below: 0, reveal: () => undefined, focus };
    }
    // what has the focus may stand far above or below the rest: the gap between is part of the one at the end
    const drawn = items.flatMap((item) => lines[item.index] ?? []);
    const height = items.reduce((sum, item) => sum + item.size, 0);
    const sight = items.filter((item, place) => item.index + 1 === items[place + 1]?.index || item.index - 1 === items[place - 1]?.index);
    const first = sight[0] ?? items[0];
    const isAbove = first !== undefined && items[0] !== undefined && items[0].index < first.index;
    const above = first === undefined ? 0 : first.start - margin - (isAbove ? heights.row : 0);
    return {
        drawn,
        places: items.map((item) => item.index),
        above: Math.max(0, above),
        below: Math.max(0, virtual.getTotalSize() - Math.max(0, above) - height),
        reveal: (row) => virtual.scrollToIndex(rows[row] ?? 0),
        focus,
    };
}

function scrollerOf(table: HTMLElement | null): HTMLElement | null {
    return table?.closest<HTMLElement>('[data-scrolls], #page, aside') ?? table?.parentElement ?? null;
}
