import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';

/** How a list comes from the server. */
interface Source<Page> {
    /** What the list depends on; it is loaded anew when one of these differs. */
    key: unknown[];
    /** The page that begins at a place of the list. */
    load: (offset: number, signal: AbortSignal) => Promise<Page>;
    /** Rows on a page. */
    sizeOf: (page: Page) => number;
    /** Rows of the whole list, as a page tells. */
    totalOf: (page: Page) => number;
    /** The page that is there already. */
    first?: Page;
    enabled?: boolean;
}

export interface Pages<Page> {
    pages: Page[];
    /** Rows on all of them. */
    loaded: number;
    /** Whether the first page is on its way; the old content stays until it is there. */
    loading: boolean;
    trouble: string | null;
    /** Loads the next page; null where all is there, or while it is on its way. */
    more: (() => void) | null;
}

const NONE: unknown[] = [];

/** A list that the server gives page by page. */
export function usePages<Page>({ key, load, sizeOf, totalOf, first, enabled = true }: Source<Page>): Pages<Page> {
    const sizeOfAll = (pages: Page[]) => pages.reduce((sum, page) => sum + sizeOf(page), 0);
    const { data, error, hasNextPage, fetchNextPage, isFetching, isPlaceholderData } = useInfiniteQuery({
        queryKey: key,
        queryFn: ({ pageParam, signal }) => load(pageParam, signal),
        initialPageParam: 0,
        getNextPageParam: (last: Page, pages: Page[]) => {
            const loaded = sizeOfAll(pages);
            return loaded < totalOf(last) && sizeOf(last) > 0 ? loaded : undefined;
        },
        enabled,
        ...(first === undefined
            ? { placeholderData: keepPreviousData }
            : { initialData: { pages: [first], pageParams: [0] }, staleTime: Infinity, gcTime: 0 }),
    });
    const pages = (enabled ? data?.pages : undefined) ?? (NONE as Page[]);
    return {
        pages,
        loaded: sizeOfAll(pages),
        loading: isFetching && (pages.length === 0 || isPlaceholderData),
        trouble: error?.message ?? null,
        more: hasNextPage && !isFetching && !error ? () => void fetchNextPage() : null,
    };
}
