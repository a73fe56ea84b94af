import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { getJson } from '@/lib/http';

interface Page {
    rows: unknown[];
    total: number;
}

interface Paged<T extends Page> {
    /** The first page, which tells of all of them. */
    first: T | null;
    pages: T[];
    loaded: number;
    loading: boolean;
    trouble: string | null;
    /** Loads the next page; null where all is there. */
    more: (() => void) | null;
}

/**
 * A list that the server gives page by page. Loads anew whenever the address or the stamp changes; the old content stays until the new is
 * there.
 *
 * @param extra is sent with the first page, and does not make it load anew
 */
export function usePaged<T extends Page>(url: string | null, stamp: string, extra: () => Record<string, string>): Paged<T> {
    const { data, error, hasNextPage, fetchNextPage, isFetching, isPlaceholderData } = useInfiniteQuery({
        queryKey: [url, stamp],
        queryFn: ({ pageParam, signal }) => {
            const more = new URLSearchParams({ offset: String(pageParam), ...(pageParam === 0 ? extra() : {}) }).toString();
            return getJson<T>(`${url}&${more}`, {}, signal);
        },
        initialPageParam: 0,
        getNextPageParam: (last: T, pages: T[]) => {
            const loaded = pages.reduce((sum, page) => sum + page.rows.length, 0);
            return loaded < last.total && last.rows.length > 0 ? loaded : undefined;
        },
        enabled: url !== null,
        placeholderData: keepPreviousData,
    });
    const pages = url === null || error ? [] : (data?.pages ?? []);
    return {
        first: pages[0] ?? null,
        pages,
        loaded: pages.reduce((sum, page) => sum + page.rows.length, 0),
        loading: isFetching && (pages.length === 0 || isPlaceholderData),
        trouble: error?.message ?? null,
        more: hasNextPage && !isFetching ? () => void fetchNextPage() : null,
    };
}
