import { useEffect, useMemo, useRef } from 'react';
import { getJson } from '@/lib/http';
import { usePages } from '@/lib/usePages';

interface MoreRows<Row> {
    rows: Row[];
    /** Loads the rows after those; null where all are there, or while they are on their way. */
    more: (() => void) | null;
    trouble: string | null;
}

/** Numbers lists by the page they came with, so that one that comes anew is not taken for the one before. */
const numbers = new WeakMap<object, number>();
let newest = 0;

function numberOf(list: object): number {
    const number = numbers.get(list) ?? ++newest;
    numbers.set(list, number);
    return number;
}

/**
 * A list whose first rows came with the page; the rest is asked for as its end comes into sight.
 *
 * @param url gives the rows from `offset` on, filtered and sorted as the page is
 * @param first the rows that came with the page
 * @param total how many there are in all
 * @param of takes the rows out of an answer
 * @param sizeOf how many rows one counts as, where they come under headings
 */
export function useMoreRows<Row, Answer>(
    url: string,
    filter: Record<string, string>,
    first: Row[],
    total: number,
    of: (answer: Answer) => Row[],
    sizeOf: (row: Row) => number = () => 1,
): MoreRows<Row> {
    const { pages, loaded, more, trouble } = usePages<Row[]>({
        key: [url, filter, numberOf(first)],
        load: async (offset, signal) => of(await getJson<Answer>(url, { ...filter, offset }, signal)),
        sizeOf: (rows) => rows.reduce((sum, row) => sum + sizeOf(row), 0),
        totalOf: () => total,
        first,
    });
    // a list that comes anew, as after something was written, is read again as far as it was
    const list = `${url} ${JSON.stringify(filter)}`;
    const reached = useRef({ list, rows: 0 });
    useEffect(() => {
        if (reached.current.list !== list || loaded >= reached.current.rows) {
            reached.current = { list, rows: loaded };
        } else {
            more?.();
        }
    });
    const rows = useMemo(() => pages.flat(), [pages]);
    return { rows, more, trouble };
}
